import type { AsideRecord, Arrival, BackupProblem, SavedKind } from "@/storage";
import { capital, countText, listText } from "./names";

/** Why a file was not taken from. */
export function backupProblemText({ code, record, found }: BackupProblem): string {
  switch (code) {
    case "not-json":
      return "This isn’t a Shade backup: it is not JSON. Choose a file that the Shelf exported.";
    case "not-a-backup":
      return "This isn’t a Shade backup. Choose a file that the Shelf exported.";
    case "newer-version":
      return `This backup is version ${found}, newer than this Shade can read. Nothing was changed.`;
    case "record-unread":
      return `Entry ${record ?? 0} can’t be read and will be set aside: ${found}`;
  }
}

/** What a group of things in a file is, for the preview of an import: "3 new". */
export const ARRIVAL_TEXT: Readonly<Record<Arrival, string>> = {
  new: "new",
  same: "already here",
  "changed-here": "changed here since",
  "changed-there": "changed in the file",
  "changed-both": "changed in both",
  "deleted-here": "deleted here",
};

/** What came of an import. */
export const importedText = (count: number, isAll: boolean): string =>
  count === 0
    ? "Imported nothing. Everything here stays as it was."
    : `Imported ${countText(count, "item")}${isAll ? "" : ", then cancelled"}.`;

/** Why a record was set aside, and what happens to it. */
export const asideText = ({ why }: Pick<AsideRecord, "why">): string =>
  why === "newer"
    ? "From a newer Shade. It comes back by itself once this one can read it."
    : "Damaged: this Shade can’t read it.";

/** What isn't saved yet: "Not saved yet: 2 items. Trying again." */
export const unsavedText = (count: number): string =>
  `This browser hasn’t saved ${count === 1 ? "your last change" : `your last ${countText(count, "change")}`} yet. Shade keeps trying. Export a file to be safe.`;

/** Bytes as people say them. */
function roomText(bytes: number): string {
  if (bytes < 1_000_000) return `${Math.max(1, Math.round(bytes / 1000))} kB`;
  return bytes < 1_000_000_000
    ? `${(bytes / 1_000_000).toFixed(1)} MB`
    : `${(bytes / 1_000_000_000).toFixed(1)} GB`;
}

/** What the browser says of its storage, for the settings. */
export function storageText({
  used,
  most,
  isKept,
}: {
  readonly used?: number | undefined;
  readonly most?: number | undefined;
  readonly isKept: boolean;
}): string {
  const room =
    used === undefined || most === undefined ? "" : `${roomText(used)} of ${roomText(most)} in use. `;
  return `${room}${
    isKept
      ? "The browser keeps it until you clear it yourself."
      : "The browser may clear it when it runs out of room. Export a backup now and then."
  }`;
}

/** When something was last changed, in the user's own way of writing dates. */
export const whenText = (instant: string): string =>
  new Date(instant).toLocaleString(undefined, { dateStyle: "medium", timeStyle: "short" });

/** "Progression set aside", or what else a record seems to be. */
export const seemsText = (kind: string, title: string): string =>
  `${capital(kind === "" ? "record" : kind)}${title === "" ? "" : ` “${title}”`}`;

/** What of the demo is counted, each in the plural. */
const DEMO_KINDS: readonly (readonly [SavedKind, string, string])[] = [
  ["tune", "tune", "tunes"],
  ["progression", "progression", "progressions"],
  ["mode", "mode", "modes"],
  ["words", "text about a mode", "texts about modes"],
  ["voicing", "voicing", "voicings"],
];

/** What the Shelf is for while it is empty, and what the demo brings. */
export function emptyShelfText(demo: Readonly<Partial<Record<SavedKind, number>>>): string {
  const brings = listText(
    DEMO_KINDS.flatMap(([kind, one, many]) =>
      demo[kind] === undefined ? [] : [countText(demo[kind], one, many)],
    ),
  );
  return `Press Save beside a mode, a progression or a tune, and it appears here. Or start with the music for a shadow-puppet play: ${brings}.`;
}
