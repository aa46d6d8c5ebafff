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
    expect(toEngrave(text)).toBe(wanted);
    expect(wanted).toHaveLength(text.length);
  });
});
