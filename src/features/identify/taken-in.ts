import { playedTune, type Timed } from "@/core/tune";
import { writeNotes } from "@/formats";
import { $settings } from "@/session";
import { BLANK_TUNE, tuneDocument, type TuneValue } from "./tune-document";
import type { HeardLine } from "@/session/playing/useListening";

/** What notes that were played in or recorded are called until they have a name. */
const [PLAYED, RECORDED] = ["Played in", "Recording"];

const written = (notes: readonly Timed[], tempo: number): string => writeNotes(playedTune(notes, tempo));

/** What was set by hand belongs to the text that it was set for. */
export const UNTOUCHED = { which: 0, about: undefined, home: undefined, bars: undefined, without: [] };

/** Notes as text, with the tempo that they were taken in at. */
const asTyped = (notes: readonly Timed[], tempo = $settings.get().tempo) =>
  ({ ...UNTOUCHED, source: "notes", text: written(notes, tempo), tempo }) as const;

/** Whether the text is what was made of some notes, and not typed over since. */
const isOwn = ({ text, tempo }: TuneValue, notes: readonly Timed[] | undefined): boolean =>
  notes !== undefined && tempo !== undefined && text === written(notes, tempo);

/** Typed notes with one more at their end. */
function continued(text: string, note: Timed, tempo: number): string {
  const last = written([{ ...note, onset: 0 }], tempo).replace(/[\s|]+$/u, "");
  return `${text.replace(/[\s|]+$/u, "")} ${last}`.trim();
}

/**
 * Takes a note in that was played: after those played before, or after what was typed since. A tune that came from elsewhere stays
 * under Recent, and the notes begin one of their own.
 */
export function takePlayed(note: Timed): void {
  const value = tuneDocument.$value.get();
  const { text, played, tempo } = value;
  if (isOwn(value, played)) {
    const notes = [...(played ?? []), note];
    tuneDocument.change({ ...asTyped(notes, tempo), played: notes }, "playing");
  } else if (played !== undefined && value.source === "notes" && text.trim() !== "") {
    const now = $settings.get().tempo;
    tuneDocument.change({ ...UNTOUCHED, text: continued(text, note, now) }, "playing");
  } else {
    tuneDocument.open({
      ...BLANK_TUNE,
      ...asTyped([note]),
      name: PLAYED,
      origin: "played",
      played: [note],
    });
  }
}

/** Takes the last note back; of notes that were typed over, the last change. */
export function takeLastBack(): void {
  const value = tuneDocument.$value.get();
  const { played = [], tempo } = value;
  if (!isOwn(value, played)) {
    tuneDocument.undo();
    return;
  }
  const notes = played.slice(0, -1);
  if (notes.length === 0) beginAgain();
  else tuneDocument.change({ ...asTyped(notes, tempo), played: notes });
}

/** An empty tune; the one before stays under Recent. */
export const beginAgain = (): void => tuneDocument.open(BLANK_TUNE);

/** A recording that was listened to becomes a tune of its own. */
export function takeRecording({ frames, notes: heard }: HeardLine): void {
  const notes = heard.map(({ midi, onset, duration }): Timed => ({ midi, onset, duration }));
  tuneDocument.open({
    ...BLANK_TUNE,
    ...asTyped(notes),
    name: RECORDED,
    origin: "recorded",
    line: { frames: [...frames], notes },
  });
}

/** Notes of a recording as they were corrected. Where the text was typed over since, that stays and the recording begins a tune of its own. */
export function takeCorrected(notes: readonly Timed[]): void {
  const value = tuneDocument.$value.get();
  const { line, tempo } = value;
  if (!line) return;
  const next = { ...line, notes: [...notes] };
  if (isOwn(value, line.notes)) tuneDocument.change({ ...asTyped(notes, tempo), line: next });
  else takeRecording(next);
}
