import { beforeEach, describe, expect, it, vi } from "vitest";
import { LOUDEST, SAFE_VOLUME, type Score, soundEngine, type SoundState } from ".";

/** What the stand-in for the synthesis library was asked to do. */
const asked = vi.hoisted(() => ({
  scheduled: [] as string[],
  loop: [] as unknown[],
  volume: 0,
  ramped: [] as number[],
  started: 0,
  stopped: 0,
  released: 0,
  refuses: false,
  /** Resolves when the audio context may start. */
  gate: Promise.resolve(),
}));

vi.mock("tone", () => {
  const node = { connect: () => node, toDestination: () => node };
  const transport = {
    PPQ: 192,
    bpm: { value: 0 },
    loop: false,
    schedule: (_: unknown, at: string) => asked.scheduled.push(at),
    setLoopPoints: (...points: unknown[]) => (asked.loop = points),
    cancel: () => (asked.scheduled = []),
    start: () => (asked.started += 1),
    stop: () => (asked.stopped += 1),
  };
  return {
    Meter: class {
      getValue = () => -20;
    },
    Limiter: class {
      connect = () => node;
    },
    Volume: class {
      volume = {
        set value(decibels: number) {
          asked.volume = decibels;
        },
        rampTo: (decibels: number) => asked.ramped.push(decibels),
      };
      connect = () => this;
    },
    PolySynth: class {
      volume = { value: 0 };
      connect = () => this;
      releaseAll = () => (asked.released += 1);
    },
    Synth: undefined,
    getTransport: () => transport,
    getDraw: () => ({ schedule: () => undefined }),
    now: () => 0,
    start: async () => {
      await asked.gate;
      if (asked.refuses) throw new Error("no device");
    },
  };
});

const score: Score = {
  notes: [
    { part: "line", midi: 62, at: 0, length: 1 },
    { part: "drone", midi: 50, at: 0, length: 4 },
  ],
  beats: 4,
  loops: false,
};

function engine() {
  const states: SoundState["at"][] = [];
  const sounding: (readonly number[])[] = [];
  const marks: (number | undefined)[] = [];
  return {
    states,
    sounding,
    marks,
    made: soundEngine({
      onState: ({ at }) => states.push(at),
      onSounding: (midis) => sounding.push(midis),
      onMark: (mark) => marks.push(mark),
    }),
  };
}

beforeEach(() => {
  Object.assign(asked, {
    scheduled: [],
    loop: [],
    ramped: [],
    started: 0,
    stopped: 0,
    released: 0,
    refuses: false,
    gate: Promise.resolve(),
  });
});

describe("the engine", () => {
  it("is silent until it is asked, and starts at the safe volume", async () => {
    const { made, states } = engine();
    expect([made.level(), asked.started]).toEqual([-Infinity, 0]);
    made.stop();
    expect(states).toEqual(["silent"]);
    await made.play(score, 96);
    expect([states, asked.started, asked.volume]).toEqual([
      ["silent", "starting", "playing"],
      1,
      SAFE_VOLUME,
    ]);
    expect(made.level()).toBe(-20);
  });

  it("never puts the first note on tick 0, where a change of tempo would swallow it", async () => {
    await engine().made.play(score, 40);
    expect(asked.scheduled.map((at) => Number.parseInt(at, 10)).every((tick) => tick > 0)).toBe(true);
    // A line note sounds and falls silent, the drone sounds, and the end stops all of it.
    expect(asked.scheduled).toHaveLength(4);
  });

  it("tells the marks of a score, and that there is none when silent", async () => {
    const { made, marks } = engine();
    await made.play({ ...score, marks: [0, 2] }, 96);
    expect(asked.scheduled).toHaveLength(6);
    expect(asked.scheduled).toContain(`${4 + 2 * 192}i`);
    made.stop();
    expect(marks.at(-1)).toBeUndefined();
  });

  it("loops between its first note and its last beat", async () => {
    await engine().made.play({ ...score, loops: true }, 96);
    expect(asked.loop).toEqual(["4i", `${4 + 4 * 192}i`]);
    expect(asked.scheduled).toHaveLength(3);
  });

  it("does nothing when a stop overtakes the start", async () => {
    let open: () => void = () => undefined;
    asked.gate = new Promise((resolve) => (open = resolve));
    const { made, states } = engine();
    const playing = made.play(score, 96);
    made.stop();
    open();
    await playing;
    expect([states, asked.started]).toEqual([["starting", "silent"], 0]);
  });

  it("plays only the last of two that overtake each other", async () => {
    let open: () => void = () => undefined;
    asked.gate = new Promise((resolve) => (open = resolve));
    const { made } = engine();
    const both = Promise.all([made.play(score, 96), made.play(score, 120)]);
    open();
    await both;
    expect(asked.started).toBe(1);
  });

  it("stops every part at once and says that nothing sounds", async () => {
    const { made, states, sounding } = engine();
    await made.play(score, 96);
    asked.released = 0;
    made.stop();
    expect([asked.released, states.at(-1), sounding.at(-1)]).toEqual([4, "silent", []]);
  });

  it("says why there is no sound, and can be asked again", async () => {
    asked.refuses = true;
    const { made, states } = engine();
    await made.play(score, 96);
    expect(states).toEqual(["starting", "unavailable"]);
    asked.refuses = false;
    await made.play(score, 96);
    expect(states.at(-1)).toBe("playing");
  });

  it("never goes past the loudest that can be set", async () => {
    const { made } = engine();
    made.setVolume(12);
    await made.play(score, 96);
    expect(asked.volume).toBe(LOUDEST);
    made.setVolume(0);
    expect(asked.ramped).toEqual([LOUDEST]);
  });
});
