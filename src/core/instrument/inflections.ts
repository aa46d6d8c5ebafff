import { type Chord, chordSounds } from "../chord";
import { type Interval, modulo, soundOf } from "../pitch";
import { type HomeMode, holds, notesOf } from "../scale";
import type { Fingering } from "./fingering";
import { COMFORTABLE_STRETCH } from "./hand";
import { betweenFrets } from "./neck";
import { openSounds, type Tuning } from "./tuning";
import { fingersFor } from "./voicing-fingers";
import type { Voicing } from "./voicing";

/** A grip with one note of the mode laid over it or one of its notes moved to it. */
export interface Inflection {
  readonly frets: Fingering;
  readonly fingers: readonly (number | null)[];
  /** The string that changes, 1 the highest, from which fret (none where it was silent) to which. */
  readonly string: number;
  readonly from: number | null;
  readonly to: number;
  /** The note that comes in, as the mode names it, and what it is above the chord's root. */
  readonly note: number;
  readonly interval: Interval;
  /** The chord that this makes, over the same root. */
  readonly chord: Chord;
}

/**
 * An inflection as a voicing, so that it is shown and heard as one.
 *
 * @example inflectedVoicing(GUITAR, inflection of Em with F).frets // 0 2 2 0 0 1
 */
export function inflectedVoicing(tuning: Tuning, { frets, fingers }: Inflection): Voicing {
  return {
    frets,
    fingers,
    sounds: soundsUnder(tuning, frets),
    stretchMm: spanOf(tuning, frets),
    omitted: [],
    cost: 0,
  };
}

/** The sounds of a fingering, as MIDI numbers from the lowest string. */
function soundsUnder(tuning: Tuning, frets: Fingering): readonly number[] {
  const opens = openSounds(tuning);
  return frets.flatMap((fret, at) => (fret === null ? [] : [(opens[at] ?? 0) + fret - tuning.capo]));
}

/** Millimetres from the lowest to the highest fret that is pressed. */
function spanOf(tuning: Tuning, frets: Fingering): number {
  const pressed = frets.filter((fret): fret is number => fret !== null && fret > tuning.capo);
  return pressed.length === 0 ? 0 : betweenFrets(tuning, Math.min(...pressed), Math.max(...pressed));
}

/** Half steps that a note moves at most: a finger put down or lifted. */
const NEAR = 3;
/** Frets that an inflection may reach above the grip. */
const ABOVE = 2;

/**
 * The inflections of a grip: one of its strings takes a note of the mode outside the chord, a little above or below, and every other
 * finger stays. The chord keeps root and third. From the highest string down, since there they are heard.
 *
 * @example inflections(GUITAR, E Phrygian, Em, 0 2 2 0 0 0)[0] // string 1, fret 0 to 1: F, Em(add♭9)
 */
export function inflections(
  tuning: Tuning,
  homeMode: HomeMode,
  chord: Chord,
  { frets }: Pick<Voicing, "frets">,
): readonly Inflection[] {
  const opens = openSounds(tuning);
  const sounds = chordSounds(chord);
  const notes = notesOf(homeMode);
  const highest = Math.max(...frets.map((fret) => fret ?? 0), tuning.capo) + ABOVE;
  const first = frets.findIndex((fret) => fret !== null);
  const found: Inflection[] = [];
  for (let at = frets.length - 1; at >= 0; at -= 1) {
    const from = frets[at] ?? null;
    // The bass stays, and so does what lies below it.
    if (at <= first) break;
    const around = from ?? tuning.capo;
    for (
      let to = Math.max(tuning.capo, around - NEAR);
      to <= Math.min(around + NEAR, highest, tuning.frets);
      to += 1
    ) {
      const sound = modulo((opens[at] ?? 0) + to - tuning.capo, 12);
      const note = notes.find((each) => soundOf(each) === sound);
      if (note === undefined || holds(sounds, sound) || to === from) continue;
      const next = frets.map((fret, string) => (string === at ? to : fret));
      const inflected = inflectedChord(tuning, chord, next, note);
      const hand = inflected && fingersFor(next, tuning.capo);
      if (!hand || spanOf(tuning, next) > COMFORTABLE_STRETCH) continue;
      found.push({
        frets: next,
        fingers: hand.fingers,
        string: frets.length - at,
        from,
        to,
        note,
        interval: note - chord.root,
        chord: inflected,
      });
    }
  }
  return found;
}

/** The grip's tones with the new one; undefined where root or third has gone. */
function inflectedChord(
  tuning: Tuning,
  { root, tones }: Chord,
  frets: Fingering,
  note: number,
): Chord | undefined {
  const heard = new Set(soundsUnder(tuning, frets).map((sound) => modulo(sound, 12)));
  const kept = tones.filter((tone) => heard.has(soundOf(root + tone)));
  const needed = tones.filter((tone) => tone === 0 || tone === 4 || tone === -3);
  if (needed.some((tone) => !kept.includes(tone))) return undefined;
  return { root, tones: [...kept, note - root], optional: [] };
}
