import type { ComponentType } from "react";
import { atom } from "nanostores";
import type { FileKind } from "@/formats/file-kind";
import type { TuneSource } from "@/formats/tune-source";
import type { PracticeKind, RecipeValue, RoutineItem, Saved, SavedKind } from "@/storage";
import type { ToUndo } from "../document/document";

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

/** What everybody may know of a view without loading any of it. */
export interface ViewManifest {
  /** The first part of its address, and the name of its folder. */
  readonly id: string;
  readonly name: string;
  /** What it is for, in a line. */
  readonly about: string;
  /** The question that it answers, as its page asks it before it has come to life. */
  readonly asks: string;
  /** What those who are here for the first time may try in it. */
  readonly tries?: string;
  /** What stands there until then: the picture that its answer is drawn in. */
  readonly picture: "ladder" | "chart" | "staff" | "answers" | "month";
  /** Its parts, by the word that stands in the address; the first is where it opens. */
  readonly parts: readonly [string, ...string[]];
}

/** What the stage and other views can hand a view without knowing it. */
export interface Handed {
  /** A line of chords, to stand at the end of the chart that is worked on. */
  readonly chords: (line: string) => void;
  /** A tune to be put into another mode, from the home and mode that were set for it where they were. */
  readonly tune: (tune: TuneToHand, from: RecipeValue["from"]) => void;
  /** A thing to practise; false where there is no room for it. */
  readonly routineItem: (item: RoutineItem) => boolean;
}

/** A tune as text, with its title. */
export interface TuneToHand {
  readonly source: TuneSource;
  readonly text: string;
  readonly name: string;
}

/** Something to practise that a view has in front: what it is, and what its address says and brings along. */
export interface Practised {
  readonly kind: PracticeKind;
  readonly title: string;
  readonly part: string;
  /** Documents by their kind, in place of those that are open. */
  readonly documents: Readonly<Record<string, unknown>>;
}

/** A view with all that the rest must know of it. The shell knows the list of features, and none of them. */
export interface Feature extends ViewManifest {
  /** What one does in it, in two or three sentences: the help begins with it. */
  readonly help: string;
  readonly View: ComponentType;
  /** What is worked on in a part of it, and so undone there. */
  readonly undoes?: (part: string) => ToUndo | undefined;
  /** Saved things that open in it. */
  readonly saved?: readonly SavedOpener[] | undefined;
  /** Fetches what it offers for a text that was typed into Find. */
  readonly finds?: (() => Promise<(text: string) => readonly Finding[]>) | undefined;
  /** Does what it offers to those who are here for the first time. */
  readonly firstStep?: (() => void) | undefined;
  /** Its stage shows the mode of the address: what is added to a routine from here opens in the first view. */
  readonly showsPlaceMode?: boolean | undefined;
  /** What of it is practised where that isn't what the stage shows: an exam, a drill. */
  readonly practised?: (() => Promise<Practised | undefined>) | undefined;
  /** Files that it opens. */
  readonly files?: FilesOpened | undefined;
  /** What it takes from the stage and from other views. */
  readonly takes?: Partial<Handed> | undefined;
  /** Opens chords that an address brings along, unless they are open already. */
  readonly opensChords?: ((chords: string) => void) | undefined;
  /** Opens what the demo has for it, where nothing is under way. */
  readonly opensDemo?: (() => Promise<void>) | undefined;
}

/** A kind of saved thing, told of with its own type. */
export const savedOpener = <K extends SavedKind>(opener: SavedOpener<K>): SavedOpener =>
  opener as unknown as SavedOpener;

/** The views in the order of the work. */
export const $features = atom<readonly Feature[]>([]);

/** How something is handed to the view that takes it; undefined where none does. */
export const taker = <K extends keyof Handed>(what: K): Handed[K] | undefined =>
  $features.get().find(({ takes }) => takes?.[what] !== undefined)?.takes?.[what];

/** Names the views that there are: once, before anything is shown. */
export const installFeatures = (features: readonly Feature[]): void => $features.set(features);
