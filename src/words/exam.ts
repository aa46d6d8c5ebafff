import type { QuestionKind, Texture } from "@/core/training";
import { capital, countText } from "./names";

/** What is asked, and how it is heard. */
export const QUESTION_NAME: Readonly<Record<QuestionKind, string>> = {
  third: "major or minor third",
  mode: "name the mode",
  two: "which of two modes",
  pair: "two modes, then one of them again",
  differs: "what differs from major or minor",
  swap: "is the note swapped",
  interval: "the degree above home",
  "target-chord": "which chord has the characteristic note",
  echo: "play it back",
  home: "find home",
  spell: "spell the mode",
  parent: "whose notes are these",
  characteristic: "its characteristic note",
  find: "find its characteristic note on the neck",
  moves: "one note away from a mode you know, on the neck",
  "chords-mode": "the mode for two chords",
  "mode-chords": "two chords for the mode",
};

export const TEXTURE_NAME: Readonly<Record<Texture, string>> = {
  drone: "over a drone",
  scale: "bare scale",
  vamp: "over a vamp",
  phrase: "in a phrase",
  tune: "in a tune",
};

/** An exam in a line. */
export const examText = ({
  count,
  questions,
  modes,
  textures,
  moves,
  answers,
}: {
  readonly count: number;
  readonly questions: readonly QuestionKind[];
  readonly modes: readonly string[];
  readonly textures: readonly Texture[];
  readonly moves: boolean;
  readonly answers: "each" | "end";
}): string =>
  `${capital(countText(count, "question"))} (${questions.map((each) => QUESTION_NAME[each]).join("; ")}) about ${countText(modes.length, "mode")}, ${textures.map((each) => TEXTURE_NAME[each]).join(", ")}${moves ? ", each on a new home" : ""}; answers ${answers === "end" ? "at the end" : "after each"}.`;
