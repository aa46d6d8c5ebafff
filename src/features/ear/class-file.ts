import type { ClassTable } from "@/core/training";
import { writeCsv } from "@/formats";

/** A class as a table, a row to each pupil and one to the class: right answers and questions by mode and in all. */
export function writeClass({ modes, rows, together }: ClassTable): string {
  const scores = ({ byMode, all }: ClassTable["together"]) =>
    [...byMode, all].flatMap(({ right, of }) => [String(right), String(of)]);
  return writeCsv([
    ["pupil", ...[...modes, "all"].flatMap((name) => [`${name} right`, `${name} questions`])],
    ...rows.map((row) => [row.name, ...scores(row)]),
    ["the class", ...scores(together)],
  ]);
}
