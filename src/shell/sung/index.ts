export * from "./SungLine";
