import { atom } from "nanostores";

/** A key and what it does; `says` names the act for the list of keys. */
export interface KeyBinding {
  /** `event.key` of the press: "a", " ", "[", "ArrowUp", "?"; with Ctrl, or the command key of a Mac, "Ctrl+z", "Ctrl+Shift+z". */
  readonly key: string;
  readonly says: string;
  readonly act: () => void;
}

/** The bindings of each part of the screen that is in front, by the part's name. */
export const $bindings = atom<ReadonlyMap<string, readonly KeyBinding[]>>(new Map());

/** Sets a part's bindings; an empty list takes the part away. */
export function bindKeys(part: string, bindings: readonly KeyBinding[]): void {
  const next = new Map($bindings.get());
  if (bindings.length > 0) next.set(part, bindings);
  else next.delete(part);
  $bindings.set(next);
}

/** What the focus is on, as far as keys care. */
export interface Focused {
  /** A field to write in, any other control that has a value, a button or link, or nothing that uses keys. */
  readonly on: "text" | "control" | "button" | "nothing";
  readonly isInDialog: boolean;
}

/**
 * The binding that a press calls for. None while a dialog is open but space, with Alt, or where the focus is on something that may use the key
 * itself: a checkbox, a radio button, a slider and a list have every key, a button has Space and Enter (WCAG 2.1.1).
 *
 * @param hasSingle whether single keys are on: they can be switched off (WCAG 2.1.4)
 */
export function bindingFor(
  press: {
    readonly key: string;
    readonly ctrlKey: boolean;
    readonly altKey: boolean;
    readonly metaKey: boolean;
    readonly shiftKey: boolean;
  },
  focused: Focused,
  bindings: ReadonlyMap<string, readonly KeyBinding[]>,
  hasSingle = true,
): KeyBinding | undefined {
  const { on, isInDialog } = focused;
  // In a sheet space still plays and stops, where nothing there takes it.
  const isPlay = press.key === " " && on === "nothing";
  if (press.altKey || on === "text" || (isInDialog && !isPlay)) return undefined;
  const shift = press.shiftKey ? "Shift+" : "";
  const isCombined = press.ctrlKey || press.metaKey;
  const name = isCombined ? `Ctrl+${shift}${press.key.toLowerCase()}` : press.key;
  if (!isCombined) {
    // Escape stops all sound, wherever the focus is.
    if (on === "control" && press.key !== "Escape") return undefined;
    if (on === "button" && [" ", "Enter"].includes(press.key)) return undefined;
    if (!hasSingle && press.key.length === 1) return undefined;
  }
  return [...bindings.values()].flat().find(({ key }) => key === name);
}
