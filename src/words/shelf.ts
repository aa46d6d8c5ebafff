import type { Saved, ShelfOrder } from "@/storage";
import { capital, figureText, countText, inTitle } from "./names";

/** What the Shelf says. */

export const NOT_JSON = "This isn’t JSON. Look for a missing comma, quote or bracket.";

export const STILL_UNREADABLE = "Shade still can’t read it. Compare it with an entry of an exported file.";

export const ASIDE_SAYS = "Shade couldn’t read these. Nothing of them is lost.";

export const BACKUP_TOO_LARGE = "This file is too large for a backup. Choose a file that the Shelf exported.";

export const FILE_UNREADABLE = "This file can’t be read.";

export const BRINGS_NOTHING = "The file brings nothing that isn’t here.";

export const SAVE_SAYS = "It goes to the Shelf in this browser. Your own words stay with it.";

export const NEEDS_TITLE = "It needs a title; a word will do.";

export const SHELF_SAYS =
  "Modes, progressions and tunes that you saved, in this browser only. Export them to a file to take them elsewhere.";

export const SHELF_ORDER_TEXT: Readonly<Record<ShelfOrder, string>> = {
  newest: "newest first",
  oldest: "oldest first",
  changed: "last changed first",
  title: "by title",
};

export const foundOnShelfText = (found: number, of: number): string => `${found} of ${of} found.`;

export const chosenText = (count: number): string => `${capital(countText(count, "thing"))} chosen.`;

/** What a folder is called on its button: "Scenes 4". */
export const folderText = (name: string, count: number): string =>
  `${name === "" ? "No folder" : name} ${figureText(count)}`;

export const inFolderText = (folder: string): string => `in ${folder}`;

export const FOLDER_SAYS =
  "Drag a thing by its handle onto the new folder, or name the folder when you reword it. An empty folder goes away by itself.";

export const NEEDS_FOLDER = "A folder needs a name.";

export const movedText = (count: number, folder: string): string =>
  `Moved ${countText(count, "thing")} to ${folder}.`;

/** What a thing was in one of its earlier states, by what changed then. */
export function earlierText(state: Saved, later: Saved): string {
  const changed = [
    ...(state.title === later.title ? [] : [`“${inTitle(state.title)}”`]),
    ...(state.words === later.words ? [] : ["other words"]),
    ...((state.tags ?? []).join() === (later.tags ?? []).join() ? [] : ["other tags"]),
    ...(state.folder === later.folder
      ? []
      : [state.folder === undefined ? "in no folder" : inFolderText(state.folder)]),
  ];
  return changed.length === 0 ? "other contents" : changed.join(", ");
}

export const NO_TAG = "A tag needs a word.";

export const taggedText = (count: number, tags: readonly string[]): string =>
  `Tagged ${countText(count, "thing")}: ${tags.join(", ")}.`;
