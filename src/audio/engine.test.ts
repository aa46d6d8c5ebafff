import { beforeEach, describe, expect, it, vi } from "vitest";
import { LOUDEST, SAFE_VOLUME, type Playing, type Score, soundEngine, type SoundState } from ".";

/** What the stand-in for the synthesis library was asked to do. */
const asked = vi.hoisted(() => ({
  scheduled: [] as string[],
  /** Called when the audio context changes its state by itself. */
  changed: (state: string): unknown => state,
  /** The master's first, then those of the parts. */
  volumes: [] as number[],
  ramped: [] as number[],
  started: 0,
  stopped: 0,
  refuses: false,
  /** Resolves when the audio context may start. */
  gate: Promise.resolve(),
}));

vi.mock("tone", () => {
  const node = { connect: () => node, toDestination: () => node };
  const transport = {
    PPQ: 192,
    bpm: { value: 0, getValueAtTime: () => 0 },
    scheduleOnce: (_: unknown, at: string) => asked.scheduled.push(at),
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
      readonly volume;
      constructor(decibels: number) {
        const at = asked.volumes.push(decibels) - 1;
        this.volume = {
          set value(next: number) {
            asked.volumes[at] = next;
          },
          rampTo: (next: number) => asked.ramped.push(next),
          cancelScheduledValues: () => undefined,
        };
      }
      connect = () => this;
    },
    getContext: () => ({ on: (_: string, listen: (state: string) => void) => (asked.changed = listen) }),
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

const playing: Playing = { round: (n) => (n === 0 ? score : undefined), tempo: () => 96 };

function engine() {
  const states: SoundState["at"][] = [];
  const sounding: (readonly number[])[] = [];
  const marks: (number | undefined)[] = [];
  const rounds: (number | undefined)[] = [];
  return {
    states,
    sounding,
    marks,
    rounds,
    made: soundEngine({
      onState: ({ at }) => states.push(at),
      onSounding: (midis) => sounding.push(midis),
      onMark: (mark) => marks.push(mark),
      onRound: (round) => rounds.push(round),
    }),
  };
}

beforeEach(() => {
  Object.assign(asked, {
    scheduled: [],
    ramped: [],
    volumes: [],
    started: 0,
    stopped: 0,
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
    await made.play(playing);
    expect([states, asked.started, asked.volumes[0]]).toEqual([
      ["silent", "starting", "playing"],
      1,
      SAFE_VOLUME,
    ]);
    expect(made.level()).toBe(-20);
  });

  it("says that no round and no mark is heard any more when it stops", async () => {
    const { made, marks, rounds } = engine();
    await made.play(playing);
    made.stop();
    expect([marks.at(-1), rounds.at(-1)]).toEqual([undefined, undefined]);
  });

  it("says so when the browser never lets the context start", async () => {
    vi.useFakeTimers();
    asked.gate = new Promise(() => undefined);
    const { made, states } = engine();
    const started = made.play(playing);
    await vi.advanceTimersByTimeAsync(2000);
    await started;
    vi.useRealTimers();
    expect([states, asked.started]).toEqual([["starting", "held"], 0]);
  });

  it("stops and says so when the context is suspended while it plays", async () => {
    const { made, states } = engine();
    await made.play(playing);
    asked.changed("running");
    expect(states.at(-1)).toBe("playing");
    asked.changed("suspended");
    expect(states.at(-1)).toBe("held");
    asked.changed("suspended");
    expect(states.filter((state) => state === "held")).toHaveLength(1);
  });

  it("does nothing when a stop overtakes the start", async () => {
    let open: () => void = () => undefined;
    asked.gate = new Promise((resolve) => (open = resolve));
    const { made, states } = engine();
    const begun = made.play(playing);
    made.stop();
    open();
    await begun;
    expect([states, asked.started]).toEqual([["starting", "silent"], 0]);
  });

  it("plays only the last of two that overtake each other", async () => {
    let open: () => void = () => undefined;
    asked.gate = new Promise((resolve) => (open = resolve));
    const { made } = engine();
    const both = Promise.all([made.play(playing), made.play(playing)]);
    open();
    await both;
    expect(asked.started).toBe(1);
  });

  it("stops every part at once and says that nothing sounds", async () => {
    const { made, states, sounding } = engine();
    await made.play(playing);
    made.stop();
    expect([asked.ramped.at(-1), states.at(-1), sounding.at(-1)]).toEqual([-Infinity, "silent", []]);
  });

  it("says why there is no sound, and can be asked again", async () => {
    asked.refuses = true;
    const { made, states } = engine();
    await made.play(playing);
    expect(states).toEqual(["starting", "unavailable"]);
    asked.refuses = false;
    await made.play(playing);
    expect(states.at(-1)).toBe("playing");
  });

  it("sets each part beside its balance, and silences one that is turned down", async () => {
    const { made } = engine();
    await made.play(playing);
    expect(asked.volumes.slice(1)).toEqual([0, -9, -11, -5, -8]);
    made.setPartVolumes({ drone: 4, click: -40 });
    expect(asked.volumes.slice(1)).toEqual([0, -5, -11, -5, -Infinity]);
  });

  it("never goes past the loudest that can be set", async () => {
    const { made } = engine();
    made.setVolume(12);
    await made.play(playing);
    expect(asked.volumes[0]).toBe(LOUDEST);
    made.setVolume(0);
    expect(asked.ramped.at(-1)).toBe(LOUDEST);
  });
});
