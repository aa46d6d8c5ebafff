import { describe, expect, it, vi } from "vitest";
import { makeParts, partLevel } from "./instruments";

/** Voices as the synthesis library would make them, each writing down when it is struck. */
function fakeVoices() {
  const made: { struck: number[]; released: number; disposed: number }[] = [];
  const tone = {
    Volume: class {
      volume = { value: 0 };
      connect = () => this;
    },
    Synth: class {
      private readonly own = { struck: [] as number[], released: 0, disposed: 0 };
      constructor() {
        made.push(this.own);
      }
      connect = () => this;
      triggerAttackRelease = (_: number, __: number, time: number) => void this.own.struck.push(time);
      triggerRelease = () => void (this.own.released += 1);
      dispose = () => void (this.own.disposed += 1);
    },
  };
  return { made, parts: makeParts(tone as never, {} as never) };
}

describe("the parts", () => {
  it("strike every note at its own time; a voice is taken again once its note has died away", () => {
    const { made, parts } = fakeVoices();
    parts.click.strike(1000, 0.05, 0.25);
    parts.click.strike(1000, 0.05, 1.0001);
    expect(made.map(({ struck }) => struck)).toEqual([[0.25, 1.0001]]);
    parts.line.strike(440, 2, 0);
    parts.line.strike(550, 2, 0.5);
    expect(made).toHaveLength(3);
  });

  it("never have more voices than a part needs: the note that ends first gives way", () => {
    const { made, parts } = fakeVoices();
    for (let at = 0; at < 40; at += 1) parts.drone.strike(100, 100 - at, 0);
    expect(made).toHaveLength(16);
    expect(made.reduce((sum, { struck }) => sum + struck.length, 0)).toBe(40);
  });

  it("let go of everything at once, what was struck ahead of time too", () => {
    vi.useFakeTimers();
    const { made, parts } = fakeVoices();
    parts.line.strike(440, 1, 0);
    parts.line.releaseAll();
    vi.advanceTimersByTime(200);
    vi.useRealTimers();
    expect(made[0]).toMatchObject({ released: 1, disposed: 1 });
    parts.line.strike(440, 1, 3);
    expect(made).toHaveLength(2);
  });

  it("stand beside each other in their balance, silence at the lowest", () => {
    expect([partLevel("line"), partLevel("drone", 3), partLevel("click", -40)]).toEqual([0, -6, -Infinity]);
  });
});
