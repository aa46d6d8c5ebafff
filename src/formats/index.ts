export * from "./abc";
export * from "./csv";
export * from "./midi";
export * from "./notes";
export * from "./scala";
export * from "./wav";
export * from "./write-abc";
