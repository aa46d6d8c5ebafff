import { modulo, soundOf } from "../pitch";
import { type Heard, heardAs, isSame, isTwo, isTwoChords } from "./home";
import type { KindOfChord } from "./home-rows";
import type { Sounding } from "./sounding";

/** What speaks for a home in a chart. */
type ChartEvidence =
  | { readonly code: "first-chord"; readonly at: number }
  | { readonly code: "last-chord"; readonly at: number }
  | { readonly code: "cadence"; readonly at: number }
  | { readonly code: "turnaround"; readonly at: number }
  | { readonly code: "two-five-round"; readonly at: number }
  | { readonly code: "return"; readonly times: number }
  | { readonly code: "pedal"; readonly share: number }
  | { readonly code: "length"; readonly share: number }
  | { readonly code: "never-heard" };

/** A sounding home (0 is C) with its evidence and the weight of it all in nats. */
export interface ChartHome {
  readonly sound: number;
  readonly weight: number;
  readonly evidence: readonly ChartEvidence[];
}

/**
 * What the whole chart says, in nats. A chart begins at home more often than anywhere else, above all where it goes round; the last
 * chord says much where it is arrived at by a fifth or held, and little where a short line goes round again.
 */
const WHOLE = {
  first: 1.6,
  round: 1,
  mostRounds: 4,
  firstDominant: 0.6,
  firstTwo: 0.6,
  last: 2.2,
  lastOfLoop: 0.3,
  cadence: 1.1,
  turnaround: 1.7,
  twoFiveRound: 4,
  pedal: 7,
  length: 1.4,
  neverHeard: -2.2,
  rise: 4,
  walk: 7,
  plagal: 4,
  twoTwoFives: 12,
  rock: 4,
};

/** Written lines of so many chords and fewer go round. */
const LOOP = 4;
/** Held under so much of a chart, a bass is its home. */
const PEDAL_FROM = 0.6;

/** A piece of evidence and what it weighs. */
type Weighed = readonly [nats: number, evidence: ChartEvidence];

/** A chart as its evidence is gathered from it. */
interface Line {
  readonly sounding: readonly Sounding[];
  readonly heard: readonly Heard[];
  readonly isVamp: boolean;
}

/**
 * The evidence for each of the twelve homes.
 *
 * @example chartHomes(sounding chords of "Dm7 G7 Cmaj7")[0]?.evidence.map(({ code }) => code) // cadence, last-chord, length
 */
export function chartHomes(sounding: readonly Sounding[]): readonly ChartHome[] {
  const heard = sounding.map(({ chord }) => heardAs(chord));
  const line: Line = { sounding, heard, isVamp: isTwoChords(heard) };
  return Array.from({ length: 12 }, (_, sound): ChartHome => {
    const all = [
      ...beginning(line, sound),
      ...ending(line, sound),
      ...presence(line, sound),
      ...figures(line, sound),
    ];
    return {
      sound,
      weight: all.reduce((sum, [nats]) => sum + nats, 0),
      evidence: all.map(([, evidence]) => evidence),
    };
  });
}

/** The first chord, and in a vamp how often it comes back; the first chord of a ii–V is no beginning. */
function beginning({ sounding, heard, isVamp }: Line, sound: number): readonly Weighed[] {
  const [first] = heard;
  if (first?.root !== sound || first.kind === "d" || first.kind === "o") return [];
  const nats = first.kind === "7" ? WHOLE.firstDominant : beginsWithTwo(heard) ? WHOLE.firstTwo : WHOLE.first;
  const begins: Weighed = [nats, { code: "first-chord", at: sounding[0]?.at ?? 0 }];
  if (!isVamp) return [begins];
  const times = heard.filter((each, at) => each.root === sound && heard[at - 1]?.root !== sound).length;
  return [begins, [Math.min(times, WHOLE.mostRounds) * WHOLE.round, { code: "return", times }]];
}

/** Whether a chart begins with a ii–V that does not go back to its first chord. */
function beginsWithTwo(heard: readonly Heard[]): boolean {
  const [two, five, next] = heard;
  const isTwoFive =
    two !== undefined && five?.kind === "7" && isTwo(two) && modulo(five.root - two.root, 12) === 5;
  return isTwoFive && next !== undefined && !isSame(two, next);
}

/**
 * Figures that are heard from one home alone, wherever the loop begins: ♭VI–♭VII–I, all major, i–ii–♭III–ii, I with its borrowed iv,
 * ii–V–iii–VI round and round, and major chords alone on the notes of the home's minor pentatonic and ♭6.
 */
function figures({ sounding, heard, isVamp }: Line, sound: number): readonly Weighed[] {
  const at = (nth: number) => heard[nth % heard.length];
  const isAt = (chord: Heard | undefined, above: number, kind: KindOfChord) =>
    chord?.kind === kind && modulo(chord.root - sound, 12) === above;
  const rise = heard.findIndex(
    (each, nth) => isAt(each, 8, "M") && isAt(at(nth + 1), 10, "M") && isAt(at(nth + 2), 0, "M"),
  );
  const walks =
    heard.length > 3 &&
    isAt(heard[0], 0, "m") &&
    isAt(heard[1], 2, "m") &&
    isAt(heard[2], 3, "M") &&
    isAt(heard[3], 2, "m");
  const plagal = isVamp && isAt(heard[0], 0, "M") && heard.some((each) => isAt(each, 5, "m"));
  // Where it ends on its V, that leads round by itself.
  const isTurnaround =
    heard.length % LOOP === 0 &&
    goesRound(heard) &&
    !isAt(heard.at(-1), 7, "7") &&
    heard.some(
      (each, nth) =>
        isAt(each, 2, "m") &&
        isAt(at(nth + 1), 7, "7") &&
        isAt(at(nth + 2), 4, "m") &&
        (isAt(at(nth + 3), 9, "7") || isAt(at(nth + 3), 9, "m")),
    );
  const isRock =
    isAt(heard[0], 0, "M") &&
    heard.some((each) => isAt(each, 3, "M")) &&
    heard.every(({ root, kind }) => kind === "M" && ROCK_ROOTS.has(modulo(root - sound, 12)));
  return [
    ...(isTurnaround ? [[WHOLE.twoTwoFives, { code: "turnaround", at: sounding[0]?.at ?? 0 }] as const] : []),
    ...(isRock ? [[WHOLE.rock, { code: "first-chord", at: sounding[0]?.at ?? 0 }] as const] : []),
    ...(plagal ? [[WHOLE.plagal, { code: "first-chord", at: sounding[0]?.at ?? 0 }] as const] : []),
    ...(rise < 0
      ? []
      : [[WHOLE.rise, { code: "cadence", at: sounding[(rise + 2) % sounding.length]?.at ?? 0 }] as const]),
    ...(walks ? [[WHOLE.walk, { code: "first-chord", at: sounding[0]?.at ?? 0 }] as const] : []),
  ];
}

/** Half steps above home of the roots of rock's major chords. */
const ROCK_ROOTS: ReadonlySet<number> = new Set([0, 3, 5, 8, 10]);

/** The last chord, what it is arrived at from, and a dominant that leads round to the beginning. */
function ending({ sounding, heard, isVamp }: Line, sound: number): readonly Weighed[] {
  const [last, before] = [heard.at(-1), heard.at(-2)];
  if (!last) return [];
  const at = sounding.at(-1)?.at ?? 0;
  if (last.root === sound) {
    const arrives = comesHome(heard.slice(-3), sound);
    const isWeak = last.kind === "7" || (goesRound(heard) && !arrives);
    return [
      ...(arrives ? [[WHOLE.cadence, { code: "cadence", at }] as const] : []),
      [isWeak ? WHOLE.lastOfLoop : WHOLE.last, { code: "last-chord", at }],
    ];
  }
  if (isVamp || modulo(last.root - sound, 12) !== 7) return [];
  if (last.kind !== "7" && !(last.kind === "M" && heard[0]?.root === sound)) return [];
  const isTwoFive = before !== undefined && isTwo(before) && modulo(before.root - sound, 12) === 2;
  const leadsToTwo = heard[0]?.root === sound && beginsWithTwo(heard);
  const nats = isTwoFive ? WHOLE.twoFiveRound : leadsToTwo ? WHOLE.lastOfLoop : WHOLE.turnaround;
  return [[nats, { code: isTwoFive ? "two-five-round" : "turnaround", at }]];
}

/** How long a home is heard, or that it never is, and a bass that is held on it. */
function presence(line: Line, sound: number): readonly Weighed[] {
  const { sounding, heard } = line;
  const whole = sounding.reduce((sum, { bars }) => sum + bars, 0);
  const share = sounding.reduce(
    (sum, { bars }, at) => sum + (heard[at]?.root === sound ? bars / whole : 0),
    0,
  );
  const isAsked = ending(line, sound).some(([, { code }]) => code === "two-five-round");
  const pedal = pedalOf(sounding, whole);
  return [
    ...(share > 0 ? [[WHOLE.length * share, { code: "length", share }] as const] : []),
    ...(share === 0 && !isAsked ? [[WHOLE.neverHeard, { code: "never-heard" }] as const] : []),
    ...(pedal?.sound === sound
      ? [[WHOLE.pedal * pedal.share, { code: "pedal", share: pedal.share }] as const]
      : []),
  ];
}

/**
 * Whether a line comes home at its end: from a major chord or a dominant a fifth above, a dominant or, to a major chord, a major chord a half
 * step above, or by ♭VI and ♭VII.
 */
function comesHome(ending: readonly Heard[], home: number): boolean {
  const [last, before, two] = ending.toReversed();
  if (!last || !before || last.root !== home || last.kind === "7") return false;
  const from = modulo(before.root - home, 12);
  const isRise = from === 10 && two?.kind === "M" && modulo(two.root - home, 12) === 8;
  // The flamenco cadence: ♭II to I, both major.
  const isFlamenco = from === 1 && before.kind === "M" && last.kind === "M";
  return (
    isFlamenco ||
    (from === 7 && (before.kind === "7" || before.kind === "M")) ||
    (from === 1 && before.kind === "7") ||
    isRise
  );
}

/** A short line, or one that is made of the same few chords over and over, goes round. */
function goesRound(heard: readonly Heard[]): boolean {
  if (heard.length <= LOOP) return true;
  return Array.from({ length: LOOP * 2 - 1 }, (_, less) => less + 2).some(
    (by) =>
      by * 2 <= heard.length &&
      heard.length % by === 0 &&
      heard.every((each, at) => at < by || isSame(each, heard[at - by])),
  );
}

/** The bass that stays while roots change, and for how much of the chart. */
function pedalOf(
  sounding: readonly Sounding[],
  whole: number,
): { readonly sound: number; readonly share: number } | undefined {
  const bassOf = ({ chord }: Sounding) => soundOf(chord.bass ?? chord.root);
  for (const sound of new Set(sounding.map(bassOf))) {
    const over = sounding.filter((each) => bassOf(each) === sound);
    const roots = new Set(over.map(({ chord }) => soundOf(chord.root)));
    const share = over.reduce((sum, { bars }) => sum + bars, 0) / whole;
    if (roots.size > 1 && share >= PEDAL_FROM) return { sound, share };
  }
  return undefined;
}
