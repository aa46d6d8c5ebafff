// The parts of the page, with the views that there are.
import "@/features";
// A backup, and records of an earlier version, have this document too.
import "@/sheets/practice-document";

export { TopBar } from "@/shell/bar";
export { ViewSwitch } from "@/shell/frame/ViewSwitch";
export { StageIsland } from "@/shell/stage";
