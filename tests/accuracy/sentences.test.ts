import { describe, expect, it } from "vitest";
import { identify, type Identification } from "../../src/core/identify";
import { degreeNumber, soundOf } from "../../src/core/pitch";
import { holds, thirdOf } from "../../src/core/scale";
import { allNotes, phraseEnds, type Tune } from "../../src/core/tune";
import { readNotes } from "../../src/formats";
import {
  headlineText,
  homeReason,
  keyPassagesReason,
  noteText,
  notesReason,
  numberText,
  orText,
  passagesReason,
  plainText,
  rivalReason,
  comparedReason,
} from "../../src/words";
import { makeTune } from "./model";
import { makePiece } from "./voices-model";

/** Tunes of every mode and kind, their beginnings, and pieces in four voices. */
const TUNES: readonly Tune[] = [
  ...Array.from({ length: 84 }, (_, at) => readNotes(makeTune(at * 5).notes).value),
  ...Array.from(
    { length: 30 },
    (_, at) =>
      readNotes(
        makeTune(at)
          .notes.split(" ")
          .slice(0, 3 + at)
          .join(" "),
      ).value,
  ),
  ...Array.from({ length: 20 }, (_, at) => makePiece(at).tune),
];

const heardNames = (tune: Tune, sound: number) =>
  allNotes(tune).some(({ pitch }) => soundOf(pitch.name) === sound);

/** The bars that the reasons are about. */
const about = (tune: Tune, { bars }: Identification): Tune =>
  bars
    ? {
        ...tune,
        notes: tune.notes.filter(({ bar }) => bar >= bars.from && bar <= bars.to),
        beneath: tune.beneath?.filter(({ bar }) => bar >= bars.from && bar <= bars.to),
      }
    : tune;

const NUMBERS = Array.from({ length: 20 }, (_, number) => numberText(number));
/** The number that a word or its digits say. */
const numberOf = (word: string | undefined) => {
  const at = NUMBERS.indexOf((word ?? "").toLowerCase());
  return at < 0 ? Number(word) : at;
};

const all = TUNES.flatMap((tune) => {
  const found = identify(tune);
  return found ? [{ tune, found, heard: about(tune, found) }] : [];
});
const placesOf = (tune: Tune) => (name: number) =>
  allNotes(tune).flatMap(({ pitch }, at) => (soundOf(pitch.name) === soundOf(name) ? [at] : []));

describe("every sentence about a tune agrees with its notes", () => {
  it("how many phrases end on home", () => {
    for (const { found, heard } of all) {
      const home = soundOf(found.homeMode.home);
      const ends = phraseEnds(heard);
      const count = ends.filter((at) => soundOf(heard.notes[at]!.pitch.name) === home).length;
      const said = plainText(homeReason(found));
      expect(said.startsWith(`Home is ${noteText(found.homeMode.home)}.`)).toBe(true);
      const some = /(\w+) of (\w+) phrases ends? on/u.exec(said);
      const every = /(?:all (\w+)|(both)) phrases end on/iu.exec(said);
      if (some) expect([numberOf(some[1]), numberOf(some[2])]).toEqual([count, ends.length]);
      if (every) expect([every[2] ? 2 : numberOf(every[1]), count]).toEqual([ends.length, ends.length]);
      if (/only phrase ends on/iu.test(said)) expect([ends.length, count]).toEqual([1, 1]);
      expect(said).not.toMatch(/all (?:one|two) |undefined|NaN/u);
    }
  });

  it("what is said to sound longest, to come first or to be lowest does", () => {
    for (const { found, heard } of all) {
      const said = plainText(homeReason(found));
      const home = soundOf(found.homeMode.home);
      const { sounding, melody } = found.hearing;
      if (/sounds longest/u.test(said) && !found.hearing.voices)
        expect(melody.sounding[home]).toBe(Math.max(...melody.sounding));
      else if (/sounds longest/u.test(said)) expect(sounding[home]).toBe(Math.max(...sounding));
      if (/is the lowest note/u.test(said)) {
        const low = Math.min(...heard.notes.map(({ pitch }) => 12 * pitch.octave + soundOf(pitch.name)));
        expect(low % 12).toBe(home);
      }
    }
  });

  it("what is never heard is not heard, and what is counted is", () => {
    for (const { found, heard } of all) {
      const { home, mode } = found.homeMode;
      const said = plainText(notesReason(found, placesOf(heard)));
      const unheard = mode.intervals.filter((interval) => !heardNames(heard, soundOf(home + interval)));
      expect(/never heard| here, not /u.test(said)).toBe(unheard.length > 0);
      for (const { note, role, to } of found.outside) {
        expect(holds(mode.sounds, soundOf(note) - soundOf(home))).toBe(false);
        expect(heardNames(heard, soundOf(note))).toBe(true);
        if (role === "leading" && to !== undefined) expect((soundOf(to) - soundOf(note) + 12) % 12).toBe(1);
        if (role === "raised-seventh") expect(thirdOf(mode)).toBe(-3);
      }
      expect(said).not.toMatch(/undefined|NaN/u);
    }
  });

  it("a third is named only where it is heard, and what is undecided never is", () => {
    for (const { found, heard } of all) {
      const { home, mode } = found.homeMode;
      const said = plainText(comparedReason(found, placesOf(heard)));
      const third = thirdOf(mode);
      if (/(?:major|minor) third/u.test(said)) expect(heardNames(heard, soundOf(home + third!))).toBe(true);
      for (const number of found.undecided?.degrees ?? []) {
        const interval = mode.intervals.find((each) => degreeNumber(each) === number);
        expect(heardNames(heard, soundOf(home + interval!))).toBe(false);
      }
      const forms = found.undecided?.modes.map(({ intervals }) => intervals.join()) ?? [];
      expect(new Set(forms).size).toBe(forms.length);
      expect(said).not.toMatch(/undefined|NaN|never heard/u);
    }
  });

  it("the headline says that the mode changes where it does, and a rival is no other name of the answer", () => {
    for (const { found } of all) {
      expect(/, then /u.test(headlineText(found))).toBe(found.changes);
      expect(passagesReason(found) === undefined).toBe(!found.changes);
      expect(keyPassagesReason(found) === undefined).toBe(found.keyPassages.length === 0);
      expect(found.changes).toBe(found.passages.length > 1 && !found.isByHand);
      if (!found.rival) continue;
      const { home, mode } = found.rival.homeMode;
      expect(home === found.homeMode.home && mode === found.homeMode.mode).toBe(false);
      expect(rivalReason(found)).not.toMatch(/undefined/u);
      expect(orText(found)).toBeDefined();
    }
  });

  it("is told with a weight of its own: a fragment is never told for sure", () => {
    for (const { tune, found } of all)
      if (allNotes(tune).length < 6) expect(found.whole[0]?.weight ?? 0).toBeLessThan(0.7);
  });
});
