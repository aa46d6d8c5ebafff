import { maybeFifths } from "@/core/pitch";
import { mode } from "@/core/scale";
import { countText, modeText, noteText } from "./names";

/** What the frame says: links, storage, documents. */

export const LINK_TOO_LONG = "This is too long for a link. Save it on the Shelf and send a file instead.";

export const LINK_NOT_COPIED = "This browser doesn’t let Shade copy. Copy the link from here.";

export const STORAGE_SILENT =
  "This browser’s storage doesn’t answer. You can work on; what you make is saved as soon as it does.";

export const STAGE_CHANGED = "The link changed the stage.";

export const COMPUTATION_FAILED = "A computation failed. Reload the page if an answer is missing.";

export const DOCUMENT_UNREADABLE = "This one can’t be read. It was set aside on the Shelf.";

export const unopenedText = (name: string): string =>
  `I can’t tell what “${name.slice(0, 60)}” is. Shade opens ABC, MusicXML, MIDI, ChordPro, chord charts, Scala scales, recordings and its own backups.`;

/** Where two tabs changed the same thing. */
export const copySavedText = (title: string): string =>
  `Two tabs changed the same thing. Both are saved; the second is “${title}”.`;

export const unreadRecordsText = (count: number): string =>
  `Shade couldn’t read ${countText(count, "saved record")}. See “Set aside” on the Shelf.`;

/** What the list of recent documents holds. */
export const recentSaysText = (kind: string): string =>
  `Every ${kind} you worked on lately, saved or not. Opening one leaves the one you have here.`;

/** Where a part of the page is missing: it could not be loaded, or something in it broke. */
export const partFailedText = (what: string, isUnloaded: boolean): string =>
  isUnloaded
    ? `${what} couldn’t be loaded. Everything else still works.`
    : `Something broke in ${what}. Everything else still works.`;

export const LOADING = "Loading";

/** Something was pressed that needs the answer. */
export const AWAITING = "Still computing. It goes on when the answer is here.";

export const NEW_VERSION = "A new version of Shade is ready. It starts the next time you open Shade.";

/** Something in an address that there is not, and what was taken instead. */
export interface AddressNotice {
  readonly code: "home-unknown" | "mode-unknown";
  readonly asked: string;
  readonly found: string;
}

/** A file that takes more than a moment. */
export const readingText = (name: string): string =>
  name === "" ? "Opening your music …" : `Opening “${name}” …`;

/** What in an address was not to be had, and what is shown instead. */
export function noticeText({ code, asked, found }: AddressNotice): string {
  switch (code) {
    case "home-unknown":
      return `“${asked}” is no note name. Home is ${noteText(maybeFifths(found) ?? 0)}; a letter A to G with ♯ or ♭ sets another.`;
    case "mode-unknown":
      return `There is no mode “${asked}”. Shown is ${modeText(mode(found))}, the nearest name.`;
  }
}
