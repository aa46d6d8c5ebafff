import { afterEach, describe, expect, it, test, vi } from "vitest";
import { type KeyEvent, keyEventIn, midiKeyboards, simulatedKeyboard } from ".";

describe("keyboard messages", () => {
  test.each([
    [[0x90, 60, 80], "60 down"],
    [[0x95, 61, 1], "61 down"],
    [[0x90, 60, 0], "60 up"],
    [[0x80, 60, 64], "60 up"],
    [[0x99, 36, 80], "nothing"],
    [[0xb0, 64, 127], "nothing"],
    [[0xf8], "nothing"],
    [[], "nothing"],
  ])("%j says %s", (bytes, said) => {
    const event = keyEventIn(Uint8Array.from(bytes), 1);
    expect(event ? `${event.midi} ${event.isDown ? "down" : "up"}` : "nothing").toBe(said);
  });
});

describe("the simulated keyboard", () => {
  afterEach(() => vi.useRealTimers());

  it("sends what a real one would, to all who listen", () => {
    const keyboard = simulatedKeyboard();
    const heard: KeyEvent[] = [];
    const stop = keyboard.listen((event) => heard.push(event));
    keyboard.press(64);
    keyboard.release(64);
    stop();
    keyboard.press(65);
    expect(heard.map(({ midi, isDown }) => [midi, isDown])).toEqual([
      [64, true],
      [64, false],
    ]);
  });

  it("plays by itself in time, until it is stopped", () => {
    vi.useFakeTimers();
    const keyboard = simulatedKeyboard();
    const heard: number[] = [];
    keyboard.listen(({ midi, isDown }) => isDown && heard.push(midi));
    const stop = keyboard.perform([
      { midi: 60, onset: 0, duration: 0.4 },
      { midi: 62, onset: 0.5, duration: 0.4 },
      { midi: 64, onset: 1, duration: 0.4 },
    ]);
    vi.advanceTimersByTime(600);
    stop();
    vi.advanceTimersByTime(2000);
    expect(heard).toEqual([60, 62]);
  });

  it("is all there is where the browser has no MIDI", async () =>
    expect(await midiKeyboards(() => undefined)).toEqual([]));
});
