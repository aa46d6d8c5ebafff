import type { Problem, Reading } from "@/core/problem";
import { lastingChords, numberBars, type Tune, type TuneNote } from "@/core/tune";
import { readPart } from "./musicxml-part";
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
    problems: [{ code, offset: 0, length: 0, found }],
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
    const voices = sounding.flatMap((part) => [...part.voices.values()]);
    const [melody = []] = [...top.voices.values()];
    const beneath = voices.filter((voice) => voice !== melody).flat();
    const chords = parts.find((part) => part.chords.length > 0);
    const lastBar = top.bars.length - 1;
    const sorted = (notes: readonly TuneNote[]) =>
      notes
        .map((note) => (note.bar > lastBar ? { ...note, bar: lastBar } : note))
        .sort((a, b) => a.onset - b.onset);
    return {
      value: {
        title: titleOf(score) || title,
        notes: sorted(melody),
        ...(beneath.length > 0 ? { beneath: sorted(beneath) } : {}),
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
