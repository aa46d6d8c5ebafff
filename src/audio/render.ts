import { TOGETHER, underCeiling } from "./ceiling";
import { makeParts } from "./instruments";
import { partLevel, type PartSounds, type PartVolumes } from "./levels";
import { plan, type Playing } from "./plan";
import { type Part, PARTS, type Score } from "./score";
import { loadSound } from "./sounds";

/** What is rendered: rounds until the time is up, with the parts that are wanted. */
export interface Rendering {
  readonly playing: Playing;
  /** Rounds begin until so many seconds have gone by; the last one is played out. */
  readonly seconds: number;
  readonly parts: readonly Part[];
  readonly volumes: PartVolumes;
  readonly sounds: PartSounds;
}

/** Sound as samples from -1 to 1, one channel. */
export interface Samples {
  readonly samples: Float32Array;
  readonly rate: number;
}

const RATE = 44_100;
/** Seconds in which the last notes die away. */
const TAIL = 1.2;

/** How loud files are beside full volume: a line peaks some decibels below full scale, and parts together hardly reach the ceiling. */
const FILE_GAIN = 10 ** (-5 / 20);

/**
 * Seconds that are rendered in one go, at least. The browser keeps every note of a rendering in its graph from the first
 * sample to the last, so one long rendering takes time by the square of its length.
 */
const STRETCH = 20;

/** A round and when it begins, in seconds from the first. */
interface TimedRound {
  readonly at: number;
  readonly seconds: number;
}

/**
 * The rounds that begin within a time, one at least, each with the seconds that it lasts at its tempo, counted from the
 * end of a count-in.
 *
 * @example roundsWithin({ round: () => a score of 8 beats, tempo: () => 120 }, 60).length // 15
 */
export function roundsWithin({ round, tempo }: Playing, within: number): readonly TimedRound[] {
  const found: TimedRound[] = [];
  let at = 0;
  while (found.length === 0 || at < within - 1e-6) {
    const score = round(found.length);
    if (!score || score.beats <= 0) break;
    const seconds = (score.beats * 60) / tempo(found.length);
    found.push({ at, seconds });
    at += seconds;
  }
  return found;
}

/**
 * Renders a performance without a loudspeaker, by the very plan that is played live and under the same ceiling; its first sample is its
 * first beat, or that of its count-in.
 */
export async function render({ playing, seconds, parts, volumes, sounds }: Rendering): Promise<Samples> {
  const rounds = roundsWithin(playing, seconds);
  const last = rounds.at(-1);
  const counted = playing.before ? (playing.before.beats * 60) / playing.tempo(0) : 0;
  const whole = counted + (last?.at ?? 0) + (last?.seconds ?? 0);
  const samples = new Float32Array(Math.ceil((whole + TAIL) * RATE));
  const wanted = new Set(parts.filter((part) => partLevel(part, volumes[part]) > -Infinity));
  const decoder = new OfflineAudioContext(1, 1, RATE);
  // What cannot be had is played by its stand-in, as it is live.
  await Promise.allSettled([...wanted].map((part) => loadSound(sounds[part], decoder)));
  for (let from = 0, to = 0; from < rounds.length; from = to) {
    const begins = rounds[from]?.at ?? 0;
    while (to < rounds.length && (to === from || (rounds[to]?.at ?? 0) < begins + STRETCH)) to += 1;
    const ends = rounds[to]?.at ?? (last?.at ?? 0) + (last?.seconds ?? 0);
    const piece = shortened(playing, from, to, wanted);
    const before = from === 0 ? counted : 0;
    const rendered = await renderRounds(piece, before + ends - begins, volumes, sounds);
    const at = Math.round((counted + begins - before) * RATE);
    for (let each = 0; each < rendered.length && at + each < samples.length; each += 1)
      samples[at + each] = (samples[at + each] ?? 0) + (rendered[each] ?? 0);
  }
  for (let at = 0; at < samples.length; at += 1)
    samples[at] = underCeiling((samples[at] ?? 0) * TOGETHER * FILE_GAIN);
  return { samples, rate: RATE };
}

/** Some rounds of a performance, with the notes of some parts. */
function shortened(playing: Playing, from: number, to: number, wanted: ReadonlySet<Part>): Playing {
  const heard = (score: Score | undefined) =>
    score && { ...score, notes: score.notes.filter(({ part }) => wanted.has(part)) };
  return {
    tempo: (n) => playing.tempo(from + n),
    before: from === 0 ? heard(playing.before) : undefined,
    round: (n) => heard(from + n < to ? playing.round(from + n) : undefined),
  };
}

/** Samples of a few rounds from their first beat on, until they have died away. */
async function renderRounds(
  playing: Playing,
  seconds: number,
  volumes: PartVolumes,
  sounds: PartSounds,
): Promise<Float32Array> {
  const tone = await import("tone");
  const buffer = await tone.Offline(
    () => {
      const made = makeParts(tone, tone.getDestination(), (part) => sounds[part]);
      for (const part of PARTS) made[part].volume.value = partLevel(part, volumes[part]);
      for (const each of plan(playing, 0).until(seconds + TAIL))
        if (each.kind === "note") made[each.note.part].strike({ ...each.note, ...each });
    },
    seconds + TAIL,
    1,
    RATE,
  );
  return buffer.getChannelData(0);
}
