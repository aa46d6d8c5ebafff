import { strToU8, zipSync } from "fflate";
import { readFileSync, readdirSync } from "node:fs";
import { join } from "node:path";
import { DEMO } from "@/demo";
import { readAbc, writeNotes, writeTuneMidi, writeTuneXml } from "@/formats";
import { writeBackup } from "@/storage";
import { PACKED } from "./hostile";
import type { FuzzKind } from "./readers";

/** A whole file of the project's own, and how it is read. */
export interface Seed {
  readonly kind: FuzzKind;
  readonly bytes: Uint8Array;
}

const CHARTS = [
  "[Gate]\n3/4 |: Em9 | A13/C# |1. D6 :|2. Cmaj7 ||\n{E Dorian} Em7 / A . | % | Bm7b5 N.C. x2",
  "Intro: Am - G - F - E7 (x2)\nVerse:\nAm      G      F   E7\nLanterns over water\n| Am7/G | Dm7 G7 | (Cmaj7) |",
  "Key: D\nI | vi7 | ii-7 V7 | bVII |\n1 6m 4 5/7",
];
const CHORDPRO =
  "{title: The gate}\n{key: Em}\n{capo: 2}\n{start_of_verse: One}\n[Em9]Lanterns [A13]lit\n{eov}\n{start_of_tab}\ne|--0--2--|\n{end_of_tab}\n| [Am7|Dm7] | G |\n{comment: End}\n[Cmaj7] | [D6]\n";
const SCALA = "! orchard.scl\n!\nOrchard\n 7\n!\n 9/8\n 1200.0\n 4/3\n 700. cents\n 2/1\n";
const LOG =
  'day,time,kind,what,mode,home,instrument,minutes,tempo,felt,right,questions,words\n2026-09-03,18:00,line,"Gate, slowly",dorian,E,guitar,12.5,72,easy,,,"=SUM(1)"\n';

/** Whole files of every kind: the demo's tunes as they are and as they are written here, the tests' own files, charts. */
export async function seeds(root: string): Promise<readonly Seed[]> {
  const demo = join(root, "src/demo");
  const fixtures = join(root, "tests/fixtures");
  const abc = readdirSync(demo)
    .filter((name) => name.endsWith(".abc"))
    .map((name) => readFileSync(join(demo, name), "utf8"));
  const tunes = (await Promise.all(abc.map((text) => readAbc(text)))).flatMap(({ value }) =>
    value.map(({ tune }) => tune),
  );
  const found: Seed[] = [];
  const add = (kind: FuzzKind, content: string | Uint8Array) =>
    found.push({ kind, bytes: typeof content === "string" ? strToU8(content) : content });
  for (const text of abc) add("abc", text);
  add("abc", readFileSync(join(fixtures, "mill-race.abc")));
  for (const tune of tunes.slice(0, 4)) {
    const xml = await writeTuneXml(tune);
    add("musicxml", xml);
    add(
      "mxl",
      zipSync(
        { "META-INF/container.xml": strToU8("<container/>"), "score.xml": strToU8(xml) },
        { mtime: PACKED },
      ),
    );
    add("midi", await writeTuneMidi(tune, 96));
    add("notes", writeNotes(tune));
  }
  for (const name of readdirSync(fixtures)) {
    if (name.endsWith(".musicxml")) add("musicxml", readFileSync(join(fixtures, name)));
    if (name.endsWith(".mid")) add("midi", readFileSync(join(fixtures, name)));
  }
  for (const text of CHARTS) add("chart", text);
  add("chordpro", CHORDPRO);
  add("scala", SCALA);
  add("csv", LOG);
  add("log", LOG);
  add(
    "backup",
    writeBackup({ shelf: DEMO.slice(0, 6), settings: {}, aside: [], documents: [], sittings: [] }),
  );
  return found;
}
