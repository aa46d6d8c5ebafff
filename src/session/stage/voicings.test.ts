import "fake-indexeddb/auto";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { voicings as allVoicings } from "@/core/instrument";
import { fifthsOf } from "@/core/pitch";
import { mode } from "@/core/scale";
import type { FingeringAsked } from "@/workers/messages";
import {
  $selection,
  $voicing,
  $voicingKind,
  $voicings,
  cancelVoicings,
  changeSettings,
  inflectVoicing,
  mainScore,
  plainSelection,
  stepVoicing,
  takeVoicing,
} from "..";
import { patiently } from "../../../tests/fixtures/patiently";

/** Searches that were asked for; each is answered when the test lets it. */
const searches: { readonly asked: FingeringAsked; readonly answer: () => Promise<void> }[] = [];
vi.mock("@/workers", async (original) => ({
  ...(await original<typeof import("@/workers")>()),
  findVoicings: (asked: FingeringAsked) =>
    new Promise((resolve) => {
      const answer = async () => {
        resolve({ answer: allVoicings(asked.tuning, asked) });
        await Promise.resolve();
        await Promise.resolve();
      };
      searches.push({ asked, answer });
    }),
}));

const select = (home: string, id: string) =>
  $selection.set(plainSelection({ home: fifthsOf(home), mode: mode(id) }));
/** Lets every search be answered until something is so. */
const until = (isSo: () => void) =>
  patiently(async () => {
    while (searches.length > 0) await searches.shift()?.answer();
    isSo();
  });
const answered = () => until(() => expect($voicings.get()?.found.length).toBeGreaterThan(0));

beforeEach(() => {
  searches.length = 0;
  $voicingKind.set(undefined);
  changeSettings({ division: "voicing" });
  select("E", "dorian");
});

describe("the voicings of the selected chord", () => {
  it("are looked for while they are shown, the easiest first, and stepped to the ends", async () => {
    const stop = $voicings.listen(() => undefined);
    await answered();
    const { found = [], at } = $voicings.get() ?? {};
    expect(found.length).toBeGreaterThan(5);
    expect(at).toBe(0);
    stepVoicing(1);
    expect($voicing.get()).toBe(found[1]);
    stepVoicing(-1);
    stepVoicing(-1);
    expect($voicing.get()).toBe(found[0]);
    changeSettings({ division: "position" });
    expect($voicings.get()).toBeUndefined();
    stop();
  });

  it("are played as they are shown", async () => {
    const stop = $voicings.listen(() => undefined);
    await answered();
    const sounds = $voicing.get()?.sounds ?? [];
    expect(mainScore().notes.map(({ midi }) => midi)).toEqual([...sounds]);
    stop();
  });

  it("stay with their chord until those of the next are found", async () => {
    const stop = $voicings.listen(() => undefined);
    await answered();
    const before = $voicings.get();
    select("A", "mixolydian");
    expect($voicings.get()?.chord).toBe(before?.chord);
    await until(() => expect($voicings.get()?.chord).not.toBe(before?.chord));
    stop();
  });

  it("begin with the one that was taken from the Shelf, whatever was stepped to before", async () => {
    const stop = $voicings.listen(() => undefined);
    await answered();
    const third = $voicings.get()?.found[2];
    stepVoicing(1);
    takeVoicing("Em7", third?.frets ?? []);
    await until(() => expect($voicing.get()).toBe(third));
    stop();
  });

  it("have one note of the mode put in and taken out again", async () => {
    const stop = $voicings.listen(() => undefined);
    await answered();
    const [first] = $voicings.get()?.inflections ?? [];
    expect(first).toBeDefined();
    const plain = $voicing.get();
    inflectVoicing(first);
    expect($voicing.get()).not.toEqual(plain);
    inflectVoicing(undefined);
    expect($voicing.get()).toBe(plain);
    stop();
  });

  it("are none when the search is called off", () => {
    const stop = $voicings.listen(() => undefined);
    cancelVoicings();
    expect($voicings.get()).toMatchObject({ found: [], taken: undefined });
    stop();
  });
});
