// @ts-check
/**
 * `npm run accuracy`: how often home, parent and mode are found, on tunes made by a model and tunes composed by hand, and how often the
 * home of a chart is the one that a teacher gives. Prints
 * figures; judges none. The same at every run.
 */
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { ensurePackages, root } from "./ready.mjs";

ensurePackages();
const { withModule } = await import("./typescript.mjs");
const demo = join(root, "src/demo");
const composed = [
  join(root, "tests/accuracy/composed.abc"),
  ...readdirSync(demo)
    .filter((name) => name.endsWith(".abc"))
    .map((name) => join(demo, name)),
].map((path) => readFileSync(path, "utf8"));
console.log(await withModule("tests/accuracy/measure.ts", ({ report }) => report(composed.join("\n\n"))));
console.log(await withModule("tests/accuracy/measure-charts.ts", ({ reportCharts }) => reportCharts()));
console.log(await withModule("tests/accuracy/measure-keys.ts", ({ reportKeys }) => reportKeys()));
