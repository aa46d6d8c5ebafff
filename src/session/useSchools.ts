import { useStore } from "@nanostores/react";
import { useMemo } from "react";
import { $settings } from "@/session";
import { type Schools, setWording } from "@/words";

// Before anything is drawn with a new setting, the words follow it.
$settings.subscribe(({ noteNames, majorNames }) => setWording({ noteNames, majorNames }));

/** Draws a part anew when the names of notes and modes change, whatever is selected or typed in it; they are answered as one word. */
export function useWording(): string {
  const { noteNames, majorNames } = useStore($settings);
  return `${noteNames} ${majorNames}`;
}

/** The schools that the user has chosen: what modes are told by, told from, and sung in. */
export function useSchools(): Schools {
  const { reference, comparison, syllables } = useStore($settings);
  return useMemo(() => ({ reference, comparison, syllables }), [reference, comparison, syllables]);
}
