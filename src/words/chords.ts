import { type Fifths, soundOf } from "@/core/pitch";
import { type Chord, type ChordKind, chordNotes, chordSounds, type ShapePlace } from "@/core/chord";
import { characteristicOn, holdsAll, type HomeMode, notesOf, pitchClassSet } from "@/core/scale";
import { chordText, degreeText, homeModeText, listText, noteText, type Phrase } from "./names";

/** What the kinds of chord are called at the head of their column. */
export const CHORD_KIND_TEXT: Readonly<Record<ChordKind, string>> = {
  triad: "Triad",
  seventh: "7th",
  ninth: "9th",
  eleventh: "11th",
  thirteenth: "13th",
  sus2: "sus2",
  sus4: "sus4",
  sixth: "6th",
};

/** "♭III" of a numeral in ASCII. */
export const romanText = (roman: string): string => roman.replaceAll("b", "♭").replaceAll("#", "♯");

/** "D F A C". */
export const notesText = (notes: readonly Fifths[]): string => notes.map(noteText).join(" ");

/** The chord's notes with what each is in the mode: "F ♭3, A 5". */
export const inModeText = (chord: Chord, { home }: HomeMode): string =>
  chordNotes(chord)
    .map((note) => `${noteText(note)} ${degreeText(note - home)}`)
    .join(", ");

/** What a chord says of the mode: whether it has the characteristic notes, and which are missing. */
export function chordSentence(chord: Chord, homeMode: HomeMode): readonly Phrase[] {
  const sounds = chordSounds(chord);
  const modeSounds = pitchClassSet(notesOf(homeMode).map(soundOf));
  const outside = chordNotes(chord).filter((note) => !holdsAll(modeSounds, pitchClassSet([soundOf(note)])));
  if (outside.length > 0)
    return [
      `${notesText(outside)} ${outside.length === 1 ? "falls" : "fall"} outside ${homeModeText(homeMode)}.`,
    ];
  const characteristic = characteristicOn(homeMode);
  const contained = characteristic.filter((note) => holdsAll(sounds, pitchClassSet([soundOf(note)])));
  if (characteristic.length === 0 || contained.length === 0)
    return [
      `In ${homeModeText(homeMode)}, without a characteristic note: modes near it have this chord too.`,
    ];
  const phrases = contained.flatMap((note, at): readonly Phrase[] => [
    at === 0 ? "" : " and ",
    { lit: noteText(note) },
  ]);
  const rest = characteristic.filter((note) => !contained.includes(note)).map(noteText);
  return [
    "Contains ",
    ...phrases,
    rest.length === 0
      ? `, the characteristic ${contained.length === 1 ? "note" : "notes"}.`
      : `; ${listText(rest)} ${rest.length === 1 ? "is" : "are"} missing to make it ${homeModeText(homeMode)}.`,
  ];
}

/** What a place of a shape makes over the bass, or what falls outside. */
export function placeText({ name, outside }: ShapePlace): string {
  return outside.length === 0 ? chordText(name) : `${notesText(outside)} outside`;
}

/** Which places of a shape are right: "C and G are in A Dorian." */
export function rightPlacesText(places: readonly ShapePlace[], homeMode: HomeMode): string {
  const right = places.filter(({ outside }) => outside.length === 0).map(({ root }) => noteText(root));
  if (right.length === 0) return `Nowhere is all of it in ${homeModeText(homeMode)}.`;
  return `From ${listText(right)} all of it is in ${homeModeText(homeMode)}.`;
}
