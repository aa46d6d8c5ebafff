import type { Interval } from "@/core/pitch";
import type { Near } from "@/core/scale";
import { noteText, homeModeText, listText } from "./names";

/** "D Lydian dominant with E♭ for E", "D minor blues without A♭". */
export function nearNamedText(home: number, { mode, difference }: Near): string {
  const { moved, dropped, added } = difference;
  const note = (interval: Interval) => noteText(home + interval);
  return [
    homeModeText({ home, mode }),
    moved.length > 0 ? `with ${listText(moved.map(({ from, to }) => `${note(to)} for ${note(from)}`))}` : "",
    dropped.length > 0 ? `without ${listText(dropped.map(note))}` : "",
    added.length > 0 ? `with ${listText(added.map(note))} besides` : "",
  ]
    .filter((part) => part !== "")
    .join(" ");
}
