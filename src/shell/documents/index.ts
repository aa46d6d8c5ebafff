export * from "./DocumentTools";
