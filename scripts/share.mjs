// @ts-check
/** `npm run share`: how much of the code is tests, in lines that are not blank. The aim is a quarter to a third. */
import { readdirSync, readFileSync } from "node:fs";
import { join, relative } from "node:path";
import { root } from "./ready.mjs";

const CODE = /\.(ts|tsx|astro|css|mjs|js)$/;
const isTest = (/** @type {string} */ path) => /\.test\.tsx?$/.test(path) || path.startsWith("tests/");

/** @param {string} folder @returns {string[]} */
const codeIn = (folder) =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return codeIn(path);
    return CODE.test(entry.name) ? [path] : [];
  });

const files = ["src", "tests", "scripts"]
  .flatMap((folder) => codeIn(join(root, folder)))
  .map((path) => relative(root, path));
const lines = (/** @type {string} */ path) =>
  readFileSync(join(root, path), "utf8")
    .split("\n")
    .filter((line) => line.trim() !== "").length;
const sum = (/** @type {string[]} */ paths) => paths.reduce((total, path) => total + lines(path), 0);

const tests = sum(files.filter(isTest));
const all = sum(files);
console.log(`Tests are ${Math.round((100 * tests) / all)} in 100 of ${all} lines (${tests} of tests).`);
