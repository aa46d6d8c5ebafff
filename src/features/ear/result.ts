import { maybeFifths } from "@/core/pitch";
import { maybeMode } from "@/core/scale";
import { type Card, QUESTIONS, TEXTURES } from "@/core/training";
import type { TableRow } from "@/formats";
import type { Sitting } from "@/storage";
import { givenText } from "@/words";
import type { Result, ResultRow } from "./shown-result";

/** What was answered in a sitting. */
export const resultOf = ({ title, startedAt, ear }: Sitting): Result => ({
  title,
  startedAt,
  unread: 0,
  rows: (ear?.attempts ?? []).flatMap(({ nth, ...attempt }) => {
    const asked = ear?.asked[nth];
    return asked ? [{ ...attempt, card: asked.card, home: asked.home }] : [];
  }),
});

/** Reads the table of a result; undefined where no row of it is one. */
export function readResult(table: readonly TableRow[]): Result | undefined {
  const rows = table.flatMap((row) => rowOf(row) ?? []);
  const [first] = table;
  if (rows.length === 0 || !first) return undefined;
  return {
    title: (first.exam ?? "").slice(0, 240),
    startedAt: first.started ?? "",
    rows,
    unread: table.length - rows.length,
  };
}

function rowOf(row: Readonly<Record<string, string>>): ResultRow | undefined {
  const question = QUESTIONS.find((each) => each === row.question);
  const mode = maybeMode(row.mode ?? "");
  const home = maybeFifths(row.home ?? "");
  const [took, heard] = [Number(row.seconds), Number(row.heard)];
  if (!question || !mode || home === undefined || !(took >= 0) || !["0", "1"].includes(row.right ?? ""))
    return undefined;
  const texture = TEXTURES.find((each) => each === row.texture);
  const card: Card = { question, mode: mode.id, ...(texture === undefined ? {} : { texture }) };
  const [given, right] = [row.answer ?? "", row["right answer"] ?? ""];
  if (!isNamed(question, given) || !isNamed(question, right)) return undefined;
  return {
    card,
    home,
    given,
    right,
    isRight: row.right === "1",
    took: took * 1000,
    heard: Number.isInteger(heard) && heard >= 0 ? heard : 0,
    at: 0,
  };
}

/** Whether an answer can be said in words: one that was tampered with can't. */
function isNamed(question: Card["question"], answer: string): boolean {
  try {
    return givenText(question, answer) !== "";
  } catch {
    return false;
  }
}
