import type * as ToneModule from "tone";
import type { Sound } from "@/core/instrument";
import { type Decoded, recordingFor, VOICES } from "./sounds";
import { USUAL } from "./score";

/** A note to be struck: its key, how long it is held, when it begins on the audio clock, how hard. */
export interface Strike {
  readonly midi: number;
  readonly seconds: number;
  readonly time: number;
  readonly loud?: number | undefined;
}

/** Notes of any number at a time, each struck at its own instant of the audio clock. */
export interface Striker {
  readonly strike: (strike: Strike) => void;
  /** Lets go of every note at once, or only of those that begin after a time: what has not begun never sounds. */
  readonly release: (now: number, after?: number) => void;
}

/** Seconds in which all notes are let go. */
const LETTING_GO = 0.03;

/** How much softer and slower an up-bow is than a down-bow. */
const UP_BOW = { loud: 0.92, attack: 1.4 };

/** How far strokes differ from one another, up and down: a player's hand never strikes the same twice. */
const STROKES_DIFFER = { cents: 1.2, decibels: 0.8 };

/** Two numbers from -1 to 1 for the nth stroke of an instrument, the same whenever it is played: as evenly spread as can be, never twice the same. */
const differing = (nth: number): readonly [number, number] => [
  2 * ((nth * 0.618034) % 1) - 1,
  2 * ((nth * 0.754878 + 0.5) % 1) - 1,
];

/** Seconds between the two strings of a pair. */
const PAIR_APART = 0.007;

const gainOf = (decibels: number) => 10 ** (decibels / 20);

/** How loud a note is that is struck so hard: what is usual leaves it as it is. */
const loudness = (loud = USUAL) => (loud / USUAL) ** 1.5;

interface Sounding {
  readonly time: number;
  readonly source: AudioScheduledSourceNode;
  readonly gain: GainNode;
}

/** An instrument that plays its recordings, each note at its exact time. */
export function sampled(
  tone: typeof ToneModule,
  sound: Sound,
  recordings: readonly Decoded[],
  into: ToneModule.InputNode,
  isHeld = false,
): Striker {
  const voice = VOICES[sound];
  const trim = gainOf(voice.trim + (isHeld ? voice.heldTrim : 0));
  const context = tone.getContext().rawContext;
  const all = recordings.map(({ recording }) => recording);
  const sounding = new Set<Sounding>();
  let strokes = 0;

  const one = ({ midi, seconds, time, loud }: Strike, cents: number, share: number, attack: number) => {
    const { place, rate } = recordingFor(sound, midi, all);
    const found = recordings[place];
    if (!found) return;
    const { recording, buffer } = found;
    const source = context.createBufferSource();
    const gain = context.createGain();
    source.buffer = buffer;
    source.playbackRate.value = rate * 2 ** (cents / 1200);
    const [from, to] = recording.loop ?? [];
    if (from !== undefined && to !== undefined) {
      source.loop = true;
      source.loopStart = from;
      source.loopEnd = to;
    }
    const full = recording.gain * trim * loudness(loud) * share;
    const falls = recording.decay + voice.damped;
    const holds = voice.damped > 0 ? 0 : recording.hold;
    const end = time + Math.max(seconds, attack);
    const fallen = full * gainOf(-falls * Math.max(0, end - time - attack - holds));
    gain.gain.setValueAtTime(attack > 0 ? 0 : full, time);
    if (attack > 0) gain.gain.linearRampToValueAtTime(full, time + attack);
    if (falls > 0 && end > time + attack + holds) {
      gain.gain.setValueAtTime(full, time + attack + holds);
      gain.gain.exponentialRampToValueAtTime(Math.max(1e-5, fallen), end);
    }
    gain.gain.setValueAtTime(Math.max(1e-5, fallen), end);
    gain.gain.exponentialRampToValueAtTime(1e-5, end + voice.release);
    source.connect(gain);
    tone.connect(gain, into);
    const started: Sounding = { time, source, gain };
    sounding.add(started);
    source.onended = () => {
      sounding.delete(started);
      source.disconnect();
      gain.disconnect();
    };
    source.start(time, recording.starts ?? 0);
    source.stop(end + voice.release);
  };

  return {
    strike: (strike) => {
      const isUp = voice.isBowed && strokes % 2 === 1;
      strokes += 1;
      const [high, strong] = differing(strokes);
      const cents = STROKES_DIFFER.cents * high;
      const share = gainOf(STROKES_DIFFER.decibels * strong);
      if (voice.paired > 0) {
        const second = { ...strike, time: strike.time + PAIR_APART };
        one(strike, cents - voice.paired / 2, share * 0.62, voice.attack);
        one(second, cents + voice.paired / 2, share * 0.5, voice.attack);
        return;
      }
      one(strike, cents, share * (isUp ? UP_BOW.loud : 1), voice.attack * (isUp ? UP_BOW.attack : 1));
    },
    release: (now, after = -Infinity) => {
      for (const { time, source, gain } of sounding) {
        if (time <= after) continue;
        gain.gain.cancelScheduledValues(now);
        gain.gain.setTargetAtTime(0, now, LETTING_GO / 4);
        source.stop(now + LETTING_GO);
      }
    },
  };
}
