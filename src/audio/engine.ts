import type * as ToneModule from "tone";
import { CEILING_REACH, ceilingCurve, TOGETHER } from "./ceiling";
import { makeParts, type PartInstruments } from "./instruments";
import { LOUDEST, partLevel, type PartSounds, type PartVolumes, SAFE_VOLUME, USUAL_SOUNDS } from "./levels";
import { type Plan, plan, type Playing, type Timed } from "./plan";
import { type Part, PARTS } from "./score";
import type { Sound } from "@/core/instrument";
import { loadedSound, loadSound } from "./sounds";

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

/** What the engine tells: its state, and what is heard at this moment, asked of the audio clock at each frame. */
export interface SoundListener {
  readonly onState: (state: SoundState) => void;
  readonly onSounding: (midis: readonly number[], nth: number | undefined) => void;
  /** The mark that was passed last, from 0; undefined when silent. */
  readonly onMark: (mark: number | undefined) => void;
  /** The round that is heard, from 0; undefined when silent. */
  readonly onRound: (round: number | undefined) => void;
  /** Instruments whose recordings could not be had: stand-ins play for them. */
  readonly onMissing: (sounds: readonly Sound[]) => void;
}

/** The one place that makes sound. No context is opened before the first `play`. */
export interface SoundEngine {
  /** Fetches and decodes what the first note needs, so that it sounds at once. Never rejects: `play` tries again. */
  prepare: () => Promise<void>;
  play: (playing: Playing) => Promise<void>;
  stop: () => void;
  /** A soft bell, beside what is played and not in its place; none where the browser gives no sound. */
  ring: () => Promise<void>;
  /** Sets the tempo at once, in the middle of a round. */
  setTempo: (tempo: number) => void;
  setVolume: (decibels: number) => void;
  setPartVolumes: (volumes: PartVolumes) => void;
  /** Which instrument plays each part, from what is struck next on. */
  setSounds: (sounds: PartSounds) => void;
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

/**
 * Seconds of music that are handed to the audio clock ahead of time: so long the page may stand still, or be in the background, where its
 * timers run once a second, without a note coming late.
 */
const AHEAD = 1.2;

/** Seconds after its time at which a note may still begin. */
const LATEST = 0.1;

/** Milliseconds between two looks ahead. */
const LOOKS = 60;

/** Seconds in which a stop takes the sound away: short enough to be at once, long enough not to click. */
const SILENCING = 0.03;

/** Milliseconds after which a context that has not started is being held back. */
const PATIENCE = 1500;

/** Milliseconds that the first note waits for its instrument's recordings; then a stand-in plays until they are here. */
const WAITING = 450;

/** The bell: A5 and E6, for so many seconds, softly. */
const BELL = [81, 88];
const BELL_RINGS = 1.6;
const BELL_LOUD = 0.5;

/** What is heard of a performance: asked by the time, never remembered. */
interface Running {
  readonly plan: Plan;
  /** What was handed to the audio clock and may still be heard or told. */
  handed: readonly Timed[];
}

/** Makes an engine; one for the whole application. */
export function soundEngine(listener: SoundListener): SoundEngine {
  const { onState, onSounding, onMark, onRound, onMissing } = listener;
  let loading: Promise<Loaded> | undefined;
  let loaded: Loaded | undefined;
  let volume = SAFE_VOLUME;
  let partVolumes: PartVolumes = {};
  let sounds: PartSounds = USUAL_SOUNDS;
  /** Counts acts, so that a start overtaken by a stop or by another start does nothing. */
  let act = 0;
  let running: Running | undefined;
  let announced: { sounding: string; mark: number | undefined; round: number | undefined } = SILENT;

  const balance = () => {
    for (const part of PARTS)
      if (loaded) loaded.parts[part].volume.value = partLevel(part, partVolumes[part]);
  };

  const neededSounds = () => [...new Set(PARTS.map((part) => sounds[part]))];

  const load = async (): Promise<Loaded> => {
    loading ??= import("tone").then((tone) => {
      // The browser's own context: the library's tries out what the browser can do when a note is first struck, for a third of a second.
      tone.setContext(new tone.Context(new AudioContext({ latencyHint: "interactive" })), true);
      tone.getContext().on("statechange", (state) => {
        if (state !== "running" && running) end({ at: "held" });
      });
      return connected(tone, (part) => sounds[part]);
    });
    loaded = await loading;
    loaded.volume.volume.value = volume;
    balance();
    return loaded;
  };

  const tell = (now: Omit<ReturnType<typeof heardAt>, "isOver">) => {
    const sounding = `${now.midis.join(" ")} ${now.nth ?? ""}`;
    const before = announced;
    announced = { sounding, mark: now.mark, round: now.round };
    if (sounding !== before.sounding) onSounding(now.midis, now.nth);
    if (now.round !== before.round) onRound(now.round);
    if (now.mark !== before.mark) onMark(now.mark);
  };

  /** Hands over what comes next, tells what is heard now, and ends when the end has come. */
  const look = () => {
    const mine = running;
    if (!mine || !loaded) return;
    const now = loaded.tone.getContext().rawContext.currentTime;
    hand(mine.plan.until(now + AHEAD), mine);
    const heard = now - latency(loaded.tone);
    const { isOver, ...what } = heardAt(mine.handed, heard);
    mine.handed = stillTold(mine.handed, heard);
    tell(what);
    if (isOver && running === mine) stop();
  };
  const hand = (all: readonly Timed[], to: Running) => {
    const now = loaded?.tone.getContext().rawContext.currentTime ?? 0;
    for (const each of all)
      // What should have begun while the page stood still for very long is left out: it would all come at once.
      if (each.kind === "note" && loaded && each.time > now - LATEST) {
        const { part, midi, loud } = each.note;
        loaded.parts[part].strike({ midi, seconds: each.seconds, time: each.time, loud });
      }
    to.handed = [...to.handed, ...all];
  };
  let timer: ReturnType<typeof setInterval> | undefined;
  const follow = () => {
    look();
    if (running) requestFrame(follow);
  };

  const silence = () => {
    running = undefined;
    if (timer !== undefined) clearInterval(timer);
    timer = undefined;
    if (loaded) {
      loaded.volume.volume.rampTo(-Infinity, SILENCING);
      const now = loaded.tone.getContext().rawContext.currentTime;
      for (const part of PARTS) loaded.parts[part].release(now);
    }
    tell({ midis: [], nth: undefined, mark: undefined, round: undefined });
  };

  const end = (state: SoundState) => {
    act += 1;
    silence();
    onState(state);
  };
  const stop = () => end({ at: "silent" });

  /** Waits for the recordings that are needed, but not for long; tells which of them cannot be had. */
  const ready = async ({ tone }: Loaded) => {
    const needed = neededSounds().filter((sound) => !loadedSound(sound));
    const decoder = tone.getContext().rawContext;
    const missing: Sound[] = [];
    const all = needed.map((sound) =>
      loadSound(sound, decoder).then(
        () => undefined,
        () => void missing.push(sound),
      ),
    );
    const settled = Promise.all(all).then(() => onMissing(missing));
    if (all.length > 0) await Promise.race([settled, new Promise((resolve) => setTimeout(resolve, WAITING))]);
  };

  return {
    prepare: async () => {
      const { getContext } = await import("tone");
      const decoder = new OfflineAudioContext(1, 1, getContext().sampleRate);
      await Promise.allSettled(neededSounds().map((sound) => loadSound(sound, decoder)));
    },
    play: async (playing) => {
      act += 1;
      const mine = act;
      onState({ at: "starting" });
      try {
        const here = await load();
        const { tone, volume: master } = here;
        const isRunning = await started(tone);
        if (mine !== act) return;
        if (!isRunning) {
          end({ at: "held" });
          return;
        }
        await ready(here);
        if (mine !== act) return;
        silence();
        const { currentTime } = tone.getContext().rawContext;
        master.volume.cancelScheduledValues(currentTime);
        master.volume.setValueAtTime(volume, currentTime + LEAD / 2);
        running = { plan: plan(playing, currentTime + LEAD), handed: [] };
        timer = setInterval(look, LOOKS);
        onState({ at: "playing" });
        follow();
      } catch (error) {
        if (mine === act)
          end({ at: "unavailable", reason: error instanceof Error ? error.message : String(error) });
      }
    },
    stop,
    ring: async () => {
      const { tone, volume: master, parts } = await load();
      if (!(await started(tone))) return;
      const { currentTime } = tone.getContext().rawContext;
      if (!running) {
        master.volume.cancelScheduledValues(currentTime);
        master.volume.setValueAtTime(volume, currentTime);
      }
      for (const midi of BELL)
        parts.chord.strike({ midi, seconds: BELL_RINGS, time: currentTime + LEAD, loud: BELL_LOUD });
    },
    setTempo: (tempo) => {
      if (!running || !loaded) return;
      const now = loaded.tone.getContext().rawContext.currentTime;
      const { plan: planned, handed } = running;
      if (!planned.setTempo(tempo, now)) return;
      // What was handed over for later is called off: it comes again at its new time.
      for (const part of PARTS) loaded.parts[part].release(now, now);
      running.handed = handed.filter(({ time }) => time <= now);
      look();
    },
    setVolume: (decibels) => {
      volume = Math.min(decibels, LOUDEST);
      if (loaded && running) loaded.volume.volume.rampTo(volume, 0.05);
    },
    setPartVolumes: (volumes) => {
      partVolumes = volumes;
      balance();
    },
    setSounds: (next) => {
      sounds = next;
      if (loaded && running) void ready(loaded);
    },
    level: () => {
      const value = loaded?.meter.getValue() ?? -Infinity;
      return typeof value === "number" ? value : -Infinity;
    },
  };
}

const SILENT = { sounding: " ", mark: undefined, round: undefined };

/** What is heard at a time, of what was handed over. */
export function heardAt(
  handed: readonly Timed[],
  now: number,
): {
  readonly midis: readonly number[];
  /** Which note of the line sounds, where that is followed. */
  readonly nth: number | undefined;
  readonly mark: number | undefined;
  readonly round: number | undefined;
  readonly isOver: boolean;
} {
  const midis = new Set<number>();
  let nth: number | undefined;
  let mark: number | undefined;
  let round: number | undefined;
  let isOver = false;
  for (const each of handed) {
    if (each.time > now) continue;
    if (each.kind === "round") {
      round = each.round;
      mark = undefined;
    } else if (each.kind === "mark") mark = each.mark;
    else if (each.kind === "end") isOver = true;
    else if (isShown(each.note.part) && now < each.time + each.seconds) {
      midis.add(each.note.midi);
      nth = each.note.nth ?? nth;
    }
  }
  return { midis: [...midis].sort((a, b) => a - b), nth, mark, round, isOver };
}

/** What may still be heard or told: notes until their end, and of what is told no more than the last round and what came after. */
export function stillTold(handed: readonly Timed[], now: number): readonly Timed[] {
  const round = handed.findLastIndex(({ kind, time }) => kind === "round" && time <= now);
  return handed.filter((each, at) => (each.kind === "note" ? each.time + each.seconds > now : at >= round));
}

/** The metronome and the held note are heard without being shown. */
const isShown = (part: Part): boolean => part !== "click" && part !== "drone";

const requestFrame = (act: () => void): void => {
  if (typeof requestAnimationFrame === "function") requestAnimationFrame(act);
};

/** Seconds from the audio clock to the ear, as far as the browser knows: loudspeakers without a wire are late. */
function latency(tone: typeof ToneModule): number {
  const { outputLatency } = tone.getContext().rawContext as { readonly outputLatency?: number };
  return outputLatency ?? 0;
}

/** Whether the audio context runs; false where the browser keeps it waiting. */
async function started(tone: typeof ToneModule): Promise<boolean> {
  const context = tone.getContext().rawContext as AudioContext;
  return Promise.race([
    context.resume().then(() => true),
    new Promise<false>((resolve) => setTimeout(() => resolve(false), PATIENCE)),
  ]);
}

/** The parts through a volume and under the ceiling to the loudspeaker, with a meter. */
function connected(tone: typeof ToneModule, soundOf: (part: Part) => Sound): Loaded {
  const meter = new tone.Meter({ smoothing: 0.6 });
  const shaper = tone.getContext().rawContext.createWaveShaper();
  shaper.curve = ceilingCurve();
  const out = new tone.Gain(1).connect(meter).toDestination();
  tone.connect(shaper, out);
  const into = new tone.Gain(1 / CEILING_REACH);
  tone.connect(into, shaper);
  const volume = new tone.Volume(SAFE_VOLUME).connect(into);
  const together = new tone.Gain(TOGETHER).connect(volume);
  return { tone, volume, meter, parts: makeParts(tone, together, soundOf) };
}
