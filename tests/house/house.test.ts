import { fileURLToPath } from "node:url";
import { describe, expect, it } from "vitest";
import { circles, houseText, importsOf, roomOf, upwardArrows } from "./house";

const house = importsOf(fileURLToPath(new URL("../..", import.meta.url)), "src");

describe("the house", () => {
  it("has no circle of imports, of types either", () => {
    expect(circles(house)).toEqual([]);
  });

  it("has no arrow upward, and no feature that knows another", () => {
    expect(upwardArrows(house)).toEqual([]);
  });

  it("has a room for every file", () => {
    const outside = [...house.keys()].filter((file) => roomOf(file) < 0);
    expect(outside).toEqual(["src/env.d.ts"]);
  });

  it("is printed", () => {
    const text = houseText(house);
    console.log(text);
    expect(text).toContain("core/pitch (");
  });
});

describe("a circle and an arrow upward", () => {
  it("would be found, through other files and in one that imports itself", () => {
    const imports = new Map([
      ["a", ["b"]],
      ["b", ["c", "d"]],
      ["c", ["a"]],
      ["d", []],
      ["e", ["e"]],
    ]);
    expect(circles(imports)).toEqual([["a", "b", "c"], ["e"]]);
    expect(
      upwardArrows(
        new Map([
          ["src/core/pitch/pitch.ts", ["src/core/scale/mode.ts"]],
          ["src/features/ear/index.ts", ["src/features/log/log.ts", "src/core/pitch/pitch.ts"]],
        ]),
      ),
    ).toEqual([
      "src/core/pitch/pitch.ts → src/core/scale/mode.ts",
      "src/features/ear/index.ts → src/features/log/log.ts",
    ]);
  });
});
