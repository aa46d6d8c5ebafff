import { useStore } from "@nanostores/react";
import { printChord } from "@/core/chord";
import { printFingering } from "@/core/instrument";
import { $chord, $handyVoicings, $voicing, takeVoicing } from "@/session";
import { Button } from "@/kit/controls";
import { FINDING_VOICINGS } from "@/words";

/** The selected chord's first voicings, each by its frets: pressed, one is shown on the stage. */
export function HandyVoicings() {
  const chord = useStore($chord);
  const shown = useStore($voicing);
  const voicings = useStore($handyVoicings);
  if (voicings.length === 0) return FINDING_VOICINGS;
  return (
    <span>
      {voicings.map((frets) => {
        const text = printFingering(frets);
        return (
          <Button
            key={text}
            kind="quiet"
            aria-pressed={shown !== undefined && printFingering(shown.frets) === text}
            onClick={() => takeVoicing(printChord(chord), frets)}
          >
            {text}
          </Button>
        );
      })}
    </span>
  );
}
