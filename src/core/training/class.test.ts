import { describe, expect, it } from "vitest";
import type { Attempt } from "./attempt";
import { classTable } from ".";

const answer = (right: string, given: string): Attempt => ({
  card: { question: "mode", mode: right, texture: "drone" },
  right,
  given,
  isRight: right === given,
  at: 0,
  took: 1000,
  heard: 1,
});
const answers = (text: string): readonly Attempt[] =>
  text.split(" ").map((pair) => {
    const [right = "", given = right] = pair.split(">");
    return answer(right, given);
  });

describe("a class", () => {
  const table = classTable([
    { name: "Ada", attempts: answers("dorian dorian>aeolian lydian phrygian-dominant") },
    { name: "Ben", attempts: answers("dorian>aeolian dorian>aeolian aeolian") },
    { name: "Cleo", attempts: [] },
  ]);

  it("is a table of pupils by modes, the seven first, bright to dark", () => {
    expect(table.modes).toEqual(["lydian", "dorian", "aeolian", "phrygian-dominant"]);
    const told = table.rows.map(
      ({ name, byMode, all }) =>
        `${name}: ${[...byMode, all].map(({ right, of }) => `${right}/${of}`).join(" ")}`,
    );
    expect(told).toEqual([
      "Ada: 1/1 1/2 0/0 1/1 3/4",
      "Ben: 0/0 0/2 1/1 0/0 1/3",
      "Cleo: 0/0 0/0 0/0 0/0 0/0",
    ]);
    expect(table.together.all).toEqual({ right: 4, of: 7 });
  });

  it("mixes up what its pupils do, told with how many of them", () => {
    expect(table.mixedUp).toMatchObject([{ right: "dorian", given: "aeolian", times: 3, of: 4, pupils: 2 }]);
  });

  it("may have nobody in it", () => {
    expect(classTable([])).toMatchObject({ modes: [], rows: [], mixedUp: [] });
  });
});
