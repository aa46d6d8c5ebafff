// @ts-check
/** `npm test`: type check, lint, unit tests, build, browser tests; installs what they need; ends with one count of all tests. */
import { readFileSync, rmSync } from "node:fs";
import { join } from "node:path";
import { ensureBuild, ensureChromium, ensurePackages, reportsFolder, root, run, tool } from "./ready.mjs";

ensurePackages();
const chromium = ensureChromium();
const reports = reportsFolder();
const unitReport = join(reports, "unit.json");
const e2eReport = join(reports, "e2e.json");
for (const report of [unitReport, e2eReport]) rmSync(report, { force: true });

let failedSteps = 0;
/** @param {string} name @param {() => number} act */
const step = (name, act) => {
  console.log(`\n${name}`);
  if (act() !== 0) failedSteps += 1;
};

step(
  "Types",
  () =>
    run(tool("astro"), ["check", "--minimumSeverity", "warning"]) ||
    run(tool("tsc"), ["-p", "tsconfig.core.json"]),
);
step(
  "Lint",
  () =>
    run(tool("eslint"), [".", "--max-warnings", "0"]) ||
    run(tool("prettier"), ["--check", "--log-level", "warn", "."]),
);
step("Unit tests", () =>
  run(tool("vitest"), ["run", "--reporter=dot", "--reporter=json", `--outputFile.json=${unitReport}`]),
);
console.log("\nBuild");
ensureBuild();
step("Browser tests", () => run(tool("playwright"), ["test"], { env: { SHADE_CHROMIUM: chromium } }));
step("Share of tests", () => run(process.execPath, [join(root, "scripts/share.mjs")]));

/** @param {string} file @param {(report: any) => [number, number]} count */
const counted = (file, count) => {
  try {
    return count(JSON.parse(readFileSync(file, "utf8")));
  } catch {
    return /** @type {[number, number]} */ ([0, 1]);
  }
};
const [unitPassed, unitFailed] = counted(unitReport, (report) => [
  report.numPassedTests,
  report.numFailedTests,
]);
const [e2ePassed, e2eFailed] = counted(e2eReport, ({ stats }) => [
  stats.expected + stats.flaky,
  stats.unexpected,
]);
if (failedSteps > 0) console.log(`\n${failedSteps} of the steps above failed.`);
console.log(`\n${unitPassed + e2ePassed} passed, ${unitFailed + e2eFailed} failed`);
process.exit(failedSteps > 0 || unitFailed + e2eFailed > 0 ? 1 : 0);
