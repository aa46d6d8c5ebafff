export * from "./SungLine";
export type { ToSing } from "./SingDialog";
