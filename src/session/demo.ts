import { DEMO, DEMO_PROGRESSIONS, DEMO_TUNES } from "@/demo";
import { writeBackup } from "@/storage";
import { $draft, $settings, changeDraft } from "./settings";
import { shelf } from "./shelf";

/** Puts the demo on the Shelf and, where nothing is under way, into Match and Identify. */
export async function bringInDemo(): Promise<void> {
  await shelf.importAll(writeBackup(DEMO, $settings.get(), []));
  const { chords, chartTitle, tune } = $draft.get();
  const [progression] = DEMO_PROGRESSIONS;
  const [, stair] = DEMO_TUNES;
  changeDraft({
    chords: chords === "" ? progression.chords : chords,
    chartTitle: chords === "" ? progression.title : chartTitle,
    tune: tune ?? { source: stair.source, text: stair.text, name: stair.title },
  });
}

/** Brings the demo in where it never was: what the user has deleted from it stays deleted. */
export async function bringInDemoOnce(): Promise<void> {
  const known = new Set(shelf.$kept.get().map(({ id }) => id));
  if (!DEMO.some(({ id }) => known.has(id))) await bringInDemo();
}
