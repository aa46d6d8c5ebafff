import { readdirSync, readFileSync } from "node:fs";
import ts from "typescript";
import { describe, expect, it } from "vitest";

/** Words that the screen no longer uses, each with the one that it uses now. */
const OLD: readonly (readonly [RegExp, string])[] = [
  [/\bcolou?r notes?\b|\bcolours\b/iu, "characteristic note"],
  [/\brubs?\b/iu, "avoid note"],
  [/\bsignal\b/iu, "target note"],
  [/\bfree notes?\b/iu, "other scale notes"],
  [/\breadings?\b/iu, "analysis"],
  [/\b(?:fewest|one|no) turns?\b|\bturns\b/iu, "change"],
  [/\bline(?:d|s)? up\b/iu, "parallel, relative"],
  [/\bpath\b/iu, "play all"],
  [/\bshared? (?:it )?out\b/iu, "chord pairs"],
  [/\bone shape\b/iu, "slash chords"],
  [/\bshows it best\b/iu, "best vamp"],
  [/\btold (?:by|from)\b|\btells? it from\b/iu, "reference scale, compared with"],
  [/\bsung\b/iu, "solfège"],
  [/\bslats?\b|\bblinds?\b/iu, "notes that are on"],
  [/\bplates?\b/iu, "marker"],
  [/\bin hand\b|\bheld against\b|\bwhat is held\b/iu, "selected, compared with"],
  [/\bkept\b|^Keep\b/u, "saved"],
  [/\bput (?:it )?away\b|\btake it out\b|\bpart it\b/iu, "Close, Remove, Split"],
  [/\bby turns\b/iu, "alternating"],
  [/\bvisit(?:or|ing|s)\b/iu, "passing note"],
  [/\bdusk\b/iu, "dark"],
  [/\bin 100\b|\bof 100\b/iu, "percent"],
  [/\breckon/iu, "compute"],
  [/\bschools?\b/iu, "conventions"],
];

const ROOMS = ["words", "kit", "session", "shell", "features", "pages", "server"];

/** What is not told in words: names of things in code, of files, and of styles. */
const isCode = (text: string) => !/\s/u.test(text.trim()) && !/^[A-Z]/u.test(text.trim());

/** Every text in a file that may come on the screen, with its line. */
function texts(path: string): readonly (readonly [text: string, line: number])[] {
  const source = ts.createSourceFile(path, readFileSync(path, "utf8"), ts.ScriptTarget.ES2023, true);
  const found: (readonly [string, number])[] = [];
  const look = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node) || ts.isTypeNode(node)) return;
    if (ts.isStringLiteralLike(node) || ts.isTemplateLiteralToken(node) || ts.isJsxText(node)) {
      const { line } = source.getLineAndCharacterOfPosition(node.getStart());
      if (!isCode(node.text)) found.push([node.text, line + 1]);
    }
    node.forEachChild(look);
  };
  look(source);
  return found;
}

const files = ROOMS.flatMap((room) =>
  readdirSync(`src/${room}`, { recursive: true, encoding: "utf8" })
    .filter((name) => /\.tsx?$/u.test(name) && !name.includes(".test."))
    .map((name) => `src/${room}/${name}`),
);

describe("the words on the screen", () => {
  it("are those of the field, in every room that speaks", () => {
    expect(files.length).toBeGreaterThan(150);
    const old = files.flatMap((path) =>
      texts(path).flatMap(([text, line]) =>
        OLD.filter(([word]) => word.test(text)).map(
          ([, now]) => `${path}:${line} “${text.trim().slice(0, 80)}” should say ${now}`,
        ),
      ),
    );
    expect(old).toEqual([]);
  });
});
