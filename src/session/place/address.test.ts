import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { printName } from "@/core/pitch";
import { CATALOGUE } from "@/core/scale";
import { type Address, readAddress, writeAddress } from "./address";

const FEATURES = [
  { id: "derive", parts: ["modes", "compare"] },
  { id: "match", parts: ["chart", "write"] },
] as const;
const read = (path: string) => readAddress(new URL(path, "http://127.0.0.1"), FEATURES);

describe("the address", () => {
  it("comes back as it was written", () => {
    const word = fc.constantFrom("notes", "lydian,ionian", "a b&c=d#e%", "♭");
    const anyAddress: fc.Arbitrary<Address> = fc
      .record({
        feature: fc.constantFrom(...FEATURES),
        home: fc.integer({ min: -15, max: 19 }),
        mode: fc.constantFrom(...CATALOGUE),
        hand: fc.option(
          fc.record({ fret: fc.integer({ min: 0, max: 30 }), nth: fc.integer({ min: 0, max: 3 }) }),
          {
            nil: undefined,
          },
        ),
        at: fc.integer({ min: 0, max: 1 }),
        query: fc.dictionary(fc.constantFrom("line", "with"), word),
      })
      .map(({ feature: { id, parts }, home, mode, hand, at, query }) => ({
        view: id,
        home,
        mode,
        hand,
        views: { [id]: { part: parts[at] ?? "", query: { ...query } } },
      }));
    fc.assert(
      fc.property(anyAddress, (address) => {
        const { address: back, notices } = read(writeAddress(address, FEATURES));
        expect(notices).toEqual([]);
        expect(back).toEqual(address);
      }),
    );
  });

  it("opens at D Dorian when it says nothing", () => {
    expect(read("/").address).toMatchObject({ view: "derive", home: 2, hand: undefined });
    expect(read("/nowhere?x=1").address).toMatchObject({ view: "derive", mode: { id: "dorian" } });
  });

  test.each([
    ["/derive?home=D&mode=doriann", "D dorian", ["mode-unknown"]],
    ["/derive?home=H&mode=lydian", "B lydian", ["home-unknown"]],
    ["/derive?home=&mode=", "D ionian", ["home-unknown", "mode-unknown"]],
    ["/match?home=F%23%23%23%23%23", "Bb dorian", ["home-unknown"]],
    ["/derive?home=eb&mode=natural%20minor&hand=x&show=nothing", "Eb aeolian", []],
  ])("%s gives %s", (path, expected, codes) => {
    const { address, notices } = read(path);
    expect(`${printName(address.home)} ${address.mode.id}`).toBe(expected);
    expect(notices.map(({ code }) => code)).toEqual(codes);
    expect([address.views[address.view]?.part, address.hand]).toEqual([
      address.view === "match" ? "chart" : "modes",
      undefined,
    ]);
  });
});
