import { useStore } from "@nanostores/react";
import { useState } from "react";
import { renamedChart } from "@/core/chord";
import type { NoteNaming } from "@/core/pitch";
import { $settings } from "@/session";

/** A chart as the user types it, in the note names of the settings, and the names it is in. */
export interface TypedChart {
  readonly shown: string;
  readonly naming: NoteNaming;
  /** The same in English names, in which charts are kept, linked and saved. */
  readonly stored: (typed: string) => string;
}

/**
 * A chart in the user's note names: with German ones H and B are typed and shown, while the chart is kept in English. What is being typed
 * stays as it was typed.
 */
export function useTypedChart(text: string): TypedChart {
  const { noteNames } = useStore($settings);
  const naming = noteNames === "german" ? "german" : "english";
  const [typed, setTyped] = useState({ shown: text, stored: text, naming });
  const isSame = typed.stored === text && typed.naming === naming;
  return {
    shown: isSame ? typed.shown : renamedChart(text, "english", naming),
    naming,
    stored: (shown) => {
      const stored = renamedChart(shown, naming, "english");
      setTyped({ shown, stored, naming });
      return stored;
    },
  };
}
