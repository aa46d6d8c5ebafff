import { halfSteps } from "@/core/pitch";
import { type HomeMode, mode as modeById, notesOf, thirdOf } from "@/core/scale";
import {
  type LevelId,
  type LevelStanding,
  type MixedPair,
  type Confusion,
  type PupilScore,
  type Register,
} from "@/core/training";
import {
  capital,
  countText,
  degreeText,
  figureText,
  inTitle,
  listText,
  modeText,
  noteText,
  numberText,
} from "./names";

export const REGISTER_NAME: Readonly<Record<Register, string>> = {
  low: "low",
  middle: "middle",
  high: "high",
};

/** What a tune lacks for telling modes apart: "no 6". */
export const lackText = (degrees: readonly number[]): string =>
  degrees.length === 0 ? "" : `no ${listText(degrees.map(String))}`;

/** What an exam promises that is long enough for it. */
export const EVERY_MODE_COMES = "Every mode comes at least once.";

export const NO_TUNE_FITS =
  "None of these tunes tells the modes apart. Choose one with every degree, or other modes.";

export const TUNES_SAY =
  "The tune is played in each mode on the same home. Only a tune that has every degree tells them all apart.";

/** Why a tune can't be heard in an exam. */
export const tuneRefusedText = (title: string): string =>
  `I can’t use “${inTitle(title)}”: no part of it ends on its home, or it’s too long.`;

const LEVEL_NAME: Readonly<Record<LevelId, string>> = {
  third: "Major or minor third",
  two: "Two modes: Dorian and Aeolian",
  four: "Four modes",
  six: "Six modes",
  seven: "All seven, with Locrian",
  bare: "Seven modes without a drone",
  phrases: "Seven modes in phrases",
  vamps: "Six modes over vamps",
  once: "Two octaves, heard once",
  minors: "Minor scales: natural, Dorian, harmonic, melodic",
  dominants: "Dominant scales",
};

export const levelText = (id: LevelId): string => LEVEL_NAME[id];

/** The third first, since it is what the ear finds first. Undefined for a mode without one. */
export function thirdSentence({ home, mode }: HomeMode): string | undefined {
  const third = thirdOf(mode);
  if (third !== 4 && third !== -3) return undefined;
  return `The third is ${noteText(home + third)}, a ${third === 4 ? "major" : "minor"} third.`;
}

/** Where what was answered differs from what was heard: "Aeolian has B♭ (♭6) where Dorian has B (6)." */
export function mixedUpSentence({ home, mode }: HomeMode, given: string): string | undefined {
  const other = modeById(given);
  const [notes, others] = [notesOf({ home, mode }), notesOf({ home, mode: other })];
  const named = (note: number) => `${noteText(note)} (${degreeText(note - home)})`;
  const missing = notes.filter((note) => !others.some((each) => halfSteps(each) === halfSteps(note)));
  const instead = others.filter((note) => !notes.some((each) => halfSteps(each) === halfSteps(note)));
  if (missing.length === 0 || instead.length === 0) return undefined;
  const rising = (names: readonly number[]) =>
    names.toSorted((a, b) => halfSteps(a - home) - halfSteps(b - home)).map(named);
  return `${capital(modeText(other))} has ${listText(rising(instead))} where ${modeText(mode)} has ${listText(rising(missing))}.`;
}

export const progressText = (nth: number, of: number): string => `Question ${nth + 1} of ${of}`;

export const rightText = (right: number, of: number): string =>
  `${capital(numberText(right))} of ${numberText(of)} right.`;

export const NOTHING_TO_ASK =
  "These choices leave nothing to ask: name at least two modes, and one question that fits them.";

export const heardOutText = (times: number): string =>
  `You have heard it ${times === 1 ? "once" : countText(times, "time")}; that is all this exam allows.`;

export const unreadAnswerText = (unread: string): string =>
  unread === ""
    ? "Write the notes in order, with spaces between them: D E F G A B C."
    : `I can’t read “${unread.slice(0, 20)}” as a note.`;

export const unfinishedText = (title: string, done: number, of: number): string =>
  `You stopped ${title === "" ? "" : `“${inTitle(title)}” `}after ${numberText(done)} of ${countText(of, "question")}.`;

/** A habit in words, with its uncertainty: "Aeolian taken for Dorian 7 times in 20 (18 to 57%): listen for the 6." */
export function habitText({ right, given, times, of, between }: Confusion): string {
  const [one, other] = [modeById(right), modeById(given)];
  const telling = one.intervals.filter(
    (interval) => !other.intervals.some((each) => halfSteps(each) === halfSteps(interval)),
  );
  const [from, to] = between;
  const listen = telling.length > 0 ? `: listen for the ${listText(telling.map(degreeText))}` : "";
  return `${capital(modeText(one))} taken for ${modeText(other)} ${countText(times, "time")} in ${of} (${Math.round(from * 100)} to ${Math.round(to * 100)}% if this goes on)${listen}.`;
}

const timesText = (times: number): string =>
  times === 1 ? "once" : times === 2 ? "twice" : times === 0 ? "never" : countText(times, "time");

/** How a habit went on: "Seven times in the first 20, once in the last 21." */
export const habitTrendText = ([earlier, later]: readonly {
  readonly times: number;
  readonly of: number;
}[]): string =>
  earlier && later
    ? `${capital(timesText(earlier.times))} in the first ${earlier.of}, ${timesText(later.times)} in the last ${later.of}.`
    : "";

export const gainedText = (cards: number): string =>
  cards === 0 ? "" : `${capital(countText(cards, "question"))} will come back later than before.`;

export const EXAM_FILE_REFUSED =
  "This isn’t an exam, or the result of one, that this version of Shade can read. What you have here stays as it is.";

export const LISTEN_IN_ORDER =
  "Listen for home first, then for the third: major or minor. Then find the degree that differs from plain major or minor.";

export const THINK_IN_ORDER =
  "Count from the parent scale, or take plain major or minor and change the degrees that differ.";

/** What is practised of Ear: the exam that is put together, where it has no title, or the day’s training. */
export const EXAM_TITLE = "Exam";
export const TODAY_TITLE = "Ear training";

export const EXAM_SAYS =
  "Send the link (L) or the exported file to whoever is to take it. The result is a table that they can send back.";

/** A row of questions that finds the level to begin with. */
export const PLACEMENT = "Placement";

export const placedText = (level: LevelId): string => `Begin with this level: ${levelText(level)}.`;

/** Why a session goes back to a pair: "Dorian and Aeolian again: mixed up 5 times of 12." */
export const pairAgainText = ({ modes: [one, other], times, of, days }: MixedPair): string =>
  `${capital(modeText(modeById(one)))} and ${modeText(modeById(other))} again: mixed up ${times} times of ${of}${days === 0 ? "" : `, told apart on ${countText(days, "day")} since`}.`;

/** What a day's session is made of, in a sentence. */
export const dayText = (count: number, due: number, level: LevelId): string =>
  due === 0
    ? `${capital(countText(count, "question"))} from the level “${levelText(level)}”.`
    : `${capital(countText(count, "question"))}: ${numberText(Math.min(due, count))} of them due, the rest from the level “${levelText(level)}”.`;

/** How far a level has come: "11 of 14 right. Still open: Lydian and Locrian." */
export const standingText = ({ right, of, open, isPassed }: LevelStanding): string =>
  isPassed
    ? "Passed."
    : of === 0
      ? "Nothing of it has been answered yet."
      : `${right} of the last ${of} right.${open.length > 0 ? ` Still open: ${listText(open.map((id) => modeText(modeById(id))))}.` : ""}`;

/** Levels that counted as passed before, by answers to something else. */
export const reopenedText = (levels: number): string =>
  `A level is passed now by what it asks itself. ${capital(countText(levels, "level"))} you had passed ${levels === 1 ? "is" : "are"} open again.`;

export const passedText = (level: LevelId): string => `You passed a level: ${levelText(level)}.`;

/** What was mixed up once or more, without a claim about habits. */
export const takenForText = ({ right, given, times }: Confusion): string =>
  `You took ${modeText(modeById(right))} for ${modeText(modeById(given))} ${timesText(times)}.`;

/** The same of somebody else. */
export const wasTakenForText = ({ right, given, times }: Confusion): string =>
  `${capital(modeText(modeById(right)))} was taken for ${modeText(modeById(given))} ${timesText(times)}.`;

/** What the class mixes up, with how many pupils do: "Dorian was taken for Aeolian five times, by three pupils." */
export const mixedUpByText = (each: Confusion & { readonly pupils: number }): string =>
  `${wasTakenForText(each).slice(0, -1)}, by ${countText(each.pupils, "pupil")}.`;

export const classText = (pupils: number, { right, of }: PupilScore): string =>
  `${capital(countText(pupils, "result"))}: ${figureText(right)} of ${figureText(of)} right`;

/** Right answers of questions: "3/4"; nothing where none was asked. */
export const scoreText = ({ right, of }: PupilScore): string => (of === 0 ? "" : `${right}/${of}`);

export const CLASS_MIXES_NOTHING = "No mode was taken for another.";

export const CLASS_SAYS =
  "Names come from the names of the files. Results stay in this tab until you close them.";

export const PUPIL_NAME_TAKEN = "Each result needs a name of its own.";

/** What came of one of several files that were opened as results. */
export function classFileText(
  code: "no-result" | "twice" | "too-many" | "damaged",
  file: string,
  detail = "",
): string {
  const name = inTitle(file);
  switch (code) {
    case "no-result":
      return `“${name}” isn’t the result of an exam. It was left out.`;
    case "twice":
      return `“${name}” has the same answers as ${detail}. It was left out.`;
    case "too-many":
      return `“${name}” was left out: this table is full.`;
    case "damaged":
      return `“${name}”: ${countText(Number(detail), "row")} can’t be read. The rest is here.`;
  }
}

export const resultUnreadText = (rows: number): string =>
  `${capital(countText(rows, "row"))} of the file can’t be read.`;

export const drillText = (one: string, other: string): string =>
  `Practise ${modeText(modeById(one))} and ${modeText(modeById(other))}`;

export const modeListText = (ids: readonly string[]): string =>
  capital(listText(ids.map((id) => modeText(modeById(id)))));

/** What comes back on each day, today first: "3 today, then 0, 5, 1, 0, 0, 2". */
export const forecastText = ([today = 0, ...days]: readonly number[]): string =>
  `${today} today, then ${days.join(", ")}`;

/** What the page is about while a question is open: nothing that tells the answer. */
export const EAR_SUBJECT = "A question";

export const PLAY_BACK_SAYS = "Play on a MIDI keyboard or on the keys below, or sing.";

export const playedSoFarText = (played: number, of: number): string =>
  `${played} of ${countText(of, "note")}`;

/** Where too little was heard of what was sung or played. */
export const tooFewText = (heard: number, of: number): string =>
  `I heard ${countText(heard, "note")}, and ${numberText(of)} ${of === 1 ? "is" : "are"} asked for. Record again, with a short gap between notes.`;

export const findFretsText = (from: number, to: number): string =>
  `Strike them on the neck below, from fret ${from} to fret ${to}.`;

export const findKeysText = (from: string, to: string): string =>
  `Strike them on the keys below, from ${from} to ${to}.`;

export const foundSoFarText = (found: number, of: number): string => `${found} of ${of} found.`;

/** What was sung, before it counts. */
export const sungText = (notes: string): string => `I heard ${notes}.`;

export const COUNT_IT = "Count this";

export const SUNG_LINE = "What was heard: its pitch as a line over the notes";

/** Cents beside a note: "+20 cents". */
export const centsText = (cents: number): string => `${cents > 0 ? "+" : "−"}${Math.abs(cents)} cents`;

/** Cents from which on it is said that all of it lies off, and from which on that is more than a little. */
const [OFF, FAR_OFF] = [20, 70];

/** That all of it was low or high, which is no mistake: "All of it a little low (−55 cents): that doesn’t count." */
export function offText(cents: number): string {
  if (Math.abs(cents) < OFF) return "";
  const much = Math.abs(cents) < FAR_OFF ? "a little " : "";
  return `All of it is ${much}${cents < 0 ? "low" : "high"} (${centsText(cents)}). That isn’t counted against you.`;
}

export const SING_ALONG_SAYS =
  "Sing or play the line, in any octave. The drone plays; the line itself doesn’t unless you ask for it, so that it isn’t heard as yours. Use headphones.";

export const NOTHING_TO_SING =
  "What Play plays has no line. Choose a position, a line, the bare mode or a tune.";

export const followedText = (right: number, of: number): string =>
  `${capital(numberText(right))} of ${countText(of, "note")} right.`;
