export * from "./Staff";
export * from "./LineStaff";
