import { describe, expect, it } from "vitest";
import { toEngrave } from "./to-engrave";

describe("ABC for the engraver", () => {
  it.each([
    ['"Bbbmaj7"C2', '"B♭♭maj7"C2'],
    ['"F##m/C##"C', '"F♯♯m/C♯♯"C'],
    ['"Abb/Ebb"C', '"A♭♭/E♭♭"C'],
    // One accidental is the engraver's; notes and annotations stay.
    ['"Bb7"_B__B', '"Bb7"_B__B'],
    ['"^Bbb"C', '"^Bbb"C'],
    ["T:Gate\nK:D", "%     \nK:D"],
    ["Q:1/4=90\nT:\nK:D", "%       \n% \nK:D"],
  ])("%j is %j, with nothing moved", (text, wanted) => {
    expect(toEngrave(text, "english")).toBe(wanted);
    expect(wanted).toHaveLength(text.length);
  });

  it.each([
    ['"B7"B', '"H7"B'],
    ['"Bb7"_B', '"B7 "_B'],
    ['"Bm/F#"B', '"Hm/F#"B'],
    ['"Gb/Bb"G', '"Gb/B "G'],
    ['"G/B"G', '"G/H"G'],
    ['"B#dim7"^B', '"H♯dim7"^B'],
    ['"Bbbmaj7"C', '"H♭♭maj7"C'],
    ['"Bbm7b5"C', '"Bm7b5 "C'],
    ['"C#"C', '"C#"C'],
    ['"^B"B', '"^B"B'],
  ])("%j is %j where notes are named the German way", (text, wanted) => {
    expect(toEngrave(text, "german")).toBe(wanted);
    expect(wanted).toHaveLength(text.length);
  });
});
