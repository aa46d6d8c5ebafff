import { computed } from "nanostores";
import type { Sound, Tuning } from "@/core/instrument";
import { type PartSounds, USUAL_SOUNDS } from "@/audio";
import { $settings } from "../settings/settings";
import { $instrument, $tuning } from "../stage/stage";

/** What the instrument of the stage sounds like; a guitar as the settings say. */
export const $lineSound = computed([$instrument, $settings], ({ sound }, { guitarSound }): Sound =>
  sound === "guitar" ? guitarSound : sound,
);

/** Strings on which chords are taken. */
const CHORD_STRINGS = 4;

/** Whether the instrument of the stage plays chords: it has frets and strings enough, and is no bass. */
const playsChords = (tuning: Tuning | undefined, line: Sound): tuning is Tuning =>
  tuning !== undefined && tuning.isFretted && tuning.strings.length >= CHORD_STRINGS && line !== "bass";

/** Who plays the chords: the stage's instrument where it can, otherwise a keyboard. */
export const $chordTuning = computed([$tuning, $lineSound, $settings], (tuning, line, { chordsOn }) =>
  chordsOn === "instrument" && playsChords(tuning, line) ? tuning : undefined,
);

/** Which instrument plays each part. */
export const $partSounds = computed(
  [$lineSound, $chordTuning, $settings],
  (line, tuning, { backing, chordsOn, droneSound }): PartSounds => ({
    ...USUAL_SOUNDS,
    line,
    drone: droneSound,
    chord: chordsOn === "strings" ? "strings" : backing === "pad" ? "harmonium" : tuning ? line : "piano",
  }),
);
