import { atom } from "nanostores";
import { type Draft, draft, type Settings, settings, VERSION } from "@/storage";
import { SAFE_VOLUME } from "@/audio";
import { records } from "./records";

/** How the application is set up, as kept in this browser. */
export const $settings = atom<Settings>(settings.parse({}));

/** What was being worked on in Match and Identify. */
export const $draft = atom<Draft>(draft.parse({ version: VERSION }));

/** What the user changed before the browser's records were read: it outweighs them. */
let early: { settings: Partial<Settings>; draft: Partial<Draft> } | undefined = { settings: {}, draft: {} };

export function changeSettings(part: Partial<Settings>): void {
  $settings.set({ ...$settings.get(), ...part });
  if (early) early.settings = { ...early.settings, ...part };
  else void records.write("settings", $settings.get());
}

export function changeDraft(part: Partial<Draft>): void {
  $draft.set({ ...$draft.get(), ...part });
  if (early) early.draft = { ...early.draft, ...part };
  else void records.write("draft", $draft.get());
}

/** Reads settings and drafts. The volume begins at the safe one, however loud it was left. */
export async function loadSettings(): Promise<void> {
  const kept = settings.parse((await records.read("settings")) ?? {});
  const drafted = draft.safeParse(await records.read("draft"));
  const changed = early;
  early = undefined;
  $settings.set({ ...kept, volume: Math.min(kept.volume, SAFE_VOLUME) });
  if (drafted.success) $draft.set(drafted.data);
  if (changed && Object.keys(changed.settings).length > 0) changeSettings(changed.settings);
  if (changed && Object.keys(changed.draft).length > 0) changeDraft(changed.draft);
}
