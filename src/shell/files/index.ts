export * from "./DropTarget";
