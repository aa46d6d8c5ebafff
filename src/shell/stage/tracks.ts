import { printName } from "@/core/pitch";
import { writeMidi, writeWav } from "@/formats";
import { type Part, PARTS, type Playing, render, roundsWithin, type ScoreNote } from "@/audio";
import { $selection, $settings, mainPlaying } from "@/session";
import { type MadeFile, saveFile, saveFiles } from "@/kit/files";
import { homeModeText, PART_TEXT } from "@/words";

/** General MIDI programs: a nylon-string guitar, a reed organ, an electric piano, a fingered bass. */
const PROGRAMS: Readonly<Record<Part, number | undefined>> = {
  line: 24,
  drone: 20,
  chord: 4,
  bass: 33,
  click: undefined,
};

/** A name for a file: "d-dorian-line". */
function fileName(part?: string): string {
  const { home, mode } = $selection.get().homeMode;
  const of = [
    printName(home).replaceAll("#", "-sharp").replaceAll("b", "-flat"),
    mode.id,
    $settings.get().texture,
    part,
  ];
  return of
    .filter((each) => each !== undefined && each !== "chosen")
    .join("-")
    .toLowerCase();
}

/** Every note of the rounds that begin within a time, in beats from the start, and where the tempo changes. */
export function unrolled(playing: Playing, seconds: number) {
  const rounds = roundsWithin(playing, seconds).length;
  const notes: ScoreNote[] = [];
  const tempos: { at: number; tempo: number }[] = [];
  let at = 0;
  for (let round = 0; round < rounds; round += 1) {
    const score = playing.round(round);
    if (!score) break;
    const tempo = playing.tempo(round);
    if (tempos.at(-1)?.tempo !== tempo) tempos.push({ at, tempo });
    const from = at;
    notes.push(...score.notes.map((note) => ({ ...note, at: note.at + from })));
    at += score.beats;
  }
  return { notes, tempos };
}

/**
 * Saves what Play plays as WAV: a file for each list of parts, several of them in one archive; parts that play nothing
 * make none.
 */
export async function saveWav(seconds: number, lists: readonly (readonly Part[])[]): Promise<void> {
  const playing = endless(seconds);
  const { notes } = unrolled(playing, seconds);
  const playedBy = new Set(notes.map(({ part }) => part));
  const files: MadeFile[] = [];
  for (const parts of lists.filter((list) => list.some((part) => playedBy.has(part)))) {
    const samples = await render({ playing, seconds, parts, volumes: $settings.get().parts });
    const name = parts.length === 1 && parts[0] ? PART_TEXT[parts[0]].toLowerCase() : undefined;
    files.push({ name: `${fileName(name)}.wav`, bytes: await writeWav(samples), type: "audio/wav" });
  }
  await saveFiles(fileName(), files);
}

/** Saves what Play plays as a MIDI file, a track for each part. */
export async function saveMidi(seconds: number): Promise<void> {
  const { notes, tempos } = unrolled(endless(seconds), seconds);
  const parts = PARTS.map((part) => ({
    name: PART_TEXT[part],
    program: PROGRAMS[part],
    notes: notes.filter((note) => note.part === part),
  })).filter((part) => part.notes.length > 0);
  const title = homeModeText($selection.get().homeMode);
  saveFile(`${fileName()}.mid`, await writeMidi({ title, tempos, parts }), "audio/midi");
}

/** For a file of minutes what is played once goes round as well. */
function endless(seconds: number): Playing {
  const playing = mainPlaying();
  if (seconds === 0) return playing;
  return { ...playing, round: (n) => playing.round(n) ?? playing.round(0) };
}
