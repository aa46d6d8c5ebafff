import { existsSync, readdirSync, readFileSync, statSync } from "node:fs";
import { dirname, join, relative } from "node:path";
import ts from "typescript";
import { rooms } from "../../scripts/rooms.mjs";

/** Each file of a folder with the files of the project that it imports, types and lazy imports too. Paths are from the root. */
export type Imports = ReadonlyMap<string, readonly string[]>;

const CODE = /\.(?:ts|tsx|astro)$/u;
const isTest = (path: string) => /\.test\.tsx?$/u.test(path);

function filesIn(folder: string): readonly string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    return entry.isDirectory() ? filesIn(path) : CODE.test(entry.name) && !isTest(path) ? [path] : [];
  });
}

const isFile = (path: string) => existsSync(path) && statSync(path).isFile();

/** The script of a file: in a page what stands between its fences. */
const scriptOf = (path: string): string => {
  const text = readFileSync(path, "utf8");
  return path.endsWith(".astro") ? (/^---\n([\s\S]*?)\n---/u.exec(text)?.[1] ?? "") : text;
};

/** The file that an import names; undefined for packages, styles and pictures. */
function named(from: string, specifier: string, root: string): string | undefined {
  const path = specifier.startsWith("@/")
    ? join(root, "src", specifier.slice(2))
    : specifier.startsWith(".")
      ? join(dirname(from), specifier)
      : undefined;
  if (path === undefined) return undefined;
  return [path, `${path}.ts`, `${path}.tsx`, join(path, "index.ts")].find(
    (candidate) => CODE.test(candidate) && isFile(candidate),
  );
}

/** Reads who imports whom below a folder of the project. */
export function importsOf(root: string, folder: string): Imports {
  const path = (file: string) => relative(root, file).replaceAll("\\", "/");
  return new Map(
    filesIn(join(root, folder)).map((file) => {
      const { importedFiles } = ts.preProcessFile(scriptOf(file), true, true);
      const found = importedFiles.flatMap(({ fileName }) => named(file, fileName, root) ?? []);
      return [path(file), [...new Set(found.map(path))]];
    }),
  );
}

/**
 * The circles among imports: each as the files that reach one another, by Tarjan's algorithm (1972).
 *
 * @example circles(new Map([["a", ["b"]], ["b", ["a"]]])) // [["a", "b"]]
 */
export function circles(imports: Imports): readonly (readonly string[])[] {
  const order = new Map<string, number>();
  const lowest = new Map<string, number>();
  const open: string[] = [];
  const found: string[][] = [];
  const visit = (file: string) => {
    order.set(file, order.size);
    lowest.set(file, order.get(file) ?? 0);
    open.push(file);
    for (const next of imports.get(file) ?? []) {
      if (!order.has(next)) visit(next);
      else if (!open.includes(next)) continue;
      lowest.set(file, Math.min(lowest.get(file) ?? 0, lowest.get(next) ?? 0));
    }
    if (lowest.get(file) !== order.get(file)) return;
    const group = open.splice(open.indexOf(file));
    if (group.length > 1 || imports.get(file)?.includes(file) === true) found.push(group.toSorted());
  };
  for (const file of imports.keys()) if (!order.has(file)) visit(file);
  return found;
}

/** The room that a file stands in, by its place in the list from the ground up; -1 for what stands outside. */
export const roomOf = (file: string): number =>
  rooms.findIndex((room) => file.startsWith(`src/${room}/`) || file.startsWith(`src/${room}.`));

/** Imports of a room that lies above, and of one feature by another: "a → b". */
export function upwardArrows(imports: Imports): readonly string[] {
  const featureOf = (file: string) => /^src\/features\/([^/.]+)\//u.exec(file)?.[1];
  return [...imports].flatMap(([file, all]) =>
    all
      .filter((other) => {
        const [from, to] = [featureOf(file), featureOf(other)];
        return roomOf(other) > roomOf(file) || (from !== undefined && to !== undefined && from !== to);
      })
      .map((other) => `${file} → ${other}`),
  );
}

/** The house as it stands: a line a room from the ground up, with its files and the rooms that it imports from. */
export function houseText(imports: Imports): string {
  return rooms
    .map((room, at) => {
      const files = [...imports.keys()].filter((file) => roomOf(file) === at);
      const below = new Set(files.flatMap((file) => imports.get(file) ?? []).map((other) => roomOf(other)));
      below.delete(at);
      const from = [...below].toSorted((a, b) => a - b).flatMap((other) => rooms[other] ?? []);
      return `${room} (${files.length}) ← ${from.join(", ") || "nothing"}`;
    })
    .join("\n");
}
