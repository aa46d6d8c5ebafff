import { positions, type Tuning } from "@/core/instrument";
import type { HomeMode } from "@/core/scale";
import { $hand, $settings, positionAt } from "@/session";
import type { SheetMode } from "@/kit/sheet";

/** A mode for a lead sheet: with the position that the hand is nearest to, as the neck is divided now. */
export function sheetMode(homeMode: HomeMode, where: string, tuning: Tuning | undefined): SheetMode {
  const { system, stretch } = $settings.get();
  const all = tuning ? positions(tuning, homeMode, system, stretch) : [];
  return { homeMode, where, position: positionAt(all, $hand.get()) };
}
