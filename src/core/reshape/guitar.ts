import type { Chord } from "../chord";
import {
  betweenFrets,
  COMFORTABLE_STRETCH,
  type Fingering,
  fingersFor,
  maybeTuning,
  openSounds,
  type Tuning,
  type Voicing,
} from "../instrument";
import { type Interval, midiOf, modulo, type Pitch, pitchAt, soundOf } from "../pitch";
import { EPSILON, firstPlace, soundingAt, type Tune, type TuneNote } from "../tune";

/** A chord under a melody as a hand holds it: the melody's note on top, the bass at the bottom, what fits between. */
export interface GuitarGrip {
  readonly chord: Chord;
  readonly onset: number;
  readonly duration: number;
  readonly bar: number;
  /** Frets from the lowest string on; null where a string is not played. */
  readonly frets: Fingering;
  readonly fingers: readonly (number | null)[];
  /** Millimetres between the outer fingers. */
  readonly stretchMm: number;
  /** The fret that the first finger is at. */
  readonly position: number;
  /** The string that has the melody, by its place from the lowest; undefined where the melody rests. */
  readonly melodyString: number | undefined;
}

/**
 * A grip as any other voicing: what sounds, and which tones of the chord it leaves out.
 *
 * @example gripVoicing(grip).sounds // MIDI numbers, from the lowest string on
 */
export function gripVoicing({ chord, frets, fingers, stretchMm }: GuitarGrip): Voicing {
  const opens = openSounds(GUITAR);
  const sounds = frets.flatMap((fret, at) => (fret === null ? [] : [(opens[at] ?? 0) + fret]));
  const heard = new Set(sounds.map((midi) => modulo(midi, 12)));
  const omitted = chord.tones.filter((tone) => !heard.has(soundOf(chord.root + tone)));
  return { frets, fingers, sounds, stretchMm, omitted, cost: 0 };
}

/** The guitar that is written for. */
const GUITAR = maybeTuning("guitar") as Tuning;

/** Frets that a hand covers without moving, and the highest fret that is used. */
const [HAND, HIGHEST] = [4, 15];

/** What a grip costs: tones that are missing, fingers, a hand that moves, is opened wide, is far up the neck or doesn't reach the tune. */
const COST = {
  third: 1.2,
  seventh: 0.6,
  fifth: 0.2,
  empty: 0.5,
  shift: 0.3,
  finger: 0.12,
  high: 0.12,
  stretch: 0.015,
  unreached: 0.5,
  barre: 0.4,
};

/** The notes of a melody from a time up to another. */
function notesWithin(notes: readonly TuneNote[], from: number, to: number): readonly TuneNote[] {
  return notes.slice(
    firstPlace(notes, ({ onset }) => onset > from - EPSILON),
    firstPlace(notes, ({ onset }) => onset > to - EPSILON),
  );
}

interface Option extends Pick<GuitarGrip, "frets" | "fingers" | "stretchMm" | "position" | "melodyString"> {
  readonly cost: number;
}

/** Frets at which a string has one of some sounds, open or under a hand. */
function fretsOf(open: number, sounds: ReadonlySet<number>, position: number): readonly number[] {
  const under = Array.from({ length: HAND }, (_, at) => position + at);
  return [0, ...under].filter(
    (fret, at, all) => all.indexOf(fret) === at && fret <= HIGHEST && sounds.has(modulo(open + fret, 12)),
  );
}

/** Every grip of a chord under a melody note, the best for each position of the hand. */
function optionsFor(chord: Chord, melody: number | undefined, opens: readonly number[]): readonly Option[] {
  const bass = new Set([soundOf(chord.bass ?? chord.root)]);
  const all = new Set(chord.tones.map((tone) => soundOf(chord.root + tone)));
  const sound = (tone: Interval | undefined) => (tone === undefined ? undefined : soundOf(chord.root + tone));
  const third = sound(chord.tones.find((tone) => [4, -3, -1, 2].includes(tone)));
  const seventh = sound(chord.tones.find((tone) => [-2, 5, -9].includes(tone)));
  const fifth = sound(chord.tones.find((tone) => tone === 1));
  const found: Option[] = [];
  for (let position = 1; position <= HIGHEST - HAND + 1; position += 1) {
    let best: Option | undefined;
    const isNear = (fret: number) => fret === 0 || (fret >= position && fret < position + HAND);
    const tops = opens.flatMap((open, string): { string: number; fret: number | null }[] => {
      if (melody === undefined)
        return string === opens.length - 1 ? [{ string: opens.length, fret: null }] : [];
      const fret = melody - open;
      return fret >= 0 && fret <= HIGHEST && isNear(fret) ? [{ string, fret }] : [];
    });
    for (const top of tops)
      for (const low of opens.keys()) {
        if (low >= top.string) break;
        for (const bassFret of fretsOf(opens[low] ?? 0, bass, position)) {
          const between = opens.flatMap((_, string) => (string > low && string < top.string ? [string] : []));
          const choices = between.map((string) => [null, ...fretsOf(opens[string] ?? 0, all, position)]);
          for (const inner of combined(choices)) {
            const frets = opens.map((_, string): number | null =>
              string === top.string
                ? top.fret
                : string === low
                  ? bassFret
                  : (inner[between.indexOf(string)] ?? null),
            );
            const option = rated(frets, {
              ...{ opens, position, melody, third, fifth, seventh },
              top: top.fret === null ? undefined : top.string,
            });
            if (option && option.cost < (best?.cost ?? Infinity)) best = option;
          }
        }
      }
    if (best) found.push(best);
  }
  return found;
}

/** Notes between bass and melody: more are in the way of the tune. */
const MAX_INNER = 2;

/** Every way to take one of each, or nothing (null), few of them something. */
function combined<T>(choices: readonly (readonly (T | null)[])[]): readonly (readonly (T | null)[])[] {
  return choices.reduce<readonly (readonly (T | null)[])[]>(
    (ways, choice) =>
      ways.flatMap((way) =>
        choice
          .filter((one) => one === null || way.filter((each) => each !== null).length < MAX_INNER)
          .map((one) => [...way, one]),
      ),
    [[]],
  );
}

interface Wanted {
  readonly opens: readonly number[];
  readonly position: number;
  readonly melody: number | undefined;
  readonly third: number | undefined;
  readonly fifth: number | undefined;
  readonly seventh: number | undefined;
  readonly top: number | undefined;
}

/** A grip with its fingers and its cost; undefined where no hand can hold it, or something sounds above the melody. */
function rated(
  frets: Fingering,
  { opens, position, melody, third, fifth, seventh, top }: Wanted,
): Option | undefined {
  const sounds = frets.flatMap((fret, string) => (fret === null ? [] : [(opens[string] ?? 0) + fret]));
  if (melody !== undefined && sounds.some((each) => each > melody)) return undefined;
  // From the bottom to the top the notes rise, so that the bass is the bass.
  if (sounds.some((each, at) => at > 0 && each <= (sounds[at - 1] ?? 0))) return undefined;
  const hand = fingersFor(frets, 0);
  if (!hand || hand.barres + hand.lateBarres > 1) return undefined;
  const pressed = frets.filter((fret): fret is number => fret !== null && fret > 0);
  const stretchMm = pressed.length < 2 ? 0 : betweenFrets(GUITAR, Math.min(...pressed), Math.max(...pressed));
  const has = (wanted: number | undefined) =>
    wanted === undefined || sounds.some((each) => each % 12 === wanted);
  const count = sounds.length - (melody === undefined ? 0 : 1);
  return {
    frets,
    fingers: hand.fingers,
    stretchMm: Math.round(stretchMm),
    position,
    melodyString: top,
    cost:
      (has(third) ? 0 : COST.third) +
      (has(seventh) ? 0 : COST.seventh) +
      (has(fifth) ? 0 : COST.fifth) +
      (count === 1 ? COST.empty : 0) +
      hand.used * COST.finger +
      hand.barres * COST.barre +
      position * COST.high +
      Math.max(0, stretchMm - COMFORTABLE_STRETCH) * COST.stretch,
  };
}

/** Melody notes of a grip that the hand doesn't reach where it is. */
const unreached = (notes: readonly TuneNote[], position: number, opens: readonly number[]): number =>
  notes.filter(
    ({ pitch }) =>
      !opens.some((open) => {
        const fret = midiOf(pitch) - open;
        return fret === 0 || (fret >= position - 1 && fret < position + HAND);
      }),
  ).length;

/** A row of grips up to one of them. */
interface Way {
  readonly cost: number;
  readonly option: Option;
  readonly before: Way | undefined;
}

/**
 * The chords of a tune as one guitarist plays them under the melody: the row of grips that is easiest on the hand, found exactly. A chord
 * for which no hand is found, as where the melody lies below every bass or above the neck, has none.
 *
 * @example guitarGrips(tune)[0]?.frets // [0, null, null, 0, 0, 0]: Em under a high E
 */
export function guitarGrips({ notes, chords = [] }: Tune): readonly GuitarGrip[] {
  const opens = GUITAR.strings.map(midiOf);
  const known = new Map<string, readonly Option[]>();
  let ways: readonly Way[] = [];
  const placed: Pick<GuitarGrip, "chord" | "onset" | "duration" | "bar">[] = [];
  for (const { chord, onset, duration, bar } of chords) {
    const top = soundingAt(notes, onset);
    const melody = top && midiOf(top.pitch);
    const key = `${chord.root} ${chord.tones.join(",")} ${chord.bass ?? ""} ${melody ?? ""}`;
    const options = known.get(key) ?? optionsFor(chord, melody, opens);
    known.set(key, options);
    if (options.length === 0) continue;
    const line = notesWithin(notes, onset, onset + duration);
    ways = options.map((option): Way => {
      const optionCost = option.cost + unreached(line, option.position, opens) * COST.unreached;
      const best = ways.reduce<{ cost: number; before: Way | undefined }>(
        (least, before) => {
          const cost = before.cost + Math.abs(before.option.position - option.position) * COST.shift;
          return cost < least.cost ? { cost, before } : least;
        },
        ways.length === 0 ? { cost: 0, before: undefined } : { cost: Infinity, before: undefined },
      );
      return { cost: optionCost + best.cost, option, before: best.before };
    });
    placed.push({ chord, onset, duration, bar });
  }
  const grips: GuitarGrip[] = [];
  let way = ways.reduce<Way | undefined>(
    (least, each) => (each.cost < (least?.cost ?? Infinity) ? each : least),
    undefined,
  );
  for (const each of placed.toReversed()) {
    if (!way) break;
    const { frets, fingers, stretchMm, position, melodyString } = way.option;
    grips.push({ ...each, frets, fingers, stretchMm, position, melodyString });
    way = way.before;
  }
  return grips.reverse();
}

/** What a grip sounds under the melody, lowest first, each by its name in the chord. */
export function underMelody({ chord, frets, melodyString }: GuitarGrip): readonly Pitch[] {
  const names = [
    ...chord.tones.map((tone) => chord.root + tone),
    ...(chord.bass === undefined ? [] : [chord.bass]),
  ];
  return frets.flatMap((fret, string) => {
    const open = GUITAR.strings[string];
    if (fret === null || string === melodyString || !open) return [];
    const midi = midiOf(open) + fret;
    return [pitchAt(midi, names.find((name) => soundOf(name) === modulo(midi, 12)) ?? chord.root)];
  });
}
