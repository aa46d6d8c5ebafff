import { useStore } from "@nanostores/react";
import { $schools, $settings } from "@/session";
import { type Schools, setWording } from "@/words";

// Before anything is drawn with a new setting, the words follow it.
$settings.subscribe(({ noteNames, majorNames }) => setWording({ noteNames, majorNames }));

/** Draws a part anew when the names of notes and modes change, whatever is selected or typed in it; they are answered as one word. */
export function useWording(): string {
  const { noteNames, majorNames } = useStore($settings);
  return `${noteNames} ${majorNames}`;
}

/** The schools that the user has chosen. */
export const useSchools = (): Schools => useStore($schools);
