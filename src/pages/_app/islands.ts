// The parts of the page, with the views that there are.
import "@/features";

export { TopBar } from "@/shell/bar";
export { ViewSwitch } from "@/shell/frame/ViewSwitch";
export { Stage } from "@/shell/stage";
