import { type HomeMode } from "../scale";
import { regionAt } from "./layout";
import { handAt } from "./layout";
import { soundsBetween } from "./layout";
import { firstPosition } from "./letter-positions";
import type { Place } from "./neck";
import type { UnfingeredPosition } from "./position";
import { openSounds, runStrings, type RunString, type Tuning } from "./tuning";

/** Frets from the capo on at which a mode's notes lie on a string. */
function fretsOn(tuning: Tuning, homeMode: HomeMode, { open }: RunString): readonly number[] {
  return soundsBetween(homeMode, open, open + tuning.frets - tuning.capo).map(
    (midi) => tuning.capo + midi - open,
  );
}

/** So many sounds of a mode from one on, rising. */
const soundsFrom = (homeMode: HomeMode, from: number, many: number): readonly number[] =>
  soundsBetween(homeMode, from, from + 12 * Math.ceil(many / homeMode.mode.intervals.length)).slice(0, many);

const PER_STRING = 3;

/**
 * Three notes to a string, begun on each note of the lowest string in turn; the hand climbs as it goes. Places off the neck
 * are not offered.
 */
export function threePerString(tuning: Tuning, homeMode: HomeMode): readonly UnfingeredPosition[] {
  const strings = runStrings(tuning);
  const [first] = strings;
  if (!first) return [];
  return fretsOn(tuning, homeMode, first).flatMap((start): UnfingeredPosition[] => {
    const sounds = soundsFrom(homeMode, first.open + start - tuning.capo, PER_STRING * strings.length);
    const places = sounds.map((midi, at): Place => {
      const { string, open } = strings[Math.floor(at / PER_STRING)] ?? first;
      return { string, fret: tuning.capo + midi - open };
    });
    return areOn(tuning, places) ? [{ places, hand: start, stays: false }] : [];
  });
}

const areOn = ({ capo, frets }: Tuning, places: readonly Place[]): boolean =>
  places.every(({ fret }) => fret >= capo && fret <= frets);

/** How the notes of an octave are shared between two strings: as nearly half and half as can be, both ways. */
const divisionsOf = (size: number): readonly number[] => [
  ...new Set([Math.ceil(size / 2), Math.floor(size / 2)]),
];

/**
 * An octave on two strings, and the same fingering an octave higher on the next two. Begun on each note of the lowest string, with the
 * larger half of the notes on the lower string and with the larger half on the upper one.
 */
export function octavePairs(tuning: Tuning, homeMode: HomeMode): readonly UnfingeredPosition[] {
  const strings = runStrings(tuning);
  const pairs = strings.flatMap((low, at): (readonly [RunString, RunString])[] => {
    const high = strings[at + 1];
    return at % 2 === 0 && high ? [[low, high]] : [];
  });
  const [first] = pairs;
  if (!first) return [];
  const size = homeMode.mode.intervals.length;
  return fretsOn(tuning, homeMode, first[0]).flatMap((start) => {
    const octave = soundsFrom(homeMode, first[0].open + start - tuning.capo, size);
    return divisionsOf(size).flatMap((onLow): readonly UnfingeredPosition[] => {
      const octaves = pairs.map(([low, high], up) =>
        octave.map((midi, at): Place => {
          const { string, open } = at < onLow ? low : high;
          return { string, fret: tuning.capo + midi + 12 * up - open };
        }),
      );
      const off = octaves.findIndex((each) => !areOn(tuning, each));
      const places = (off < 0 ? octaves : octaves.slice(0, off)).flat();
      // One fingering for all pairs: open strings would need another.
      if (places.length === 0 || places.some(({ fret }) => fret === tuning.capo)) return [];
      return [{ places, hand: start, stays: false, division: [onLow, size - onLow] }];
    });
  });
}

/** Along each string, from the one that sounds lowest. */
export function oneString(tuning: Tuning, homeMode: HomeMode): readonly UnfingeredPosition[] {
  return openSounds(tuning).flatMap((open, at): UnfingeredPosition[] => {
    const string = tuning.strings.length - at;
    const frets = fretsOn(tuning, homeMode, { string, open });
    const [hand] = frets;
    if (hand === undefined) return [];
    return [
      {
        places: frets.map((fret) => ({ string, fret })),
        hand,
        stays: false,
        name: { code: "string", string },
      },
    ];
  });
}

/** At the nut, or over the capo, with the open strings. */
export function openPosition(tuning: Tuning, homeMode: HomeMode): readonly UnfingeredPosition[] {
  const first = tuning.hand === 7 ? firstPosition(tuning, homeMode) : undefined;
  if (first) return [{ ...first, name: { code: "open" } }];
  const laid = handAt(regionAt(tuning, tuning.capo), homeMode);
  return laid ? [{ places: laid.places, hand: tuning.capo, stays: true, name: { code: "open" } }] : [];
}
