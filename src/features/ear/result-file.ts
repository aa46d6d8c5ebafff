import { printName } from "@/core/pitch";
import { writeCsv } from "@/formats";
import type { Result } from "./shown-result";

const COLUMNS = [
  ...["exam", "started", "question", "texture", "home", "mode"],
  ...["answer", "right answer", "right", "seconds", "heard"],
];

/** A result as a table, a row to each question, for a teacher. */
export const writeResult = ({ title, startedAt, rows }: Result): string =>
  writeCsv([
    COLUMNS,
    ...rows.map(({ card: { question, texture = "", mode }, home, given, right, isRight, took, heard }) => [
      ...[title, startedAt, question, texture, printName(home), mode, given, right],
      ...[isRight ? "1" : "0", (took / 1000).toFixed(1), String(heard)],
    ]),
  ]);
