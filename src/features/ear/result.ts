import { printName } from "@/core/pitch";
import { writeCsv } from "@/formats";
import type { Sitting } from "@/storage";

/** What was answered in a sitting, a row to each question, for a teacher's table. */
export const resultFile = ({ title, startedAt, ear }: Sitting): string =>
  writeCsv([
    [
      "exam",
      "started",
      "question",
      "texture",
      "home",
      "mode",
      "answer",
      "right answer",
      "right",
      "seconds",
      "heard",
    ],
    ...(ear?.attempts ?? []).flatMap(({ nth, given, right, isRight, took, heard }) => {
      const asked = ear?.asked[nth];
      if (!asked) return [];
      const { question, texture = "", mode } = asked.card;
      return [
        [
          ...[title, startedAt, question, texture, printName(asked.home), mode, given, right],
          ...[isRight ? "1" : "0", (took / 1000).toFixed(1), String(heard)],
        ],
      ];
    }),
  ]);
