import { soundRow } from "@/core/instrument";
import { signedKey } from "@/core/scale";
import { printName } from "@/core/pitch";
import { feltBeat, type Meter } from "@/core/tune";
import { writeMidi, writeWav } from "@/formats";
import {
  PART_SILENT,
  type Part,
  partInQuarters,
  partLevel,
  PARTS,
  type Playing,
  render,
  roundsWithin,
  type Score,
  type ScoreNote,
} from "@/audio";
import { $partSounds, $selection, $settings, mainPlaying } from "@/session";
import { type MadeFile, saveFile, saveFiles } from "@/kit/files";
import { homeModeText, PART_TEXT } from "@/words";

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

const FOUR_FOUR: Meter = { beats: 4, unit: 4 };

/** Every note of the rounds that begin within a time, in beats from the start, count-in and all, and where the tempo changes. */
function unrolled(playing: Playing, seconds: number) {
  const rounds = roundsWithin(playing, seconds).length;
  const counted = playing.before;
  const notes: ScoreNote[] = [...(counted?.notes ?? [])];
  const tempos = [{ at: 0, tempo: playing.tempo(0) }];
  let first: Score | undefined;
  let at = counted?.beats ?? 0;
  for (let round = 0; round < rounds; round += 1) {
    const score = playing.round(round);
    if (!score) break;
    first ??= score;
    const tempo = playing.tempo(round);
    if (tempos.at(-1)?.tempo !== tempo) tempos.push({ at, tempo });
    for (const note of score.notes) notes.push({ ...note, at: note.at + at });
    at += score.beats;
  }
  return { notes, tempos, meter: first?.meter ?? FOUR_FOUR, pickup: pickupOf(first) + (counted?.beats ?? 0) };
}

/** Beats before the first barline. */
const pickupOf = (score: Score | undefined): number => score?.pulses?.find(({ isFirst }) => isFirst)?.at ?? 0;

/**
 * Saves what Play plays as WAV: a file for each list of parts, several of them in one archive; parts that play nothing
 * make none.
 */
export async function saveWav(seconds: number, lists: readonly (readonly Part[])[]): Promise<void> {
  const playing = endless(seconds);
  const { notes } = unrolled(playing, seconds);
  const playedBy = new Set(notes.map(({ part }) => part));
  const files: MadeFile[] = [];
  const { parts: volumes } = $settings.get();
  for (const parts of lists.filter((list) => list.some((part) => playedBy.has(part)))) {
    const samples = await render({ playing, seconds, parts, volumes, sounds: $partSounds.get() });
    const name = parts.length === 1 && parts[0] ? PART_TEXT[parts[0]].toLowerCase() : undefined;
    files.push({ name: `${fileName(name)}.wav`, bytes: await writeWav(samples), type: "audio/wav" });
  }
  await saveFiles(fileName(), files);
}

/** Saves what Play plays as a MIDI file, a track for each part that is heard. */
export async function saveMidi(seconds: number): Promise<void> {
  const { notes, tempos, meter, pickup } = unrolled(endless(seconds), seconds);
  const { parts: volumes } = $settings.get();
  const sounds = $partSounds.get();
  const { homeMode } = $selection.get();
  const beat = feltBeat(meter);
  const parts = PARTS.filter((part) => volumes[part] > PART_SILENT).map((part) => ({
    name: PART_TEXT[part],
    program: soundRow(sounds[part]).program,
    level: partLevel(part, volumes[part]),
    notes: partInQuarters(notes, part, beat),
  }));
  const file = await writeMidi({
    title: homeModeText(homeMode),
    tempos: tempos.map(({ at, tempo }) => ({ at: at * beat, tempo: tempo * beat })),
    meters: metersOf(meter, pickup * beat),
    key: signedKey(homeMode),
    parts,
  });
  saveFile(`${fileName()}.mid`, file, "audio/midi");
}

/** The meter from the first barline on; what comes before it, a pickup or a count-in, is a bar of its own. */
function metersOf(meter: Meter, pickup: number) {
  const beats = (pickup * meter.unit) / 4;
  const isBar = beats > 0 && Math.abs(beats - Math.round(beats)) < 1e-6 && beats % meter.beats !== 0;
  return isBar
    ? [
        { at: 0, beats: Math.round(beats), unit: meter.unit },
        { at: pickup, ...meter },
      ]
    : [{ at: 0, ...meter }];
}

/** For a file of minutes what is played once goes round as well. */
function endless(seconds: number): Playing {
  const playing = mainPlaying();
  if (seconds === 0) return playing;
  return { ...playing, round: (n) => playing.round(n) ?? playing.round(0) };
}
