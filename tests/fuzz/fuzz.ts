import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { seeded } from "@/core/training";
import { dropped, type FuzzKind, READERS } from "./readers";
import { askEndpoint, ASKED, type EndpointPath } from "./endpoints";
import { type Seed, seeds } from "./seeds";

/** One damaged input, made again from its number alone. */
export interface Damaged {
  readonly number: number;
  /** A reader, the way of a file dropped on the page, or an endpoint. */
  readonly to: FuzzKind | "dropped" | EndpointPath;
  readonly bytes: Uint8Array;
}

/** What went wrong with an input: it was answered with an error, or late. */
export interface Failure extends Damaged {
  readonly why: string;
}

/** An answer within this many milliseconds. */
export const IN_TIME = 2000;

/** Bytes and words that readers look for: they are put where they do not belong. */
const SIGNS = [
  ..."|:[](){}<>\"'/\\^_=~-,.%&!#@*?;\n\r\t\0",
  ...[
    "\n\n",
    "||",
    ":|",
    "|:",
    "X:1\n",
    "K:",
    "V:1\n",
    "w:",
    "[V:2]",
    "(3",
    "x99",
    "]]>",
    "<!--",
    "<![CDATA[",
    "&lt;",
  ],
  ...[
    "</note>",
    "<chord/>",
    "<backup><duration>9999999</duration></backup>",
    "MTrk",
    "\xff\xff\xff\xff",
    "\x80\x80",
  ],
  ...[
    "\xff\x2f\x00",
    "𝄪",
    "♭",
    "é",
    "\ufeff",
    "\u2028",
    "-1",
    "1e999",
    "NaN",
    "99999999999",
    "0",
    "__proto__",
    "{}",
    "[]",
    "null",
  ],
];

/** Damages a whole file: bytes struck, pieces left out, doubled, moved, taken from another file, signs put in, the end cut off. */
function damaged(seed: Uint8Array, other: Uint8Array, random: () => number): Uint8Array {
  const below = (most: number) => Math.floor(random() * most);
  let bytes = Array.from(seed);
  for (let hit = 1 + below(6); hit > 0; hit -= 1) {
    const at = below(bytes.length + 1);
    const span = 1 + below(random() < 0.8 ? 8 : 400);
    switch (below(7)) {
      case 0:
        if (at < bytes.length) bytes[at] = below(256);
        break;
      case 1:
        bytes.splice(at, span);
        break;
      case 2: {
        const piece = bytes.slice(at, at + span);
        for (let times = below(random() < 0.9 ? 4 : 60); times > 0; times -= 1) bytes.splice(at, 0, ...piece);
        break;
      }
      case 3:
        bytes.splice(
          at,
          0,
          ...Buffer.from(SIGNS[below(SIGNS.length)] ?? "", random() < 0.5 ? "latin1" : "utf8"),
        );
        break;
      case 4:
        bytes.splice(below(bytes.length + 1), 0, ...bytes.splice(at, span));
        break;
      case 5: {
        const from = below(other.length);
        bytes.splice(at, random() < 0.5 ? span : 0, ...other.subarray(from, from + span));
        break;
      }
      case 6:
        if (random() < 0.3) bytes = bytes.slice(0, at);
    }
  }
  return Uint8Array.from(bytes);
}

/** Makes and tries damaged inputs, each from its number. */
export async function fuzzer(root: string) {
  const all: readonly Seed[] = await seeds(root);
  const pick = <T>(from: readonly T[], random: () => number): T =>
    from[Math.floor(random() * from.length)] as T;
  const make = (number: number): Damaged => {
    const random = seeded(number);
    const seed = pick(all, random);
    const way = random();
    const to =
      way < 0.7
        ? seed.kind
        : way < 0.8
          ? ("dropped" as const)
          : way < 0.9
            ? pick(all, random).kind
            : pick(ASKED, random);
    return { number, to, bytes: damaged(seed.bytes, pick(all, random).bytes, random) };
  };
  const tried = async (input: Damaged): Promise<Failure | undefined> => {
    const began = performance.now();
    try {
      const { to, bytes } = input;
      if (to === "dropped") await dropped(bytes);
      else if (to.startsWith("/")) await askEndpoint(to as EndpointPath, bytes);
      else await READERS[to as FuzzKind](bytes);
    } catch (error) {
      return { ...input, why: error instanceof Error ? `${error.name}: ${error.message}` : String(error) };
    }
    const took = performance.now() - began;
    return took > IN_TIME ? { ...input, why: `${took.toFixed(0)} ms` } : undefined;
  };
  return { make, tried };
}

const FOLDER = "tests/fixtures/fuzz";

/** Writes a failing input where the tests find it; answers a line that names it. */
export function keep(root: string, { number, to, bytes, why }: Failure): string {
  const name = `${to.replaceAll("/", "_")}-${number}`;
  mkdirSync(join(root, FOLDER), { recursive: true });
  writeFileSync(join(root, FOLDER, name), bytes);
  return `input ${number} to ${to}: ${why}; kept as ${FOLDER}/${name}`;
}

/** Inputs that failed once. */
export function kept(root: string): readonly Damaged[] {
  const folder = join(root, FOLDER);
  if (!existsSync(folder)) return [];
  return readdirSync(folder).map((name) => {
    const [, to = "", number = ""] = /^(.*)-(\d+)$/u.exec(name) ?? [];
    return {
      number: Number(number),
      to: to.replaceAll("_", "/") as Damaged["to"],
      bytes: readFileSync(join(folder, name)),
    };
  });
}
