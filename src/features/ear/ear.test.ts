// @vitest-environment jsdom
import "fake-indexeddb/auto";
import { beforeEach, describe, expect, it } from "vitest";
import {
  cardsOf,
  classTable,
  EAR_QUESTIONS,
  grade,
  LEVELS,
  QUESTIONS,
  questionOf,
  setExam,
  TEXTURES,
} from "@/core/training";
import { fifthsOf } from "@/core/pitch";
import { mode, SEVEN } from "@/core/scale";
import { readCsv } from "@/formats";
import { $attempts, $selection, sittings } from "@/session";
import { givenText, mixedUpSentence, questionText, thirdSentence } from "@/words";
import { examDocument, flipped, readExam, writeExam } from "./exam";
import { writeClass } from "./class-file";
import { pupilOf, withFiles } from "./opened";
import { readResult, resultOf } from "./result";
import { writeResult } from "./result-file";
import { $heard, $nth, $running, $unfinished } from "./running";
import { $mayHear, $question, answer, beginExam, finish, gained, goOn, leave, next } from "./run";

const exam = examDocument.$value.get();
const seven = SEVEN.map(({ id }) => id);

beforeEach(() => {
  leave();
  for (const each of sittings.$all.get()) sittings.end(each.id);
});

const answerRight = (isRight = true) => {
  const question = $question.get()!;
  const wrong = question.choices.find((choice) => !question.right.includes(choice))!;
  const graded = grade(question, isRight ? question.right[0]! : wrong);
  if ("given" in graded) answer(graded);
};

describe("an exam", () => {
  it("goes on by itself where answers come at the end, and is written down", () => {
    beginExam({ ...exam, count: 3, answers: "end" });
    for (const isRight of [true, false, true]) answerRight(isRight);
    expect($question.get()).toBeUndefined();
    const sitting = $running.get()!;
    expect(sitting.endedAt).toBeDefined();
    expect(gained(sitting)).toMatchObject({ right: 2, of: 3 });
    expect(writeResult(resultOf(sitting)).split("\r\n")).toHaveLength(5);
  });

  it("stays at its question until the next is asked for where answers are told, and takes one answer", () => {
    beginExam({ ...exam, count: 2, answers: "each" });
    answerRight(false);
    answerRight(true);
    expect($nth.get()).toBe(0);
    expect($running.get()!.ear!.attempts.map(({ isRight }) => isRight)).toEqual([false]);
    next();
    answerRight();
    next();
    expect($running.get()!.endedAt).toBeDefined();
  });

  it("is gone on with where it was left, and asks the same", () => {
    beginExam({ ...exam, count: 4, answers: "end" });
    answerRight();
    const before = JSON.stringify($question.get());
    leave();
    expect($question.get()).toBeUndefined();
    goOn($unfinished.get()!);
    expect($nth.get()).toBe(1);
    expect(JSON.stringify($question.get())).toBe(before);
  });

  it("asks what is still open where another tab has answered some of it", () => {
    beginExam({ ...exam, count: 4, answers: "end" });
    const { id } = $running.get()!;
    const other = (nth: number) =>
      ({ nth, at: nth, isRight: true, given: "ionian", right: "ionian", took: 1, heard: 1 }) as const;
    sittings.change(id, ({ ear }) => ({ ear: { ...ear!, attempts: [other(1)] } }));
    answerRight();
    expect($nth.get()).toBe(2);
    leave();
    sittings.change(id, ({ ear }) => ({ ear: { ...ear!, attempts: [other(0), other(3)] } }));
    goOn($unfinished.get()!);
    expect($nth.get()).toBe(1);
  });

  it("that is ended without an answer leaves nothing behind, and one that has nothing to ask doesn't begin", () => {
    const count = $attempts.get().length;
    beginExam({ ...exam, count: 4 });
    finish();
    expect([$running.get(), $attempts.get().length]).toEqual([undefined, count]);
    beginExam({ ...exam, modes: ["dorian"] });
    expect($running.get()).toBeUndefined();
  });

  it("may be heard as often as it says", () => {
    beginExam({ ...exam, count: 4, times: 1, answers: "each" });
    // The first hearing began with the question.
    expect([$heard.get(), $mayHear.get()]).toEqual([1, false]);
    answerRight();
    expect($mayHear.get()).toBe(true);
  });

  it("goes out as a file and comes back; what is none is refused", () => {
    expect(readExam(JSON.parse(writeExam(exam)))).toEqual(exam);
    for (const text of [
      "{}",
      "[1]",
      "null",
      writeExam(exam).replace('"version": 1', '"version": 2'),
      writeExam(exam).replace("ionian", "nothing"),
    ])
      expect(readExam(JSON.parse(text))).toBeUndefined();
    expect(readExam(undefined)).toBeUndefined();
  });

  it("keeps at least one of what can be chosen", () => {
    expect(flipped([1, 2, 3], [1, 3], 2)).toEqual([1, 2, 3]);
    expect(flipped([1, 2, 3], [3], 3)).toEqual([3]);
  });
});

describe("what is said", () => {
  it("has a sentence for every question and a text for every answer, and never says the answer first", () => {
    for (const question of QUESTIONS)
      for (const card of cardsOf({ questions: [question], modes: seven, textures: TEXTURES })) {
        const made = questionOf({ card, home: fifthsOf("C#"), seed: 3 }, exam);
        expect(questionText(made).length, question).toBeGreaterThan(10);
        for (const each of [...made.choices, ...made.right])
          expect(givenText(question, each).length).toBeGreaterThan(0);
        if (["mode", "two", "third", "differs"].includes(question))
          expect(questionText(made)).not.toContain(made.homeMode.mode.name);
      }
  });

  it("tells the third first and what was mixed up, note by note", () => {
    const dorian = { home: fifthsOf("D"), mode: mode("dorian") };
    expect(thirdSentence(dorian)).toBe("The third is F, a minor third.");
    expect(mixedUpSentence(dorian, "aeolian")).toBe("Aeolian has B♭ (♭6) where Dorian has B (6).");
    expect(mixedUpSentence({ home: fifthsOf("F#"), mode: mode("ionian") }, "aeolian")).toBe(
      "Aeolian has A (♭3), D (♭6) and E (♭7) where Ionian has A♯ (3), D♯ (6) and E♯ (7).",
    );
  });
});

describe("levels", () => {
  it("each have something to ask, by ear", () => {
    for (const { exam: part } of LEVELS) {
      expect(part.questions.every((each) => EAR_QUESTIONS.some((one) => one === each))).toBe(true);
      expect(setExam({ ...exam, ...part }, 1)).toHaveLength(exam.count);
    }
  });
});

it("the stage of another view knows nothing of the question", () => {
  expect($selection.get().isHidden).toBeFalsy();
});

describe("a result that is sent back", () => {
  it("is read as it was written, whatever was asked", () => {
    beginExam({
      ...exam,
      modes: seven,
      questions: ["mode", "third", "differs"],
      count: 12,
      title: "For Ana",
    });
    for (let nth = 0; nth < 12; nth += 1) answerRight(nth % 3 !== 0);
    const result = resultOf($running.get()!);
    const read = readResult(readCsv(writeResult(result)))!;
    const told = ({ rows }: typeof result) =>
      rows.map(({ card, home, given, right, isRight, heard }) => [card, home, given, right, isRight, heard]);
    expect(told(read)).toEqual(told(result));
    expect(read).toMatchObject({ title: "For Ana", startedAt: result.startedAt, unread: 0 });
  });

  it("is read as far as it makes sense, and refused where nothing does", () => {
    beginExam({ ...exam, count: 3 });
    for (let nth = 0; nth < 3; nth += 1) answerRight();
    const [head, first, ...rest] = writeResult(resultOf($running.get()!)).split("\r\n");
    // A table program writes semicolons, another line end, and a mark in front.
    const changed = [head!, first!.replace(/mode/u, "mood"), ...rest].join("\n").replaceAll(",", ";");
    expect(readResult(readCsv(`\uFEFF${changed}`))).toMatchObject({ unread: 1, rows: { length: 2 } });
    const tampered = writeResult(resultOf($running.get()!)).replaceAll(
      /,[a-z]+,([a-z]+),1,/gu,
      ",nonsense,$1,1,",
    );
    expect(readResult(readCsv(tampered))).toBeUndefined();
    for (const text of ["", "a,b\n1,2", head!, "{", "\u0000".repeat(50)])
      expect(readResult(readCsv(text))).toBeUndefined();
  });
});

describe("a class", () => {
  const fileOf = (name: string, text: string) => new File([text], name, { type: "text/csv" });
  const resultText = (rights: readonly boolean[]) => {
    beginExam({ ...exam, count: rights.length, answers: "end" });
    rights.forEach((isRight) => answerRight(isRight));
    return writeResult(resultOf($running.get()!));
  };

  it.each([
    ["exam-result Ada.csv", "Ada"],
    ["exam-result_ben (2).csv", "ben"],
    ["Cleo M.csv", "Cleo M"],
    ["exam-result.csv", ""],
  ])("%s is the result of %j", (file, pupil) => expect(pupilOf(file)).toBe(pupil));

  it("takes what can be read, says what can't, and has nobody twice", async () => {
    const [ada, ben] = [resultText([true, false, true]), resultText([false, false, false])];
    const damaged = resultText([true, true, true]).replace(/"?mode"?,drone/u, "tune,drone");
    const first = await withFiles(undefined, [
      fileOf("exam-result Ada.csv", ada),
      fileOf("exam-result.csv", ben),
      fileOf("exam-result (1).csv", damaged),
      fileOf("shopping.csv", "what,how many\r\npears,6\r\n"),
      fileOf("photo.png", "\u0089PNG\u0000\u0001"),
    ]);
    expect(first.pupils.map(({ name, result }) => `${name} ${result.rows.length}`)).toEqual([
      "Ada 3",
      "Pupil 3",
      "Pupil 2 2",
    ]);
    expect(first.said).toEqual([
      "“exam-result (1).csv”: one row can’t be read. The rest is here.",
      "“shopping.csv” isn’t the result of an exam. It was left out.",
      "“photo.png” isn’t the result of an exam. It was left out.",
    ]);
    const again = await withFiles(first, [fileOf("exam-result Ada copy.csv", ada)]);
    expect(again.pupils).toHaveLength(3);
    expect(again.said).toEqual(["“exam-result Ada copy.csv” has the same answers as Ada. It was left out."]);
    const table = writeClass(
      classTable(again.pupils.map(({ name, result }) => ({ name, attempts: result.rows }))),
    );
    const rows = table.trim().split("\r\n");
    expect(rows[0]).toMatch(/^\uFEFF?pupil,(?:\w+ right,\w+ questions,)+all right,all questions$/u);
    expect(rows).toHaveLength(5);
    expect(rows[1]).toMatch(/^Ada,.*,2,3$/u);
    expect(rows.at(-1)).toMatch(/^the class,.*,4,8$/u);
  });
});
