import { useStore } from "@nanostores/react";
import { RHYTHMS } from "@/audio";
import { $settings, $noteInput, type Selection } from "@/session";
import { Keyboard } from "@/kit/keyboard";
import { Neck, viewOf } from "@/kit/neck";
import { LineStaff } from "@/kit/staff";
import { degreeText, noteText } from "@/words";
import { labelOf, type Shown, wholeOnKeys } from "./shown";
import { useConventions } from "@/session/useConventions";

interface SurfaceProps {
  readonly surface: "neck" | "keys" | "staff";
  readonly shown: Shown;
  readonly selection: Pick<Selection, "lit" | "unknown" | "targets">;
  readonly sounding: readonly number[];
}

/** What is shown, on a neck, a keyboard or a staff. */
export function Surface({ surface, shown, selection, sounding }: SurfaceProps) {
  const { fromFret, toFret, leftHanded, labels, known, division, rhythm } = useStore($settings);
  const conventions = useConventions();
  const onStrike = useStore($noteInput);
  const { tuning, title, notes, markers, silent, moves, ways, homeMode, instrument } = shown;
  const { lit, unknown } = selection;
  // A voicing is nothing but chord tones.
  const targets = division === "voicing" ? [] : selection.targets;
  if (surface === "neck" && tuning)
    return (
      <Neck
        title={title}
        view={viewOf(tuning, fromFret, toFret, leftHanded)}
        markers={markers}
        lit={lit}
        unknown={unknown}
        targets={targets}
        sounding={sounding}
        silent={silent}
        onStrike={onStrike}
        moves={ways.length > 0 ? ways : known === "reference" ? undefined : moves?.moved}
      />
    );
  if (surface === "staff") {
    const said = notes.map(({ pitch, interval }) => `${noteText(pitch.name)} (${degreeText(interval)})`);
    return (
      <LineStaff
        notes={notes}
        lit={lit}
        written={instrument}
        strings={tuning && notes.some(({ place }) => place) ? tuning.strings.length : 0}
        each={division === "line" ? 1 / RHYTHMS[rhythm] : 0.5}
        isChord={division === "voicing"}
        label={`${title} on the staff: ${said.join(", ")}.`}
      />
    );
  }
  // On strings fingers are those of the left hand, which say nothing on keys.
  const shownLabels = tuning && labels === "fingers" ? "notes" : labels;
  return (
    <Keyboard
      title={title}
      notes={(division === "whole" ? wholeOnKeys(homeMode) : notes).map((note) => ({
        ...note,
        label: labelOf(note, homeMode, shownLabels, conventions),
      }))}
      lit={lit}
      unknown={unknown}
      targets={targets}
      sounding={sounding}
      onStrike={onStrike}
    />
  );
}
