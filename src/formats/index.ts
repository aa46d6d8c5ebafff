export * from "./abc";
export * from "./notes";
export * from "./write-abc";
