import { computed } from "nanostores";
import { $placeMode, $settings, plainSelection, type Selection, selects } from "@/session";
import { selectionOf } from "@/shell/selected";
import { EAR_SUBJECT } from "@/words";
import { EAR } from "./exam";
import { $question, $score, hear } from "./run";
import { $answered, $running } from "./running";

const SILENT = { notes: [], beats: 0, loops: false };

/** While a question is open nothing of it is on the stage; once it is answered, its mode is. */
selects(
  EAR,
  computed(
    [$placeMode, $question, $answered, $running, $score, $settings],
    (placeMode, question, answered, running, score, settings): Selection => {
      if (!question) return selectionOf(placeMode, undefined, settings, settings.drone);
      const isExam = running?.ear?.exam.answers === "end";
      const play = { code: "question", score: score ?? SILENT, start: hear } as const;
      if (!answered || isExam)
        return { ...plainSelection(placeMode), play, isHidden: true, subject: EAR_SUBJECT, said: [] };
      const shown = selectionOf(question.homeMode, undefined, settings, settings.drone);
      // Of a question that wasn't heard its mode is.
      return question.heard ? { ...shown, play } : shown;
    },
  ),
);
