import "fake-indexeddb/auto";
import { beforeEach, describe, expect, it } from "vitest";
import { printChord } from "@/core/chord";
import type { InstrumentId } from "@/core/instrument";
import { fifthsOf, midiOf } from "@/core/pitch";
import { mode } from "@/core/scale";
import { modeScore } from "@/audio";
import { DEFAULTS } from "@/storage";
import {
  $chord,
  $hand,
  $isSwapped,
  $line,
  $front,
  $movedOctaves,
  $partSounds,
  $position,
  $positions,
  $selection,
  $settings,
  $tuning,
  changeSettings,
  fingeredNotes,
  followedScore,
  homeChord,
  mainPlaying,
  mainScore,
  stepPosition,
  swapLive,
  takeVoicing,
  tempoOf,
  tuningFor,
} from "..";

const at = (home: string, id: string) => ({ home: fifthsOf(home), mode: mode(id) });
const dorian = at("D", "dorian");

function select(homeMode = dorian) {
  $selection.set({
    homeMode,
    characteristic: [],
    unknown: [],
    chordTones: [],
    targetNotes: [],
    swap: { from: 3, to: -4 },
    play: { code: "mode", score: modeScore(homeMode, false) },
  });
}

beforeEach(() => {
  $settings.set(DEFAULTS);
  $hand.set({ fret: 5, nth: 0 });
  $isSwapped.set(false);
  select();
});

describe("where the neck opens", () => {
  it("is the position with home lowest on a guitar, and the first on a fiddle", () => {
    $hand.set(undefined);
    expect($position.get()).toMatchObject({ hand: 10, name: { code: "shape", shape: "E" } });
    for (const homeMode of [dorian, at("A", "mixolydian"), at("Eb", "lydian")]) {
      select(homeMode);
      changeSettings({ instrument: "fiddle" });
      expect($position.get()?.name).toEqual({ code: "position", number: 1 });
      changeSettings({ instrument: "guitar" });
      expect($position.get()?.name).toEqual({ code: "shape", shape: "E" });
    }
  });
});

describe("the selected tuning", () => {
  const own = {
    name: "Low C",
    instrument: "guitar",
    strings: "C2 G2 D3 G3 B3 E4",
    frets: 20,
    scaleLength: 650,
  };

  it("is the one that is named, made by hand or common, otherwise the instrument’s usual one", () => {
    const of = (part: object) => tuningFor({ ...DEFAULTS, ...part });
    expect(of({ tuning: "guitar/drop-d" })?.id).toBe("guitar/drop-d");
    expect(of({ tuning: "own/Low C", ownTunings: [own] })).toMatchObject({
      id: "own/Low C",
      frets: 20,
      scaleLength: 650,
    });
    expect(midiOf(of({ tuning: "own/Low C", ownTunings: [own] })!.strings[0]!)).toBe(36);
    expect(of({ tuning: "own/gone" })?.id).toBe("guitar/standard");
    expect(of({ instrument: "fiddle", tuning: "guitar/drop-d" })?.id).toBe("fiddle/standard");
    expect(of({ instrument: "keyboard" })).toBeUndefined();
  });

  it("has its capo, as far as a hand’s width of frets is left", () => {
    expect(tuningFor({ ...DEFAULTS, capo: 3 })?.capo).toBe(3);
    expect(tuningFor({ ...DEFAULTS, instrument: "ukulele", capo: 20 })?.capo).toBe(14);
  });

  it("stays the same object while other settings change", () => {
    const before = $tuning.get();
    changeSettings({ tempo: 120, labels: "degrees" });
    expect($tuning.get()).toBe(before);
    changeSettings({ capo: 2 });
    expect($tuning.get()).not.toBe(before);
  });
});

describe("the selected position", () => {
  it("is at or above the fret that was stepped to, and is stepped to the ends and no further", () => {
    expect($position.get()?.hand).toBe(5);
    stepPosition(1);
    expect($position.get()?.hand).toBe(7);
    for (let step = 0; step < 30; step += 1) stepPosition(1);
    expect($position.get()).toBe($positions.get().at(-1));
    for (let step = 0; step < 30; step += 1) stepPosition(-1);
    expect($position.get()).toBe($positions.get()[0]);
  });

  it("keeps near the hand when the mode changes, and has the easier fingers where they are wished for", () => {
    $hand.set({ fret: 2, nth: 0 });
    expect($position.get()?.hand).toBe(2);
    const position = $position.get()!;
    expect(fingeredNotes(position, false)).toBe(position.notes);
    expect(fingeredNotes(position, true)).toBe(position.easier?.notes);
    select(at("E", "dorian"));
    expect($position.get()!.hand).toBeGreaterThanOrEqual(2);
  });

  it("is none on a keyboard, where lines have fingers of the right hand", () => {
    changeSettings({ instrument: "keyboard", figure: "scale" });
    expect([$positions.get(), $position.get()]).toEqual([[], undefined]);
    expect($line.get()?.map(({ finger }) => finger)).toHaveLength(15);
  });
});

describe("the selected chord", () => {
  it("is the one selected, one from the Shelf, or the home chord, also of scales without thirds", () => {
    expect(printChord($chord.get())).toBe("Dm7");
    takeVoicing("A13", [5, null, 5, 6, 7, null]);
    expect([printChord($chord.get()), $settings.get().division]).toEqual(["A13", "voicing"]);
    const { homeMode } = $selection.get();
    select(homeMode);
    expect(printChord($chord.get())).toBe("A13");
    const before = $chord.get();
    takeVoicing("A13", [null, 0, 2, 0, 2, 2]);
    expect($chord.get()).toBe(before);
    select(at("E", "dorian"));
    expect(printChord($chord.get())).toBe("Em7");
    takeVoicing("nonsense", []);
    expect(printChord($chord.get())).toBe("Em7");
    expect(homeChord(at("A", "minor-pentatonic")).tones.length).toBeGreaterThanOrEqual(3);
  });
});

describe("a saved voicing", () => {
  const opened = (symbol: string, frets: readonly number[], strings: string) => {
    takeVoicing(symbol, frets, strings);
    return [$settings.get().instrument, $tuning.get()?.id];
  };

  it("opens on the strings that it was saved for, whatever the stage shows", () => {
    changeSettings({ instrument: "tenor-banjo", tuning: "tenor-banjo/standard" });
    expect(opened("Dm7", [2, 2, 1, 3], "G4 C4 E4 A4")).toEqual(["ukulele", "ukulele/standard"]);
    changeSettings({ instrument: "guitar", tuning: "guitar/drop-d", capo: 2 });
    expect(opened("D5", [2, 2, 2, 4, 5, 2], "D2 A2 D3 G3 B3 E4")).toEqual(["guitar", "guitar/drop-d"]);
    // What is there already stays as it is.
    expect($settings.get().capo).toBe(2);
    expect(opened("Em", [0, 2, 2, 0, 0, 0], "E2 A2 D3 G3 B3 E4")).toEqual(["guitar", "guitar/standard"]);
  });

  it("brings strings along that no instrument here has", () => {
    expect(opened("G", [0, 0, 0, 0, 0], "G2 D3 G3 B3 D4")).toEqual(["guitar", "own/Strings of a voicing"]);
    expect($tuning.get()?.strings.map(midiOf)).toEqual([43, 50, 55, 59, 62]);
    opened("G", [0, 0, 0, 0, 0], "G2 D3 G3 B3 D4");
    expect($settings.get().ownTunings).toHaveLength(1);
  });
});

describe("what is played", () => {
  const parts = () => [...new Set(mainScore().notes.map(({ part }) => part))].sort().join(" ");
  const heardParts = () =>
    [
      ...new Set(
        mainPlaying()
          .round(0)
          ?.notes.map(({ part }) => part),
      ),
    ]
      .sort()
      .join(" ");
  const line = () =>
    mainScore()
      .notes.filter(({ part }) => part === "line")
      .map(({ midi }) => midi);

  it("is what the stage shows of a mode, what the view chose, or a texture of the mode", () => {
    changeSettings({ rhythm: "quarters" });
    expect(line().slice(0, 4)).toEqual([45, 47, 48, 50]);
    changeSettings({ order: "from-home" });
    expect([line()[0], line().at(-1)]).toEqual([50, 50]);
    changeSettings({ division: "line", figure: "thirds" });
    expect(line().slice(0, 4)).toEqual([50, 53, 52, 55]);
    changeSettings({ drone: false });
    expect(parts()).toBe("line");
    changeSettings({ drone: true, division: "whole" });
    expect(mainScore()).toEqual(modeScore(dorian, true));
    const chords = { code: "chords", score: modeScore(at("E", "lydian"), false) } as const;
    $selection.set({ ...$selection.get(), play: chords });
    expect(mainScore()).toBe(chords.score);
    changeSettings({ texture: "shown", division: "line" });
    expect(line().slice(0, 4)).toEqual([50, 53, 52, 55]);
    changeSettings({ texture: "drone" });
    expect(parts()).toBe("drone");
    changeSettings({ texture: "vamp" });
    expect(mainScore().chords?.map(({ chord }) => printChord(chord))).toEqual(["Dm", "G"]);
    expect(heardParts()).toBe("bass chord");
    changeSettings({ texture: "pedal" });
    const bass = mainScore().notes.filter(({ part }) => part === "bass");
    expect([...new Set(bass.map(({ midi }) => midi % 12))]).toEqual([2]);
    expect(bass).toHaveLength(8);
    changeSettings({ texture: "mode", drone: false });
    expect(mainScore()).toEqual(modeScore(dorian, false));
  });

  it("goes round where that is set, with the click, and follows changes from the next round on", () => {
    changeSettings({ texture: "mode" });
    const playing = mainPlaying();
    expect(playing.round(1)).toBeUndefined();
    changeSettings({ loop: true, click: true });
    expect(playing.round(1)?.notes.filter(({ part }) => part === "click")).toHaveLength(8);
    select(at("E", "dorian"));
    // On a guitar, from the lowest E that such lines begin on.
    expect(playing.round(2)?.notes[0]?.midi).toBe(52);
  });

  it("is played in the register of the instrument, its drone below", () => {
    changeSettings({ texture: "mode" });
    const lowest = (instrument: InstrumentId) => {
      changeSettings({ instrument, tuning: `${instrument}/standard` });
      const notes = mainPlaying().round(0)?.notes ?? [];
      const of = (part: string) => notes.filter((note) => note.part === part).map(({ midi }) => midi);
      expect(Math.min(...of("drone"))).toBeLessThanOrEqual(Math.min(...of("line")));
      return Math.min(...of("line"));
    };
    const instruments = ["guitar", "bass", "ukulele", "mandolin", "fiddle", "keyboard"] as const;
    expect(instruments.map(lowest)).toEqual([50, 38, 62, 62, 62, 62]);
  });

  it("a tune that an instrument hasn’t the octave for is moved whole, and that is said", () => {
    const notes = [74, 76, 78].map((midi, at) => ({ part: "line", midi, at, length: 1 }) as const);
    const tune = { code: "tune", score: { notes, beats: 3, loops: false } } as const;
    $selection.set({ ...$selection.get(), play: tune });
    const heard = () =>
      mainPlaying()
        .round(0)
        ?.notes.map(({ midi }) => midi);
    expect([heard(), $movedOctaves.get()]).toEqual([[74, 76, 78], 0]);
    changeSettings({ instrument: "bass", tuning: "bass/standard" });
    expect([heard(), $movedOctaves.get()]).toEqual([[62, 64, 66], -1]);
  });

  it("chords sound as they are taken on the strings of the stage, or as they are laid out on a keyboard", () => {
    changeSettings({ texture: "vamp", instrument: "guitar", tuning: "guitar/standard" });
    const chord = (at: number) =>
      (mainPlaying().round(0)?.notes ?? [])
        .filter((note) => note.part === "chord" && note.at === at)
        .map(({ midi }) => midi);
    // The open chords Dm and G.
    expect([chord(0), chord(4)]).toEqual([
      [50, 57, 62, 65],
      [43, 47, 50, 55, 59, 67],
    ]);
    expect($partSounds.get().chord).toBe("steel");
    changeSettings({ guitarSound: "nylon" });
    expect([$partSounds.get().chord, $partSounds.get().line]).toEqual(["nylon", "nylon"]);
    changeSettings({ chordsOn: "keyboard", backing: "pad" });
    expect(chord(0)).toHaveLength(3);
    expect($partSounds.get().chord).toBe("harmonium");
    changeSettings({ backing: "strum" });
    expect($partSounds.get().chord).toBe("piano");
    // A fiddle and a bass leave chords to the keyboard.
    changeSettings({ chordsOn: "instrument" });
    for (const instrument of ["fiddle", "bass"] as const) {
      changeSettings({ instrument, tuning: `${instrument}/standard` });
      expect($partSounds.get().chord).toBe("piano");
    }
  });

  it("is the metronome alone where that is asked for, in the meter of what the view chose", () => {
    changeSettings({ texture: "click", clickParts: 2 });
    const notes = mainPlaying().round(0)?.notes ?? [];
    expect([notes.every(({ part }) => part === "click"), notes.length]).toEqual([true, 16]);
  });

  it("stays as it is when another view comes to the front, and follows its own", () => {
    changeSettings({ texture: "mode" });
    $front.set("derive");
    const heard = followedScore();
    select(at("E", "dorian"));
    expect(heard().score.notes[0]?.midi).toBe(64);
    $front.set("match");
    select(at("G", "lydian"));
    expect(heard().score.notes[0]?.midi).toBe(64);
    $front.set("derive");
    select(at("G", "lydian"));
    expect(heard().score.notes[0]?.midi).toBe(55);
  });

  it("has the characteristic note swapped while it is heard, and only then", () => {
    expect(swapLive()).toBe(false);
    changeSettings({ loop: true, texture: "mode" });
    const playing = mainPlaying();
    const sixths = (round: number) =>
      playing.round(round)?.notes.filter(({ midi }) => midi % 12 === 11).length;
    expect(sixths(0)).toBe(2);
    $isSwapped.set(true);
    expect(sixths(1)).toBe(0);
  });

  it("has the note swapped of the view where it is played, whatever another view selects", () => {
    changeSettings({ loop: true });
    $front.set("derive");
    const heard = followedScore();
    const own = heard().swapping;
    $front.set("match");
    select(at("G", "lydian"));
    expect(heard().swapping).toEqual(own);
    $front.set("derive");
    expect(heard().swapping).not.toEqual(own);
  });

  it("climbs by so much every so many rounds, never past its end nor below where it began", () => {
    const climb = { isOn: true, by: 5, every: 2, to: 110 };
    expect([0, 1, 2, 3, 4, 9, 50].map((round) => tempoOf({ tempo: 96, climb }, round))).toEqual([
      96, 96, 101, 101, 106, 110, 110,
    ]);
    expect(tempoOf({ tempo: 120, climb }, 8)).toBe(120);
    expect(tempoOf({ tempo: 96, climb: { ...climb, isOn: false } }, 8)).toBe(96);
  });
});
