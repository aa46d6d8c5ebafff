import { atOnce } from "../records/at-once";

/** What a page must know before it is drawn for the first time: the script in its head reads it (`first-paint.js`). */
interface Look {
  readonly theme: "system" | "light" | "dark";
  readonly firstSteps: boolean;
  /** Height of the stage's content where it was seen last, in CSS pixels, in a wide window and in a narrow one. */
  readonly stage: number;
  readonly narrowStage: number;
}

const PREFIX = "shade-";
const KEY = "look";

/** Leaves a part of the look for the next page. */
export function keepLook(part: Partial<Look>): void {
  const { entry } = atOnce.under(PREFIX).find(({ id }) => id === KEY) ?? {};
  const before = typeof entry === "object" && entry !== null ? entry : {};
  atOnce.write(PREFIX + KEY, { ...before, ...part });
}
