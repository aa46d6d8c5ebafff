import { z } from "zod";
import { EXPECTATIONS } from "@/core/identify/expectation";
import {
  badMeasures,
  COMFORTABLE_STRETCH,
  INSTRUMENT_IDS,
  LINE_FIGURES,
  ORDERS,
  SYSTEMS,
} from "@/core/instrument";
import { NOTE_NAMINGS } from "@/core/pitch";
import { ANALYSIS_KINDS } from "@/core/progression";
import { COMPARISONS, FAMILIES, REFERENCE_CONVENTIONS, USUAL_FAMILIES } from "@/core/scale";
import { TUNE_SOURCES } from "@/formats/tune-source";
import { modeId } from "./fields";
import { strings } from "./saved";
import { type Fields, isFields } from "./versioned";

/** A model tune is one that is known by heart. */
const MAX_MODEL_TEXT = 20_000;

/** The version of the settings written now. */
export const SETTINGS_VERSION = 3;

/** A tuning made by hand. */
const ownTuningRecord = z
  .strictObject({
    name: z.string().min(1).max(60),
    instrument: z.enum(INSTRUMENT_IDS),
    strings,
    frets: z.number(),
    scaleLength: z.number(),
  })
  .refine((own) => badMeasures({ ...own, capo: 0 }).length === 0);
export type OwnTuning = z.infer<typeof ownTuningRecord>;

/** What the stage shows of a neck. */
export const DIVISIONS = ["position", "whole", "line", "voicing"] as const;
export type Division = (typeof DIVISIONS)[number];

/** Note labels. */
export const LABELS = ["notes", "degrees", "syllables", "fingers", "none"] as const;
export type Labels = (typeof LABELS)[number];

/** What Play plays: what the view has chosen, what the stage shows, or one texture of the mode. */
export const TEXTURES = ["chosen", "shown", "mode", "drone", "pedal", "vamp", "click"] as const;
export type Texture = (typeof TEXTURES)[number];

/** How chords are played: strummed in the chart's meter, one note after another, or held. */
export const BACKINGS = ["strum", "arpeggio", "pad", "drone"] as const;
export type Backing = (typeof BACKINGS)[number];

/** Who plays chords: the instrument of the stage where it can, a keyboard, or four bowed strings. */
export const CHORDS_ON = ["instrument", "keyboard", "strings"] as const;

/** What a guitar is strung and heard with. */
export const GUITAR_SOUNDS = ["steel", "nylon", "clean"] as const;
export type GuitarSound = (typeof GUITAR_SOUNDS)[number];

const RHYTHM_NAMES = ["quarters", "eighths", "triplets", "sixteenths"] as const;
const decibels = z.number().min(-40).max(6).catch(0);

/** The stage: instrument, neck, what is shown and what is played. */
const stage = {
  instrument: z.enum(INSTRUMENT_IDS).catch("guitar"),
  /** "guitar/drop-d", or "own/" and the name of one made by hand; the instrument's usual one where it is unknown. */
  tuning: z.string().max(80).catch("guitar/standard"),
  ownTunings: z.array(ownTuningRecord).max(50).catch([]),
  capo: z.int().min(0).max(20).catch(0),
  leftHanded: z.boolean().catch(false),
  /** The frets that the neck is drawn with. */
  fromFret: z.int().min(0).max(30).catch(0),
  toFret: z.int().min(4).max(36).catch(15),
  /** Millimetres that the hand opens in comfort. */
  stretch: z.number().min(60).max(180).catch(COMFORTABLE_STRETCH),
  surface: z.enum(["neck", "keys", "staff"]).catch("neck"),
  division: z.enum(DIVISIONS).catch("position"),
  system: z.enum(SYSTEMS).catch("five-positions"),
  order: z.enum(ORDERS).catch("up-and-down"),
  labels: z.enum(LABELS).catch("notes"),
  /** The mode whose fingering is known, that the selected one is told from: by id, what it is told by, or none. */
  known: z.union([z.enum(["reference", "none"]), modeId]).catch("reference"),
  /** The fingering within the limit, where a position has one. */
  easier: z.boolean().catch(false),
  figure: z.enum(LINE_FIGURES).catch("thirds"),
  octaves: z.union([z.literal(1), z.literal(2)]).catch(1),
  rhythm: z.enum(RHYTHM_NAMES).catch("eighths"),
  texture: z.enum(TEXTURES).catch("chosen"),
  loop: z.boolean().catch(false),
  click: z.boolean().catch(false),
  /** Into how many parts the metronome divides each beat. */
  clickParts: z.union([z.literal(1), z.literal(2), z.literal(3), z.literal(4)]).catch(1),
  /** What a guitar sounds like. */
  guitarSound: z.enum(GUITAR_SOUNDS).catch("steel"),
  /** How chords are played, and by whom. */
  backing: z.enum(BACKINGS).catch("strum"),
  chordsOn: z.enum(CHORDS_ON).catch("instrument"),
  /** Beats counted before the first round. */
  countIn: z.int().min(0).max(8).catch(0),
  /** The tempo that climbs by itself: so much faster every so many rounds, up to a tempo. */
  climb: z
    .object({
      isOn: z.boolean(),
      by: z.int().min(1).max(40),
      every: z.int().min(1).max(32),
      to: z.int().min(30).max(300),
    })
    .catch({ isOn: false, by: 4, every: 2, to: 160 }),
  /** Decibels for each part, beside the balance that it has by itself. */
  parts: z
    .object({ line: decibels, drone: decibels, chord: decibels, bass: decibels, click: decibels })
    .catch({ line: 0, drone: 0, chord: 0, bass: 0, click: 0 }),
};

/** How Match reads charts and what it shows of them. */
const match = {
  /** Ids of the families that scales are taken from. */
  families: z
    .array(z.string().refine((id) => FAMILIES.some((family) => family.id === id)))
    .min(1)
    .max(FAMILIES.length)
    .catch([...USUAL_FAMILIES]),
  /** Which analyses stand under the chords. */
  bands: z.enum(["all", ...ANALYSIS_KINDS]).catch("all"),
  /** The target note is saved for the chord that has it, or used throughout, in practice. */
  targetWay: z.enum(["save", "throughout"]).catch("save"),
  /** The guide lines stand under the chords. */
  guides: z.boolean().catch(false),
  /** The chord that sounds is the selected one. */
  follow: z.boolean().catch(false),
};

/** How the application is set up. Every field has a value to fall back on. */
const settings = z.object({
  version: z.literal(SETTINGS_VERSION).catch(SETTINGS_VERSION),
  theme: z.enum(["system", "light", "dark"]).catch("system"),
  tempo: z.number().min(30).max(300).catch(96),
  /** Single keys act; without them only combined ones do. */
  shortcuts: z.boolean().catch(true),
  /** Loudness in decibels below full scale. */
  volume: z.number().min(-60).max(0).catch(-18),
  drone: z.boolean().catch(true),
  /** What is solfege: from home as do, from the parent's tonic as do, numbers, or nothing. */
  syllables: z.enum(["home", "parent", "numbers", "none"]).catch("home"),
  /** What a mode is told by. */
  reference: z.enum(REFERENCE_CONVENTIONS).catch("by-third"),
  /** What it is compared with. */
  comparison: z.enum(COMPARISONS).catch("usual"),
  noteNames: z.enum(NOTE_NAMINGS).catch("english"),
  /** Ionian and Aeolian, or major and natural minor. */
  majorNames: z.enum(["modes", "plain"]).catch("modes"),
  /** What kind of tunes Identify expects. */
  expects: z.enum(EXPECTATIONS).catch("mixed"),
  /** What folds in the panel of a mode is open: its count, solfège and neighbours. Until it was opened or closed, where there is room. */
  modeFold: z.boolean().optional().catch(undefined),
  /** What sheets are printed on. */
  paper: z.enum(["a4", "letter"]).catch("a4"),
  /** The legend stands on the screen until it is dismissed, and so do the first things to try. */
  legend: z.boolean().catch(true),
  firstSteps: z.boolean().catch(true),
  /** The tune that the user knows by heart, heard in Ear in whatever mode is asked. */
  modelTune: z
    .object({
      title: z.string().max(240),
      source: z.enum(TUNE_SOURCES),
      text: z.string().max(MAX_MODEL_TEXT),
    })
    .optional()
    .catch(undefined),
  /** Memory lines by the id of the family whose names they order. */
  memory: z.record(z.string().max(64), z.string().max(300)).catch({}),
  ...stage,
  ...match,
});
export type Settings = z.infer<typeof settings>;

/** How the application is set up before anybody has changed anything. */
export const DEFAULTS: Settings = settings.parse({});

/** Settings out of whatever lies in storage or in a file: field by field, the usual value where one is missing or broken. */
export const readSettings = (record: unknown): Settings =>
  settings.parse(isFields(record) ? carriedOver(record) : {});

/** What version 1 called otherwise. */
const THEMES: Fields = { day: "light", dusk: "dark" };
const BANDS: Fields = { "fewest-turns": "fewest-changes" };

/** Up to version 2 Play was told apart what of the neck it plays. */
const SHOWN: readonly unknown[] = ["position", "line"];

function carriedOver({ signalWay, ...record }: Fields): Fields {
  if (record.version === SETTINGS_VERSION) return record;
  const renamed = (field: string, names: Fields) =>
    field in record ? { [field]: names[String(record[field])] ?? record[field] } : {};
  return {
    ...record,
    ...renamed("theme", THEMES),
    ...renamed("bands", BANDS),
    ...(signalWay === undefined ? {} : { targetWay: signalWay }),
    ...(SHOWN.includes(record.texture) ? { texture: "shown", division: record.texture } : {}),
    version: SETTINGS_VERSION,
  };
}

/** Fields of settings that a record brings and that can be read, whatever else is in it. */
export function settingsIn(record: unknown): Partial<Settings> {
  if (!isFields(record)) return {};
  const carried = carriedOver(record);
  return Object.fromEntries(
    Object.entries(settings.parse(carried)).filter(
      ([field, value]) => field !== "version" && JSON.stringify(carried[field]) === JSON.stringify(value),
    ),
  );
}
