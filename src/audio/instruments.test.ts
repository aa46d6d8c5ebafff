import { describe, expect, it, vi } from "vitest";
import { ceilingCurve, CEILING_REACH, underCeiling } from "./ceiling";
import { makeParts } from "./instruments";
import { partLevel, USUAL_SOUNDS } from "./levels";
import { SOUNDS, soundRow } from "@/core/instrument";
import { keyOn, recordingFor as recordingAmong, VOICES } from "./sounds";
import type { Sound } from "@/core/instrument";
import table from "./sounds/recordings.json";

const recordingFor = (sound: Sound, midi: number) => recordingAmong(sound, midi, table[VOICES[sound].of]);

/** Voices as the synthesis library would make them, each writing down when it is struck. */
function fakeVoices() {
  const made: { struck: number[]; released: number; cut: number; disposed: number }[] = [];
  const tone = {
    Volume: class {
      volume = { value: 0 };
      connect = () => this;
    },
    Synth: class {
      private readonly own = { struck: [] as number[], released: 0, cut: 0, disposed: 0 };
      constructor() {
        made.push(this.own);
      }
      connect = () => this;
      triggerAttackRelease = (_: number, __: number, time: number) => void this.own.struck.push(time);
      triggerRelease = () => void (this.own.released += 1);
      disconnect = () => void (this.own.cut += 1);
      dispose = () => void (this.own.disposed += 1);
    },
    Frequency: (midi: number) => ({ toFrequency: () => midi }),
  };
  return { made, parts: makeParts(tone as never, {} as never, (part) => USUAL_SOUNDS[part]) };
}
const note = (midi: number, seconds: number, time: number) => ({ midi, seconds, time });

describe("the parts, while recordings are not here", () => {
  it("strike every note at its own time; a voice is taken again once its note has died away", () => {
    const { made, parts } = fakeVoices();
    parts.click.strike(note(76, 0.05, 0.25));
    parts.click.strike(note(76, 0.05, 1.0001));
    expect(made.map(({ struck }) => struck)).toEqual([[0.25, 1.0001]]);
    parts.line.strike(note(60, 2, 0));
    parts.line.strike(note(64, 2, 0.5));
    expect(made).toHaveLength(3);
  });

  it("never have more voices than a part needs: the note that ends first gives way", () => {
    const { made, parts } = fakeVoices();
    for (let at = 0; at < 40; at += 1) parts.drone.strike(note(50, 100 - at, 0));
    expect(made).toHaveLength(16);
    expect(made.reduce((sum, { struck }) => sum + struck.length, 0)).toBe(40);
  });

  it("let go of everything at once, or only of what has not begun", () => {
    vi.useFakeTimers();
    const { made, parts } = fakeVoices();
    parts.line.strike(note(60, 1, 0));
    parts.line.strike(note(62, 1, 1.2));
    parts.line.release(1, 1);
    vi.advanceTimersByTime(200);
    expect(made.map(({ cut }) => cut)).toEqual([0, 1]);
    parts.line.release(1);
    vi.advanceTimersByTime(200);
    expect(made.map(({ cut }) => cut)).toEqual([1, 1]);
    // A voice goes after its last note has ended, not before: the library still has to take its oscillators off it.
    expect(made.map(({ disposed }) => disposed)).toEqual([0, 0]);
    vi.advanceTimersByTime(4_000);
    vi.useRealTimers();
    expect(made.map(({ disposed }) => disposed)).toEqual([1, 1]);
  });

  it("stand beside each other in their balance, silence at the lowest", () => {
    expect([partLevel("line"), partLevel("drone", 3), partLevel("click", -40)]).toEqual([0, 6, -Infinity]);
  });
});

describe("recordings", () => {
  it("cover every key that an instrument has, the middle of its range from close by", () => {
    for (const sound of SOUNDS) {
      const [low, high] = soundRow(sound).range;
      for (let midi = low; midi <= high; midi += 1) {
        const { rate } = recordingFor(sound, midi);
        const halfSteps = Math.abs(12 * Math.log2(rate)) - VOICES[sound].raised;
        // At the ends of a range an instrument borrows from its last string.
        expect(halfSteps, `${sound} ${midi}`).toBeLessThan(25);
      }
      const middle = Math.round((low + high) / 2);
      expect(Math.abs(12 * Math.log2(recordingFor(sound, middle).rate))).toBeLessThan(
        8 + VOICES[sound].raised,
      );
    }
  });

  it("are played at the pitch that is asked for: an octave up is twice as fast from the same one", () => {
    const [one, other] = [recordingFor("harmonium", 88), recordingFor("harmonium", 76)];
    expect(one.rate / 2 ** ((88 - 84) / 12)).toBeGreaterThan(0);
    expect(recordingFor("bass", 40).rate).not.toBe(other.rate);
  });

  it("are found for what an instrument has not: an octave away", () => {
    expect([keyOn("bass", 76), keyOn("fiddle", 40), keyOn("nylon", 60)]).toEqual([64, 52, 60]);
  });
});

describe("the ceiling", () => {
  it("leaves what is soft as it is, and lets nothing reach full scale", () => {
    expect([underCeiling(0), underCeiling(0.5), underCeiling(-0.5)]).toEqual([0, 0.5, -0.5]);
    for (const loud of [0.6, 1, 2, 40]) {
      expect(underCeiling(loud)).toBeLessThan(0.8);
      expect(underCeiling(-loud)).toBe(-underCeiling(loud));
    }
    expect(underCeiling(0.7)).toBeGreaterThan(underCeiling(0.6));
  });

  it("is the same curve for the loudspeaker", () => {
    const curve = ceilingCurve(1025);
    const at = (value: number) => curve[Math.round(((value / CEILING_REACH + 1) / 2) * 1024)] ?? 0;
    for (const value of [-2, -0.25, 0, 0.5, 3]) expect(at(value)).toBeCloseTo(underCeiling(value), 2);
  });
});
