// @ts-check
/** What `npm test` runs for what is asked. Packages are there already. */
import { execFileSync } from "node:child_process";
import { existsSync, readdirSync } from "node:fs";
import { join } from "node:path";
import { root } from "./ready.mjs";
import { withModule } from "./typescript.mjs";

/**
 * @typedef {object} Plan
 * @property {readonly ("all" | "core" | "pages")[]} types whose types are checked: of all TypeScript, of the core by itself, of the pages
 * @property {readonly string[]} eslint files and folders; none where nothing is linted
 * @property {readonly string[]} prettier the same for the format
 * @property {readonly string[] | undefined} unit what vitest is told; undefined where no unit test runs
 * @property {readonly string[] | undefined} browser what Playwright is told
 * @property {string} [says] what is left out, for those who read the log
 */

/** Browser tests of what every view needs: they stand for the rest where a change can touch all views. */
const SMOKE = ["whole-way.spec.ts", "shelf.spec.ts"];

/** @param {readonly string[]} asked @returns {Promise<Plan>} */
export async function plan(asked) {
  if (asked.length === 0)
    return { types: ["all", "core", "pages"], eslint: ["."], prettier: ["."], unit: [], browser: [] };
  if (asked.includes("--changed")) return changed();
  const specs = asked.filter((path) => path.includes("e2e") || path.endsWith(".spec.ts"));
  const others = asked.filter((path) => !specs.includes(path));
  return {
    types: [],
    eslint: [],
    prettier: [],
    unit: others.length > 0 ? others : undefined,
    browser: specs.length > 0 ? specs : undefined,
  };
}

/** @param {readonly string[]} args */
const git = (args) =>
  execFileSync("git", [...args], { cwd: root, encoding: "utf8" })
    .split("\n")
    .filter(Boolean);

/** What the uncommitted change can touch, by the imports of the code. @returns {Promise<Plan>} */
async function changed() {
  const files = [
    ...git(["diff", "--name-only", "HEAD"]),
    ...git(["ls-files", "--others", "--exclude-standard"]),
  ].filter((file) => existsSync(join(root, file)));
  if (files.length === 0)
    return {
      types: [],
      eslint: [],
      prettier: [],
      unit: undefined,
      browser: undefined,
      says: "Nothing has changed.",
    };
  const code = files.filter((file) => /\.(?:ts|tsx|astro|mjs|js)$/u.test(file));
  const specs = files.filter((file) => file.endsWith(".spec.ts"));
  const reached = await reachedFrom(
    files.filter((file) => file.startsWith("src/") && !/\.test\.tsx?$/u.test(file)),
  );
  const all = readdirSync(join(root, "tests/e2e")).filter((file) => file.endsWith(".spec.ts"));
  const views = readdirSync(join(root, "src/features"), { withFileTypes: true })
    .filter((entry) => entry.isDirectory())
    .map(({ name }) => name);
  const touched = views.filter((view) => reached.some((file) => file.startsWith(`src/features/${view}/`)));
  const isEverywhere = touched.length === views.length;
  const ofViews = all.filter((spec) => touched.some((view) => spec.startsWith(view)));
  const browser = reached.length > 0 ? [...new Set([...specs, ...(isEverywhere ? SMOKE : ofViews)])] : specs;
  return {
    types: [
      ...(code.length > 0 ? /** @type {const} */ (["all"]) : []),
      ...(code.some((file) => file.startsWith("src/core/")) ? /** @type {const} */ (["core"]) : []),
      ...(code.some((file) => file.endsWith(".astro")) ? /** @type {const} */ (["pages"]) : []),
    ],
    eslint: code,
    prettier: files,
    unit: code.length > 0 ? ["--changed", "--passWithNoTests"] : undefined,
    browser: browser.length > 0 ? browser : undefined,
    says: `${files.length} changed files; views that they reach: ${touched.join(", ") || "none"}.${
      isEverywhere
        ? ` That is all of them: ${SMOKE.join(" and ")} stand for the browser tests, a full run has the rest.`
        : ""
    }`,
  };
}

/** The files of the application that import some files, directly or through others, with those themselves. @param {readonly string[]} from */
async function reachedFrom(from) {
  if (from.length === 0) return [];
  const imports = await withModule("tests/house/house.ts", async ({ importsOf }) => importsOf(root, "src"));
  const reached = new Set(from);
  for (let isNew = true; isNew;) {
    isNew = false;
    for (const [file, all] of imports)
      if (!reached.has(file) && all.some((/** @type {string} */ other) => reached.has(other))) {
        reached.add(file);
        isNew = true;
      }
  }
  return [...reached];
}
