import { type Problem, type Reading, wholeProblem } from "@/core/problem";
import {
  clefOf,
  joinedMarks,
  lastingChords,
  numberBars,
  type Tune,
  type TuneNote,
  type TuneVoice,
} from "@/core/tune";
import { type Part, readPart } from "./musicxml-part";
import { attribute, childrenOf, inside, named, scoreIn, textOf, titleOf } from "./xml";

/**
 * Reads the music of a MusicXML score, compressed or not: every part at the pitch that it sounds, ties joined, grace notes and
 * percussion left out, chord symbols, repeats and endings. The first voice of the first part with pitches is the melody, the
 * others lie beneath it. Never throws.
 *
 * @example (await readMusicXmlTune("<score-partwise>…</score-partwise>")).value?.notes.length
 * @source MusicXML 4.0, W3C Community Group report
 */
export async function readMusicXmlTune(
  file: string | Uint8Array,
  title = "",
): Promise<Reading<Tune | undefined>> {
  const none = (code: Problem["code"], found = ""): Reading<undefined> => ({
    value: undefined,
    problems: [wholeProblem(code, found)],
  });
  try {
    const score = await scoreIn(file);
    if (!score) return none("xml-unread");
    const names = new Map(
      named(inside(score, "part-list"), "score-part").map((node) => [
        attribute(node, "id"),
        textOf(childrenOf(node), "part-name"),
      ]),
    );
    const parts = named(score, "part").map((node) =>
      readPart(named(childrenOf(node), "measure"), names.get(attribute(node, "id")) ?? ""),
    );
    const sounding = parts.filter(({ voices }) => voices.size > 0);
    const [top] = sounding;
    if (!top) {
      return none(parts.some(({ hasDrums }) => hasDrums) ? "only-drums" : "no-notes", titleOf(score));
    }
    const [melody, ...others] = writtenVoices(sounding);
    if (!melody) return none("no-notes", titleOf(score));
    const chords = parts.find((part) => part.chords.length > 0);
    const phraseMarks = joinedMarks(sounding.flatMap((part) => part.phraseMarks));
    const lastBar = top.bars.length - 1;
    const sorted = (notes: readonly TuneNote[]) =>
      notes
        .map((note) => (note.bar > lastBar ? { ...note, bar: lastBar } : note))
        .sort((a, b) => a.onset - b.onset);
    return {
      value: {
        title: titleOf(score) || title,
        notes: sorted(melody.notes),
        ...(others.length > 0
          ? {
              beneath: sorted(
                others.flatMap(({ notes }, at) => notes.map((note) => ({ ...note, voice: at + 1 }))),
              ),
              voices: [melody, ...others].map(({ voice }) => voice),
            }
          : {}),
        ...(phraseMarks.length > 0 ? { phraseMarks } : {}),
        ...(chords ? { chords: lastingChords(chords.chords, chords.end) } : {}),
        bars: numberBars(top.bars),
        meter: top.meters[0] ?? { beats: 4, unit: 4 },
        keys: top.keys,
      },
      problems: sounding.flatMap(({ problems }) => problems),
    };
  } catch {
    return none("xml-unread");
  }
}

/** Every voice of some parts in the order in which they are written, each with its staff and clef. */
function writtenVoices(
  parts: readonly Part[],
): readonly { readonly voice: TuneVoice; readonly notes: readonly TuneNote[] }[] {
  const staves = parts.flatMap((part) =>
    [...new Set([...part.voices.keys()].map((name) => part.staffOf.get(name)))].map((staff) => ({
      part,
      staff,
    })),
  );
  return parts.flatMap((part) =>
    [...part.voices].map(([name, notes]) => {
      const staffName = part.staffOf.get(name);
      const staff = staves.findIndex((each) => each.part === part && each.staff === staffName);
      const number = [...part.voices.keys()].indexOf(name) + 1;
      const called = part.voices.size === 1 ? part.name : `${part.name} ${number}`.trim();
      return {
        voice: { name: called, staff, clef: part.clefs.get(staffName ?? "1") ?? clefOf(notes) },
        notes,
      };
    }),
  );
}
