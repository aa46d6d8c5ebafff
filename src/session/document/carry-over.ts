import { isFields } from "@/storage";
import { $documents } from "./documents";
import { records, saving } from "../records/records";

/** Where version 1 had all that was worked on, in one record. */
const DRAFT = "draft";

/** Carries what version 1 was working on over to documents. The old record goes once they are written, and not before. */
export async function carryOverDraft(): Promise<void> {
  const draft = await records.read(DRAFT);
  if (!isFields(draft)) return;
  for (const { openDraft } of $documents.get()) openDraft(draft);
  // What was opened is in the queue before this.
  void saving.save(DRAFT, async () => {
    if (saving.$state.get().failing.size > 0) throw new Error("what was opened is not written yet");
    await records.remove(DRAFT);
  });
}
