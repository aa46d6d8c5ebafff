import { describe, expect, it } from "vitest";
import { GUITAR, instrumentOf, openSounds, positions, tuningOf } from "@/core/instrument";
import { fifthsOf, midiOf, printPitch } from "@/core/pitch";
import { characteristicSwap, mode } from "@/core/scale";
import { nearView, type Shown, type ShownNote, withSwapShown } from "./shown";

/** What the stage shows of a mode in one position. */
function shownOf(home: string, id: string, tuning = GUITAR, at = 0): Shown {
  const homeMode = { home: fifthsOf(home), mode: mode(id) };
  const position = positions(tuning, homeMode, "five-positions")[at];
  const notes = (position?.notes ?? []).map((note): ShownNote => ({ ...note, place: note }));
  return {
    title: "",
    instrument: instrumentOf("guitar"),
    tuning,
    homeMode,
    notes,
    markers: (position?.notes ?? []).map((note) => ({ ...note, label: "", selected: true })),
    silent: [],
    position,
    moves: undefined,
    ways: [],
    hasNoRoom: false,
  };
}

describe("while the characteristic note is swapped", () => {
  it.each([
    ["D", "dorian"],
    ["C#", "phrygian"],
    ["Gb", "lydian"],
    ["D#", "aeolian"],
    ["E", "locrian"],
    ["F#", "mixolydian"],
  ])("%s %s: only that note moves, each a half step, and every place sounds its note", (home, id) => {
    const swap = characteristicSwap(mode(id));
    if (!swap) throw new Error("nothing to swap");
    for (const tuning of [GUITAR, tuningOf("bass")])
      for (let at = 0; at < 5; at += 1) {
        const shown = shownOf(home, id, tuning, at);
        const swapped = withSwapShown(shown, swap, () => "x");
        expect(swapped.homeMode.mode.intervals).toContain(swap.to);
        expect(swapped.homeMode.mode.intervals).not.toContain(swap.from);
        for (const [n, note] of swapped.notes.entries()) {
          const before = shown.notes[n];
          if (before?.interval === swap.from) {
            expect(note.interval).toBe(swap.to);
            expect(Math.abs(midiOf(note.pitch) - midiOf(before.pitch))).toBe(1);
          } else expect(note).toBe(before);
          const { string = 0, fret = 0 } = note.place ?? {};
          const open = openSounds(tuning)[tuning.strings.length - string] ?? 0;
          if (string <= tuning.strings.length)
            expect(open + fret, `${printPitch(note.pitch)} on ${string}/${fret}`).toBe(midiOf(note.pitch));
        }
      }
  });
});

describe("the part of the neck that a phone shows", () => {
  it("is the frets under the hand with one beside, as wide as is asked", () => {
    const shown = shownOf("D", "dorian", GUITAR, 2);
    const frets = shown.markers.map(({ fret }) => fret);
    const view = nearView(shown, false, 400);
    expect(view).toMatchObject({
      width: 400,
      fromFret: Math.min(...frets) - 1,
      toFret: Math.max(...frets) + 1,
    });
  });

  it("is none where the hand is nowhere, or everywhere", () => {
    const shown = shownOf("D", "dorian");
    expect(nearView({ ...shown, markers: [] }, false, 400)).toBeUndefined();
    const whole = [0, 15].map((fret) => ({ ...shown.markers[0]!, fret }));
    expect(nearView({ ...shown, markers: whole }, false, 400)).toBeUndefined();
  });
});
