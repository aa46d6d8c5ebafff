import { type Fifths, fifthsOf, maybeFifthsIn, type NoteNaming, printNameIn } from "@/core/pitch";
import { TextField } from "./TextField";
import { noteText, wording, homeRefusedText } from "@/words";

/** Names offered for a home: the twelve sounds under the names that players use. */
const HOMES: readonly Fifths[] = "C C# Db D D# Eb E F F# Gb G G# Ab A A# Bb B Cb".split(" ").map(fifthsOf);

const HOME_NAMES: Readonly<Record<NoteNaming, readonly string[]>> = {
  english: HOMES.map((home) => printNameIn(home, "english")),
  german: HOMES.map((home) => printNameIn(home, "german")),
  "fixed-do": HOMES.map((home) => printNameIn(home, "fixed-do")),
};

/** As far out as homes go: double sharps and flats. */
const FARTHEST = 19;

interface HomeFieldProps {
  readonly label: string;
  readonly value: Fifths;
  readonly onChange: (home: Fifths) => void;
  readonly size?: "word" | "small";
}

/** A note of the sentence that can be typed over, in the user's own note names. */
export function HomeField({ label, value, onChange, size = "word" }: HomeFieldProps) {
  return (
    <TextField
      label={label}
      value={noteText(value)}
      suggestions={HOME_NAMES[wording().noteNames]}
      size={size}
      width={wording().noteNames === "fixed-do" ? 4 : 2}
      onCommit={(text) => {
        const named = maybeFifthsIn(text, wording().noteNames);
        if (named === undefined || Math.abs(named) > FARTHEST) return homeRefusedText(text);
        onChange(named);
        return undefined;
      }}
    />
  );
}
