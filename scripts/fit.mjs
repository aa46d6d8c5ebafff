// @ts-check
/**
 * `npm run fit -- FOLDER [--to FILE]`: learns the numbers by which the home and mode of one voice are told from a folder of labelled tunes (ABC with key fields,
 * MusicXML with keys), prints what comes of tunes held out, and writes the constants; into the source unless told elsewhere.
 */
import { readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { join, resolve } from "node:path";
import { ensurePackages, root } from "./ready.mjs";

const EVIDENCE = join(root, "src/core/identify/tune-evidence.ts");
/** Fewer tunes than these say too little for the constants in the source. */
const ENOUGH = 200;

ensurePackages();
const [folder, option, to] = process.argv.slice(2);
if (
  !folder ||
  (option !== undefined && (option !== "--to" || !to)) ||
  !statSync(folder, { throwIfNoEntry: false })?.isDirectory()
) {
  console.error("Name a folder of labelled tunes: npm run fit -- FOLDER [--to FILE]");
  process.exit(1);
}
const { withModule } = await import("./typescript.mjs");
const files = readdirSync(folder, { recursive: true, encoding: "utf8" })
  .filter((name) => /\.(abc|txt|xml|musicxml|mxl)$/iu.test(name))
  .sort()
  .map((name) => join(folder, name));
const tunes = await withModule("scripts/fit/labelled.ts", async ({ labelledTunes }) => {
  const all = [];
  for (const file of files) all.push(...(await labelledTunes(new Uint8Array(readFileSync(file)), file)));
  return all;
});
await withModule("scripts/fit/fit.ts", async ({ casesOf, fitted, heldOut, withNumbers }) => {
  const cases = casesOf(tunes);
  console.log(`${files.length} files, ${cases.length} labelled tunes of one voice.`);
  if (cases.length === 0) {
    console.error("None has a home and mode of its own. ABC tells them in its K: field.");
    process.exitCode = 1;
    return;
  }
  const told = heldOut(cases);
  for (const [name, score] of Object.entries({
    "held out, five folds": told.fitted,
    "by the numbers in use": told.inUse,
  }))
    console.log(
      `${name.padEnd(24)} home ${score.home.toFixed(3)}  home and mode ${score.mode.toFixed(3)}  calibration error ${score.calibration.toFixed(3)}`,
    );
  if (!to && cases.length < ENOUGH) {
    console.log(`${ENOUGH} tunes and more are written into the source; fewer with --to FILE.`);
    return;
  }
  const source = readFileSync(EVIDENCE, "utf8");
  const target = to ? resolve(to) : EVIDENCE;
  writeFileSync(
    target,
    withNumbers(source, fitted(cases), cases, new Date().toISOString().slice(0, 10), told.fitted),
  );
  console.log(`The numbers stand in ${target}.`);
});
