import { atom } from "nanostores";
import { SAFE_VOLUME } from "@/audio";
import {
  arriving,
  type BackupProblem,
  type DocumentInFile,
  type ImportChoice,
  type ImportPlan,
  planImport,
  type PutStep,
  type readBackup,
  type RecentDocument,
  mergedSittings,
  type Settings,
  type Sitting,
  writeBackup,
} from "@/storage";
import {
  arrivingDocuments,
  documentsForFile,
  takeDocument,
  takeOutDocument,
} from "../document/documents-backup";
import { aside, saving } from "../records/records";
import { $settings, changeSettings } from "../settings/settings";
import { shelf } from "./shelf";
import { sittings } from "../playing/sittings";

/** Everything that this browser keeps, as the text of one file; deleted things are left out. */
export const exportAll = async (): Promise<string> =>
  writeBackup({
    shelf: shelf.$saved.get().filter(({ deletedAt }) => deletedAt === undefined),
    settings: $settings.get(),
    aside: aside.$records.get(),
    documents: await documentsForFile(),
    sittings: sittings.$all.get().filter(({ deletedAt }) => deletedAt === undefined),
  });

/** What a file would bring, documents among it. */
export interface FilePlan extends ImportPlan {
  readonly documents: readonly DocumentInFile[];
  /** Those that are not here, or not so far. */
  readonly sittings: readonly Sitting[];
}

/** What a file would bring; no plan where it is no backup. Nothing is changed yet. */
export async function planOf({ value, problems }: ReturnType<typeof readBackup>): Promise<{
  readonly plan: FilePlan | undefined;
  readonly problems: readonly BackupProblem[];
}> {
  if (!value) return { plan: undefined, problems };
  const documents = await arrivingDocuments(value.documents, fromFile);
  const present = new Map(sittings.$all.get().map((each) => [each.id, each]));
  const arrivingSittings = value.sittings.filter((each) => {
    const mine = present.get(each.id);
    return !mine || JSON.stringify(mergedSittings(mine, each)) !== JSON.stringify(mine);
  });
  return {
    plan: {
      ...planImport(value, shelf.$saved.get(), $settings.get()),
      documents,
      sittings: arrivingSittings,
    },
    problems,
  };
}

/** The last import, which can be undone in one step until the page is closed. */
interface Imported extends PutStep {
  readonly settings: Partial<Settings>;
  readonly documents: readonly RecentDocument[];
  readonly sittings: readonly Sitting[];
}

export const $imported = atom<Imported | undefined>(undefined);

/** How a thing from a file is called that stands beside the one here. */
const fromFile = (title: string) => `${title.slice(0, 200)} (from the file)`;

/**
 * Takes what a plan brings, by choice; resolves once storage has all of it, or it was called off. The count is what storage has.
 */
export async function importBy(
  plan: FilePlan,
  choice: ImportChoice,
  watch: { readonly onProgress: (done: number, of: number) => void; readonly signal: AbortSignal },
): Promise<number> {
  const things = arriving(plan, choice, fromFile);
  const of = things.length + plan.documents.length + plan.sittings.length;
  const step = await shelf.putAll(things, {
    onProgress: (done) => watch.onProgress(done, of),
    signal: watch.signal,
  });
  const documents: RecentDocument[] = [];
  for (const [at, each] of plan.documents.entries()) {
    if (watch.signal.aborted) break;
    // What storage refuses waits with all else that isn't saved, and comes in when it is through.
    const again = async () => {
      await takeDocument(each);
    };
    const taken = takeDocument(each).catch(() => {
      void saving.save(each.recent.id, again);
      return false;
    });
    if (await Promise.race([taken, aborted(watch.signal)])) documents.push(each.recent);
    watch.onProgress(things.length + at + 1, of);
  }
  const sat = watch.signal.aborted ? [] : await sittings.takeIn(plan.sittings);
  watch.onProgress(things.length + plan.documents.length + sat.length, of);
  for (const { from, record, why } of plan.aside) await aside.put(from, record, why);
  const before: Record<string, unknown> = {};
  if (choice.settings && !watch.signal.aborted) {
    for (const field of Object.keys(plan.settings)) before[field] = $settings.get()[field as keyof Settings];
    const { volume = $settings.get().volume } = plan.settings;
    changeSettings({ ...plan.settings, volume: Math.min(volume, SAFE_VOLUME) });
  }
  $imported.set({ ...step, settings: before, documents, sittings: sat });
  return step.put.length + documents.length + sat.length;
}

/** Settles when it is called off. */
const aborted = (signal: AbortSignal) =>
  new Promise<false>((resolve) => signal.addEventListener("abort", () => resolve(false), { once: true }));

/** Puts everything back as it was before the last import. */
export async function undoImport(): Promise<void> {
  const step = $imported.get();
  if (!step) return;
  $imported.set(undefined);
  await shelf.undoPut(step);
  for (const document of step.documents) await takeOutDocument(document);
  await sittings.takeOut(step.sittings);
  changeSettings(step.settings);
}
