import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { printName } from "@/core/pitch";
import { CATALOGUE, mode } from "@/core/scale";
import { type Address, MATCH_SHOWS, readAddress, SHOWS, START, VIEWS, writeAddress } from "./address";

const read = (path: string) => readAddress(new URL(path, "http://127.0.0.1"));

describe("the address", () => {
  it("comes back as it was written", () => {
    const anyAddress: fc.Arbitrary<Address> = fc.record({
      view: fc.constantFrom(...VIEWS),
      home: fc.integer({ min: -15, max: 19 }),
      mode: fc.constantFrom(...CATALOGUE),
      lineUp: fc.constantFrom("homes" as const, "notes" as const),
      show: fc.constantFrom(...SHOWS),
      matchShow: fc.constantFrom(...MATCH_SHOWS),
      beside: fc.constantFrom(undefined, [], [mode("set-2741"), mode("set-15")]),
      chords: fc.constantFrom(undefined, "| Em9 | A13 |", "C7(b9, #11) & %"),
    });
    fc.assert(
      fc.property(anyAddress, (address) => {
        const { address: back, notices } = read(writeAddress(address));
        expect(notices).toEqual([]);
        const isCompared = address.view === "derive" && address.show === "compare";
        expect(back).toEqual({
          ...address,
          show: address.view === "derive" ? address.show : "modes",
          matchShow: address.view === "match" ? address.matchShow : "chart",
          beside: isCompared ? address.beside?.filter((each) => each !== address.mode) : undefined,
          chords: address.view === "match" ? address.chords : undefined,
        });
      }),
    );
  });

  it("opens at D Dorian when it says nothing", () => {
    expect(read("/").address).toEqual({ ...START, chords: undefined });
    expect(read("/nowhere?x=1").address.view).toBe("derive");
  });

  test.each([
    ["/derive?home=D&mode=doriann", "D dorian", ["mode-unknown"]],
    ["/derive?home=H&mode=lydian", "B lydian", ["home-unknown"]],
    ["/derive?home=&mode=", "D ionian", ["home-unknown", "mode-unknown"]],
    ["/match?home=F%23%23%23%23%23", "Bb dorian", ["home-unknown"]],
    ["/derive?home=eb&mode=natural%20minor", "Eb aeolian", []],
  ])("%s gives %s", (path, expected, codes) => {
    const { address, notices } = read(path);
    expect(`${printName(address.home)} ${address.mode.id}`).toBe(expected);
    expect(notices.map(({ code }) => code)).toEqual(codes);
  });

  it("holds at most three modes beside the one in hand, and passes over what there is not", () => {
    const { address } = read(
      "/derive?mode=dorian&show=compare&with=dorian,nope,lydian,set-15,ionian,locrian",
    );
    expect(address.beside?.map(({ id }) => id)).toEqual(["lydian", "1-b2-2-b3", "ionian"]);
    expect(read("/derive?show=nothing").address.show).toBe("modes");
    expect(read("/derive?mode=set-4").address.mode.id).not.toBe("set-4");
  });

  it("cuts a progression too long for a link and says so", () => {
    const { address, notices } = read(`/match?chords=${"C".repeat(2000)}`);
    expect([address.chords?.length, notices[0]?.code]).toEqual([1500, "chords-cut"]);
    expect(writeAddress({ ...START, view: "match", chords: "C".repeat(2000) })).not.toContain("chords");
  });
});
