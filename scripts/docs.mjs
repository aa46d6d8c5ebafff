// @ts-check
/**
 * `npm run docs`: writes what the code itself says of keys, endpoints and licences: docs/keys.md, docs/endpoints.md, public/licences.txt.
 * The keys are read from the running application, view by view.
 */
import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { chromium } from "@playwright/test";
import prettier from "prettier";
import { z } from "zod";
import { CHROMIUM_FLAGS, ensureBuild, ensureChromium, freePort, root, startServer } from "./ready.mjs";
import { withModule } from "./typescript.mjs";

/** @param {string} path @param {string} text */
const write = async (path, text) => {
  const options = { ...(await prettier.resolveConfig(join(root, path))), parser: "markdown" };
  writeFileSync(join(root, path), path.endsWith(".md") ? await prettier.format(text, options) : text);
  console.log(path);
};
const cell = (/** @type {string} */ text) => text.replaceAll("|", "\\|").replaceAll("\n", " ");
/** Media types, as a line names them. @param {object} all */
const kinds = (all) =>
  Object.keys(all)
    .map((kind) => `\`${kind}\``)
    .join(", ");

/** @param {readonly string[]} head @param {readonly (readonly string[])[]} rows */
const table = (head, rows) =>
  [head, head.map(() => "---"), ...rows].map((row) => `| ${row.map(cell).join(" | ")} |`).join("\n");

/** @typedef {{ type?: string, description?: string, anyOf?: unknown[], properties?: Record<string, Shape>, items?: Shape, enum?: unknown[] }} Shape */
/** @param {Shape} shape @returns {string} */
const typeOf = ({ type, items, anyOf, enum: values }) =>
  values
    ? values.map((value) => `\`${value}\``).join(", ")
    : items
      ? `list of ${typeOf(items)}`
      : (type ?? (anyOf ? "one of several" : "any"));
/** @param {import("zod").ZodObject} schema */
const fields = (schema) => {
  const { properties = {} } = /** @type {Shape} */ (
    z.toJSONSchema(schema, { unrepresentable: "any", reused: "inline" })
  );
  return table(
    ["Field", "Type", "What it is"],
    Object.entries(properties).map(([name, shape]) => [
      `\`${name}\``,
      typeOf(shape),
      shape.description ?? "",
    ]),
  );
};
await write(
  "docs/endpoints.md",
  await withModule("src/server/index.ts", async ({ ENDPOINTS, parametersOf }) =>
    [
      "# Endpoints",
      "Written by `npm run docs` from the schemas that requests are held against. Note names are ASCII (`F#`, `Ebb`), degrees `b3`, `#4`. Nothing that is sent is kept. Errors are problem details (RFC 9457): a code, the line and column, what was found and what would do. A running server describes the same at `/api` and as OpenAPI 3.1 at `/api/openapi.json`.",
      ...ENDPOINTS.flatMap((/** @type {import("../src/server/endpoints").Endpoint} */ endpoint) => [
        `## ${endpoint.method.toUpperCase()} ${endpoint.path}`,
        endpoint.summary,
        ...(endpoint.query
          ? [
              table(
                ["Query", "Needed", "What it is"],
                parametersOf(endpoint).map(
                  (/** @type {{ name: string, required?: boolean, description?: string }} */ each) => [
                    `\`${each.name}\``,
                    each.required ? "yes" : "no",
                    each.description ?? "",
                  ],
                ),
              ),
            ]
          : []),
        ...(endpoint.bodies ? [`Body: ${kinds(endpoint.bodies)}.`] : []),
        ...(endpoint.others ? [`With \`Accept\`, instead of JSON: ${kinds(endpoint.others)}.`] : []),
        "Answer:",
        fields(endpoint.answer),
        `Refuses with ${endpoint.refuses.join(", ")}. Example: \`${endpoint.example.replaceAll("\n", " ")}\``,
      ]),
      "",
    ].join("\n\n"),
  ),
);

/** Packages that the browser is given, with what they need themselves. */
function shipped() {
  const { dependencies } = JSON.parse(readFileSync(join(root, "package.json"), "utf8"));
  const ofServer = /^(?:astro|@astrojs\/|piscina)/u;
  const found = new Map();
  const visit = (/** @type {string} */ name) => {
    if (found.has(name)) return;
    const folder = join(root, "node_modules", name);
    let own;
    try {
      own = JSON.parse(readFileSync(join(folder, "package.json"), "utf8"));
    } catch {
      return;
    }
    const file = readdirSync(folder).find((each) => /^(?:licen[cs]e|copying)/iu.test(each));
    found.set(name, {
      name,
      version: own.version,
      licence: own.license,
      text: file && readFileSync(join(folder, file), "utf8"),
    });
    for (const other of Object.keys(own.dependencies ?? {})) visit(other);
  };
  for (const name of Object.keys(dependencies)) if (!ofServer.test(name)) visit(name);
  return [...found.values()].sort((a, b) => (a.name < b.name ? -1 : 1));
}
const recordings = readFileSync(join(root, "docs/recordings.md"), "utf8").split("\n\n").slice(1).join("\n\n");
await write(
  "public/licences.txt",
  [
    "Shade is under the MIT licence. What ships with it:",
    ...shipped().map(
      ({ name, version, licence, text }) =>
        `${"-".repeat(72)}\n${name} ${version}, ${licence}\n\n${(text ?? "No text comes with the package.").trim()}`,
    ),
    `${"-".repeat(72)}\nNoto Music (accidentals), SIL Open Font License 1.1\n\n${readFileSync(join(root, "node_modules/@fontsource/noto-music/LICENSE"), "utf8").trim()}`,
    `${"-".repeat(72)}\n${recordings.trim()}`,
    "",
  ].join("\n\n"),
);

ensureBuild();
const views = await withModule("src/features/views.ts", async ({ VIEWS }) => VIEWS);
const { address, stop } = await startServer(await freePort());
const browser = await chromium.launch({ executablePath: ensureChromium(), args: CHROMIUM_FLAGS });
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const parts = new Map();
  for (const { id, parts: all } of views)
    for (const part of all) {
      await page.goto(`${address}/${id}?show=${part}&demo`);
      await page.locator("html[data-settled]").waitFor({ state: "attached" });
      await page.getByRole("banner").getByRole("button", { name: /^Help/ }).click();
      const help = page.getByRole("dialog", { name: "Help" }).locator("section");
      await help.first().waitFor();
      const sections = await help.evaluateAll((found) =>
        found.map((section) => ({
          name: section.querySelector("h3")?.textContent ?? "",
          rows: [...section.querySelectorAll("dl > div")].map((row) => [
            row.querySelector("dt")?.textContent ?? "",
            row.querySelector("dd")?.textContent ?? "",
          ]),
        })),
      );
      for (const { name, rows } of sections) {
        const known = parts.get(name) ?? new Map();
        for (const [key, says] of rows) known.set(`${key} ${says}`, [`\`${key}\``, says]);
        parts.set(name, known);
      }
    }
  await write(
    "docs/keys.md",
    `# Keys\n\nWritten by \`npm run docs\` from the application's own tables. Single letters can be switched off in _Settings_.\n\n${[
      ...parts,
    ]
      .map(([name, rows]) => `## ${name}\n\n${table(["Key", "What it does"], [...rows.values()])}`)
      .join("\n\n")}\n`,
  );
} finally {
  await browser.close();
  stop();
}
