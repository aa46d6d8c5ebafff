import { atom } from "nanostores";

/**
 * While a view takes notes in, what it does with one that is clicked on the stage, by MIDI number; undefined while the stage only
 * shows.
 */
export const $noteInput = atom<((midi: number) => void) | undefined>(undefined);
