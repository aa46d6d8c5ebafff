import fc from "fast-check";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { readChart, readSymbol } from "@/core/chord";
import { mode } from "@/core/scale";
import { heardAt, stillTold } from "./engine";
import { plan, type Timed } from "./plan";
import {
  accompanied,
  chartScore,
  ladderScore,
  lineScore,
  LOUDEST,
  modeScore,
  onKeyboard,
  SAFE_VOLUME,
  type Playing,
  type Score,
  soundEngine,
  type SoundState,
  swapScore,
  vampScore,
  voicingScore,
} from ".";

/** What the stand-in for the synthesis library was asked to do. */
const asked = vi.hoisted(() => ({
  /** The audio clock, in seconds. */
  now: 0,
  /** Called when the audio context changes its state by itself. */
  changed: (state: string): unknown => state,
  /** The master's first, then those of the parts. */
  volumes: [] as number[],
  ramped: [] as number[],
  struck: [] as { hertz: number; time: number }[],
  disposed: 0,
  refuses: false,
  /** Resolves when the audio context may start. */
  gate: Promise.resolve(),
}));

vi.mock("tone", () => {
  const node = { connect: () => node, toDestination: () => node };
  class Node {
    connect = () => this;
    toDestination = () => this;
  }
  return {
    Meter: class extends Node {
      getValue = () => -20;
    },
    Gain: Node,
    Volume: class extends Node {
      readonly volume;
      constructor(decibels: number) {
        super();
        const at = asked.volumes.push(decibels) - 1;
        this.volume = {
          set value(next: number) {
            asked.volumes[at] = next;
          },
          rampTo: (next: number) => asked.ramped.push(next),
          cancelScheduledValues: () => undefined,
          setValueAtTime: (next: number) => (asked.volumes[at] = next),
        };
      }
    },
    Synth: class extends Node {
      triggerAttackRelease = (hertz: number, _: number, time: number) => asked.struck.push({ hertz, time });
      triggerRelease = () => undefined;
      disconnect = () => (asked.disposed += 1);
      dispose = () => undefined;
    },
    Frequency: (midi: number) => ({ toFrequency: () => midi }),
    connect: () => undefined,
    Context: function Context() {},
    setContext: () => undefined,
    getContext: () => ({
      on: (_: string, listen: (state: string) => void) => (asked.changed = listen),
      rawContext: {
        get currentTime() {
          return asked.now;
        },
        createWaveShaper: () => ({}),
        resume: async () => {
          await asked.gate;
          if (asked.refuses) throw new Error("no device");
        },
      },
    }),
  };
});

const score: Score = {
  notes: [
    { part: "line", midi: 62, at: 0, length: 1 },
    { part: "line", midi: 64, at: 1, length: 1 },
    { part: "drone", midi: 50, at: 0, length: 4 },
  ],
  beats: 4,
  loops: false,
  marks: [0, 2],
};

const once: Playing = { round: (n) => (n === 0 ? score : undefined), tempo: () => 60 };
const always: Playing = { round: () => score, tempo: () => 60 };

function engine() {
  const states: SoundState["at"][] = [];
  const sounding: (readonly number[])[] = [];
  const marks: (number | undefined)[] = [];
  const rounds: (number | undefined)[] = [];
  const missing: (readonly string[])[] = [];
  return {
    states,
    sounding,
    marks,
    rounds,
    missing,
    made: soundEngine({
      onState: ({ at }) => states.push(at),
      onSounding: (midis) => sounding.push(midis),
      onMark: (mark) => marks.push(mark),
      onRound: (round) => rounds.push(round),
      onMissing: (sounds) => missing.push(sounds),
    }),
  };
}

/** The audio clock and the page's timers go on together; `stall` moves the clock while the page stands still. */
async function pass(seconds: number): Promise<void> {
  for (let at = 0; at < seconds; at += 0.05) {
    asked.now += 0.05;
    await vi.advanceTimersByTimeAsync(50);
  }
}
const stall = (seconds: number) => (asked.now += seconds);

/** When the first note begins after Play was pressed. */
const LEAD = 0.06;

beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal("AudioContext", function AudioContext() {});
  vi.stubGlobal("fetch", () => Promise.reject(new Error("not here")));
  Object.assign(asked, {
    now: 10,
    ramped: [],
    volumes: [],
    struck: [],
    disposed: 0,
    refuses: false,
    gate: Promise.resolve(),
  });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe("the engine", () => {
  it("is silent until it is asked, and starts at the safe volume", async () => {
    const { made, states } = engine();
    expect([made.level(), asked.struck]).toEqual([-Infinity, []]);
    made.stop();
    expect(states).toEqual(["silent"]);
    await made.play(once);
    expect([states, asked.volumes[0]]).toEqual([["silent", "starting", "playing"], SAFE_VOLUME]);
    expect(made.level()).toBe(-20);
    made.stop();
  });

  it("hands notes to the audio clock ahead of time, each at its own instant", async () => {
    const { made } = engine();
    await made.play(always);
    await pass(9);
    made.stop();
    const times = asked.struck.filter(({ hertz }) => hertz === 62).map(({ time }) => time);
    for (const [at, time] of times.entries()) expect(time).toBeCloseTo(10 + LEAD + 4 * at, 9);
    expect(times.length).toBeGreaterThanOrEqual(3);
  });

  it("strikes nothing late though the page stands still for a second", async () => {
    const { made } = engine();
    await made.play(always);
    await pass(0.3);
    for (let at = 0; at < 6; at += 1) {
      const begun = asked.now;
      const before = asked.struck.length;
      stall(1);
      await pass(0.1);
      for (const { time } of asked.struck.slice(before)) expect(time).toBeGreaterThanOrEqual(begun + 1);
    }
    made.stop();
  });

  it("leaves out what should have begun while the page stood still for longer than that", async () => {
    const { made } = engine();
    await made.play(always);
    await pass(0.3);
    const before = asked.struck.length;
    stall(30);
    await pass(0.1);
    // Of seven rounds no more than what is due from now on.
    expect(asked.struck.length - before).toBeLessThanOrEqual(3);
    made.stop();
  });

  it("tells what the audio clock plays at each moment, after a stall too", async () => {
    const { made, sounding, marks, rounds } = engine();
    await made.play(always);
    const seen = () => [sounding.at(-1), marks.at(-1), rounds.at(-1)];
    await pass(0.3);
    expect(seen()).toEqual([[62], 0, 0]);
    stall(1);
    await pass(0.1);
    expect(seen()).toEqual([[64], 0, 0]);
    stall(1);
    await pass(0.1);
    expect(seen()).toEqual([[], 1, 0]);
    // In the middle of the next round.
    stall(3);
    await pass(0.1);
    expect(seen()).toEqual([[64], 0, 1]);
    made.stop();
    expect(seen()).toEqual([[], undefined, undefined]);
  });

  it("ends when the end has come, though the page stood still just then", async () => {
    const { made, states, sounding } = engine();
    await made.play(once);
    await pass(3);
    expect(states.at(-1)).toBe("playing");
    stall(4);
    await pass(0.1);
    expect([states.at(-1), sounding.at(-1)]).toEqual(["silent", []]);
  });

  it("says so when the browser never lets the context start", async () => {
    asked.gate = new Promise(() => undefined);
    const { made, states } = engine();
    const started = made.play(once);
    await vi.advanceTimersByTimeAsync(2000);
    await started;
    expect([states, asked.struck]).toEqual([["starting", "held"], []]);
  });

  it("stops and says so when the context is suspended while it plays", async () => {
    const { made, states } = engine();
    await made.play(once);
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
    const begun = made.play(once);
    made.stop();
    open();
    await begun;
    expect([states, asked.struck]).toEqual([["starting", "silent"], []]);
  });

  it("plays only the last of two that overtake each other", async () => {
    let open: () => void = () => undefined;
    asked.gate = new Promise((resolve) => (open = resolve));
    const { made } = engine();
    const both = Promise.all([made.play(once), made.play(once)]);
    open();
    await both;
    expect(asked.struck.filter(({ hertz }) => hertz === 62)).toHaveLength(1);
    made.stop();
  });

  it("stops every part at once and says that nothing sounds", async () => {
    const { made, states, sounding } = engine();
    await made.play(once);
    await pass(0.2);
    made.stop();
    expect([asked.ramped.at(-1), states.at(-1), sounding.at(-1)]).toEqual([-Infinity, "silent", []]);
    await vi.advanceTimersByTimeAsync(200);
    expect(asked.disposed).toBeGreaterThan(0);
  });

  it("says why there is no sound, and can be asked again", async () => {
    asked.refuses = true;
    const { made, states } = engine();
    await made.play(once);
    expect(states).toEqual(["starting", "unavailable"]);
    asked.refuses = false;
    await made.play(once);
    expect(states.at(-1)).toBe("playing");
    made.stop();
  });

  it("stays silent where what is to be played cannot be made", async () => {
    const { made, states } = engine();
    const broken: Playing = {
      round: () => {
        throw new Error("no chord");
      },
      tempo: () => 60,
    };
    await made.play(broken);
    await pass(0.5);
    expect([states, asked.struck]).toEqual([["starting", "playing", "unavailable"], []]);
  });

  it("says which recordings cannot be had, and plays stand-ins", async () => {
    const { made, missing } = engine();
    await made.play(once);
    expect(missing.at(-1)).toEqual(expect.arrayContaining(["steel", "harmonium"]));
    expect(asked.struck.length).toBeGreaterThan(0);
    made.stop();
  });

  it("changes the tempo at once: what was handed over for later comes at its new time", async () => {
    const { made } = engine();
    await made.play(always);
    await pass(0.5);
    made.setTempo(120);
    await pass(3);
    made.stop();
    // Half a beat had gone by; the second beat comes a quarter of a second later.
    const second = asked.struck.filter(({ hertz }) => hertz === 64).map(({ time }) => time);
    expect(second.at(-1)).toBeGreaterThan(12);
    expect(second.some((time) => Math.abs(time - (10.5 + (0.5 + LEAD) / 2)) < 0.03)).toBe(true);
  });

  it("sets each part beside its balance, and silences one that is turned down", async () => {
    const { made } = engine();
    await made.play(once);
    expect(asked.volumes.slice(1)).toEqual([0, 3, -7, -4, -5]);
    made.setPartVolumes({ drone: 4, click: -40 });
    expect(asked.volumes.slice(1)).toEqual([0, 7, -7, -4, -Infinity]);
    made.stop();
  });

  it("never goes past the loudest that can be set", async () => {
    const { made } = engine();
    made.setVolume(12);
    await made.play(once);
    expect(asked.volumes[0]).toBe(LOUDEST);
    made.setVolume(0);
    expect(asked.ramped.at(-1)).toBe(LOUDEST);
    made.stop();
  });
});

describe("what is told of each kind of playing", () => {
  const chord = (symbol: string) => {
    const reading = readSymbol(symbol);
    if (!("chord" in reading)) throw new Error(symbol);
    return reading.chord;
  };
  const dorian = { home: 2, mode: mode("dorian") };
  const kinds: Readonly<Record<string, Score>> = {
    mode: modeScore(dorian, true),
    swap: swapScore(dorian, 3, -4),
    "all modes": ladderScore(["lydian", "dorian"].map((id) => ({ home: 2, mode: mode(id) }))),
    line: lineScore([50, 52, 53, 55, 57], "triplets", 2),
    voicing: voicingScore([40, 47, 52, 55, 59, 64]),
    vamp: accompanied(vampScore({ chords: [chord("Dm"), chord("G")] }), {
      layout: onKeyboard,
      backing: "strum",
    }),
    arpeggios: accompanied(vampScore({ chords: [chord("Dm"), chord("G")] }), {
      layout: onKeyboard,
      backing: "arpeggio",
    }),
    chart: accompanied(chartScore(readChart("6/8 | Em9 | A13 | N.C. |").value), {
      layout: onKeyboard,
      backing: "pad",
    }),
  };

  it.each(Object.entries(kinds))(
    "%s: at any moment what sounds at that moment, whatever the page did before",
    (_, kind) => {
      fc.assert(
        fc.property(
          fc.array(fc.double({ min: 0.01, max: 1, noNaN: true }), { minLength: 10, maxLength: 50 }),
          (steps) => {
            const { until } = plan({ round: () => kind, tempo: () => 90 }, 0);
            const all: Timed[] = [];
            let handed: readonly Timed[] = [];
            let now = 0;
            for (const step of steps) {
              now += step;
              const next = until(now + 1.2);
              all.push(...next);
              handed = [...handed, ...next];
              const { midis, round, mark } = heardAt(handed, now);
              handed = stillTold(handed, now);
              const sounding = all.flatMap((each) =>
                each.kind === "note" &&
                !["drone", "click"].includes(each.note.part) &&
                each.time <= now &&
                now < each.time + each.seconds
                  ? [each.note.midi]
                  : [],
              );
              expect(midis).toEqual([...new Set(sounding)].sort((a, b) => a - b));
              const beat = (now * 90) / 60;
              expect(round).toBe(Math.floor(beat / kind.beats + 1e-9));
              const within = beat - (round ?? 0) * kind.beats;
              const passed = (kind.marks ?? []).filter((at) => at <= within + 1e-9).length;
              expect(mark).toBe(passed === 0 ? undefined : passed - 1);
            }
          },
        ),
        { numRuns: 20 },
      );
    },
  );
});
