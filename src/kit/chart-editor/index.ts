export { ChartEditor } from "./ChartEditor";
export { completionsFor } from "./completions";
