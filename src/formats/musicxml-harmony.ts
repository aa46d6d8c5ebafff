import { accidentalsOf, degreeNumber, fifthsFrom, type Interval, letterOf, maybeDegree } from "@/core/pitch";
import { type Chord, printChord, readSymbol } from "@/core/chord";

/**
 * The kinds of chord that MusicXML names, each with the symbol that has its tones, the plainer before the fuller.
 *
 * @source the MusicXML 4.0 type kind-value
 */
const KINDS: readonly (readonly [kind: string, suffix: string])[] = [
  ["power", "5"],
  ["major", ""],
  ["minor", "m"],
  ["augmented", "aug"],
  ["diminished", "dim"],
  ["suspended-second", "sus2"],
  ["suspended-fourth", "sus4"],
  ["major-sixth", "6"],
  ["minor-sixth", "m6"],
  ["dominant", "7"],
  ["major-seventh", "maj7"],
  ["minor-seventh", "m7"],
  ["major-minor", "m(maj7)"],
  ["diminished-seventh", "dim7"],
  ["half-diminished", "m7b5"],
  ["augmented-seventh", "7#5"],
  ["dominant-ninth", "9"],
  ["major-ninth", "maj9"],
  ["minor-ninth", "m9"],
  ["minor-11th", "m11"],
  ["dominant-13th", "13"],
  ["major-13th", "maj13"],
  ["minor-13th", "m13"],
];

/** Kinds whose tones are not told by a symbol that is written here, or that are read as another. */
const READ_AS: Readonly<Record<string, string>> = { "dominant-11th": "11", "major-11th": "maj11", other: "" };

const SUFFIX = new Map([...KINDS, ...Object.entries(READ_AS)]);

/** A degree that is added, altered or taken away from a kind. */
export interface HarmonyDegree {
  readonly value: number;
  readonly alter: number;
  readonly type: "add" | "alter" | "subtract";
}

/** A harmony as MusicXML has it: root and bass as letter and accidentals, kind, degrees. */
export interface Harmony {
  readonly root: { readonly step: string; readonly alter: number };
  readonly kind: string;
  readonly degrees: readonly HarmonyDegree[];
  readonly bass: { readonly step: string; readonly alter: number } | undefined;
}

const signs = (alter: number) => (alter < 0 ? "b" : "#").repeat(Math.abs(alter));

/**
 * The symbol of a harmony as it is typed here; undefined where its kind is not known.
 *
 * @example symbolOf({ root: { step: "F", alter: 1 }, kind: "half-diminished", degrees: [], bass: undefined }) // "F#m7b5"
 */
export function symbolOf({ root, kind, degrees, bass }: Harmony): string | undefined {
  if (kind === "none") return "N.C.";
  const suffix = SUFFIX.get(kind);
  if (suffix === undefined || !/^[A-G]$/u.test(root.step)) return undefined;
  const tail = degrees.map(({ value, alter, type }) =>
    type === "subtract"
      ? `no${value}`
      : type === "alter" && alter !== 0
        ? `${signs(alter)}${value}`
        : `add${signs(alter)}${value}`,
  );
  const over = bass ? `/${bass.step}${signs(bass.alter)}` : "";
  const symbol =
    root.step +
    signs(root.alter) +
    (tail.length > 0 && suffix !== "" ? `${suffix}(${tail.join(",")})` : suffix + tail.join(""));
  const reading = readSymbol(symbol + over);
  return printChord("chord" in reading ? reading.chord : withDegrees({ root, kind, degrees, bass }, suffix));
}

/**
 * A harmony whose degrees no symbol says one by one, by the tones that it comes to: a power chord with a ♭3 is minor, a major seventh
 * with its 7 lowered is a seventh. The root stays, also where it is taken away: a symbol has no other name.
 */
function withDegrees({ root, degrees, bass }: Harmony, suffix: string): Chord {
  const tones = new Set<Interval>(tonesOf(suffix));
  for (const { value, alter, type } of degrees) {
    const plain = maybeDegree(String(value));
    if (plain === undefined) continue;
    const same = [...tones].filter((tone) => degreeNumber(tone) === degreeNumber(plain));
    if (type !== "add" && plain !== 0) for (const tone of same) tones.delete(tone);
    if (type === "alter")
      for (const tone of same.length > 0 ? same : [plain])
        tones.add(value === 7 ? sevenths(alter) : tone + 7 * alter);
    if (type === "add") tones.add(plain + 7 * alter);
  }
  const fifths = ({ step, alter }: Harmony["root"]) => fifthsFrom(step, alter);
  return {
    root: fifths(root),
    tones: [0, ...[...tones].filter((tone) => tone !== 0)],
    optional: [],
    bass: bass && fifths(bass),
  };
}

/** The seventh that a degree of 7 is, by how far it is altered from the major one. */
const sevenths = (alter: number): Interval => 5 + 7 * alter;

const tonesOf = (suffix: string): readonly Interval[] => {
  const reading = readSymbol(`C${suffix}`);
  return "chord" in reading ? reading.chord.tones : [];
};

const KIND_TONES = KINDS.map(([kind, suffix]) => ({ kind, tones: tonesOf(suffix) }));

/**
 * A chord as MusicXML has it: the fullest kind that its tones hold, and the rest as degrees.
 *
 * @example harmonyOf(A13♭9) // kind "dominant", add 13, add 9 altered by -1
 */
export function harmonyOf({ root, tones, bass }: Chord): Harmony {
  const hasThird = tones.includes(4) || tones.includes(-3);
  const kinds = KIND_TONES.filter(
    ({ kind, tones: all }) =>
      all.every((tone) => tones.includes(tone)) && !(hasThird && /^(?:power|suspended)/u.test(kind)),
  );
  const best = kinds.at(-1) ?? nearestKind(tones);
  const added = tones.filter((tone) => !best.tones.includes(tone));
  const gone = best.tones.filter((tone) => !tones.includes(tone));
  const degree = (tone: Interval, type: HarmonyDegree["type"]): HarmonyDegree => {
    const number = degreeNumber(tone);
    const value = [2, 4, 6].includes(number) && !(number === 4 && gone.includes(4)) ? number + 7 : number;
    const plain = maybeDegree(String(value)) ?? 0;
    return { value, alter: type === "subtract" ? 0 : Math.round((tone - plain) / 7), type };
  };
  return {
    root: { step: letterOf(root), alter: accidentalsOf(root) },
    kind: best.kind,
    degrees: [...gone.map((tone) => degree(tone, "subtract")), ...added.map((tone) => degree(tone, "add"))],
    bass: bass === undefined ? undefined : { step: letterOf(bass), alter: accidentalsOf(bass) },
  };
}

/** Where no kind is held whole: the one with fewest tones too many. */
function nearestKind(tones: readonly Interval[]): (typeof KIND_TONES)[number] {
  const excess = (all: readonly Interval[]) => all.filter((tone) => !tones.includes(tone)).length;
  const shared = (all: readonly Interval[]) => all.filter((tone) => tones.includes(tone)).length;
  return KIND_TONES.reduce((best, next) =>
    excess(next.tones) - shared(next.tones) * 0.5 < excess(best.tones) - shared(best.tones) * 0.5
      ? next
      : best,
  );
}
