export * from "./Popover";
