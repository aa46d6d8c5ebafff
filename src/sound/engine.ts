import type * as ToneModule from "tone";
import type { Part, Score, ScoreNote } from "./score";

/** What the engine is doing. `unavailable`: the browser gave no sound, with its own reason. */
export type SoundState =
  | { readonly at: "silent" }
  | { readonly at: "starting" }
  | { readonly at: "playing" }
  | { readonly at: "unavailable"; readonly reason: string };

/** What the engine tells: its state, and the notes that sound at this moment. */
export interface SoundListener {
  readonly onState: (state: SoundState) => void;
  readonly onSounding: (midis: readonly number[]) => void;
  /** The mark that was passed last, from 0; undefined when silent. */
  readonly onMark: (mark: number | undefined) => void;
}

/** Decibels: where sound begins, whatever was set before, and the loudest that can be set. */
export const SAFE_VOLUME = -18;
export const LOUDEST = -4;

/** The one place that makes sound. Nothing is loaded and no context opened before the first `play`. */
export interface SoundEngine {
  play: (score: Score, tempo: number) => Promise<void>;
  stop: () => void;
  setTempo: (tempo: number) => void;
  setVolume: (decibels: number) => void;
  /** Loudness of what sounds now, in decibels; -Infinity when silent. */
  level: () => number;
}

type Instrument = ToneModule.PolySynth;

interface Loaded {
  readonly tone: typeof ToneModule;
  readonly parts: Readonly<Record<Part, Instrument>>;
  readonly volume: ToneModule.Volume;
  readonly meter: ToneModule.Meter;
}

/** Seconds between a press and the first note: enough to schedule without a stumble. */
const LEAD = 0.06;

/** Ticks before the first note: a change of tempo just before the start can swallow what is scheduled on tick 0. */
const LEAD_TICKS = 4;

/** Makes an engine; one for the whole application. */
export function soundEngine({ onState, onSounding, onMark }: SoundListener): SoundEngine {
  let loading: Promise<Loaded> | undefined;
  let loaded: Loaded | undefined;
  let volume = SAFE_VOLUME;
  /** Counts acts, so that a start overtaken by a stop or by another start does nothing. */
  let act = 0;

  const load = async (): Promise<Loaded> => {
    loading ??= import("tone").then(instruments);
    loaded = await loading;
    loaded.volume.volume.value = volume;
    return loaded;
  };

  const silence = () => {
    if (!loaded) return;
    const transport = loaded.tone.getTransport();
    transport.stop();
    transport.cancel();
    for (const instrument of Object.values(loaded.parts)) instrument.releaseAll();
    onSounding([]);
    onMark(undefined);
  };

  const stop = () => {
    act += 1;
    silence();
    onState({ at: "silent" });
  };

  return {
    play: async (score, tempo) => {
      act += 1;
      const mine = act;
      onState({ at: "starting" });
      try {
        const { tone, parts } = await load();
        await tone.start();
        if (mine !== act) return;
        silence();
        const transport = tone.getTransport();
        transport.bpm.value = tempo;
        const ticks = (beats: number) => `${LEAD_TICKS + Math.round(beats * transport.PPQ)}i`;
        const sounding = new Set<number>();
        for (const note of score.notes) {
          transport.schedule((time) => {
            playNote(tone, parts, note, time, transport.bpm.value);
            if (note.part === "line")
              tone.getDraw().schedule(() => onSounding(added(sounding, note.midi)), time);
          }, ticks(note.at));
          if (note.part === "line") {
            transport.schedule(
              (time) => tone.getDraw().schedule(() => onSounding(dropped(sounding, note.midi)), time),
              ticks(note.at + note.length * 0.95),
            );
          }
        }
        for (const [mark, beats] of (score.marks ?? []).entries()) {
          transport.schedule((time) => tone.getDraw().schedule(() => onMark(mark), time), ticks(beats));
        }
        transport.loop = score.loops;
        if (score.loops) transport.setLoopPoints(ticks(0), ticks(score.beats));
        else transport.schedule((time) => tone.getDraw().schedule(stop, time), ticks(score.beats + 0.5));
        transport.start(tone.now() + LEAD, 0);
        onState({ at: "playing" });
      } catch (error) {
        if (mine === act)
          onState({ at: "unavailable", reason: error instanceof Error ? error.message : String(error) });
      }
    },
    stop,
    setTempo: (tempo) => {
      if (loaded) loaded.tone.getTransport().bpm.value = tempo;
    },
    setVolume: (decibels) => {
      volume = Math.min(decibels, LOUDEST);
      if (loaded) loaded.volume.volume.rampTo(volume, 0.05);
    },
    level: () => loaded?.meter.getValue() ?? -Infinity,
  };
}

function added(set: Set<number>, midi: number): readonly number[] {
  set.add(midi);
  return [...set];
}

function dropped(set: Set<number>, midi: number): readonly number[] {
  set.delete(midi);
  return [...set];
}

function playNote(
  tone: typeof ToneModule,
  parts: Loaded["parts"],
  { part, midi, length }: ScoreNote,
  time: number,
  tempo: number,
): void {
  const seconds = (length * 60) / tempo;
  parts[part].triggerAttackRelease(tone.Frequency(midi, "midi").toFrequency(), seconds * HOLD[part], time);
}

/** How much of its length each part holds a note. */
const HOLD: Readonly<Record<Part, number>> = { line: 0.95, drone: 0.98, chord: 0.9, bass: 0.85 };

/**
 * A plucked line, a soft held note, a soft keyboard and a bass, through a limiter. Each is its own row of partials, the
 * fundamental strongest, so that the pitch is never in doubt.
 */
function instruments(tone: typeof ToneModule): Loaded {
  const meter = new tone.Meter({ smoothing: 0.6 });
  const limiter = new tone.Limiter(LOUDEST).connect(meter).toDestination();
  const volume = new tone.Volume(SAFE_VOLUME).connect(limiter);
  const made = (
    decibels: number,
    partials: readonly number[],
    envelope: { attack: number; decay: number; sustain: number; release: number },
  ): Instrument => {
    const instrument = new tone.PolySynth(tone.Synth, {
      oscillator: { type: "custom", partials: [...partials] },
      envelope,
    }).connect(volume);
    instrument.volume.value = decibels;
    return instrument;
  };
  return {
    tone,
    volume,
    meter,
    parts: {
      line: made(0, [1, 0.45, 0.32, 0.16, 0.12, 0.06, 0.04], {
        attack: 0.004,
        decay: 0.7,
        sustain: 0.12,
        release: 0.5,
      }),
      drone: made(-9, [1, 0.3, 0.22, 0.08, 0.05], { attack: 0.25, decay: 0.2, sustain: 0.8, release: 0.6 }),
      chord: made(-11, [1, 0.22, 0.1, 0.04], { attack: 0.02, decay: 1.2, sustain: 0.3, release: 0.5 }),
      bass: made(-5, [1, 0.3, 0.08], { attack: 0.01, decay: 1, sustain: 0.5, release: 0.3 }),
    },
  };
}
