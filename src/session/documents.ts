import { z } from "zod";
import { atom } from "nanostores";
import { CLAIMS } from "@/core/chord";
import { LINE_FIGURES, SYSTEMS } from "@/core/instrument";
import { TUNE_ORIGINS, TUNE_SOURCES } from "@/formats/tune-source";
import { MOST_CHART_TEXT, MOST_TUNE_TEXT, modeId, noteName } from "@/storage";
import { atOnce } from "./at-once";
import { type DocumentKind, type Journal, openDocument, type OpenDocument } from "./document";
import {
  aside,
  copyTitle,
  documentValues,
  hearTabs,
  newId,
  records,
  saving,
  tellCopy,
  tellTabs,
} from "./records";

/** Milliseconds without a change after which a document is written. */
const PAUSE = 400;

/** What this tab had open, so that a reload opens it again; a tab that is opened anew takes what was changed last. */
const lastOpen = {
  get: (kind: string) => {
    try {
      return sessionStorage.getItem(`shade-open:${kind}`);
    } catch {
      return null;
    }
  },
  set: (kind: string, id: string) => {
    try {
      sessionStorage.setItem(`shade-open:${kind}`, id);
    } catch {
      // A reload opens what was changed last.
    }
  },
};

/** Every kind of document that this page has, in the order in which they came. */
export const $documents = atom<readonly ShownDocument<object>[]>([]);

/** What a page that is left writes down at once, apart from the records, since those take their time. */
const journal: Journal = {
  read: (kind) => atOnce.under(leavingKey(kind, "")),
  write: (kind, id, entry) => atOnce.write(leavingKey(kind, id), entry),
  remove: (kind, id) => atOnce.remove(leavingKey(kind, id)),
};

const leavingKey = (kind: string, id: string) => `shade-leaving:${kind}:${id}`;

let isLoaded = false;

/** A document with the parts of views that show it, "derive/ask": links to them carry it. */
export interface ShownDocument<T> extends OpenDocument<T> {
  readonly shownIn: readonly string[];
}

/** Opens a kind of document for this tab. It is read with all others at the start, or at once where it comes later. */
export function documentOf<T extends object>(
  kind: DocumentKind<T>,
  ...shownIn: readonly string[]
): ShownDocument<T> {
  const document = openDocument(kind, {
    store: records,
    values: documentValues,
    saving,
    aside,
    now: () => new Date(),
    newId,
    pause: PAUSE,
    copyTitle,
    tell: tellTabs,
    onTwice: tellCopy,
    journal,
    lastOpen,
  });
  const opened = { ...document, shownIn };
  $documents.set([...$documents.get(), opened as unknown as ShownDocument<object>]);
  hearTabs(opened.hear);
  if (isLoaded) void opened.load().catch(() => undefined);
  return opened;
}

/** Reads what was worked on. */
export async function loadDocuments(): Promise<void> {
  isLoaded = true;
  await Promise.all($documents.get().map((each) => each.load()));
}

/** Writes at once whatever waits for a pause: the page is about to be hidden. */
export function flushDocuments(): void {
  for (const each of $documents.get()) each.flush();
}

const chartValue = z.object({
  chords: z.string().max(MOST_CHART_TEXT),
  title: z.string().max(240).catch(""),
});
export type ChartValue = z.infer<typeof chartValue>;

/** The chart that is worked on. */
export const chartDocument = documentOf<ChartValue>(
  {
    kind: "chart",
    isListed: true,
    stored: { version: 1, schema: chartValue, migrations: [] },
    blank: { chords: "", title: "" },
    isBlank: ({ chords }) => chords.trim() === "",
    titleOf: ({ title, chords }) => title || (chords.trim().split("\n")[0] ?? "").slice(0, 60),
  },
  "match/chart",
);

const place = z.int().min(0);
const timed = z.object({ midi: z.number(), onset: z.number(), duration: z.number() });
const frame = z.object({ time: z.number(), hertz: z.number(), clarity: z.number(), level: z.number() });

const tuneValue = z.object({
  source: z.enum(TUNE_SOURCES),
  text: z.string().max(MOST_TUNE_TEXT),
  name: z.string().max(240).catch(""),
  /** How notes came in that were not typed. */
  origin: z.enum(TUNE_ORIGINS).optional().catch(undefined),
  /** Which tune of the text, from 0. */
  which: place.catch(0),
  /** What was set by hand for it. */
  home: z.int().optional().catch(undefined),
  about: z.object({ home: noteName, mode: modeId }).optional().catch(undefined),
  bars: z.object({ from: place, to: place }).optional().catch(undefined),
  without: z.array(place).catch([]),
  /** The line of pitch of a recording, and the notes that were made of it. */
  line: z
    .object({ frames: z.array(frame).max(400_000), notes: z.array(timed).max(40_000) })
    .optional()
    .catch(undefined),
  /** Beats a minute at which they were taken in. */
  tempo: z.number().optional().catch(undefined),
  /** Notes as they were played in, so that more can follow. */
  played: z.array(timed).max(40_000).optional().catch(undefined),
});
export type TuneValue = z.infer<typeof tuneValue>;

export const BLANK_TUNE: TuneValue = { source: "notes", text: "", name: "", which: 0, without: [] };

/** The tune that is worked on. */
export const tuneDocument = documentOf<TuneValue>(
  {
    kind: "tune",
    isListed: true,
    stored: { version: 1, schema: tuneValue, migrations: [] },
    blank: BLANK_TUNE,
    isBlank: ({ text }) => text.trim() === "",
    titleOf: ({ name, text, source }) => {
      if (name !== "" || source === "midi") return name || "MIDI";
      return (/^T:\s*(.+)$/mu.exec(text)?.[1] ?? text.trim().split("\n")[0] ?? "").slice(0, 60);
    },
  },
  "identify/tune",
);

const question = z.object({
  among: z.union([z.literal("named"), z.int().min(2).max(12)]).catch(7),
  anyHome: z.boolean().catch(false),
  holds: z.string().max(200).catch(""),
  lacks: z.string().max(200).catch(""),
  chords: z.string().max(400).catch(""),
  claims: z.array(z.enum(CLAIMS)).catch([]),
  near: z.boolean().catch(false),
});
export type Question = z.infer<typeof question>;

/** The question that is asked of all modes. */
export const modeQuestion = documentOf<Question>(
  {
    kind: "question",
    stored: { version: 1, schema: question, migrations: [] },
    blank: question.parse({}),
    isBlank: () => false,
    titleOf: ({ holds, chords }) => [holds, chords].filter((each) => each !== "").join(", "),
  },
  "derive/ask",
);

const practice = z.object({
  modes: z
    .array(z.object({ home: noteName, mode: modeId }))
    .max(24)
    .catch([]),
  system: z.enum(SYSTEMS).optional().catch(undefined),
  hands: z.array(z.int().min(0).max(36)).max(24).catch([]),
  figures: z.array(z.enum(LINE_FIGURES)).optional().catch(undefined),
  octaves: z
    .union([z.literal(1), z.literal(2)])
    .optional()
    .catch(undefined),
  labels: z.enum(["notes", "degrees", "fingers"]).catch("notes"),
});
export type Practice = z.infer<typeof practice>;

/** What is chosen for the practice sheet; what isn't follows the stage. */
export const practiceSheet = documentOf<Practice>({
  kind: "practice",
  stored: { version: 1, schema: practice, migrations: [] },
  blank: practice.parse({}),
  isBlank: () => false,
  titleOf: ({ modes }) => modes.map(({ home, mode }) => `${home} ${mode}`).join(", "),
});

const shape = z.object({ text: z.string().max(60) });

/** The chord shape that is moved over a bass. */
export const chordShape = documentOf<z.infer<typeof shape>>(
  {
    kind: "shape",
    stored: { version: 1, schema: shape, migrations: [] },
    blank: { text: "maj9" },
    isBlank: () => false,
    titleOf: ({ text }) => text,
  },
  "match/over-bass",
  "derive/chords",
);
