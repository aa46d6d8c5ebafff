import * as z from "zod/mini";
import { EXPECTATIONS } from "@/core/identify/expectation";
import {
  badMeasures,
  COMFORTABLE_STRETCH,
  INSTRUMENT_IDS,
  LINE_FIGURES,
  ORDERS,
  SOUNDS,
  SYSTEMS,
} from "@/core/instrument";
import { NOTE_NAMINGS } from "@/core/pitch";
import { ANALYSIS_KINDS } from "@/core/progression";
import { COMPARISONS, FAMILIES, REFERENCE_CONVENTIONS, USUAL_FAMILIES } from "@/core/scale";
import { TUNE_SOURCES } from "@/formats/tune-source";
import { modeId, strings } from "./fields";
import { type Fields, isFields } from "./versioned";

/** A model tune is one that is known by heart. */
const MAX_MODEL_TEXT = 20_000;

/** The version of the settings written now. */
export const SETTINGS_VERSION = 3;

/** A tuning made by hand. */
const ownTuningRecord = z
  .strictObject({
    name: z.string().check(z.minLength(1), z.maxLength(60)),
    instrument: z.enum(INSTRUMENT_IDS),
    strings,
    frets: z.number(),
    scaleLength: z.number(),
  })
  .check(z.refine((own) => badMeasures({ ...own, capo: 0 }).length === 0));
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

/** How many of the metronome's bars are silent: "1 of 4" is every fourth. */
export const SILENT_CLICKS = ["none", "1 of 2", "1 of 4", "2 of 4", "4 of 8"] as const;

/** What is held under a line, how low it lies, and what plays it. */
export const DRONE_NOTES = ["root", "fifth", "octaves"] as const;
export const DRONE_REGISTERS = ["low", "middle", "high"] as const;
export const DRONE_SOUNDS = SOUNDS.filter((sound) => sound !== "click");

/** How bars of five and seven beats fall into groups. */
export const FIVES = ["3+2", "2+3"] as const;
export const SEVENS = ["2+2+3", "3+2+2", "2+3+2"] as const;

const RHYTHM_NAMES = ["quarters", "eighths", "triplets", "sixteenths"] as const;
const decibels = z.catch(z.number().check(z.minimum(-40), z.maximum(6)), 0);

/** The stage: instrument, neck, what is shown and what is played. */
const stage = {
  instrument: z.catch(z.enum(INSTRUMENT_IDS), "guitar"),
  /** "guitar/drop-d", or "own/" and the name of one made by hand; the instrument's usual one where it is unknown. */
  tuning: z.catch(z.string().check(z.maxLength(80)), "guitar/standard"),
  ownTunings: z.catch(z.array(ownTuningRecord).check(z.maxLength(50)), []),
  capo: z.catch(z.int().check(z.minimum(0), z.maximum(20)), 0),
  leftHanded: z.catch(z.boolean(), false),
  /** The frets that the neck is drawn with. */
  fromFret: z.catch(z.int().check(z.minimum(0), z.maximum(30)), 0),
  toFret: z.catch(z.int().check(z.minimum(4), z.maximum(36)), 15),
  /** Millimetres that the hand opens in comfort. */
  stretch: z.catch(z.number().check(z.minimum(60), z.maximum(180)), COMFORTABLE_STRETCH),
  surface: z.catch(z.enum(["neck", "keys", "staff"]), "neck"),
  division: z.catch(z.enum(DIVISIONS), "position"),
  system: z.catch(z.enum(SYSTEMS), "five-positions"),
  order: z.catch(z.enum(ORDERS), "up-and-down"),
  labels: z.catch(z.enum(LABELS), "notes"),
  /** The mode whose fingering is known, that the selected one is told from: by id, what it is told by, or none. */
  known: z.catch(z.union([z.enum(["reference", "none"]), modeId]), "reference"),
  /** The fingering within the limit, where a position has one. */
  easier: z.catch(z.boolean(), false),
  figure: z.catch(z.enum(LINE_FIGURES), "thirds"),
  octaves: z.catch(z.union([z.literal(1), z.literal(2)]), 1),
  rhythm: z.catch(z.enum(RHYTHM_NAMES), "eighths"),
  texture: z.catch(z.enum(TEXTURES), "chosen"),
  loop: z.catch(z.boolean(), false),
  click: z.catch(z.boolean(), false),
  /** Into how many parts the metronome divides each beat. */
  clickParts: z.catch(z.union([z.literal(1), z.literal(2), z.literal(3), z.literal(4)]), 1),
  silentClicks: z.catch(z.enum(SILENT_CLICKS), "none"),
  fives: z.catch(z.enum(FIVES), "3+2"),
  sevens: z.catch(z.enum(SEVENS), "2+2+3"),
  droneNotes: z.catch(z.enum(DRONE_NOTES), "root"),
  droneRegister: z.catch(z.enum(DRONE_REGISTERS), "middle"),
  droneSound: z.catch(z.enum(DRONE_SOUNDS), "harmonium"),
  /** What a guitar sounds like. */
  guitarSound: z.catch(z.enum(GUITAR_SOUNDS), "steel"),
  /** How chords are played, and by whom. */
  backing: z.catch(z.enum(BACKINGS), "strum"),
  chordsOn: z.catch(z.enum(CHORDS_ON), "instrument"),
  /** Beats counted before the first round. */
  countIn: z.catch(z.int().check(z.minimum(0), z.maximum(8)), 0),
  /** The tempo that climbs by itself: so much faster every so many rounds, up to a tempo. */
  climb: z.catch(
    z.object({
      isOn: z.boolean(),
      by: z.int().check(z.minimum(1), z.maximum(40)),
      every: z.int().check(z.minimum(1), z.maximum(32)),
      to: z.int().check(z.minimum(30), z.maximum(300)),
    }),
    { isOn: false, by: 4, every: 2, to: 160 },
  ),
  /** Decibels for each part, beside the balance that it has by itself. */
  parts: z.catch(
    z.object({ line: decibels, drone: decibels, chord: decibels, bass: decibels, click: decibels }),
    { line: 0, drone: 0, chord: 0, bass: 0, click: 0 },
  ),
};

/** How Match reads charts and what it shows of them. */
const match = {
  /** Ids of the families that scales are taken from. */
  families: z.catch(
    z
      .array(z.string().check(z.refine((id) => FAMILIES.some((family) => family.id === id))))
      .check(z.minLength(1), z.maxLength(FAMILIES.length)),
    [...USUAL_FAMILIES],
  ),
  /** Which analyses stand under the chords. */
  bands: z.catch(z.enum(["all", ...ANALYSIS_KINDS]), "all"),
  /** The target note is saved for the chord that has it, or used throughout, in practice. */
  targetWay: z.catch(z.enum(["save", "throughout"]), "save"),
  /** The guide lines stand under the chords. */
  guides: z.catch(z.boolean(), false),
  /** The chord that sounds is the selected one. */
  follow: z.catch(z.boolean(), false),
};

/** How the application is set up. Every field has a value to fall back on. */
const settings = z.object({
  version: z.catch(z.literal(SETTINGS_VERSION), SETTINGS_VERSION),
  theme: z.catch(z.enum(["system", "light", "dark"]), "system"),
  tempo: z.catch(z.number().check(z.minimum(30), z.maximum(300)), 96),
  /** Single keys act; without them only combined ones do. */
  shortcuts: z.catch(z.boolean(), true),
  /** Loudness in decibels below full scale. */
  volume: z.catch(z.number().check(z.minimum(-60), z.maximum(0)), -18),
  drone: z.catch(z.boolean(), true),
  /** What is solfege: from home as do, from the parent's tonic as do, numbers, or nothing. */
  syllables: z.catch(z.enum(["home", "parent", "numbers", "none"]), "home"),
  /** What a mode is told by. */
  reference: z.catch(z.enum(REFERENCE_CONVENTIONS), "by-third"),
  /** What it is compared with. */
  comparison: z.catch(z.enum(COMPARISONS), "usual"),
  noteNames: z.catch(z.enum(NOTE_NAMINGS), "english"),
  /** Ionian and Aeolian, or major and natural minor. */
  majorNames: z.catch(z.enum(["modes", "plain"]), "modes"),
  /** What kind of tunes Identify expects. */
  expects: z.catch(z.enum(EXPECTATIONS), "mixed"),
  /** What folds in the panel of a mode is open: its count, solfège and neighbours. Until it was opened or closed, where there is room. */
  modeFold: z.catch(z.optional(z.boolean()), undefined),
  /** What sheets are printed on. */
  paper: z.catch(z.enum(["a4", "letter"]), "a4"),
  /** The legend stands on the screen until it is dismissed, and so do the first things to try. */
  legend: z.catch(z.boolean(), true),
  firstSteps: z.catch(z.boolean(), true),
  /** The tune that the user knows by heart, heard in Ear in whatever mode is asked. */
  modelTune: z.catch(
    z.optional(
      z.object({
        title: z.string().check(z.maxLength(240)),
        source: z.enum(TUNE_SOURCES),
        text: z.string().check(z.maxLength(MAX_MODEL_TEXT)),
      }),
    ),
    undefined,
  ),
  /** Memory lines by the id of the family whose names they order. */
  memory: z.catch(z.record(z.string().check(z.maxLength(64)), z.string().check(z.maxLength(300))), {}),
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
