import {
  homeOf,
  type Label,
  MODE_NAMES,
  type ModeName,
  neighboursOf,
  pick,
  type Plan,
  relativeOf,
  RHYTHMS,
  section,
  seeded,
  typedBars,
} from "./model";

/**
 * Tunes that stay in their mode though a part of them leans elsewhere, as real ones do, and tunes that change it: what the finding of
 * passages is measured on.
 */
export interface MadePassages extends Label {
  readonly notes: string;
  readonly kind: StayingKind | ChangingKind;
  /** What each part is in, with its first bar, where the mode changes. */
  readonly parts?: readonly (Label & { readonly fromBar: number })[];
}

export const STAYING = [
  "repeats its parts",
  "ends elsewhere",
  "dominant for four bars",
  "dominant for a part",
  "relative for a part",
  "two chords",
  "one degree two ways",
  "raised sevenths",
] as const;
type StayingKind = (typeof STAYING)[number];

const CHANGING = [
  "same home",
  "same home and back",
  "same notes",
  "another home",
  "same home, long",
] as const;
type ChangingKind = (typeof CHANGING)[number];

type Random = () => number;

const planOf = (random: Random, mode: ModeName): Plan => ({
  mode,
  rhythm: pick(random, RHYTHMS),
  random,
  missing: undefined,
  chromatic: false,
  low: pick(random, [-3, -2, 0]),
});

const isMajor = (mode: ModeName) => ["ionian", "lydian", "mixolydian"].includes(mode);
/** The ordinary key on the relative of a home, or on its dominant. */
const relativeKey = ({ home, mode }: Label): Label =>
  isMajor(mode) ? { home: home + 3, mode: "aeolian" } : { home: home - 3, mode: "ionian" };

/** A tune that stays in its mode. */
export function makeStaying(seed: number): MadePassages {
  const random = seeded(seed * 5113 + 7);
  const kind = STAYING[seed % STAYING.length] as StayingKind;
  // As many plain ones as there are among tunes, and every mode some of the time.
  const isKey =
    kind === "dominant for a part" || kind === "relative for a part" || kind === "dominant for four bars";
  const mode = isKey
    ? pick(random, ["ionian", "ionian", "aeolian"] as const)
    : pick(random, [
        "ionian",
        "ionian",
        "ionian",
        "aeolian",
        "aeolian",
        "dorian",
        "dorian",
        "mixolydian",
        "mixolydian",
        "lydian",
        "phrygian",
      ] as const);
  const label: Label = { home: homeOf(mode, Math.floor(random() * 12)), mode };
  const plan = planOf(random, mode);
  const part = (
    count: number,
    of: Label = label,
    ending: "home" | "chord tone" | "runs on" = "home",
    more: Partial<Plan> = {},
  ) => typedBars(section({ ...plan, mode: of.mode, ...more }, count, ending), of);
  const a = part(8);
  const dominant: Label = isMajor(mode)
    ? { home: label.home + 1, mode: "ionian" }
    : { home: label.home + 1, mode: "aeolian" };
  const made: Readonly<Record<StayingKind, () => readonly string[]>> = {
    "repeats its parts": () => [
      a,
      part(8, label, random() < 0.5 ? "runs on" : "home", { low: plan.low + 4 }),
      a,
    ],
    "ends elsewhere": () => [
      part(8, label, "runs on"),
      part(8, label, random() < 0.5 ? "chord tone" : "runs on", { chords: [5, 5, 4, 1, 5, 4, 5, 5] }),
    ],
    "dominant for four bars": () => [a, `${part(4, dominant)} | ${part(4)}`],
    "dominant for a part": () => [a, part(8, dominant), a],
    "relative for a part": () => [a, part(8, relativeKey(label)), a],
    "two chords": () => [
      part(8, label, "home", { chords: [1, 1, 7, 7] }),
      part(8, label, "home", { chords: [7, 7, 1, 1] }),
    ],
    "one degree two ways": () => {
      const other: ModeName = {
        ionian: "mixolydian",
        mixolydian: "ionian",
        dorian: "aeolian",
        aeolian: "dorian",
        lydian: "ionian",
        phrygian: "aeolian",
        locrian: "phrygian",
      }[mode] as ModeName;
      const bars = Array.from({ length: 4 }, (_, at) =>
        part(
          2,
          at === 1 || (at === 2 && random() < 0.5) ? { home: label.home, mode: other } : label,
          at === 3 ? "home" : "runs on",
        ),
      );
      return [bars.join(" | "), a];
    },
    "raised sevenths": () => [
      a,
      part(8, label, "home", { chromatic: true, chords: [1, 4, 5, 1, 4, 1, 5, 1] }),
    ],
  };
  return { ...label, kind, notes: `${made[kind]().join(" || ")} ||` };
}

/** A tune that changes its mode, each part eight bars or more and ending on its home. */
export function makeChanging(seed: number): MadePassages {
  const random = seeded(seed * 6011 + 29);
  const kind = CHANGING[seed % CHANGING.length] as ChangingKind;
  const mode = MODE_NAMES[Math.floor(seed / CHANGING.length) % 6] as ModeName;
  const label: Label = { home: homeOf(mode, Math.floor(random() * 12)), mode };
  const plan = planOf(random, mode);
  const sameHome = (): Label => ({
    home: label.home,
    mode: pick(
      random,
      neighboursOf(mode).filter((each) => each !== "locrian"),
    ),
  });
  const long = kind === "same home, long" ? 16 : 8;
  const elsewhere = (): Label => {
    const other = pick(
      random,
      (["dorian", "phrygian", "lydian", "mixolydian"] as const).filter((each) => each !== mode),
    );
    return { home: label.home + pick(random, [-3, -1, 1, 2, 3]), mode: other };
  };
  const then =
    kind === "same notes" ? otherMode(label, random) : kind === "another home" ? elsewhere() : sameHome();
  const labels = kind === "same home and back" ? [label, then, label] : [label, then];
  const part = (of: Label) =>
    Array.from({ length: long / 8 }, (_, at) =>
      typedBars(
        section({ ...plan, mode: of.mode }, 8, at === long / 8 - 1 || random() < 0.5 ? "home" : "runs on"),
        of,
      ),
    ).join(" || ");
  return {
    ...label,
    kind,
    parts: labels.map((each, at) => ({ ...each, fromBar: 1 + at * long })),
    notes: `${labels.map(part).join(" || ")} ||`,
  };
}

/** The same notes on another home, but for the relative major or minor, which is a change of key. */
function otherMode(label: Label, random: Random): Label {
  const relative = relativeKey(label);
  for (;;) {
    const then = relativeOf(label, random);
    if (then.mode !== "locrian" && then.mode !== relative.mode) return then;
  }
}
