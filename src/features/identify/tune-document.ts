import { z } from "zod";
import { TUNE_ORIGINS, TUNE_SOURCES } from "@/formats/tune-source";
import { documentOf } from "@/session";
import { isFields, MAX_TUNE_TEXT, modeId, noteName } from "@/storage";

const place = z.int().min(0);
const timed = z.object({ midi: z.number(), onset: z.number(), duration: z.number() });
const frame = z.object({ time: z.number(), hertz: z.number(), clarity: z.number(), level: z.number() });

const tuneValue = z.object({
  source: z.enum(TUNE_SOURCES),
  text: z.string().max(MAX_TUNE_TEXT),
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
    fromDraft: ({ tune }) => {
      const known = tuneValue.safeParse(isFields(tune) ? { ...BLANK_TUNE, ...tune } : undefined);
      return known.success && known.data.text !== "" ? known.data : undefined;
    },
  },
  "identify/tune",
);
