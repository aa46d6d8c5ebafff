import { describe, expect, it, test } from "vitest";
import { identify } from "../../src/core/identify";
import { soundOf } from "../../src/core/pitch";
import { holds, mode as modeById } from "../../src/core/scale";
import { allNotes } from "../../src/core/tune";
import { readNotes } from "../../src/formats";
import { BASELINES } from "./baselines";
import { TAUGHT_CHARTS, UNSEEN_CHARTS } from "./charts";
import { WRITTEN_KEY_CHARTS } from "./key-charts";
import { chartScore } from "./measure-charts";
import { keyScore, madeFrom, OTHER_SEEDS, stayingScore } from "./measure-keys";
import { plainHomes } from "./plain-keys";
import { contradicted, falseChanges, foundChanges, stoppedScore } from "./measure-passages";
import { calibration } from "./calibration";
import { composedTunes, scoreOf } from "./measure";
import { makeTune, MODE_NAMES, seeded } from "./model";
import { makePiece } from "./voices-model";

const SEEDS = Array.from({ length: 7 * 12 * 5 }, (_, seed) => seed);
const read = (notes: string) => readNotes(notes).value;

describe("the model that tunes are made by", () => {
  it("makes the same tune from the same seed", () => {
    expect(makeTune(17)).toEqual(makeTune(17));
    expect(makeTune(17)).not.toEqual(makeTune(18));
    const [one, other] = [seeded(5), seeded(5)];
    expect([one(), one(), one()]).toEqual([other(), other(), other()]);
  });

  it("makes tunes in all modes, on all homes, of all kinds, that can be read without a problem", () => {
    const made = SEEDS.map(makeTune);
    expect(new Set(made.map(({ mode }) => mode)).size).toBe(7);
    expect(new Set(made.map(({ home }) => soundOf(home))).size).toBe(12);
    expect(new Set(made.map(({ kind }) => kind)).size).toBe(4);
    for (const { notes } of made.slice(0, 60)) expect(readNotes(notes).problems).toEqual([]);
  });

  it("keeps to its mode, but for passing notes, and never sounds a degree that is to be missing", () => {
    for (const { notes, home, mode, kind } of SEEDS.map(makeTune)) {
      if (kind === "changes mode") continue;
      const heard = new Set(read(notes).notes.map(({ pitch }) => soundOf(pitch.name - home)));
      const outside = [...heard].filter((step) => !holds(modeById(mode).sounds, step));
      if (kind !== "passing chromatic notes") expect(outside).toEqual([]);
      if (kind === "one degree missing") expect(heard.size).toBeLessThan(7);
    }
  });
});

describe("measuring", () => {
  const label = { home: 2, mode: "dorian" } as const;
  const tune = read("D4:4 ||");
  test.each([
    [label, [1, 1, 1]],
    [{ home: 0, mode: "ionian" }, [0, 1, 0]],
    [{ home: 2, mode: "aeolian" }, [1, 0, 0]],
    [undefined, [0, 0, 0]],
  ] as const)("%j for D Dorian", (found, [home, parent, mode]) =>
    expect(scoreOf([{ tune, label }], () => found)).toEqual({ tunes: 1, home, parent, mode }),
  );

  it("tells of each ten of weights how many were right", () => {
    const told = [0.95, 0.99, 1].map((weight) => ({ weight, isRight: true }));
    expect(calibration([...told, { weight: 0.42, isRight: false }])).toEqual([
      { from: 0.4, tunes: 1, mean: 0.42, right: 0 },
      { from: 0.9, tunes: 3, mean: (0.95 + 0.99 + 1) / 3, right: 1 },
    ]);
  });

  it("takes labels from key fields and hides them", async () => {
    const [own, ...rest] = await composedTunes(
      "X:1\nK:C#Phr\nC4|\n\nX:2\nK:none\nC4|\n\nX:3\nK:D\nD4|\n[K:G]G4|\n",
    );
    expect([own?.label, own?.tune.keys, rest]).toEqual([{ home: 7, mode: "phrygian" }, [], []]);
  });
});

describe("against published methods, on tunes of every mode", () => {
  const all = SEEDS.filter((seed) => seed % 2 === 0)
    .map(makeTune)
    .filter(({ kind }) => kind !== "changes mode")
    .map((made) => ({ tune: read(made.notes), label: made }));
  const own = scoreOf(all, (each) => {
    const [first] = identify(each.tune, { expects: "modal" })?.whole ?? [];
    const name = MODE_NAMES.find((mode) => mode === first?.homeMode.mode.id);
    return first && name && { home: first.homeMode.home, mode: name };
  });

  it("home and mode are found at least as often as when these figures were taken", () => {
    expect(own.home).toBeGreaterThan(0.85);
    expect(own.mode).toBeGreaterThan(0.79);
  });

  it("oftener than by either, and than by the last note and its set", () => {
    const [one, other, last] = BASELINES.map(({ find }) => scoreOf(all, ({ tune }) => find(tune)));
    for (const theirs of [one!, other!]) {
      expect(own.home - theirs.home).toBeGreaterThan(0.12);
      expect(own.mode - theirs.mode).toBeGreaterThan(0.1);
    }
    expect(own.home).toBeGreaterThan(last!.home);
    expect(own.mode).toBeGreaterThan(last!.mode);
  });

  it("passages: few where a tune stays, most where it changes, with both modes and the bar", () => {
    const made = SEEDS.map(makeTune).map((each) => ({
      each,
      found: identify(read(each.notes))?.passages ?? [],
    }));
    const changing = made.filter(({ each }) => each.then !== undefined);
    const share = (some: readonly unknown[], of: readonly unknown[]) => some.length / of.length;
    const isRight = ({ each, found: [first, second, more] }: (typeof made)[number]) =>
      !more &&
      first?.homeMode.mode.id === each.mode &&
      second?.homeMode.mode.id === each.then?.mode &&
      second?.fromBar === each.then?.fromBar;
    expect(
      share(
        changing.filter(({ found }) => found.length > 1),
        changing,
      ),
    ).toBeGreaterThan(0.82);
    expect(share(changing.filter(isRight), changing)).toBeGreaterThan(0.77);
    const staying = made.filter(({ each }) => each.then === undefined);
    expect(
      share(
        staying.filter(({ found }) => found.length > 1),
        staying,
      ),
    ).toBeLessThan(0.04);
  });
});

describe("tunes that lean elsewhere, change, stop and go round", () => {
  const seeds = Array.from({ length: 160 }, (_, seed) => seed);

  it("are told to change hardly ever where they stay, and mostly where they do", () => {
    expect(falseChanges(seeds).all).toBeLessThan(0.06);
    const { tunes, sameHome, elsewhere } = foundChanges(seeds);
    expect(tunes).toBeGreaterThan(90);
    expect(sameHome).toBeGreaterThan(0.88);
    expect(elsewhere).toBeGreaterThan(0.6);
  });

  it("have home found without their last note, and as well as ever where they go round", () => {
    const { whole, cut, round } = stoppedScore(seeds);
    expect(cut).toBeGreaterThan(0.7);
    expect(round).toBeGreaterThanOrEqual(whole - 0.02);
  });

  it("are told nothing that their notes contradict", () =>
    expect(contradicted(seeds).contradicted).toEqual([]));
});

describe("pieces in four voices made by rule", () => {
  const pieces = Array.from({ length: 100 }, (_, at) => makePiece(5000 + at));
  const found = pieces.map(({ tune }) => identify(tune));
  const labelled = pieces.map(({ tune, home, mode }) => ({ tune, label: { home, mode } }));
  const own = scoreOf(labelled, ({ tune }) => {
    const [first] = found[pieces.findIndex((piece) => piece.tune === tune)]?.whole ?? [];
    const name = MODE_NAMES.find((mode) => mode === first?.homeMode.mode.id);
    return first && name && { home: first.homeMode.home, mode: name };
  });

  it("the same piece from the same seed, in four voices that sound to the end", () => {
    expect(makePiece(3)).toEqual(makePiece(3));
    for (const { tune } of pieces.slice(0, 20)) {
      expect(new Set(allNotes(tune).map(({ voice = 0 }) => voice)).size).toBe(4);
      expect(tune.bars.at(-1)!.start).toBeGreaterThan(30);
    }
  });

  it("home and mode are found oftener than by the last bass and its set", () => {
    const last = scoreOf(labelled, ({ tune }) => BASELINES[2]!.find(tune));
    expect(own.home).toBeGreaterThan(last.home + 0.03);
    expect(own.mode).toBeGreaterThan(last.mode + 0.03);
    const endsHome = pieces.flatMap((piece, at) => (piece.ending === "home" ? [found[at]!] : []));
    const saysSo = endsHome.filter((each) => each.evidence.some(({ code }) => code === "last-bass"));
    expect(saysSo.length).toBeGreaterThanOrEqual(0.95 * endsHome.length);
  });

  it("hardly any is told to change", () => {
    expect(found.filter((each) => each?.changes).length).toBeLessThan(5);
  });
});

describe("charts that teachers agree on", () => {
  it("have the home of their teacher at least as often as when these figures were taken", () => {
    const all = [...TAUGHT_CHARTS, ...UNSEEN_CHARTS];
    expect(all.length).toBeGreaterThan(120);
    expect(new Set(all.map(({ chords }) => chords)).size).toBe(all.length);
    const { home, mode, bars } = chartScore(all);
    expect(home).toBeGreaterThanOrEqual(0.97);
    expect(mode).toBeGreaterThanOrEqual(0.97);
    expect(bars).toBeGreaterThanOrEqual(0.96);
  });
});

describe("charts that change key", () => {
  it("have their keys found, those that come back too, and better than by the plain model", () => {
    const written = keyScore(WRITTEN_KEY_CHARTS, [1, 4]);
    expect(written.chords).toBeGreaterThanOrEqual(0.94);
    expect(written.away).toBeGreaterThanOrEqual(0.95);
    const made = madeFrom(OTHER_SEEDS.slice(0, 1));
    const [own, plain] = [keyScore(made, [1]), keyScore(made, [1], plainHomes)];
    expect(own.chords).toBeGreaterThanOrEqual(0.97);
    expect(own.away).toBeGreaterThanOrEqual(0.95);
    expect(own.whole).toBeGreaterThan(plain.whole);
  });

  it("are few where they stay", () => {
    const { one, right, of } = stayingScore();
    expect(one / of).toBeGreaterThanOrEqual(0.94);
    expect(right / of).toBeGreaterThanOrEqual(0.93);
  });
});
