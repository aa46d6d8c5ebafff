import { isFields } from "@/storage";
import {
  BLANK_TUNE,
  chartDocument,
  chordShape,
  modeQuestion,
  practiceSheet,
  tuneDocument,
} from "./documents";
import type { OpenDocument } from "./document";
import { records } from "./records";

/** Where version 1 had all that was worked on, in one record. */
const DRAFT = "draft";

/**
 * Carries what version 1 was working on over to documents. The old record stays until they have been there at a start, so that
 * nothing is lost where they could not be written.
 */
export async function carryOverDraft(): Promise<void> {
  const draft = await records.read(DRAFT);
  if (!isFields(draft)) return;
  const isNew = <T extends object>(document: OpenDocument<T>) =>
    document.$recent.get().length === 0 && document.$steps.get().undo === 0;
  const text = (field: unknown) => (typeof field === "string" ? field : "");
  if (
    !isNew(chartDocument) ||
    chartDocument.$value.get().chords !== "" ||
    tuneDocument.$value.get().text !== ""
  ) {
    await records.remove(DRAFT);
    return;
  }
  const { chords, chartTitle, question, practice, shape } = draft;
  if (text(chords) !== "")
    chartDocument.open({ chords: text(chords), title: text(chartTitle).slice(0, 240) });
  const old = tuneDocument.read({ ...BLANK_TUNE, ...(isFields(draft.tune) ? draft.tune : {}) });
  if (old && old.text !== "") tuneDocument.open(old);
  const asked = isFields(question) ? modeQuestion.read(question) : undefined;
  if (asked) modeQuestion.open(asked);
  const sheet = isFields(practice) ? practiceSheet.read(practice) : undefined;
  if (sheet) practiceSheet.open(sheet);
  if (text(shape) !== "") chordShape.open({ text: text(shape).slice(0, 60) });
}
