// @ts-check
/**
 * `npm test`: types, lint, unused exports, unit tests, build, browser tests; installs what they need; a line a step, and one count of all
 * tests at the end.
 *
 *     npm test                       everything
 *     npm test -- src/core/chord     the tests in a folder or a file alone, of the unit or in the browser
 *     npm test -- --changed          what the uncommitted change can touch
 */
import { spawn } from "node:child_process";
import { readFileSync, rmSync } from "node:fs";
import { join } from "node:path";
import { buildStep, ensureChromium, ensurePackages, QUIET, reportsFolder, root, tool } from "./ready.mjs";

const asked = process.argv.slice(2);
const begun = Date.now();
ensurePackages();
const { plan } = await import("./test-plan.mjs");
const { types, eslint, prettier, unit, browser, says } = await plan(asked);
if (says) console.log(says);
const chromium = browser ? ensureChromium() : "";
const reports = reportsFolder();
const unitReport = join(reports, "unit.json");
const e2eReport = join(reports, "e2e.json");
for (const report of [unitReport, e2eReport]) rmSync(report, { force: true });

/** @typedef {{ name: string, command: string, args: readonly string[], env?: Record<string, string> }} Part */

/**
 * Runs a command and answers its exit code and what it printed.
 *
 * @param {Part} part
 * @returns {Promise<{ code: number, text: string }>}
 */
const ran = ({ command, args, env = {} }) =>
  new Promise((resolve) => {
    let text = "";
    const child = spawn(command, args, { cwd: root, env: { ...process.env, ...QUIET, ...env } });
    for (const stream of [child.stdout, child.stderr])
      stream.on("data", (/** @type {Buffer} */ chunk) => (text += chunk.toString()));
    child.on("error", (error) => resolve({ code: 1, text: String(error) }));
    child.on("close", (code) => resolve({ code: code ?? 1, text }));
  });

const failed = /** @type {string[]} */ ([]);

/**
 * A step is its parts one after another. What they print is shown where one fails; a step that passes is a line with its time.
 *
 * @param {string} name
 * @param {readonly Part[]} parts
 */
async function step(name, parts) {
  const from = Date.now();
  for (const part of parts) {
    const { code, text } = await ran(part);
    if (code === 0) continue;
    failed.push(name);
    console.log(`${name}: failed in ${part.name}\n${text}`);
    return false;
  }
  console.log(`${name.padEnd(14)} ${String(Math.round((Date.now() - from) / 1000)).padStart(4)} s`);
  return true;
}

const cache = (/** @type {string} */ name) => join(root, "node_modules/.cache", name);
/** @param {string} name @param {readonly string[]} args @returns {Part} */
const tsc = (name, args) => ({ name, command: tool("tsc"), args });
const incremental = (/** @type {string} */ name) => [
  "--incremental",
  "--tsBuildInfoFile",
  cache(`${name}.tsbuildinfo`),
];

async function lintStep() {
  const parts = [
    ...(eslint.length > 0
      ? [
          {
            name: "eslint",
            command: tool("eslint"),
            args: [
              ...eslint,
              ...["--max-warnings", "0", "--no-warn-ignored"],
              ...["--cache", "--cache-strategy", "content", "--cache-location", cache("eslint")],
            ],
          },
        ]
      : []),
    ...(prettier.length > 0
      ? [
          {
            name: "prettier",
            command: tool("prettier"),
            args: [
              ...prettier,
              ...["--check", "--ignore-unknown", "--log-level", "warn"],
              ...[
                "--cache",
                "--cache-strategy",
                "content",
                "--cache-location",
                cache("prettier/.prettier-cache"),
              ],
            ],
          },
        ]
      : []),
  ];
  const knip = ["--no-progress", "--cache", "--cache-location", cache("knip")];
  if (parts.length > 0) await step("Lint", [...parts, { name: "knip", command: tool("knip"), args: knip }]);
}

async function typesStep() {
  const parts = {
    all: tsc("tsc", ["--noEmit", ...incremental("all")]),
    core: tsc("tsc of the core", ["-p", "tsconfig.core.json", ...incremental("core")]),
    pages: {
      name: "astro check",
      command: tool("astro"),
      args: ["check", "--tsconfig", "tsconfig.astro.json", "--minimumSeverity", "warning"],
    },
  };
  if (types.length > 0)
    await step(
      "Types",
      types.map((each) => parts[each]),
    );
}

async function buildItself() {
  const build = browser ? buildStep() : undefined;
  if (build && (await step("Build", [{ name: "astro build", ...build }]))) build.done();
}

async function unitStep() {
  if (!unit) return;
  const reporters = ["--reporter=dot", "--reporter=json", `--outputFile.json=${unitReport}`];
  await step("Unit tests", [
    { name: "vitest", command: tool("vitest"), args: ["run", ...unit, ...reporters] },
  ]);
}

/** Lint in one lane, types and build in the other: neither needs what the other makes. Unit tests go where less is to do. */
const isWhole = asked.length === 0;
const lanes = [
  isWhole ? [lintStep] : [lintStep, unitStep],
  isWhole ? [typesStep, buildItself, unitStep] : [typesStep, buildItself],
];
await Promise.all(
  lanes.map(async (lane) => {
    for (const each of lane) await each();
  }),
);

if (browser && !failed.includes("Build"))
  await step("Browser tests", [
    {
      name: "playwright",
      command: tool("playwright"),
      args: ["test", ...browser],
      env: { SHADE_CHROMIUM: chromium, SHADE_QUIET: "1" },
    },
  ]);
if (isWhole) {
  const { text } = await ran({
    name: "share",
    command: process.execPath,
    args: [join(root, "scripts/share.mjs")],
  });
  console.log(text.trim());
}

/** Browser tests that passed at their second try. @returns {readonly string[]} */
function flaky() {
  if (!browser) return [];
  /** @param {any} suite @returns {string[]} */
  const within = ({ file, specs = [], suites = [] }) => [
    ...specs.flatMap((/** @type {any} */ spec) =>
      spec.tests.some((/** @type {any} */ test) => test.status === "flaky")
        ? [`  ${file}: ${spec.title}`]
        : [],
    ),
    ...suites.flatMap(within),
  ];
  try {
    return JSON.parse(readFileSync(e2eReport, "utf8")).suites.flatMap(within);
  } catch {
    return [];
  }
}

/**
 * @param {boolean} isWanted
 * @param {string} file
 * @param {(report: any) => [number, number]} count
 */
const counted = (isWanted, file, count) => {
  if (!isWanted) return /** @type {[number, number]} */ ([0, 0]);
  try {
    return count(JSON.parse(readFileSync(file, "utf8")));
  } catch {
    return /** @type {[number, number]} */ ([0, 1]);
  }
};
const [unitPassed, unitFailed] = counted(unit !== undefined, unitReport, (report) => [
  report.numPassedTests,
  report.numFailedTests,
]);
const [e2ePassed, e2eFailed] = counted(browser !== undefined, e2eReport, ({ stats }) => [
  stats.expected + stats.flaky,
  stats.unexpected,
]);
const needed = flaky();
if (needed.length > 0) console.log(`Passed at the second try, to be mended:\n${needed.join("\n")}`);
if (failed.length > 0) console.log(`Failed: ${failed.join(", ")}.`);
console.log(
  `In all ${Math.floor((Date.now() - begun) / 60_000)} min ${Math.round(((Date.now() - begun) / 1000) % 60)} s.`,
);
console.log(`${unitPassed + e2ePassed} passed, ${unitFailed + e2eFailed} failed`);
process.exit(failed.length > 0 || unitFailed + e2eFailed > 0 ? 1 : 0);
