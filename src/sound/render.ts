import { LOUDEST, makeParts, partLevel, type PartVolumes } from "./instruments";
import { LEAD_TICKS, perform, type Playing } from "./perform";
import { type Part, PARTS } from "./score";

/** What is rendered: rounds until the time is up, with the parts that are wanted. */
export interface Rendering {
  readonly playing: Playing;
  /** Rounds begin until so many seconds have gone by; the last one is played out. */
  readonly seconds: number;
  readonly parts: readonly Part[];
  readonly volumes: PartVolumes;
}

/** Sound as samples from -1 to 1, one channel. */
export interface Samples {
  readonly samples: Float32Array;
  readonly rate: number;
}

const RATE = 44_100;
const PPQ = 192;
/** Seconds in which the last notes die away. */
const TAIL = 1.2;

/**
 * The rounds that begin within a time, each with its tempo, and the seconds that they last together.
 *
 * @example roundsWithin({ round: () => a score of 8 beats, tempo: () => 120 }, 60).rounds // 15
 */
export function roundsWithin(
  { round, tempo, before }: Playing,
  seconds: number,
): { rounds: number; seconds: number } {
  let at = ((before?.beats ?? 0) * 60) / tempo(0);
  let rounds = 0;
  while (rounds === 0 || at < seconds - 1e-6) {
    const score = round(rounds);
    if (!score || score.beats <= 0) break;
    at += (score.beats * 60) / tempo(rounds);
    rounds += 1;
  }
  return { rounds, seconds: at };
}

/** Renders a performance without a loudspeaker, by the very schedule that is played live. */
export async function render({ playing, seconds, parts, volumes }: Rendering): Promise<Samples> {
  const tone = await import("tone");
  const { rounds, seconds: length } = roundsWithin(playing, seconds);
  const wanted = new Set(parts);
  const lead = (LEAD_TICKS * 60) / (playing.tempo(0) * PPQ);
  const buffer = await tone.Offline(
    ({ transport }) => {
      const limiter = new tone.Limiter(LOUDEST).toDestination();
      const made = makeParts(tone, limiter);
      for (const part of PARTS)
        made[part].volume.value = wanted.has(part) ? partLevel(part, volumes[part]) : -Infinity;
      perform(tone, transport, made, {
        ...playing,
        round: (n) => (n < rounds ? playing.round(n) : undefined),
      });
      transport.start(0, 0);
    },
    lead + length + TAIL,
    1,
    RATE,
  );
  return { samples: buffer.getChannelData(0).slice(), rate: RATE };
}
