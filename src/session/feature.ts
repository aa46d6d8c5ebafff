import type { ComponentType } from "react";
import { atom } from "nanostores";
import type { FileKind } from "@/formats/file-kind";
import type { Saved, SavedKind } from "@/storage";
import type { ToUndo } from "./document";

/** What saved things of a kind are, and how one is opened: a view that takes them says so. */
export interface SavedOpener<K extends SavedKind = SavedKind> {
  readonly kind: K;
  /** What several of them are called: "Modes". */
  readonly plural: string;
  /** One of them in a line, under its title. */
  readonly line: (thing: Extract<Saved, { kind: K }>) => string;
  readonly open: (thing: Extract<Saved, { kind: K }>) => void;
}

/** Files that a view opens. */
interface FilesOpened {
  /** Those that are its own before those that others open as well. */
  readonly kinds: readonly FileKind[];
  /** The part of it that takes them, where not every part does. */
  readonly part?: string;
}

/** What a view can do with a text that was typed into Find. */
export interface Finding {
  readonly key: string;
  readonly text: string;
  /** What pressing it does, in a few words. */
  readonly does: string;
  /** The text can hardly mean anything else: it stands first. */
  readonly isSure: boolean;
  readonly go: () => void;
}

/** One thing to try, for those who are here for the first time. */
interface FirstStep {
  readonly text: string;
  readonly go: () => void;
}

/** A view with all that the rest must know of it. The shell knows the list of features, and none of them. */
export interface Feature {
  /** The first part of its address. */
  readonly id: string;
  readonly name: string;
  /** What it is for, in a line. */
  readonly about: string;
  /** What one does in it, in two or three sentences: the help begins with it. */
  readonly help: string;
  /** Its parts, by the word that stands in the address; the first is where it opens. */
  readonly parts: readonly [string, ...string[]];
  readonly View: ComponentType;
  /** What is worked on in a part of it, and so undone there. */
  readonly undoes?: (part: string) => ToUndo | undefined;
  /** Saved things that open in it. */
  readonly saved?: readonly SavedOpener[] | undefined;
  /** What it offers for a text that was typed into Find. */
  readonly finds?: ((text: string) => readonly Finding[]) | undefined;
  /** What to try in it first. */
  readonly firstStep?: FirstStep | undefined;
  /** Its stage shows the mode of the address: what is added to a routine from here opens in the first view. */
  readonly showsPlaceMode?: boolean | undefined;
  /** Files that it opens. */
  readonly files?: FilesOpened | undefined;
}

/** A kind of saved thing, told of with its own type. */
export const savedOpener = <K extends SavedKind>(opener: SavedOpener<K>): SavedOpener =>
  opener as unknown as SavedOpener;

/** The views in the order of the work. */
export const $features = atom<readonly Feature[]>([]);

/** Names the views that there are: once, before anything is shown. */
export const installFeatures = (features: readonly Feature[]): void => $features.set(features);
