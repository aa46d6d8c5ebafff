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
  readonly tag: string;
  /** Text is written there, or a list is looked through: every key is its own. */
  readonly isTyping: boolean;
  /** A radio button or a slider: arrows and pages move it; letters and space mean nothing to it. */
  readonly isMoved: boolean;
  readonly isInDialog: boolean;
}

/**
 * The binding that a press calls for. None while text is typed, while a dialog is open, with Alt, or where the focused button or
 * list takes the key itself.
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
): KeyBinding | undefined {
  if (press.altKey || focused.isTyping || focused.isInDialog) return undefined;
  const shift = press.shiftKey ? "Shift+" : "";
  const name = press.ctrlKey || press.metaKey ? `Ctrl+${shift}${press.key.toLowerCase()}` : press.key;
  if (["BUTTON", "A", "SUMMARY"].includes(focused.tag) && [" ", "Enter"].includes(press.key))
    return undefined;
  if (focused.isMoved && /^(?:Arrow|Page|Home|End)/u.test(press.key)) return undefined;
  return [...bindings.values()].flat().find(({ key }) => key === name);
}
