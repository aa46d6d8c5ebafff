import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { type Chord, chordNotes, diatonicChords, readSymbol } from "../chord";
import { fifthsOf, soundOf } from "../pitch";
import { CATALOGUE, mode } from "../scale";
import { betweenFrets, COMFORTABLE_STRETCH, GUITAR, heardOf, soundAt, tuningOf, voicings } from ".";

const chord = (symbol: string): Chord => {
  const reading = readSymbol(symbol);
  if (!("chord" in reading)) throw new Error(`${symbol} is unread`);
  return reading.chord;
};
const written = (frets: readonly (number | null)[]) => frets.map((fret) => fret ?? "x").join(" ");
const first = (symbol: string, tuning = GUITAR, many = 1) =>
  voicings(tuning, { chord: chord(symbol) })
    .slice(0, many)
    .map(({ frets }) => written(frets));

describe("voicings", () => {
  test.each([
    ["C", "x 3 2 0 1 0"],
    ["D", "x x 0 2 3 2"],
    ["G", "3 2 0 0 0 3"],
    ["Am", "x 0 2 2 1 0"],
    ["E7", "0 2 0 1 0 0"],
    ["Em9", "0 2 0 0 0 2"],
    ["Gmaj7", "3 2 0 0 0 2"],
  ])("%s is easiest as every player takes it", (symbol, frets) => expect(first(symbol)).toEqual([frets]));

  /** The grips that a teacher would show, each among the first three. */
  test.each(
    [
      "Bm x24432|B x24442|F#m 244222|Bb x13331|Cm x35543|Gm 355333|F 133211|Ab 466544|Eb x68886|C# x46664",
      "B7 x21202|C7 x32310|G7 320001|F7 131211|F#7 242322|Bm7 x24232|Cm7 x35343|Gm7 353333|Bbm7 x13121",
      "Cmaj7 x32000|Fmaj7 xx3210|Ebmaj7 x68786|Bm7b5 x2323x|F#m7b5 2x221x|Cdim7 x3424x|Am(maj7) x02110",
      "C9 x32333|G9 353435|D9 x54555|Am9 x02413|Em9 020002|Dm9 x5355x|Cmaj9 x3243x|C6 x32210|C6/9 x32233",
      "G13 3x345x|C13 x32335|A13 5x567x|E7#9 x7678x|C7b9 x3232x|G7#5 3x344x|A7sus4 x02030|Dsus4 xx0233",
      "Asus2 x02200|Cadd9 x32030|E5 022xxx|Caug x3211x|Bdim x2343x|Gmaj7#11 3x442x|C/E 032010|G/B x20003",
    ].flatMap((line) => line.split("|").map((entry) => entry.split(" ") as [string, string])),
  )("%s is taken as %s among the first three", (symbol, frets) => {
    const three = voicings(GUITAR, { chord: chord(symbol) })
      .slice(0, 3)
      .map((each) => each.frets.map((fret) => fret ?? "x").join(""));
    expect(three).toContain(frets);
  });

  it("never have a ninth below the third, nor open strings far up, among the first", () => {
    for (const symbol of ["C9", "F#m9", "Bbmaj9", "E9", "Abm9", "D#m9"])
      for (const { sounds } of voicings(GUITAR, { chord: chord(symbol) }).slice(0, 4)) {
        const { root, tones } = chord(symbol);
        const lowest = (tone: number) =>
          Math.min(...sounds.filter((sound) => sound % 12 === soundOf(root + tone)));
        expect(lowest(2)).toBeGreaterThan(lowest(tones.includes(4) ? 4 : -3));
      }
  });

  test.each([
    ["shell", "G7", "3 x 3 4 x x"],
    ["drop-2", "Dmaj7", "x x 0 2 2 2"],
    ["drop-3", "G13", "3 x 3 4 5 x"],
    ["drop-3", "G7", "3 x 3 4 3 x"],
    ["barre", "F#m", "2 4 4 2 2 2"],
    ["open", "Am", "x 0 2 2 1 0"],
  ] as const)("can be asked for as %s: %s has %s", (kind, symbol, frets) => {
    const all = voicings(GUITAR, { chord: chord(symbol), kind });
    expect(all.every((voicing) => voicing.kind === kind)).toBe(true);
    expect(all.slice(0, 3).map((each) => written(each.frets))).toContain(frets);
  });

  test.each([
    ["Cmaj9", "x 3 2 4 3 x"],
    ["E7#9", "x 7 6 7 8 x"],
    ["C9", "x 3 2 3 3 x"],
  ])("are no drop voicings with a ninth beside the root: %s has %s", (symbol, frets) => {
    const found = voicings(GUITAR, { chord: chord(symbol) }).find((each) => written(each.frets) === frets);
    expect(found).toBeDefined();
    expect(found?.kind).toBeUndefined();
  });

  it("of an altered chord take any of its forms, each with third, seventh and an alteration", () => {
    const all = voicings(GUITAR, { chord: chord("G7alt") });
    const forms = new Set(
      all.map(({ sounds }) =>
        [...new Set(sounds.map((sound) => (sound + 5) % 12))].sort((a, b) => a - b).join(" "),
      ),
    );
    for (const form of ["0 3 4 8 10", "0 1 4 8 10", "0 4 6 10", "0 3 4 10"]) expect(forms).toContain(form);
    for (const { sounds } of all) {
      const above = sounds.map((sound) => (sound + 5) % 12);
      expect([
        above.includes(4),
        above.includes(10),
        above.some((tone) => [1, 3, 6, 8].includes(tone)),
      ]).toEqual([true, true, true]);
    }
  });

  it("find the barred shapes too, with their fingers", () => {
    const f = voicings(GUITAR, { chord: chord("F") }).find(({ frets }) => written(frets) === "1 3 3 2 1 1");
    expect(f?.fingers).toEqual([1, 3, 4, 2, 1, 1]);
    expect(first("F#m", GUITAR, 6)).toContain("2 4 4 2 2 2");
    expect(voicings(GUITAR, { chord: chord("Em9") }).map(({ frets }) => written(frets))).toContain(
      "x 7 5 7 7 7",
    );
  });

  test.each([
    ["ukulele", "C", "0 0 0 3"],
    ["ukulele", "G7", "0 2 1 2"],
    ["mandolin", "G", "0 0 2 3"],
    ["bass", "C", "x 3 2 0"],
  ])("on the %s %s is %s among the first", (id, symbol, frets) =>
    expect(first(symbol, tuningOf(id), 2)).toContain(frets),
  );

  it("are heard with the second strings of the pairs", () => {
    const [easiest] = voicings(tuningOf("guitar-12"), { chord: chord("E7") });
    expect(heardOf(tuningOf("guitar-12"), easiest!)).toEqual([40, 52, 47, 59, 50, 62, 56, 68, 59, 64]);
    expect(heardOf(GUITAR, easiest!)).toEqual(easiest!.sounds);
  });

  it("after one that is held, those that lie near come first", () => {
    const near = voicings(GUITAR, { chord: chord("A13"), near: [null, 12, 11, 12, 12, null] })[0];
    expect(near?.frets.every((fret) => fret === null || (fret >= 9 && fret <= 15))).toBe(true);
    expect(first("A13")[0]).not.toBe(written(near?.frets ?? []));
  });

  it("keep to the frets, the capo and the bass that are asked for", () => {
    const high = voicings(GUITAR, { chord: chord("C"), fromFret: 7, toFret: 12 });
    expect(
      high.every(({ frets }) =>
        frets.every((fret) => fret === null || fret === 0 || (fret >= 7 && fret <= 12)),
      ),
    ).toBe(true);
    const capo = voicings({ ...GUITAR, capo: 3 }, { chord: chord("Eb") })[0];
    expect(written(capo?.frets ?? [])).toBe("x 6 5 3 4 3");
    for (const { sounds } of voicings(GUITAR, { chord: chord("C/E") }))
      expect(Math.min(...sounds) % 12).toBe(4);
  });

  it("say when there is none: a chord of more needed tones than strings", () => {
    expect(voicings(tuningOf("ukulele"), { chord: chord("C7b9#11b13") })).toEqual([]);
  });

  it("can be ended on the way, with what was found", () => {
    const shares: number[] = [];
    const some = voicings(GUITAR, { chord: chord("C") }, (share) => {
      shares.push(share);
      return shares.length < 4;
    });
    expect(shares).toHaveLength(4);
    expect(shares.every((share, at) => share > (shares[at - 1] ?? 0) && share <= 1)).toBe(true);
    expect(some.length).toBeGreaterThan(0);
    expect(some.length).toBeLessThan(voicings(GUITAR, { chord: chord("C") }).length);
  });

  it("hold the chord and nothing else, within four fingers and the limit, in any mode", () => {
    fc.assert(
      fc.property(
        fc.constantFrom("guitar", "guitar/dadgad", "ukulele", "tenor-banjo", "bass-5"),
        fc.constantFrom(...CATALOGUE.filter(({ intervals }) => intervals.length === 7)),
        fc.integer({ min: -5, max: 6 }),
        fc.nat(6),
        (id, each, home, degree) => {
          const tuning = tuningOf(id);
          const asked = diatonicChords({ home, mode: each })[degree]!.chords.seventh!;
          const tones = new Set(chordNotes(asked).map(soundOf));
          for (const { frets, fingers, sounds, stretchMm, omitted } of voicings(tuning, {
            chord: asked,
          }).slice(0, 12)) {
            const strings = frets.flatMap((fret, at) =>
              fret === null ? [] : [{ string: frets.length - at, fret, finger: fingers[at] ?? 0 }],
            );
            expect(sounds).toEqual(strings.map((place) => soundAt(tuning, place)));
            const heard = new Set(sounds.map((sound) => sound % 12));
            expect([...heard].every((sound) => tones.has(sound))).toBe(true);
            expect(heard.size + omitted.length).toBe(tones.size);
            const pressed = strings.filter(({ fret }) => fret > 0);
            const each = pressed.map(({ fret }) => fret);
            if (each.length > 0)
              expect(stretchMm).toBeCloseTo(betweenFrets(tuning, Math.min(...each), Math.max(...each)));
            expect(stretchMm).toBeLessThanOrEqual(COMFORTABLE_STRETCH);
            expect(pressed.every(({ finger }) => finger >= 1 && finger <= 4)).toBe(true);
            // One finger presses one fret.
            const fretOf = new Map(pressed.map(({ finger, fret }) => [finger, fret]));
            expect(pressed.every(({ finger, fret }) => fretOf.get(finger) === fret)).toBe(true);
          }
        },
      ),
      { numRuns: 25 },
    );
  });

  it("spell the bass of the fifth's chord in odd keys by sound", () => {
    expect(first("C#")[0]).toBe(first("Db")[0]);
    expect(mode("lydian").intervals).toContain(fifthsOf("F#"));
  });

  it.each([
    ["guitar", "Em9"],
    ["guitar-8", "E♭13"],
    ["bass", "A♭m7"],
    ["ukulele", "G♭maj7"],
  ])("asked for the easiest alone are the first of all: %s, %s", (id, symbol) => {
    const all = voicings(tuningOf(id), { chord: chord(symbol) });
    for (const most of [1, 7, 400])
      expect(voicings(tuningOf(id), { chord: chord(symbol), most })).toEqual(all.slice(0, most));
  });
});
