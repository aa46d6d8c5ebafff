import { degreeNumber } from "@/core/pitch";
import type { Identification, Profile } from "@/core/identify";
import { noteText, type Phrase } from "./names";
import { pitchText } from "./identify";

const pointed = ({ pitch, notes }: Profile["final"]): Phrase => ({ says: pitchText(pitch), points: notes });

/** "Range: D4 to D5, authentic: it lies above its home". */
const AMBITUS = {
  authentic: ", authentic: it lies above its home",
  plagal: ", plagal: its home lies in the middle",
} as const;

/**
 * What one writes of a tune under its mode, row by row: final, range, reciting note, and degrees in two forms; each points at its notes.
 *
 * @example profileRows(found)[0] // ["Final", [{ says: "D4", points: [31] }, ", home"]]
 */
export function profileRows({
  profile,
  homeMode: { home },
  called,
}: Identification): readonly (readonly [name: string, fact: readonly Phrase[]])[] {
  if (!profile) return [];
  const { final, lowest, highest, ambitus, reciting, inflected } = profile;
  if (called.kind === "no-centre")
    return [
      ["Final", [pointed(final)]],
      ["Range", [pointed(lowest), " to ", pointed(highest)]],
    ];
  const degree = (name: number) => degreeNumber(name - home);
  return [
    ["Final", [pointed(final), final.pitch.name === home ? ", home" : `, the ${degree(final.pitch.name)}`]],
    ["Range", [pointed(lowest), " to ", pointed(highest), ambitus ? AMBITUS[ambitus] : ""]],
    ...(reciting
      ? [["Reciting note", [pointed(reciting), `, the ${degree(reciting.pitch.name)}`]] as const]
      : []),
    ...(inflected.length > 0
      ? [
          [
            "Inflected",
            inflected.flatMap(({ number, forms }, at): readonly Phrase[] => [
              `${at === 0 ? "" : "; "}${number} is ${forms.length === 2 ? "both " : ""}`,
              ...forms.flatMap(({ note, notes }, nth): readonly Phrase[] => [
                nth === 0 ? "" : nth === forms.length - 1 ? " and " : ", ",
                { says: noteText(note), points: notes },
              ]),
            ]),
          ] as const,
        ]
      : []),
  ];
}
