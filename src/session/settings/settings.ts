import { atom } from "nanostores";
import { SAFE_VOLUME } from "@/audio";
import { DEFAULTS, isFields, readSettings, type Settings, SETTINGS_VERSION, settingsIn } from "@/storage";
import { keepLook } from "./look";
import { atOnce } from "../records/at-once";
import { aside, hearTabs, records, saving, tellTabs } from "../records/records";
import { steady } from "../records/steady";

/** How the application is set up, in every tab of this browser. */
export const $settings = atom<Settings>(DEFAULTS);

$settings.listen(({ theme, firstSteps }, before) => {
  if (theme !== before?.theme || firstSteps !== before.firstSteps) keepLook({ theme, firstSteps });
});

/** The conventions that the user has chosen: the reference scale, the comparison and the solfège. */
export const $conventions = steady($settings, ({ reference, comparison, syllables }) => ({
  reference,
  comparison,
  syllables,
}));

const KEY = "settings";

/** What was changed here and has yet to be written. */
let unsaved: Partial<Settings> = {};

const JOURNAL = "shade-settings:";
const LEFT = "unsaved";

/** What is yet to be written stands where a tab that is closed at once leaves it. */
function writeJournal(): void {
  if (Object.keys(unsaved).length === 0) atOnce.remove(JOURNAL + LEFT);
  else atOnce.write(JOURNAL + LEFT, unsaved);
}

/** What a tab had no time to write before it was closed; how loud it was is left behind. */
function readJournal(): Partial<Settings> {
  const found = atOnce.under(JOURNAL).find(({ id }) => id === LEFT)?.entry;
  return Object.fromEntries(Object.entries(settingsIn(found)).filter(([field]) => field !== "volume"));
}

/** Another tab's settings are followed at once; how loud this one is stays its own. */
const follow = (stored: Settings) => $settings.set({ ...stored, volume: $settings.get().volume, ...unsaved });

async function write(): Promise<void> {
  const changes = unsaved;
  const stored = await records.read(KEY);
  const now = readSettings(stored);
  // Fields that only a newer version knows stay.
  const others = isFields(stored) ? stored : {};
  await records.write(KEY, { ...others, ...now, ...changes });
  unsaved = Object.fromEntries(
    Object.entries(unsaved).filter(([field, value]) => changes[field as keyof Settings] !== value),
  );
  writeJournal();
  tellTabs(KEY);
}

export function changeSettings(part: Partial<Settings>): void {
  unsaved = { ...unsaved, ...part };
  writeJournal();
  $settings.set({ ...$settings.get(), ...part });
  void saving.save(KEY, write);
}

/** Reads the settings. The volume begins at the safe one, however loud it was left. A record that is none, or of a newer version, is set aside too. */
export async function loadSettings(): Promise<void> {
  const record = await records.read(KEY);
  const version = isFields(record) ? record.version : undefined;
  if (record !== null && !isFields(record)) await aside.put(KEY, record, "broken");
  else if (typeof version === "number" && version > SETTINGS_VERSION) await aside.put(KEY, record, "newer");
  const stored = readSettings(record);
  const left = readJournal();
  if (Object.keys(left).length > 0) {
    unsaved = { ...left, ...unsaved };
    void saving.save(KEY, write);
  }
  $settings.set({ ...stored, volume: Math.min(stored.volume, SAFE_VOLUME), ...unsaved });
}

hearTabs(async (key) => {
  if (key === KEY) follow(readSettings(await records.read(KEY)));
});
