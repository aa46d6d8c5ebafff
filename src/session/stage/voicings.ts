import { atom, computed } from "nanostores";
import { type Chord, printChord } from "@/core/chord";
import {
  type Fingering,
  inflectedVoicing,
  type Inflection,
  inflections,
  maybeTuning,
  type Tuning,
  type Voicing,
  type VoicingKind,
} from "@/core/instrument";
import { midiOf } from "@/core/pitch";
import { typedStrings } from "@/words";
import { findVoicings } from "@/workers";
import { answering } from "../records/answering";
import { $selection } from "../place/selection";
import { $settings } from "../settings/settings";
import { $chord, $division, $takenVoicing, $tuning } from "./stage";

/** How the voicings that are offered are built; undefined for all. */
export const $voicingKind = atom<VoicingKind | undefined>();

interface Asked {
  readonly tuning: Tuning;
  readonly chord: Chord;
  readonly limit: number;
  readonly kind: VoicingKind | undefined;
}

const $stretch = computed($settings, ({ stretch }) => stretch);

/** The open strings of a guitar in standard tuning. */
const GUITAR = maybeTuning("guitar")?.strings.map(midiOf).join(" ");

const isGuitar = ({ strings }: Tuning): boolean => strings.map(midiOf).join(" ") === GUITAR;

/** How the view in front says that the chord is held, while voicings are shown on the guitar that this is said of. */
const $givenFingering = computed(
  [$selection, $division, $tuning, $chord],
  ({ fingered }, division, tuning, chord) =>
    fingered && division === "voicing" && tuning && isGuitar(tuning)
      ? { chord, tuning, found: [fingered], at: 0, taken: fingered }
      : undefined,
);

/** What is looked for, while voicings are shown and none is told. */
const $asked = computed(
  [$division, $tuning, $chord, $stretch, $voicingKind, $givenFingering],
  (division, tuning, chord, limit, kind, told): Asked | undefined =>
    division === "voicing" && tuning && !told ? { tuning, chord, limit, kind } : undefined,
);

/** A search that was called off. */
const $cancelled = atom<Asked | undefined>();

/** How far the search has come, while it takes its time. */
export const $searched = atom<number | undefined>();

let calling = new AbortController();

/** Calls the search off. */
export function cancelVoicings(): void {
  calling.abort();
  $cancelled.set($asked.get());
  $searched.set(undefined);
}

/** Milliseconds before the progress of a search is shown: most are done by then. */
const PATIENCE = 300;

/** Voicings of the next chord are ranked by how near they lie to the one that was taken. */
const $found = answering($asked, async (asked) => {
  calling.abort();
  calling = new AbortController();
  const begun = performance.now();
  const near = $voicings.get()?.taken?.frets;
  const outcome = await findVoicings(
    { ...asked, near },
    {
      onProgress: (share) => performance.now() - begun > PATIENCE && $searched.set(share),
      signal: calling.signal,
    },
  );
  if ($asked.get() === asked) $searched.set(undefined);
  return outcome;
});

/** Which of those that were found was stepped to, since a voicing was taken from the Shelf. */
const $step = atom<
  | {
      readonly of: readonly Voicing[];
      readonly at: number;
      readonly since: ReturnType<typeof $takenVoicing.get>;
    }
  | undefined
>();

/** What one note of the mode makes of a grip, where that is wished for. */
const $choice = atom<{ readonly of: Voicing; readonly inflection: Inflection } | undefined>();

/** The voicings of the selected chord, and the one that is taken. */
export interface Voicings {
  readonly chord: Chord;
  readonly found: readonly Voicing[];
  readonly at: number;
  readonly taken: Voicing | undefined;
  /** What one note of the mode makes of the grip, which of them is chosen, and what is to be shown: the grip or that. */
  readonly inflections: readonly Inflection[];
  readonly inflected: Inflection | undefined;
  readonly shown: Voicing | undefined;
}

const NONE: readonly never[] = [];

const sameFrets = (one: Fingering, other: Fingering) => one.join(" ") === other.join(" ");

const $taken = computed(
  [$found, $asked, $cancelled, $step, $takenVoicing, $givenFingering],
  (answered, asked, cancelled, step, saved, told) => {
    if (told) return told;
    if (!asked) return undefined;
    if (cancelled === asked) return { ...asked, found: NONE, at: 0, taken: undefined };
    if (!answered) return undefined;
    const {
      asked: { chord, tuning },
      answer: found,
    } = answered;
    const isSaved = saved !== undefined && printChord(saved.chord) === printChord(chord);
    const first = isSaved
      ? Math.max(
          0,
          found.findIndex(({ frets }) => sameFrets(frets, saved.frets)),
        )
      : 0;
    const at = step?.of === found && step.since === saved ? step.at : first;
    return { chord, tuning, found, at, taken: found[at] };
  },
);

const $homeMode = computed($selection, ({ homeMode }) => homeMode);

const $offered = computed([$taken, $homeMode], (now, homeMode): readonly Inflection[] =>
  now?.taken ? inflections(now.tuning, homeMode, now.chord, now.taken) : NONE,
);

/** The voicing that is shown, as it is saved and practised; undefined where none is. */
export function shownVoicing():
  { readonly chord: string; readonly strings: string; readonly frets: (number | null)[] } | undefined {
  const [now, tuning] = [$voicings.get(), $tuning.get()];
  if (!now?.shown || !tuning) return undefined;
  return {
    chord: printChord(now.inflected?.chord ?? now.chord),
    strings: typedStrings(tuning),
    frets: [...now.shown.frets],
  };
}

/** The voicings that the stage offers; undefined where none are asked for, and until the first are found. */
export const $voicings = computed(
  [$taken, $offered, $choice],
  (now, offered, choice): Voicings | undefined => {
    if (!now) return undefined;
    const { tuning, taken, ...rest } = now;
    const inflected = choice && choice.of === taken ? choice.inflection : undefined;
    const shown = inflected ? inflectedVoicing(tuning, inflected) : taken;
    return { ...rest, taken, inflections: offered, inflected, shown };
  },
);

/** The voicing that the stage shows. */
export const $voicing = computed($voicings, (voicings) => voicings?.shown);

/** Takes the easier voicing or the next one; it stays at the ends. */
export function stepVoicing(way: 1 | -1): void {
  const now = $voicings.get();
  if (!now) return;
  const at = Math.max(0, Math.min(now.found.length - 1, now.at + way));
  $step.set({ of: now.found, at, since: $takenVoicing.get() });
}

/** Puts one note of the mode into the grip, or takes it out again. */
export function inflectVoicing(inflection: Inflection | undefined): void {
  const taken = $voicings.get()?.taken;
  $choice.set(inflection && taken ? { of: taken, inflection } : undefined);
}

/** How many voicings are named beside a chord. */
const HANDY = 3;

const $handyAsked = computed([$tuning, $chord, $stretch], (tuning, chord, limit): Asked | undefined =>
  tuning ? { tuning, chord, limit, kind: undefined } : undefined,
);

const $handyFound = answering($handyAsked, (asked) => findVoicings(asked));

/** The voicings of the selected chord that players take first, whatever the stage shows; none until they are found. */
export const $handyVoicings = computed([$handyFound, $chord], (answered, chord): readonly Fingering[] =>
  answered?.asked.chord === chord ? answered.answer.slice(0, HANDY).map(({ frets }) => frets) : NONE,
);
