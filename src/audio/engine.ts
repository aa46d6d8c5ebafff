import type * as ToneModule from "tone";
import {
  LOUDEST,
  makeParts,
  partLevel,
  type PartInstruments,
  type PartVolumes,
  SAFE_VOLUME,
} from "./instruments";
import { perform, type Playing } from "./perform";
import { type Part, PARTS } from "./score";

/**
 * What the engine is doing. `held`: the browser holds the sound back until the page is pressed. `unavailable`: the browser
 * gave no sound, with its own reason.
 */
export type SoundState =
  | { readonly at: "silent" }
  | { readonly at: "starting" }
  | { readonly at: "playing" }
  | { readonly at: "held" }
  | { readonly at: "unavailable"; readonly reason: string };

/** What the engine tells: its state, and the notes that sound at this moment. */
export interface SoundListener {
  readonly onState: (state: SoundState) => void;
  readonly onSounding: (midis: readonly number[]) => void;
  /** The mark that was passed last, from 0; undefined when silent. */
  readonly onMark: (mark: number | undefined) => void;
  /** The round that began, from 0; undefined when silent. */
  readonly onRound: (round: number | undefined) => void;
}

/** The one place that makes sound. Nothing is loaded and no context opened before the first `play`. */
export interface SoundEngine {
  play: (playing: Playing) => Promise<void>;
  stop: () => void;
  /** Sets the tempo at once, in the middle of a round. */
  setTempo: (tempo: number) => void;
  setVolume: (decibels: number) => void;
  setPartVolumes: (volumes: PartVolumes) => void;
  /** Loudness of what sounds now, in decibels; -Infinity when silent. */
  level: () => number;
}

interface Loaded {
  readonly tone: typeof ToneModule;
  readonly parts: PartInstruments;
  readonly volume: ToneModule.Volume;
  readonly meter: ToneModule.Meter;
}

/** Seconds between a press and the first note: enough to schedule without a stumble. */
const LEAD = 0.06;

/** Seconds in which a stop takes the sound away: short enough to be at once, long enough not to click. */
const SILENCING = 0.03;

/** Milliseconds after which a context that has not started is being held back. */
const PATIENCE = 1500;

/** Makes an engine; one for the whole application. */
export function soundEngine({ onState, onSounding, onMark, onRound }: SoundListener): SoundEngine {
  let loading: Promise<Loaded> | undefined;
  let loaded: Loaded | undefined;
  let volume = SAFE_VOLUME;
  let partVolumes: PartVolumes = {};
  /** Counts acts, so that a start overtaken by a stop or by another start does nothing. */
  let act = 0;
  let isPlaying = false;

  const balance = () => {
    for (const part of PARTS)
      if (loaded) loaded.parts[part].volume.value = partLevel(part, partVolumes[part]);
  };

  const load = async (): Promise<Loaded> => {
    loading ??= import("tone").then((tone) => {
      tone.getContext().on("statechange", (state) => {
        if (state !== "running" && isPlaying) end({ at: "held" });
      });
      return connected(tone);
    });
    loaded = await loading;
    loaded.volume.volume.value = volume;
    balance();
    return loaded;
  };

  const silence = () => {
    isPlaying = false;
    if (!loaded) return;
    const transport = loaded.tone.getTransport();
    transport.stop();
    transport.cancel();
    loaded.volume.volume.rampTo(-Infinity, SILENCING);
    for (const part of PARTS) loaded.parts[part].releaseAll();
    onSounding([]);
    onMark(undefined);
    onRound(undefined);
  };

  const end = (state: SoundState) => {
    act += 1;
    silence();
    onState(state);
  };
  const stop = () => end({ at: "silent" });

  return {
    play: async (playing) => {
      act += 1;
      const mine = act;
      onState({ at: "starting" });
      try {
        const { tone, parts, volume: master } = await load();
        const loudness = master.volume;
        const isRunning = await started(tone);
        if (mine !== act) return;
        if (!isRunning) {
          end({ at: "held" });
          return;
        }
        silence();
        loudness.cancelScheduledValues(tone.now());
        loudness.value = volume;
        const transport = tone.getTransport();
        const draw = (show: () => void, time: number) =>
          void tone.getDraw().schedule(() => mine === act && show(), time);
        const sounding = soundingNotes(onSounding);
        perform(tone, transport, parts, playing, {
          onNote: ({ part, midi }, time) => isShown(part) && draw(() => sounding.add(midi), time),
          onNoteEnd: ({ part, midi }, time) => isShown(part) && draw(() => sounding.drop(midi), time),
          onMark: (mark, time) => draw(() => onMark(mark), time),
          onRound: (round, time) => draw(() => onRound(round), time),
          onEnd: (time) => draw(stop, time),
        });
        transport.start(tone.now() + LEAD, 0);
        isPlaying = true;
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
    setPartVolumes: (volumes) => {
      partVolumes = volumes;
      balance();
    },
    level: () => loaded?.meter.getValue() ?? -Infinity,
  };
}

/** Whether the audio context runs; false where the browser keeps it waiting. */
async function started(tone: typeof ToneModule): Promise<boolean> {
  return Promise.race([
    tone.start().then(() => true),
    new Promise<false>((resolve) => setTimeout(() => resolve(false), PATIENCE)),
  ]);
}

/** The metronome and the held note are heard without being shown. */
const isShown = (part: Part): boolean => part !== "click" && part !== "drone";

/** Notes that sound, told at each change. A note struck again while it sounds is one note until its last end. */
function soundingNotes(tell: (midis: readonly number[]) => void) {
  const counts = new Map<number, number>();
  const change = (midi: number, by: 1 | -1) => {
    const count = (counts.get(midi) ?? 0) + by;
    if (count > 0) counts.set(midi, count);
    else counts.delete(midi);
    tell([...counts.keys()]);
  };
  return { add: (midi: number) => change(midi, 1), drop: (midi: number) => change(midi, -1) };
}

/** The parts through a volume and a limiter to the loudspeaker, with a meter. */
function connected(tone: typeof ToneModule): Loaded {
  const meter = new tone.Meter({ smoothing: 0.6 });
  const limiter = new tone.Limiter(LOUDEST).connect(meter).toDestination();
  const volume = new tone.Volume(SAFE_VOLUME).connect(limiter);
  return { tone, volume, meter, parts: makeParts(tone, volume) };
}
