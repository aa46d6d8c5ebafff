import type { Fifths, Interval } from "@/core/pitch";
import type { Chord, Claim, Dropped } from "@/core/chord";
import type { Identification, IdentifyChoice } from "@/core/identify";
import type { Recipe, Reshaped } from "@/core/reshape";
import type { Expectation } from "@/core/identify/expectation";
import type { Tuning, Voicing, VoicingsAsked } from "@/core/instrument";
import type { AnalysisKind, Segment, Key } from "@/core/progression";
import type { Problem, Reading } from "@/core/problem";
import type { PitchClassSet } from "@/core/scale";
import type { PitchFrame } from "@/core/tune";
import type { FileChart, readScala, TableRow, TuneText } from "@/formats";
import type { readBackup } from "@/storage";
import type { PackedFileTune, PackedTune } from "./packed-tune";

/** A question about all modes as it crosses to the worker: modes by id, since identity does not cross. */
export interface AskedOf {
  readonly among: "named" | number;
  readonly home?: Fifths | undefined;
  readonly holds: readonly Fifths[];
  readonly lacks: readonly Fifths[];
  readonly chords: readonly Chord[];
  readonly claims: readonly Claim[];
  readonly near?: string | undefined;
}

/** A mode that was answering: everything that a row about it shows. */
export interface AnsweringMode {
  readonly home: Fifths;
  readonly id: string;
  readonly name: string;
  readonly brightness: number;
  readonly characteristic: readonly Interval[];
  /** Ids of the modes one note brighter and darker. */
  readonly brighter: readonly string[];
  readonly darker: readonly string[];
}

/** What comes back. */
export interface ModesAnswer {
  readonly found: readonly AnsweringMode[];
  readonly asked: number;
  readonly needed: PitchClassSet;
  /** Where none answers: the conditions to drop so that some do. */
  readonly less: readonly Dropped[];
  readonly nearest: readonly {
    readonly home: Fifths;
    readonly id: string;
    readonly missing: PitchClassSet;
  }[];
}

/** The jobs that the worker does. */
export interface ModeJobs {
  readonly ask: (question: AskedOf) => ModesAnswer;
}

/** A chord to be fingered on a tuning. */
export interface FingeringAsked extends VoicingsAsked {
  readonly tuning: Tuning;
}

/** The jobs of the worker that looks for voicings. It is ended where a search is called off. */
export interface VoicingJobs {
  readonly find: (asked: FingeringAsked, onProgress?: (share: number) => void) => readonly Voicing[];
}

/** A chart to be read by scales of some families, or of the whole catalogue where none are named. */
export interface AnalysesAsked {
  readonly text: string;
  readonly families?: readonly string[];
  /** Analyses of each kind. */
  readonly most: number;
}

/** A reading as it crosses from the worker: modes by id. */
export interface SentAnalysis {
  readonly cost: number;
  readonly segments: readonly (Omit<Segment, "homeMode"> & {
    readonly home: Fifths;
    readonly mode: string;
  })[];
}

/** What comes back. */
export interface SentAnalyses extends Readonly<Record<AnalysisKind, readonly SentAnalysis[]>> {
  readonly keys: readonly Key[];
}

/** The jobs of the worker that reads charts. */
export interface AnalysisJobs {
  readonly read: (asked: AnalysesAsked) => SentAnalyses;
}

/** A tune to be identified, and what it is called where it does not say so itself. */
export interface IdentifyAsked extends TuneText {
  readonly expects?: Expectation | undefined;
}

/** What is told of one tune of a collection: enough for a row. Modes by id, since identity does not cross. */
export interface SentTune {
  readonly title: string;
  readonly notes: number;
  readonly bars: number;
  /** None where the tune has no notes. */
  readonly found?: {
    readonly home: Fifths;
    readonly mode: string;
    readonly weight: number;
    /** Numbers of the degrees never heard that would decide, and how many modes they leave. */
    readonly undecided: readonly number[];
    readonly modesLeft: number;
    /** How many passages it falls into: one where it stays in its mode. */
    readonly passages: number;
  };
  readonly declared?: { readonly home: Fifths; readonly mode: string };
  readonly agrees?: "same" | "other-home" | "other-notes";
  readonly problems: readonly Problem[];
}

/** A reshaped tune on its way: its notes are columns. */
interface PackedReshaped extends Omit<Reshaped, "tune"> {
  readonly tune: PackedTune;
}

/** The jobs of the workers that go through collections. */
export interface CollectionJobs {
  /** Everything in each text, in order: a text can hold several tunes, or none. */
  readonly identify: (texts: readonly IdentifyAsked[]) => Promise<readonly (readonly SentTune[])[]>;
  /** One tune that is too long to be identified while a page is drawn. Modes in it are copies. */
  readonly identifyLong: (tune: PackedTune, choice: IdentifyChoice) => Identification | undefined;
  /** A long tune in other modes. Modes in the recipes and in the answer are copies. */
  readonly reshape: (tune: PackedTune, recipes: readonly Recipe[]) => readonly PackedReshaped[];
  /** The tunes of a text. Modes in them are copies. */
  readonly read: (text: TuneText) => Promise<Reading<readonly PackedFileTune[]>>;
  /** What a file of tunes holds, by its content. */
  readonly open: (bytes: Uint8Array, name: string) => Promise<Reading<TuneText | undefined>>;
  /** The chords of a file. */
  readonly readChart: (bytes: Uint8Array, name: string) => Promise<Reading<FileChart>>;
}

/** The jobs of the worker that reads files of everything but music. None of them throws on what a file holds. */
export interface FileJobs {
  readonly backup: (file: Blob) => Promise<ReturnType<typeof readBackup>>;
  /** The rows of a table by the names of its columns. */
  readonly table: (file: Blob) => Promise<readonly TableRow[]>;
  /** What it says as JSON; undefined where it is none. */
  readonly json: (file: Blob) => Promise<unknown>;
  /** The scale of a Scala file, and the text that its problems are places in. */
  readonly scala: (file: Blob) => Promise<ReturnType<typeof readScala> & { readonly text: string }>;
}

/** A recording of one voice: samples from -1 to 1 of one channel. */
export interface TrackAsked {
  readonly samples: Float32Array;
  readonly rate: number;
}

/** The jobs of the worker that follows the pitch of a recording. */
export interface PitchJobs {
  readonly track: (
    recording: TrackAsked,
    onProgress?: (share: number) => void,
  ) => Promise<readonly PitchFrame[]>;
}
