import { placeOf, type Problem } from "@/core/problem";
import { capital, countText, figureText } from "./names";

/** Where, what was found, what would do. */
export function problemText(problem: Problem, text: string): string {
  const { line, column } = placeOf(text, problem.offset);
  const where = text.includes("\n") ? `Line ${line}, column ${column}` : `At ${column}`;
  const found = `“${problem.found.slice(0, 30)}”`;
  switch (problem.code) {
    case "chord-unread":
      return problem.expected === "root"
        ? `${where}: ${found} isn’t a chord. Begin with a letter from A to G.`
        : `${where}: ${found} isn’t a chord symbol I can read. Try m7, maj7, 7sus4, 13 or ♭9.`;
    case "bass-unread":
      return `${where}: write a note from A to G after the slash${problem.found === "" ? "" : `, not ${found}`}.`;
    case "repeat-of-nothing":
      return `${where}: there is no bar before this one to repeat.`;
    case "lock-unread":
      return `${where}: ${found} isn’t a mode I know. Write {E Dorian}, {E} or {Dorian}; it counts from there on.`;
    case "no-chords":
      return "There are no chords in it.";
    case "xml-unread":
      return "I can’t read this file as MusicXML. Export it again as MusicXML, compressed or not.";
    case "kind-unread":
      return `Bar ${problem.expected ?? ""}: I don’t know the chord “${problem.found}”. Its place in the chart stays.`;
    case "midi-unread":
      return problem.found === ""
        ? "I can’t read this as a MIDI file."
        : `I can’t read this as a MIDI file: it begins “${problem.found}” and then breaks off or is damaged.`;
    case "tracks-torn":
      return `The file is damaged: ${capital(countText(Number(problem.found), "track breaks off", "tracks break off"))}. What stands before is read.`;
    case "film-time":
      return "The file counts film frames instead of beats. I read it at 120 beats a minute, so the bars may not be the composer’s.";
    case "too-many-voices":
      return problem.found === "&"
        ? `${where}: the tune has more than ${problem.expected ?? ""} bars with a second voice in them (&). The others are left out.`
        : `${where}: the tune has more than ${problem.expected ?? ""} voices. The others are left out.`;
    case "note-too-long":
      return `Bar ${problem.expected ?? ""}: ${found} lasts too long for a note. I cut it.`;
    case "quarter-tones":
      return `Bar ${problem.expected ?? ""}: ${found} is a quarter tone. Shade shows and plays the note beside it.`;
    case "reading-stopped":
      return `You stopped opening “${problem.found}”.`;
    case "reading-too-long":
      return `Opening “${problem.found}” took more than a minute, so I stopped.`;
    case "no-key":
      return `${where}: the chords are numerals, and no key is named. I read them in C. Write “Key: D” above them for another key.`;
    case "kind-of-file":
      return `I can’t open “${problem.found}”. Shade opens ABC, ChordPro, plain text, MusicXML and MIDI.`;
    case "file-too-large":
      return `“${problem.found}” is too large. The limit is ${problem.expected ?? "4 MB"}.`;
    case "file-unreadable":
      return `“${problem.found}” can’t be opened. It may have been moved, or you may not have permission to read it.`;
    case "file-empty":
      return `“${problem.found}” is empty.`;
    case "zip-unread":
      return `“${problem.found}” is an archive without a score in it. A compressed MusicXML file has one.`;
    case "only-drums":
      return "There are only drums in it: nothing has a pitch, so there is no mode to find.";
    case "note-unread":
      return `${where}: ${found} isn’t a note. Write a letter from A to G with # or b, an octave and a length, as in C#5:2.`;
    case "length-unread":
      return `${where}: ${found} isn’t a length. Write quarters, such as 1, 0.5 or 3/2.`;
    case "abc-unread":
      return `${where}: ${found} means nothing in ABC here, so I skipped it.`;
    case "no-tune":
      return "There is no tune in this text. Paste ABC, or type note names such as A4 B4 C#5.";
    case "not-music":
      return `I can’t read music in this: ${found} and most of what follows aren’t notes. Paste ABC, type note names such as A4 B4 C#5, or open MusicXML or MIDI.`;
    case "no-notes":
      return problem.found === ""
        ? "There are no notes in it yet."
        : `“${problem.found.slice(0, 40)}” has no notes.`;
    case "count-unread":
      return `${where}: a Scala file says after its description how many pitches follow${found === "“”" ? "" : `; ${found} isn’t a number`}.`;
    case "pitch-unread":
      return `${where}: ${found} isn’t a pitch. Write cents with a point, such as 702., or a ratio, such as 3/2.`;
    case "pitches-missing":
      return `The file promises ${problem.expected ?? "more"} pitches and has ${problem.found}.`;
    case "not-twelve-tone":
      return `${where}: ${problem.found} cents lies between the twelve notes; the nearest is ${problem.expected ?? ""}. Only twelve-tone scales become modes here.`;
    case "no-octave":
      return `The last pitch should be the octave, 1200 cents or 2/1${problem.found === "" ? "" : `, not ${problem.found} cents`}.`;
    case "string-unread":
      return `${where}: ${found} isn’t a pitch. Write a note and its octave, such as E2.`;
    case "string-out-of-range":
      return `${where}: no string can sound ${found}. Use pitches from C0 to C8.`;
    case "string-count":
      return problem.found === "0"
        ? "A neck needs strings: their pitches from the lowest-lying to string 1, such as E2 A2 D3 G3 B3 E4."
        : `A neck has 1 to 12 strings here, not ${problem.found}.`;
    case "tune-cut":
      return `A tune in “${problem.found}” is longer than any: its first ${problem.expected ?? ""} bytes were read.`;
    case "not-identified":
      return `This tune in “${problem.found}” could not be identified: the computation failed.`;
    case "more-songs":
      return `${where}: another song begins. ${problem.found === "" ? "The first one" : `“${problem.found}”`} was read; open the others one by one.`;
    case "line-too-long":
      return `${where}: a line of ${figureText(Number(problem.found))} characters was left out; Shade reads lines of up to ${figureText(Number(problem.expected))}.`;
    case "too-long":
      return `${where}: this is longer than Shade reads. Everything before it was read.`;
  }
}
