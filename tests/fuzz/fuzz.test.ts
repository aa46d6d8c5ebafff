import { describe, expect, it, test } from "vitest";
import { fuzzer, kept } from "./fuzz";
import { ENDLESS_MIDI, type Hostile, HOSTILE } from "./hostile";
import { dropped, READERS } from "./readers";

const ROOT = process.cwd();

/** The first of the inputs that every run of the tests tries; `npm run fuzz` goes on from the time of day. */
const FIRST = 5_000_000;

/** So many of them: some twenty to each reader and endpoint. */
const COUNT = 1_200;

/** Milliseconds that a shape of some size takes, the least of a few tries: others may be at work on the machine. */
async function least({ kind, make }: Hostile, count: number, tries: number): Promise<number> {
  const bytes = make(count);
  let found = Infinity;
  for (let at = 0; at < tries; at += 1) {
    const began = performance.now();
    await READERS[kind](bytes);
    found = Math.min(found, performance.now() - began);
  }
  return found;
}

describe("time grows with size and no faster, whatever it is made of", () => {
  const COUNT = 20_000;
  /** What is done within this time needs no measure. */
  const AT_ONCE = 60;
  test.each(HOSTILE.map((shape) => [`${shape.kind}: ${shape.name}`, shape] as const))(
    "%s",
    async (_, shape) => {
      await READERS[shape.kind](shape.make(400));
      let ratio = Infinity;
      for (let tries = 1; tries <= 4 && ratio > 3; tries += 1) {
        const double = await least(shape, 2 * COUNT, tries);
        ratio = double < AT_ONCE ? 1 : double / (await least(shape, COUNT, tries));
      }
      expect(ratio).toBeLessThanOrEqual(3);
    },
  );
});

describe("damaged files", () => {
  it("ends the 38 bytes that hung everything", async () => {
    expect(ENDLESS_MIDI).toHaveLength(38);
    expect((await READERS.midi(ENDLESS_MIDI)).problems).toBeGreaterThan(0);
    await dropped(ENDLESS_MIDI);
  });

  it("makes the same input from the same number", async () => {
    const [one, other] = [await fuzzer(ROOT), await fuzzer(ROOT)];
    for (const number of [1, 2, 99]) expect(one.make(number)).toEqual(other.make(number));
    expect(new Set(Array.from({ length: 400 }, (_, at) => one.make(at).to)).size).toBeGreaterThan(20);
  });

  it("answers what once failed", async () => {
    const { tried } = await fuzzer(ROOT);
    for (const input of kept(ROOT)) expect(await tried(input), `${input.to} ${input.number}`).toBeUndefined();
  });

  it("answers all readers and endpoints, the same inputs at every run", async () => {
    const { make, tried } = await fuzzer(ROOT);
    for (let number = FIRST; number < FIRST + COUNT; number += 1) {
      const input = make(number);
      let failure = await tried(input);
      // On a busy machine an input may be late; one that takes long by itself is late again and again.
      for (let again = 0; failure && again < 4; again += 1) failure = await tried(input);
      expect(failure && [number, failure.to, failure.why]).toBeUndefined();
    }
  });
});
