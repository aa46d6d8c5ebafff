import { identify } from "@/core/identify";
import { missingDegrees } from "@/core/reshape";
import { mode as modeById } from "@/core/scale";
import { type ExamTune, examTune } from "@/core/training";
import { DEMO_TUNES } from "@/demo";
import { readTunes, type TuneText } from "@/formats";
import type { ExamValue, Saved, Settings } from "@/storage";

/** Something that can be read as a tune. */
export interface TuneOffered extends Pick<TuneText, "source" | "text"> {
  readonly id: string;
  readonly title: string;
}

/** What the user's model tune goes by among the tunes that are offered. */
export const MODEL_TUNE = "model-tune";

/** The tunes that an exam can be heard in: the user's model tune, those on the Shelf, and the demo's that aren't there. */
export function tunesOffered(shelf: readonly Saved[], model: Settings["modelTune"]): readonly TuneOffered[] {
  const savedTunes = shelf.flatMap((each) =>
    each.kind === "tune" && each.deletedAt === undefined ? [each] : [],
  );
  const ids = new Set(savedTunes.map(({ id }) => id));
  const others = [...savedTunes, ...DEMO_TUNES.filter(({ id }) => !ids.has(id))];
  return model
    ? [{ ...model, id: MODEL_TUNE }, ...others.filter(({ title }) => title !== model.title)]
    : others;
}

/** Bars of a longer piece that are listened to. */
const MAX_BARS = 200;

/**
 * Reads a tune for an exam: its home and mode as Identify finds them, the bars that tell most. Undefined where it has no notes, is too
 * long, or no part of it ends on home.
 */
export async function tuneForExam({ source, text, title }: TuneOffered): Promise<ExamTune | undefined> {
  const { value } = await readTunes({ source, text, name: title });
  const tune = value[0]?.tune;
  if (!tune || tune.bars.length > MAX_BARS) return undefined;
  const found = identify(tune, {});
  const made = found && examTune(tune, found.homeMode);
  return made && { ...made, title: title || tune.title };
}

/** Numbers of the degrees that a tune of an exam lacks. */
export const lackedBy = ({ notes, mode }: ExamTune): readonly number[] =>
  missingDegrees(
    notes.map(([interval]) => interval),
    modeById(mode),
  );

/** A tune as an exam holds it. */
export const examTuneValue = (tune: ExamTune): ExamValue["tunes"][number] => ({
  ...tune,
  notes: tune.notes.map(([interval, step, at, length]) => [interval, step, at, length]),
});
