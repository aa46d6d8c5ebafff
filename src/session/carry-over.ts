import { isFields } from "@/storage";
import {
  BLANK_TUNE,
  chartDocument,
  chordShape,
  modeQuestion,
  practiceSheet,
  tuneDocument,
} from "./documents";
import { records, saving } from "./records";

/** Where version 1 had all that was worked on, in one record. */
const DRAFT = "draft";

const text = (field: unknown) => (typeof field === "string" ? field : "");

/** Carries what version 1 was working on over to documents. The old record goes once they are written, and not before. */
export async function carryOverDraft(): Promise<void> {
  const draft = await records.read(DRAFT);
  if (!isFields(draft)) return;
  const { chords, chartTitle, tune, question, practice, shape } = draft;
  if (text(chords) !== "")
    chartDocument.open({ chords: text(chords), title: text(chartTitle).slice(0, 240) });
  const old = isFields(tune) ? tuneDocument.read({ ...BLANK_TUNE, ...tune }) : undefined;
  if (old && old.text !== "") tuneDocument.open(old);
  const asked = isFields(question) ? modeQuestion.read(question) : undefined;
  if (asked) modeQuestion.open(asked);
  const sheet = isFields(practice) ? practiceSheet.read(practice) : undefined;
  if (sheet) practiceSheet.open(sheet);
  if (text(shape) !== "") chordShape.open({ text: text(shape).slice(0, 60) });
  // What was opened is in the queue before this.
  void saving.save(DRAFT, async () => {
    if (saving.$state.get().failing.size > 0) throw new Error("what was opened is not written yet");
    await records.remove(DRAFT);
  });
}
