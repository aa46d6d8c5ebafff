import { useStore } from "@nanostores/react";
import { $conventions, $settings } from "@/session";
import { type Conventions, setWording } from "@/words";

// Before anything is drawn with a new setting, the words follow it.
$settings.subscribe(({ noteNames, majorNames }) => setWording({ noteNames, majorNames }));

/** Draws a part anew when the names of notes and modes change, whatever is selected or typed in it; they are answered as one word. */
export function useWording(): string {
  const { noteNames, majorNames } = useStore($settings);
  return `${noteNames} ${majorNames}`;
}

/** The conventions that the user has chosen. */
export const useConventions = (): Conventions => useStore($conventions);
