import { describe, expect, it } from "vitest";
import { fifthsOf, printName, soundOf } from "../pitch";
import { mode } from "../scale";
import { modesOverBass, rightPlaceNear, shapesOver } from ".";

const MAJ9 = [0, 4, 1, 5, 2];

describe("a wrong place over a bass", () => {
  it("has the right one nearest to it offered", () => {
    const places = shapesOver(fifthsOf("A"), MAJ9, mode("dorian"));
    const right = places.flatMap(({ root, outside }) => (outside.length === 0 ? [printName(root)] : []));
    expect(right).toEqual(["C", "G"]);
    const near = (root: string) => {
      const found = rightPlaceNear(
        places,
        places.findIndex((place) => soundOf(place.root) === soundOf(fifthsOf(root))),
      );
      return found && printName(found.root);
    };
    expect([near("Bb"), near("C"), near("F"), near("F#"), near("Db")]).toEqual([
      "C",
      undefined,
      "G",
      "G",
      "C",
    ]);
    expect(rightPlaceNear(shapesOver(fifthsOf("A"), [0, -5, 2, -3, 4], mode("dorian")), 0)).toBeUndefined();
  });
});

describe("seven modes over a bass", () => {
  it("go from light to dark, each with the place that has its characteristic note", () => {
    const bassModes = modesOverBass(fifthsOf("A"), MAJ9);
    expect(bassModes.map(({ homeMode }) => homeMode.mode.id).join(" ")).toBe(
      "lydian ionian mixolydian dorian aeolian phrygian locrian",
    );
    expect(bassModes.map(({ place }) => place && printName(place.root)).join(" ")).toBe("E A G C F Bb Eb");
    for (const { homeMode, place } of modesOverBass(fifthsOf("Gb"), MAJ9)) {
      expect(place?.outside).toEqual([]);
      expect(
        place?.degrees.every((degree) =>
          homeMode.mode.intervals.some((each) => soundOf(each) === soundOf(degree)),
        ),
      ).toBe(true);
    }
  });

  it("have a gap where the shape is nowhere of a mode", () => {
    expect(modesOverBass(0, [0, 4, 8]).every(({ place }) => place === undefined)).toBe(true);
  });
});
