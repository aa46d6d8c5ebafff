import type { NoteNaming } from "@/core/pitch";

/** How notes and the two commonest modes are called on the screen: a locale of its own, one for the whole page. */
export interface Wording {
  readonly noteNames: NoteNaming;
  /** Ionian and Aeolian, or major and natural minor. */
  readonly majorNames: "modes" | "plain";
}

let current: Wording = { noteNames: "english", majorNames: "modes" };

/** The wording in force. */
export const wording = (): Wording => current;

/** Changes the wording. Whoever does so draws the page anew. */
export function setWording(next: Wording): void {
  current = next;
}
