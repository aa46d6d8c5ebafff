import { atom } from "nanostores";
import { SAFE_VOLUME } from "@/audio";
import {
  arriving,
  type BackupProblem,
  type ImportChoice,
  type ImportPlan,
  planImport,
  type PutStep,
  readBackup,
  type Settings,
  writeBackup,
} from "@/storage";
import { aside } from "./records";
import { $settings, changeSettings } from "./settings";
import { shelf } from "./shelf";

/** Everything that this browser keeps, as the text of one file; deleted things are left out. */
export const exportAll = (): string =>
  writeBackup(
    shelf.$saved.get().filter(({ deletedAt }) => deletedAt === undefined),
    $settings.get(),
    aside.$records.get(),
  );

/** What a file would bring; no plan where it is no backup. Nothing is changed yet. */
export function planOf(text: string): {
  readonly plan: ImportPlan | undefined;
  readonly problems: readonly BackupProblem[];
} {
  const { value, problems } = readBackup(text);
  return { plan: value && planImport(value, shelf.$saved.get(), $settings.get()), problems };
}

/** The last import, which can be undone in one step until the page is closed. */
interface Imported extends PutStep {
  readonly settings: Partial<Settings>;
}

export const $imported = atom<Imported | undefined>(undefined);

/** How a thing from a file is called that stands beside the one here. */
const fromFile = (title: string) => `${title.slice(0, 200)} (from the file)`;

/**
 * Takes what a plan brings, by choice; resolves once storage has all of it, or it was called off. The count is what storage has.
 */
export async function importBy(
  plan: ImportPlan,
  choice: ImportChoice,
  watch: { readonly onProgress: (done: number, of: number) => void; readonly signal: AbortSignal },
): Promise<number> {
  const things = arriving(plan, choice, fromFile);
  const step = await shelf.putAll(things, {
    onProgress: (done) => watch.onProgress(done, things.length),
    signal: watch.signal,
  });
  for (const { from, record, why } of plan.aside) await aside.put(from, record, why);
  const before: Record<string, unknown> = {};
  if (choice.settings && !watch.signal.aborted) {
    for (const field of Object.keys(plan.settings)) before[field] = $settings.get()[field as keyof Settings];
    const { volume = $settings.get().volume } = plan.settings;
    changeSettings({ ...plan.settings, volume: Math.min(volume, SAFE_VOLUME) });
  }
  $imported.set({ ...step, settings: before });
  return step.put.length;
}

/** Puts everything back as it was before the last import. */
export async function undoImport(): Promise<void> {
  const step = $imported.get();
  if (!step) return;
  $imported.set(undefined);
  await shelf.undoPut(step);
  changeSettings(step.settings);
}
