import { atom } from "nanostores";
import type { FileKind } from "@/formats/file-kind";
import { $features, type Feature } from "./feature";
import { withPart } from "./fetched";
import { $place, goTo, placeOf } from "./place";

/** Files on their way to a view, or to the Shelf, which takes them when it is in front. */
interface Incoming {
  readonly to: string;
  readonly files: readonly File[];
}

export const $incoming = atom<Incoming | undefined>();

/** The sheet that is open over the page. */
export type Sheet = "shelf" | "find" | "settings" | "help";
export const $sheet = atom<Sheet | undefined>();

/** Where backups go. */
export const SHELF_FILES = "shelf";

/** What nobody here can open, by its name; said until it is dismissed. */
export const $unopened = atom<string | undefined>();

/** What a file holds, by how it begins. */
async function kindOf(file: File, { fileKind, HEAD_BYTES }: FileKinds): Promise<FileKind> {
  if (file.type.startsWith("audio/") && !/midi?$/u.test(file.type)) return "recording";
  return fileKind(new Uint8Array(await file.slice(0, HEAD_BYTES).arrayBuffer()), file.name);
}

type FileKinds = typeof import("@/formats/file-kind");

/**
 * Opens files where they belong: in the view in front if it takes their kind, otherwise in the one that takes it first. Several files
 * go together, where the first of them goes.
 */
export const openFiles = (files: readonly File[]): Promise<void> =>
  withPart(
    "What opens files",
    () => import("@/formats/file-kind"),
    async (kinds) => {
      const [file] = files;
      if (file) openAs(await kindOf(file, kinds).catch(() => "unknown"), file, files);
    },
  );

function openAs(kind: FileKind, file: File, files: readonly File[]): void {
  if (kind === "backup") {
    $incoming.set({ to: SHELF_FILES, files });
    $sheet.set("shelf");
    return;
  }
  const { view } = $place.get();
  const rank = ({ files: taken }: Feature) => taken?.kinds.indexOf(kind) ?? -1;
  const takers = $features
    .get()
    .filter((each) => rank(each) >= 0)
    .toSorted((a, b) => rank(a) - rank(b));
  // What nobody knows is answered by the view in front, if it opens files at all: it says why it can't.
  const front = $features.get().find(({ id, files: taken }) => id === view && taken);
  const taker = takers.find(({ id }) => id === view) ?? takers[0] ?? (kind === "unknown" ? front : undefined);
  if (!taker?.files) {
    $unopened.set(file.name);
    return;
  }
  const { part = placeOf(taker.id).part } = taker.files;
  if (taker.id !== view || placeOf(view).part !== part) goTo(taker.id, { part });
  $incoming.set({ to: taker.id, files });
}
