import { atom } from "nanostores";
import { type Draft, draft, type Settings, settings, VERSION } from "@/store";
import { SAFE_VOLUME } from "@/sound";
import { records } from "./records";

/** How the application is set up, as kept in this browser. */
export const $settings = atom<Settings>(settings.parse({}));

/** What was being worked on in Match and Identify. */
export const $draft = atom<Draft>(draft.parse({ version: VERSION }));

export function changeSettings(part: Partial<Settings>): void {
  const next = { ...$settings.get(), ...part };
  $settings.set(next);
  void records.write("settings", next);
}

export function changeDraft(part: Partial<Draft>): void {
  const next = { ...$draft.get(), ...part };
  $draft.set(next);
  void records.write("draft", next);
}

/** Reads settings and drafts. The volume begins at the safe one, however loud it was left. */
export async function loadSettings(): Promise<void> {
  const kept = settings.parse((await records.read("settings")) ?? {});
  $settings.set({ ...kept, volume: Math.min(kept.volume, SAFE_VOLUME) });
  const drafted = draft.safeParse(await records.read("draft"));
  if (drafted.success) $draft.set(drafted.data);
}
