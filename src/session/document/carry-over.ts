import { isFields } from "@/storage";
import { $features } from "../place/feature";
import { $documents } from "./documents";
import { records, saving } from "../records/records";

/** Where version 1 had all that was worked on, in one record. */
const DRAFT = "draft";

/**
 * Carries what version 1 was working on over to documents. The old record goes once they are written, and not before. A page without the
 * views, as a sheet is, doesn't know all of those documents: it leaves the record for one that does.
 */
export async function carryOverDraft(): Promise<void> {
  if ($features.get().length === 0) return;
  const draft = await records.read(DRAFT);
  if (!isFields(draft)) return;
  for (const { openDraft } of $documents.get()) openDraft(draft);
  // What was opened is in the queue before this.
  void saving.save(DRAFT, async () => {
    if (saving.$state.get().failing.size > 0) throw new Error("what was opened is not written yet");
    await records.remove(DRAFT);
  });
}
