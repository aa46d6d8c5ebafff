// @vitest-environment jsdom
import { cleanup, render, screen } from "@testing-library/react";
import { afterEach, describe, expect, it } from "vitest";
import { fifthsOf, midiOf, printName } from "@/core/pitch";
import { GUITAR, movesFrom, neckNotes, positions, tuningOf } from "@/core/instrument";
import { mode } from "@/core/scale";
import { viewOf } from "./geometry";
import { Neck, type NeckMarker } from "./Neck";

afterEach(cleanup);

const dorian = { home: fifthsOf("D"), mode: mode("dorian") };
const position = positions(GUITAR, dorian, "five-positions").find(({ hand }) => hand === 5)!;
const markers = neckNotes(GUITAR, dorian).map((note): NeckMarker => {
  const selected = position.notes.some(({ string, fret }) => string === note.string && fret === note.fret);
  return { ...note, label: printName(note.pitch.name), selected };
});

function shown(part: Partial<Parameters<typeof Neck>[0]> = {}) {
  const { container } = render(
    <Neck
      title="D Dorian"
      view={viewOf(GUITAR, 0, 15, false)}
      markers={markers}
      characteristic={[fifthsOf("B")]}
      unknown={[]}
      chordTones={[]}
      targetNotes={[]}
      sounding={[]}
      {...part}
    />,
  );
  return container;
}

describe("the neck", () => {
  it("sets the hand’s markers apart from the rest, and lights the characteristic notes", () => {
    const neck = shown();
    expect(neck.querySelectorAll("[data-hand]")).toHaveLength(position.notes.length);
    expect(neck.querySelectorAll("[data-hand][data-lit]")).toHaveLength(3);
    expect(neck.querySelectorAll("text[data-marked]")).toHaveLength(6);
  });

  it("says the same in words, lowest string first", () => {
    shown();
    expect(screen.getByRole("img").getAttribute("aria-label")).toBe(
      "D Dorian on the neck. String 6: 5 A (5), 7 B (6, characteristic), 8 C (♭7). String 5: 5 D (1), 7 E (2), 8 F (♭3). String 4: 5 G (4), 7 A (5). String 3: 4 B (6, characteristic), 5 C (♭7), 7 D (1). String 2: 5 E (2), 6 F (♭3), 8 G (4). String 1: 5 A (5), 7 B (6, characteristic), 8 C (♭7).",
    );
  });

  it("shows what sounds under the hand, and only there", () => {
    const sounding = [midiOf({ name: fifthsOf("D"), octave: 4 })];
    expect(shown({ sounding }).querySelectorAll("[data-sounding]")).toHaveLength(1);
    cleanup();
    const whole = markers.map((marker) => ({ ...marker, selected: true }));
    expect(shown({ sounding, markers: whole }).querySelectorAll("[data-sounding]").length).toBeGreaterThan(1);
  });

  it("stripes what is open, draws chord tones heavy and target notes with a second outline, under any spelling", () => {
    const neck = shown({
      unknown: [fifthsOf("F")],
      chordTones: [fifthsOf("Ebb"), fifthsOf("A")],
      targetNotes: [fifthsOf("Ebb")],
    });
    expect(neck.querySelectorAll("[data-hand][data-tone]")).toHaveLength(5);
    expect(neck.querySelectorAll("[data-hand][data-target]")).toHaveLength(2);
    expect(neck.querySelectorAll("[data-hand][data-unknown]")).toHaveLength(2);
    expect(neck.querySelectorAll("[data-hand] rect").length).toBeGreaterThan(position.notes.length + 2);
  });

  it("marks the way from a mode that is known, strings that are silent, and what fills a frame in", () => {
    const { moved } = movesFrom(GUITAR, mode("aeolian"), dorian, position.notes);
    const inner = markers.map((marker) => ({ ...marker, isInner: marker.interval === 3 }));
    const neck = shown({ moves: moved, silent: [6], markers: inner });
    expect(neck.querySelectorAll("[data-move]")).toHaveLength(3);
    expect(neck.querySelectorAll("[data-inner]").length).toBeGreaterThan(3);
    expect(neck.textContent).toContain("×");
  });

  it("tells how much of the hand lies beyond the frets that are drawn", () => {
    shown({ view: viewOf(GUITAR, 0, 7, false) });
    expect(
      screen.getByText("Four notes lie beyond the frets that are drawn.", { exact: false }),
    ).toBeTruthy();
  });

  it("has no wires on a fiddle, and the capo’s bar where it lies", () => {
    const line = (neck: Element) => neck.querySelector("line")!;
    const top = Number(
      line(shown({ view: viewOf(tuningOf("fiddle"), 0, 12, false), markers: [] })).getAttribute("y1"),
    );
    cleanup();
    expect(top).toBeGreaterThan(Number(line(shown()).getAttribute("y1")));
    cleanup();
    expect(shown({ view: viewOf({ ...GUITAR, capo: 3 }, 0, 15, false) }).textContent).toContain("capo");
  });
});
