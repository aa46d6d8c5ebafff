import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { fifthsOf, halfSteps, maybePitch, modulo, printDegree } from "../pitch";
import { evenTune } from "../tune";
import { CATALOGUE, maybeMode, mode, notesOf, SEVEN, soundsOn } from "../scale";
import { holds } from "../scale";
import {
  type Attempt,
  type Card,
  cardId,
  cardsOf,
  confusions,
  differsBy,
  dueCards,
  type Exam,
  examTune,
  listeningOrder,
  tellsApart,
  tuneIn,
  EAR_QUESTIONS,
  forecast,
  grade,
  gradePlayed,
  habits,
  isPlayed,
  HEAD_QUESTIONS,
  LEVELS,
  phraseIn,
  PHRASE_BEATS,
  QUESTIONS,
  questionOf,
  planOfDay,
  questionsIn,
  scheduled,
  seeded,
  setExam,
  shareBetween,
  TEXTURES,
  trend,
  typicalTime,
} from ".";

const DAY = 86_400_000;
const seven = SEVEN.map(({ id }) => id);
const exam = (part: Partial<Exam> = {}): Exam => ({
  questions: ["mode"],
  modes: seven,
  textures: ["drone"],
  home: 2,
  moves: false,
  octaves: 1,
  way: "both",
  times: 0,
  count: 8,
  answers: "each",
  register: "middle",
  tunes: [],
  ...part,
});
const asked = (question: Card["question"], id: string, seed = 1, part: Partial<Exam> = {}) =>
  questionOf(
    { card: { question, mode: id, texture: question === "spell" ? undefined : "drone" }, home: 2, seed },
    exam(part),
  );

describe("phrases made on the spot", () => {
  it("stay in the mode, breathe in the middle, end on home and can be sung, in all modes", () => {
    fc.assert(
      fc.property(fc.constantFrom(...CATALOGUE), fc.nat(), (each, seed) => {
        const notes = phraseIn(each, [each, mode("dorian")], seeded(seed));
        const sounds = new Set(notes.map(({ step }) => modulo(step, 12)));
        for (const sound of sounds) expect(holds(each.sounds, sound)).toBe(true);
        const last = notes.at(-1)!;
        expect([modulo(last.step, 12), last.at, last.length]).toEqual([0, 14, 2]);
        expect(last.at + last.length).toBe(PHRASE_BEATS);
        // Each begins where the one before ends, but for one breath.
        const gaps = notes.slice(1).map((note, at) => note.at - notes[at]!.at - notes[at]!.length);
        expect(gaps.filter((gap) => Math.abs(gap) > 1e-9).length).toBeLessThan(2);
        // No leap of an octave, nothing beyond a twelfth.
        for (const [at, note] of notes.slice(1).entries())
          expect(Math.abs(note.step - notes[at]!.step)).toBeLessThan(12);
        const steps = notes.map(({ step }) => step);
        expect(Math.max(...steps) - Math.min(...steps)).toBeLessThan(22);
      }),
      { numRuns: 600 },
    );
  });

  it("fit one of the modes that may be meant and no other, whichever of them it is", () => {
    const sets = LEVELS.map(({ exam: { modes } }) => modes.map((id) => mode(id)));
    for (const among of sets)
      for (const each of among)
        for (let seed = 0; seed < 60; seed += 1) {
          const sounds = phraseIn(each, among, seeded(seed)).map(({ step }) => modulo(step, 12));
          const fitting = among.filter((other) => sounds.every((sound) => holds(other.sounds, sound)));
          expect(fitting.map(({ id }) => id)).toEqual([each.id]);
        }
  });

  it("have their shape, rhythm and length from the seed alone: nothing but the sound tells the mode", () => {
    const shapeOf = (id: string, among: readonly string[], seed: number) => {
      const scale = mode(id)
        .intervals.map(halfSteps)
        .toSorted((a, b) => a - b);
      return phraseIn(
        mode(id),
        among.map((each) => mode(each)),
        seeded(seed),
      ).map(({ step, at, length }) => [
        scale.indexOf(modulo(step, 12)) + scale.length * Math.floor(step / 12),
        at,
        length,
      ]);
    };
    for (const {
      exam: { modes },
    } of LEVELS)
      for (let seed = 0; seed < 40; seed += 1)
        for (const id of modes) expect(shapeOf(id, modes, seed)).toEqual(shapeOf(modes[0]!, modes, seed));
  });

  it("differ from seed to seed, and are the same for one", () => {
    const made = Array.from({ length: 20 }, (_, seed) =>
      JSON.stringify(phraseIn(mode("dorian"), SEVEN, seeded(seed))),
    );
    expect(new Set(made).size).toBeGreaterThan(17);
    expect(JSON.stringify(phraseIn(mode("dorian"), SEVEN, seeded(3)))).toBe(made[3]);
  });
});

describe("questions", () => {
  it("have their right answer among the choices, each choice once, in every mode that can be asked", () => {
    for (const question of QUESTIONS)
      for (const { id } of CATALOGUE.slice(0, 49)) {
        const modes = [...new Set([...seven, id])];
        for (const card of cardsOf({ questions: [question], modes: [id, ...seven], textures: TEXTURES })) {
          if (card.mode !== id) continue;
          const { choices, right } = questionOf({ card, home: 5, seed: 9 }, exam({ modes }));
          expect(right.length, cardId(card)).toBeGreaterThan(0);
          if (["spell", "find", "moves"].includes(question) || isPlayed(question))
            expect(choices).toEqual([]);
          else for (const each of right) expect(choices, cardId(card)).toContain(each);
          expect(new Set(choices).size, cardId(card)).toBe(choices.length);
        }
      }
  });

  it("are answered as a teacher answers them", () => {
    expect(asked("third", "dorian").right).toEqual(["b3"]);
    expect(asked("third", "lydian").right).toEqual(["3"]);
    expect(seven.map((id) => differsBy(mode(id)))).toEqual(["none", "6", "b2", "#4", "b7", "none", "b2 b5"]);
    expect(differsBy(mode("phrygian-dominant"))).toBe("b2 b6 b7");
    expect(asked("spell", "dorian").right).toEqual(["D E F G A B C"]);
    expect(asked("parent", "dorian").right).toEqual(["C"]);
    expect(asked("characteristic", "dorian").right).toEqual(["B"]);
    expect(asked("find", "dorian").right).toEqual(["B"]);
    expect(asked("mode-chords", "dorian").right).toEqual(["Dm G"]);
    // Over Dm and G the B is in the G, whichever of them begins.
    for (const id of ["dorian", "mixolydian", "phrygian", "aeolian"])
      for (let seed = 0; seed < 8; seed += 1) {
        const { heard, right } = asked("target-chord", id, seed);
        const [first] = heard?.vamp?.degrees ?? [];
        expect(right).toEqual([first === 0 ? "second" : "first"]);
      }
  });

  it("play the mode and nothing else, but for the note that is swapped", () => {
    for (const question of EAR_QUESTIONS)
      for (const card of cardsOf({ questions: [question], modes: seven, textures: TEXTURES })) {
        const { heard, homeMode, right, swap, choices } = questionOf({ card, home: 2, seed: 5 }, exam());
        const other = question === "pair" ? choices.map((id) => mode(id).sounds) : [];
        const sounds = new Set(heard!.line.map(({ step }) => modulo(step, 12)));
        const isSwapped = swap && right[0] !== undefined && sounds.has(halfSteps(swap.to));
        for (const sound of sounds)
          expect(
            [homeMode.mode.sounds, ...other].some((each) => holds(each, sound)) ||
              (isSwapped && sound === halfSteps(swap.to)),
            cardId(card),
          ).toBe(true);
        if (question === "echo") expect(heard!.line[0]!.step).toBe(0);
        if (question === "mode" && card.texture !== "vamp")
          expect(modulo(heard!.line.at(-1)!.step, 12)).toBe(0);
        for (const chord of heard!.vamp?.chords ?? [])
          for (const tone of chord.tones)
            expect(holds(soundsOn(homeMode), modulo((chord.root + tone) * 7, 12))).toBe(true);
      }
  });

  it("swap the note about every second time, and say which one is heard", () => {
    const rights = Array.from({ length: 60 }, (_, seed) => {
      const { right, heard, swap } = asked("swap", "dorian", seed);
      const has = (sound: number) => heard!.line.some(({ step }) => modulo(step, 12) === sound);
      expect(has(halfSteps(swap!.to))).toBe(right[0] === "b6");
      expect(has(halfSteps(swap!.from))).toBe(right[0] === "6");
      return right[0];
    });
    expect(rights.filter((each) => each === "b6").length).toBeGreaterThan(15);
    expect(rights.filter((each) => each === "6").length).toBeGreaterThan(15);
  });

  it("are spelled by their names: an enharmonic note is wrong, home at the octave and other namings are read", () => {
    const question = questionOf({ card: { question: "spell", mode: "lydian" }, home: 5, seed: 1 }, exam());
    expect(notesOf(question.homeMode)).toHaveLength(7);
    expect(grade(question, "B C# D# E# F# G# A#")).toEqual({ isRight: true, given: "B C# D# E# F# G# A#" });
    expect(grade(question, "b, c♯, d♯, e♯, f♯, g♯, a♯, b")).toMatchObject({ isRight: true });
    expect(grade(question, "B C# D# F F# G# A#")).toMatchObject({ isRight: false });
    expect(grade(question, "H Cis Dis Eis Fis Gis Ais", "german")).toMatchObject({ isRight: true });
    expect(grade(question, "B C# what")).toEqual({ unread: "what" });
    expect(grade(question, "  ")).toEqual({ unread: "" });
    expect(grade(asked("mode", "dorian"), "aeolian")).toEqual({ isRight: false, given: "aeolian" });
  });
});

describe("what is played back", () => {
  it("has the same shape in every mode and no note twice in a row, is graded in any octave, and once all of it is there", () => {
    for (let seed = 0; seed < 60; seed += 1) {
      const shapes = seven.map((id) => {
        const question = asked("echo", id, seed);
        const steps = question.heard!.line.map(({ step }) => step);
        expect(steps).toHaveLength(5);
        for (const [at, step] of steps.slice(1).entries()) expect(step).not.toBe(steps[at]);
        const played = steps.map((step, at) => 62 + step + 12 * (at % 3));
        expect(gradePlayed(question, played.slice(0, 4))).toBeUndefined();
        expect(gradePlayed(question, played)).toEqual({ isRight: true, given: steps.join(" ") });
        expect(gradePlayed(question, [...played.slice(0, 4), played[4]! + 1])?.isRight).toBe(false);
        const scale = mode(id).intervals.map(halfSteps);
        return steps.map((step) => scale.indexOf(step)).join(" ");
      });
      expect(new Set(shapes).size).toBe(1);
    }
  });
});

describe("home", () => {
  it("is played once, in any octave, after a phrase that ends on it with nothing held below", () => {
    const [card] = cardsOf({ questions: ["home"], modes: ["dorian"], textures: ["drone"] });
    const question = questionOf({ card: card!, home: 2, seed: 4 }, exam());
    expect(question.heard!.hasDrone).toBe(false);
    expect(modulo(question.heard!.line.at(-1)!.step, 12)).toBe(0);
    expect(gradePlayed(question, [])).toBeUndefined();
    expect(gradePlayed(question, [38])).toEqual({ isRight: true, given: "0" });
    expect(gradePlayed(question, [69])).toEqual({ isRight: false, given: "7" });
  });
});

describe("exams", () => {
  it("are the same for one seed, and move home where they are asked to", () => {
    expect(setExam(exam(), 4)).toEqual(setExam(exam(), 4));
    const homes = setExam(exam({ moves: true, count: 20 }), 4).map(({ home }) => home);
    for (const [at, home] of homes.slice(1).entries()) expect(home).not.toBe(homes[at]);
    expect(new Set(setExam(exam(), 4).map(({ home }) => home))).toEqual(new Set([2]));
  });

  it("take no card that has no answer, and none where there is nothing to choose from", () => {
    expect(cardsOf({ questions: ["mode"], modes: ["dorian"], textures: ["drone"] })).toEqual([]);
    expect(cardsOf({ questions: ["third"], modes: ["suspended-pentatonic"], textures: ["drone"] })).toEqual(
      [],
    );
    expect(
      cardsOf({ questions: HEAD_QUESTIONS, modes: ["dorian", "nothing"], textures: TEXTURES }).map(cardId),
    ).toEqual([
      "spell:dorian",
      "parent:dorian",
      "characteristic:dorian",
      "find:dorian",
      "moves:dorian",
      "chords-mode:dorian",
      "mode-chords:dorian",
    ]);
    expect(cardsOf({ questions: ["differs"], modes: ["minor-pentatonic"], textures: ["drone"] })).toEqual([]);
    expect(
      cardsOf({ questions: ["swap"], modes: ["dorian"], textures: TEXTURES }).map(({ texture }) => texture),
    ).toEqual(["drone", "scale", "phrase"]);
    expect(setExam(exam({ modes: [] }), 1)).toEqual([]);
  });

  it("go from two modes to seven and from a drone to none, Locrian last of the seven", () => {
    const named = LEVELS.filter(({ exam: { questions } }) => questions.includes("mode"));
    expect(named.slice(0, 4).map(({ exam: { modes } }) => modes.length)).toEqual([2, 4, 6, 7]);
    expect(LEVELS.find(({ exam: { modes } }) => modes.includes("locrian"))?.id).toBe("seven");
    for (const {
      exam: { modes },
    } of LEVELS)
      for (const id of modes) expect(maybeMode(id), id).toBeDefined();
  });
});

const CARD: Card = { question: "mode", mode: "dorian", texture: "drone" };
const attempt = (part: Partial<Attempt> = {}): Attempt => ({
  at: 0,
  card: CARD,
  isRight: true,
  given: "dorian",
  right: "dorian",
  took: 4000,
  heard: 1,
  ...part,
});

describe("what is due", () => {
  it("comes back later each time it is known, at once where it is not", () => {
    const days: number[] = [];
    let schedule = scheduled([attempt({ at: 0 })]);
    for (let time = 0; time < 4; time += 1) {
      const { due } = schedule.get(cardId(CARD))!;
      days.push(due / DAY);
      schedule = scheduled([attempt({ at: due })], schedule);
    }
    // The first step is ten minutes; then 2, and each wait longer than the one before (FSRS 6 with its usual weights).
    expect(days[0]).toBeCloseTo(10 / 1440, 6);
    expect(days[1]! - days[0]!).toBeCloseTo(2, 6);
    expect(days[2]! - days[1]!).toBeGreaterThan(5);
    expect(days[3]! - days[2]!).toBeGreaterThan(2 * (days[2]! - days[1]!));
    const wrong = scheduled([attempt({ at: days[3]! * DAY, isRight: false })], schedule).get(cardId(CARD))!;
    expect(wrong.due - days[3]! * DAY).toBeLessThan(DAY);
  });

  it("is the same whether answers come at once or one by one, and a clock put back does no harm", () => {
    const all = [0, 1, 3, 2, 9].map((day) => attempt({ at: day * DAY, isRight: day !== 2 }));
    let slowly = scheduled([]);
    for (const each of all) slowly = scheduled([each], slowly);
    expect([...scheduled(all)]).toEqual([...slowly]);
    expect(scheduled(all).get(cardId(CARD))!.answered).toBe(5);
  });

  it("takes what was slow or heard often as hard", () => {
    const due = (part: Partial<Attempt>) => scheduled([attempt(part)]).get(cardId(CARD))!.due;
    expect(due({ took: 30_000 })).toBeLessThan(due({}));
    expect(due({ heard: 4 })).toBeLessThan(due({}));
  });

  it("is told for the days to come, what is overdue today", () => {
    const other: Card = { ...CARD, mode: "aeolian" };
    const schedule = scheduled([
      attempt(),
      attempt({ at: 1, card: other }),
      attempt({ at: DAY, card: other }),
    ]);
    const dayOf = (at: number) => Math.floor(at / DAY);
    expect(dueCards(schedule, DAY).map(({ card }) => card.mode)).toEqual(["dorian"]);
    const days = forecast(schedule, DAY, 30, dayOf);
    expect(days[0]).toBe(1);
    expect(days.reduce((sum, count) => sum + count)).toBe(2);
    expect(days[dayOf(schedule.get(cardId(other))!.due) - 1]).toBe(1);
  });
});

describe("a day's session", () => {
  it("goes back to what is mixed up, asks what is due together, and fills up with the level", () => {
    const aeolian: Card = { ...CARD, mode: "aeolian" };
    const schedule = scheduled([attempt(), attempt({ at: 1, card: aeolian })]);
    const level = LEVELS.find(({ id }) => id === "four")!;
    const pair = { modes: ["dorian", "aeolian"], times: 5, of: 12, days: 0 } as const;
    const toAsk = planOfDay(schedule, level, [pair], 2 * DAY, 20);
    expect(toAsk).toHaveLength(20);
    expect(toAsk.slice(0, 4)).toEqual(
      Array(4).fill({ question: "pair", texture: "drone", choices: ["dorian", "aeolian"] }),
    );
    expect(toAsk.slice(4, 6).map(({ choices }) => choices)).toEqual([
      ["dorian", "aeolian"],
      ["dorian", "aeolian"],
    ]);
    for (const { choices } of toAsk.slice(6)) expect(choices).toEqual(level.exam.modes);
    expect(planOfDay(new Map(), level, [], 0, 3)).toHaveLength(3);
    // What is due alone is asked among the modes of the level: its answer isn't given away.
    const alone = planOfDay(scheduled([attempt()]), level, [], 2 * DAY, 5)[0]!;
    expect([...alone.choices].toSorted()).toEqual([...level.exam.modes].toSorted());
    // Nor are thirds asked among modes that are all minor; what is spelled comes back as itself.
    const third = (id: string) => attempt({ card: { question: "third", mode: id, texture: "drone" } });
    const thirds = planOfDay(scheduled([third("dorian"), third("aeolian")]), level, [], 2 * DAY, 5)[0]!;
    expect(thirds.choices).toContain("ionian");
    const spelled = attempt({ card: { question: "spell", mode: "lydian" } });
    expect(planOfDay(scheduled([spelled]), level, [], 2 * DAY, 5)[0]).toEqual({
      question: "spell",
      texture: undefined,
      choices: ["lydian"],
    });
  });

  it("fits into the minutes", () => {
    expect(questionsIn(10, [])).toBe(30);
    expect(
      questionsIn(
        10,
        Array.from({ length: 20 }, () => attempt({ took: 3000 })),
      ),
    ).toBe(50);
    expect(
      questionsIn(
        1,
        Array.from({ length: 20 }, () => attempt({ took: 500_000 })),
      ),
    ).toBe(4);
  });
});

describe("statistics", () => {
  it("tell the uncertainty of a share by Wilson's interval", () => {
    // Worked by hand: 7 of 20.
    const [low, high] = shareBetween(7, 20);
    expect(low).toBeCloseTo(0.1812, 3);
    expect(high).toBeCloseTo(0.5671, 3);
    expect(shareBetween(0, 0)).toEqual([0, 1]);
    expect(shareBetween(0, 10)[0]).toBe(0);
  });

  const many = (right: string, given: string, count: number) =>
    Array.from({ length: count }, () => attempt({ right, given, isRight: right === given }));

  it("count what is taken for what, and call it a habit where it is asked often enough", () => {
    const all = [
      ...many("dorian", "dorian", 13),
      ...many("dorian", "aeolian", 7),
      ...many("lydian", "ionian", 2),
    ];
    expect(confusions(all).map(({ right, given, times, of }) => [right, given, times, of])).toEqual([
      ["dorian", "aeolian", 7, 20],
      ["lydian", "ionian", 2, 2],
    ]);
    expect(habits(all).map(({ right, given }) => [right, given])).toEqual([["dorian", "aeolian"]]);
    // Once in twenty may be chance.
    expect(habits([...many("dorian", "dorian", 19), ...many("dorian", "aeolian", 1)])).toEqual([]);
    const degrees = many("6", "b6", 30).map((each) => ({
      ...each,
      card: { ...CARD, question: "swap" as const },
    }));
    expect(confusions(degrees)).toEqual([]);
  });

  it("tell the trend and the typical time", () => {
    const all = [0, 1, 2, 3].map((day) =>
      attempt({ at: day * DAY, isRight: day > 1, took: 1000 * (day + 1) }),
    );
    expect(trend(all, 0, 4 * DAY, 2)).toEqual([
      { right: 0, of: 2 },
      { right: 2, of: 2 },
    ]);
    expect(typicalTime(all)).toBe(4000);
    expect(typicalTime([])).toBeUndefined();
  });
});

describe("questions in a tune", () => {
  const line = (text: string) =>
    evenTune(
      text.split(" ").map((each) => maybePitch(each)!),
      1,
    );
  const made = (text: string, home: string, id: string) =>
    examTune({ ...line(text), title: "Made" }, { home: fifthsOf(home), mode: mode(id) });
  const whole = made("D4 E4 F4 G4 A4 B4 C5 D5 A4 F4 E4 D4", "D", "dorian")!;
  const six = made("D4 F4 A4 G4 F4 E4 C5 A4 F4 E4 C4 D4", "D", "aeolian")!;

  it("are heard in the mode that is asked for, ending on home, in the tune's own rhythm", () => {
    expect(tuneIn(whole, mode("dorian"))).toEqual(
      whole.notes.map(([, step, at, length]) => ({ step, at, length })),
    );
    for (const each of SEVEN) {
      const heard = tuneIn(whole, each);
      expect(modulo(heard.at(-1)!.step, 12)).toBe(0);
      expect([...new Set(heard.map(({ step }) => modulo(step, 12)))].toSorted((a, b) => a - b)).toEqual(
        each.intervals.map(halfSteps).toSorted((a, b) => a - b),
      );
    }
  });

  it("are asked only where the tune tells the mode", () => {
    expect(tellsApart(whole, SEVEN)).toBe(true);
    // It never has the 6: Dorian and Aeolian are one in it, Dorian and Ionian are not.
    expect(tellsApart(six, [mode("dorian"), mode("aeolian")])).toBe(false);
    expect(tellsApart(six, [mode("dorian"), mode("ionian")])).toBe(true);
    const set = (tunes: Exam["tunes"]) =>
      cardsOf(exam({ textures: ["tune"], tunes })).map((card) => card.mode);
    expect(set([])).toEqual([]);
    // Where one mode can't be told in it, none is heard in it: the tune itself would say which it is not.
    expect(set([six])).toEqual([]);
    expect(set([six, whole])).toEqual(seven);
  });

  it("take the section that ends on home and has most degrees", () => {
    const tune = line("D4 E4 D4 D4 D4 E4 F4 G4 A4 B4 C5 D4 E4 F4 A4 C5 E4 E4 E4 E4");
    const bars = tune.bars.map((bar, at) => ({ ...bar, endsSection: [0, 2].includes(at) }));
    const taken = examTune({ ...tune, bars }, { home: fifthsOf("D"), mode: mode("dorian") })!;
    expect(taken.notes).toHaveLength(8);
    expect(taken.beats).toBe(8);
    expect(made("D4 E4 F4", "D", "dorian")).toBeUndefined();
  });
});

describe("a fingering from a mode one knows", () => {
  it.each([
    ["dorian", "aeolian", "B"],
    ["aeolian", "dorian", "Bb"],
    ["lydian", "ionian", "G#"],
    ["mixolydian", "ionian", "C"],
    ["ionian", "mixolydian", "C#"],
    ["phrygian", "aeolian", "Eb"],
    ["locrian", "phrygian", "Ab"],
    ["harmonic-minor", "aeolian", "C#"],
    ["melodic-minor", "ionian", "F"],
    ["lydian-dominant", "mixolydian", "G#"],
    ["phrygian-dominant", "phrygian", "F#"],
  ])("%s comes from %s by %s", (id, known, note) => {
    const question = asked("moves", id);
    expect(question.known?.mode.id).toBe(known);
    expect(question.right).toEqual([note]);
  });
});

describe("the order in which one listens", () => {
  it.each([
    ["dorian", "1 b3 6 2 4 5 b7"],
    ["lydian", "1 3 #4 2 5 6 7"],
    ["phrygian-dominant", "1 3 b2 b6 b7 4 5"],
  ])("%s: %s", (id, degrees) => {
    expect(
      listeningOrder(mode(id))
        .map((each) => printDegree(each))
        .join(" "),
    ).toBe(degrees);
  });
});
