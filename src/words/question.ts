import { readSymbol } from "@/core/chord";
import { degreeOf, fifthsOf, halfSteps, modulo, soundOf } from "@/core/pitch";
import { bestVamp } from "@/core/progression";
import { familyOf, type HomeMode, mode as modeById } from "@/core/scale";
import { NOTHING, type Question, type QuestionKind } from "@/core/training";
import {
  capital,
  chordText,
  degreeText,
  familyText,
  homeModeText,
  listText,
  modeText,
  noteText,
} from "./names";

/** What a question asks. Where it names the mode or its home, so does the sentence. */
export function questionText({ asked, homeMode, swap, right, known, choices }: Question): string {
  const { home, mode } = homeMode;
  const on = noteText(home);
  switch (asked.card.question) {
    case "third":
      return "Is the third major or minor?";
    case "mode":
      return `Which mode on ${on} is this?`;
    case "two":
      return `Which of the two is it, on ${on}?`;
    case "pair":
      return `${capital(listText(choices.map((id) => modeText(modeById(id)))).replace(" and ", ", then "))}, then one of them again, on ${on}. Which comes third?`;
    case "differs":
      return "Which degree differs from plain major or minor?";
    case "swap":
      return swap
        ? `This is ${homeModeText(homeMode)}. Does it have its ${degreeText(swap.from)}, or ${degreeText(swap.to)} in its place?`
        : "";
    case "interval":
      return `Home, then another note of ${homeModeText(homeMode)}. Which degree is it?`;
    case "target-chord":
      return "Two chords back and forth. Which has the characteristic note of the mode?";
    case "echo":
      return `Play these five notes back, in any octave. The first is ${on}.`;
    case "home":
      return "Play the home note of this phrase, in any octave.";
    case "spell":
      return `Spell ${homeModeText(homeMode)}, from home up.`;
    case "parent":
      return `${homeModeText(homeMode)} has the notes of which ${familyText(familyOf(mode))} scale?`;
    case "characteristic":
      return `Which note is characteristic of ${homeModeText(homeMode)}?`;
    case "find": {
      const note = fifthsOf(right[0] ?? "C");
      return `Find every ${noteText(note)} here, the ${degreeText(note - home)} of ${homeModeText(homeMode)}.`;
    }
    case "moves":
      return known
        ? `You know ${homeModeText({ home, mode: known.mode })} here. One note of it moves for ${modeText(mode)}: strike it in its new place.`
        : "";
    case "chords-mode": {
      const vamp = bestVamp(homeMode);
      return `${listText(vamp?.chords.map(chordText) ?? [])}, back and forth, with ${on} as home. Which mode do they bring out?`;
    }
    case "mode-chords":
      return `Which two chords bring out ${homeModeText(homeMode)}?`;
  }
}

/** An answer as it stands on its button. */
export function givenText(question: QuestionKind, answer: string): string {
  switch (question) {
    case "third":
      return answer === "3" ? "major third" : "minor third";
    case "mode":
    case "two":
    case "pair":
    case "chords-mode":
      return capital(modeText(modeById(answer)));
    case "differs":
      return answer === NOTHING ? "nothing" : answer.split(" ").map(degreesText).join(" ");
    case "swap":
    case "interval":
      return degreesText(answer);
    case "echo":
    case "home":
      return answer
        .split(" ")
        .map((step) => degreeText(ECHOED[Number(step)] ?? 0))
        .join(" ");
    case "target-chord":
      return answer === "first" ? "the first chord" : "the second chord";
    case "spell":
      return answer
        .split(" ")
        .map((name) => noteText(fifthsOf(name)))
        .join(" ");
    case "parent":
    case "characteristic":
    case "find":
    case "moves":
      return noteText(fifthsOf(answer));
    case "mode-chords":
      return answer
        .split(" ")
        .map((symbol) => {
          const read = readSymbol(symbol);
          return "chord" in read ? chordText(read.chord) : symbol;
        })
        .join(" and ");
  }
}

/** How half steps above home are named where no mode says it. */
const ECHOED = [0, -5, 2, -3, 4, -1, 6, 1, -4, 3, -2, 5];

/** The degree that a sounding note is in a mode, or would be in none: "♭3". */
export function soundingDegreeText(sound: number, { home, mode }: HomeMode): string {
  const above = modulo(sound - soundOf(home), 12);
  return degreeText(mode.intervals.find((each) => halfSteps(each) === above) ?? ECHOED[above] ?? 0);
}

const degreesText = (degree: string) => degreeText(degreeOf(degree));
