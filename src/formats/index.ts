export * from "./abc";
export * from "./csv";
export * from "./notes";
export * from "./scala";
export * from "./write-abc";
