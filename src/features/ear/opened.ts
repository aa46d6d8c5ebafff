import { openFileAs } from "@/session";
import type { ExamValue } from "@/storage";
import { classFileText, EXAM_FILE_REFUSED, problemText } from "@/words";
import { readExam } from "./exam";
import { readResult } from "./result";
import type { ClassResults, PupilResult, Result } from "./shown-result";

/** An exam or a result is a few thousand characters. */
const MAX_BYTES = 200_000;

/** Pupils of a class at most. */
const MAX_PUPILS = 200;

/** What a file holds: an exam, the result of one, or why it is neither. */
export async function openedExam(
  file: File,
): Promise<{ exam: ExamValue } | { result: Result } | { refused: string }> {
  if (file.size >= MAX_BYTES) return { refused: EXAM_FILE_REFUSED };
  const json = await openFileAs("json", file);
  if ("stopped" in json) return { refused: problemText(json.stopped, "") };
  const exam = readExam(json.answer);
  if (exam) return { exam };
  const table = await openFileAs("table", file);
  if ("stopped" in table) return { refused: problemText(table.stopped, "") };
  const result = readResult(table.answer);
  return result ? { result } : { refused: EXAM_FILE_REFUSED };
}

/** Whose result a file is, by its name: "exam-result Ada (1).csv" is Ada's. */
export const pupilOf = (fileName: string): string =>
  fileName
    .replace(/\.[^.]*$/u, "")
    .replace(/\(\d+\)\s*$/u, "")
    .replace(/^exam-result/iu, "")
    .replace(/[\s_-]+/gu, " ")
    .trim()
    .slice(0, 60);

const answersOf = ({ startedAt, rows }: Result) => JSON.stringify([startedAt, rows]);

/** A name that nobody here has. */
function freeName(name: string, pupils: readonly PupilResult[]): string {
  const first = name === "" ? "Pupil" : name;
  let free = first;
  for (let n = 2; pupils.some((each) => each.name === free); n += 1) free = `${first} ${n}`;
  return free;
}

/** A class with the results of more files; what isn't a result, or is here already, is left out and said. */
export async function withFiles(
  before: ClassResults | undefined,
  files: readonly File[],
): Promise<ClassResults> {
  const pupils = [...(before?.pupils ?? [])];
  const said: string[] = [];
  for (const file of files) {
    const opened = await openedExam(file);
    const same =
      "result" in opened && pupils.find(({ result }) => answersOf(result) === answersOf(opened.result));
    if (!("result" in opened)) said.push(classFileText("no-result", file.name));
    else if (same) said.push(classFileText("twice", file.name, same.name));
    else if (pupils.length >= MAX_PUPILS) said.push(classFileText("too-many", file.name));
    else {
      const { result } = opened;
      pupils.push({ name: freeName(pupilOf(file.name), pupils), result });
      if (result.unread > 0) said.push(classFileText("damaged", file.name, String(result.unread)));
    }
  }
  return { pupils, said };
}
