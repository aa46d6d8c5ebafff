export * from "./to-engrave";
export * from "./Staff";
export * from "./LineStaff";
