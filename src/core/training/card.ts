/** What is asked about something that is heard. */
export const EAR_QUESTIONS = [
  "third",
  "mode",
  "two",
  "pair",
  "differs",
  "swap",
  "interval",
  "target-chord",
  "echo",
  "home",
] as const;
/** Questions that are answered by playing. */
export const isPlayed = (question: QuestionKind): boolean => question === "echo" || question === "home";

/** What is asked of the head. */
export const HEAD_QUESTIONS = [
  "spell",
  "parent",
  "characteristic",
  "find",
  "moves",
  "chords-mode",
  "mode-chords",
] as const;
export const QUESTIONS = [...EAR_QUESTIONS, ...HEAD_QUESTIONS] as const;
export type QuestionKind = (typeof QUESTIONS)[number];

/** How a mode is heard: over its held home, up and down by itself, over its vamp, in a phrase, in a tune that one knows. */
export const TEXTURES = ["drone", "scale", "vamp", "phrase", "tune"] as const;
export type Texture = (typeof TEXTURES)[number];

/** One thing to learn: a question about a mode, heard in a texture. It comes back when it is about to be forgotten. */
export interface Card {
  readonly question: QuestionKind;
  /** Id of the mode. */
  readonly mode: string;
  /** None where nothing is heard. */
  readonly texture?: Texture | undefined;
}

const ids = new WeakMap<Card, string>();

/** The name of a card: the same for equal ones. */
export function cardId(card: Card): string {
  const known = ids.get(card);
  if (known !== undefined) return known;
  const { question, mode, texture } = card;
  const id = [question, mode, ...(texture ? [texture] : [])].join(":");
  ids.set(card, id);
  return id;
}

export const isByEar = (question: QuestionKind): boolean => EAR_QUESTIONS.some((each) => each === question);

/** Questions that are always heard in one way, whatever texture is chosen. */
const OWN_TEXTURE: Partial<Readonly<Record<QuestionKind, Texture>>> = {
  interval: "drone",
  pair: "drone",
  "target-chord": "vamp",
  echo: "drone",
  home: "phrase",
};

/** How a question is heard where a texture is chosen; undefined where nothing is heard. */
export function textureOf(question: QuestionKind, chosen: Texture): Texture | undefined {
  if (!isByEar(question)) return undefined;
  // A chord of the vamp has the note that is swapped in the line: the two would clash. A tune may be without that note.
  if (question === "swap" && (chosen === "vamp" || chosen === "tune")) return "drone";
  if (question === "home" && chosen === "tune") return chosen;
  return OWN_TEXTURE[question] ?? chosen;
}
