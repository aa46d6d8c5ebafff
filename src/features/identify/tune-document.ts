import * as z from "zod/mini";
import { TUNE_ORIGINS, TUNE_SOURCES } from "@/formats/tune-source";
import { documentOf } from "@/session";
import { isFields, MAX_TUNE_TEXT, modeId, noteName } from "@/storage";

const place = z.int().check(z.minimum(0));
const timed = z.object({ midi: z.number(), onset: z.number(), duration: z.number() });
const frame = z.object({ time: z.number(), hertz: z.number(), clarity: z.number(), level: z.number() });

const tuneValue = z.object({
  source: z.enum(TUNE_SOURCES),
  text: z.string().check(z.maxLength(MAX_TUNE_TEXT)),
  name: z.catch(z.string().check(z.maxLength(240)), ""),
  /** How notes came in that were not typed. */
  origin: z.catch(z.optional(z.enum(TUNE_ORIGINS)), undefined),
  /** Which tune of the text, from 0. */
  which: z.catch(place, 0),
  /** What was set by hand for it. */
  home: z.catch(z.optional(z.int()), undefined),
  about: z.catch(z.optional(z.object({ home: noteName, mode: modeId })), undefined),
  bars: z.catch(z.optional(z.object({ from: place, to: place })), undefined),
  without: z.catch(z.array(place), []),
  /** The line of pitch of a recording, and the notes that were made of it. */
  line: z.catch(
    z.optional(
      z.object({
        frames: z.array(frame).check(z.maxLength(400_000)),
        notes: z.array(timed).check(z.maxLength(40_000)),
      }),
    ),
    undefined,
  ),
  /** Beats a minute at which they were taken in. */
  tempo: z.catch(z.optional(z.number()), undefined),
  /** Notes as they were played in, so that more can follow. */
  played: z.catch(z.optional(z.array(timed).check(z.maxLength(40_000))), undefined),
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
