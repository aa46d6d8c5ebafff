import { type Fifths, midiOf, soundOf } from "../pitch";
import type { HomeMode } from "../scale";
import { allNotes, phraseEnds, type Tune, type TuneNote } from "../tune";
import { soundAt } from "./bars-heard";
import type { Hearing } from "./hearing";
import type { MelodyTerm } from "./melody-score";
import { stepBetween } from "./lines";
import { chordsScoreOf, melodyTermsOf, voicesTermsOf } from "./score";
import type { BassCadence } from "./voices-hearing";

/** What speaks for the home, with the notes of the tune that say so. */
export interface HomeEvidence {
  readonly code:
    | "phrase-ends"
    | "last-note"
    | "opening"
    | "home-chord"
    | "longest"
    | "first-downbeat"
    | "leading"
    | "last-bass"
    | "cadences"
    | "bass"
    | "last-chord"
    | "lowest"
    | "declared-key";
  readonly note: Fifths;
  /**
   * How much more it says for this home than for the next likeliest, as a logarithm of odds. Nought where it is told because a
   * player looks for it, though nothing hangs on it.
   */
  readonly strength: number;
  /** How many, and of how many: phrases, bars, sections. */
  readonly count?: number;
  readonly of?: number;
  /** The bass note from which it comes to the last. */
  readonly from?: Fifths | undefined;
  /** Places of notes, melody first. */
  readonly notes: readonly number[];
}

/** A half step that leads up to home is told from this often on. */
const TELLING_LEADS = 4;

/** As many bars that outline the home chord are worth a word. */
const TELLING_BARS = 2;

/** A home and mode that is argued for, and the likeliest on another home that it is compared with. */
interface Case {
  readonly tune: Tune;
  readonly hearing: Hearing;
  readonly homeMode: HomeMode;
  readonly rival?: HomeMode | undefined;
}

/**
 * Everything in a tune that speaks for a home and mode against the next likeliest home, the strongest first. Each is a term of the
 * score, with the notes that it comes from; nothing is told that speaks for the other home.
 */
export function homeEvidence(
  tune: Tune,
  hearing: Hearing,
  homeMode: HomeMode,
  rival?: HomeMode,
): readonly HomeEvidence[] {
  const argued = { tune, hearing, homeMode, rival };
  const facts = [...(hearing.voices ? bassFacts(argued) : melodyFacts(argued)), ...keyFacts(tune, homeMode)];
  return facts.filter(({ strength }) => strength >= 0).sort((a, b) => b.strength - a.strength);
}

function melodyFacts({ tune, hearing, homeMode, rival }: Case): readonly HomeEvidence[] {
  const { home } = homeMode;
  const sound = soundOf(home);
  const { melody, chords } = hearing;
  const own = melodyTermsOf(hearing, homeMode);
  const other = rival && melodyTermsOf(hearing, rival);
  const over = (...terms: readonly MelodyTerm[]) =>
    terms.reduce((sum, term) => sum + own[term] - (other?.[term] ?? 0), 0);
  const { ends, endsHome } = phrasesOn(tune, sound);
  const homeTriads = melody.triads.filter(({ root }) => root === sound);
  const opensHome = melody.openingRoots.includes(sound);
  const found: readonly (HomeEvidence | false)[] = [
    endsHome.length > 0 && {
      code: "phrase-ends",
      note: home,
      strength: over("last", "sections", "closed", "settled"),
      count: endsHome.length,
      of: ends.length,
      notes: endsHome,
    },
    melody.last?.sound === sound &&
      !melody.stopsShort && {
        code: "last-note",
        note: home,
        strength: over("last", "closed"),
        notes: [melody.last.note],
      },
    opensHome && {
      code: "opening",
      note: home,
      strength: over("opening"),
      notes: melody.openingNotes,
    },
    homeTriads.length >= TELLING_BARS && {
      code: "home-chord",
      note: home,
      strength: over("triads"),
      count: homeTriads.length,
      of: melody.wholeBars,
      notes: homeTriads.flatMap(({ notes }) => notes),
    },
    isLongest(melody.sounding, sound) && {
      code: "longest",
      note: home,
      strength: over("sounding"),
      notes: placesOf(tune.notes, sound),
    },
    melody.firstDownbeatSound === sound && {
      code: "first-downbeat",
      note: home,
      strength: over("firstDownbeat"),
      notes: [melody.firstDownbeat],
    },
    melody.lowestSound === sound && {
      code: "lowest",
      note: home,
      strength: over("lowest"),
      notes: tune.notes.flatMap(({ pitch }, at) =>
        midiOf(pitch) === midiOf((tune.notes[melody.lowest] as TuneNote).pitch) ? [at] : [],
      ),
    },
    chords?.last === sound && {
      code: "last-chord",
      note: home,
      strength: chordsScoreOf(hearing, homeMode) - (rival ? chordsScoreOf(hearing, rival) : 0),
      notes: [],
    },
    ...leadingFacts(tune, home),
  ];
  return found.filter((each) => each !== false);
}

function bassFacts({ tune, hearing, homeMode, rival }: Case): readonly HomeEvidence[] {
  const { home } = homeMode;
  const sound = soundOf(home);
  const { voices } = hearing;
  const terms = voicesTermsOf(hearing, homeMode);
  const other = rival && voicesTermsOf(hearing, rival);
  if (!voices || !terms) return [];
  const over = (term: keyof typeof terms) => terms[term] - (other?.[term] ?? 0);
  const all = allNotes(tune);
  const placesOfRests = (some: readonly BassCadence[]) =>
    placesIn(all, new Set(some.flatMap(({ from, to }) => [to.note, ...(from ? [from.note] : [])])));
  const { ends, endsHome } = phrasesOn(tune, sound);
  const cadences = voices.cadences.filter(({ to }) => to.sound === sound);
  const isLast = voices.last.to.sound === sound;
  const found: readonly (HomeEvidence | false)[] = [
    isLast && {
      code: "last-bass",
      note: home,
      strength: over("lastBass") + over("bassBeforeLast"),
      from: voices.last.from?.note.pitch.name,
      notes: placesOfRests([voices.last]),
    },
    cadences.length > 0 && {
      code: "cadences",
      note: home,
      strength: over("phraseEnds"),
      count: cadences.length + (isLast ? 1 : 0),
      of: voices.cadences.length + 1,
      notes: placesOfRests([...cadences, ...(isLast ? [voices.last] : [])]),
    },
    isLongest(voices.bass, sound) && {
      code: "bass",
      note: home,
      strength: over("bass"),
      notes: placesIn(
        all,
        new Set(voices.line.filter((each) => each.sound === sound).map(({ note }) => note)),
      ),
    },
    isLongest(voices.sounding, sound) && {
      code: "longest",
      note: home,
      strength: over("sounding"),
      notes: placesOf(all, sound),
    },
    endsHome.length > 0 && {
      code: "phrase-ends",
      note: home,
      strength: 0,
      count: endsHome.length,
      of: ends.length,
      notes: endsHome,
    },
  ];
  return found.filter((each) => each !== false);
}

const isLongest = (shares: readonly number[], sound: number): boolean =>
  (shares[sound] ?? 0) >= Math.max(...shares);

const placesOf = (notes: readonly TuneNote[], sound: number): readonly number[] =>
  notes.flatMap((note, at) => (soundAt(note) === sound ? [at] : []));

/** The places of some notes, in order. */
const placesIn = (all: readonly TuneNote[], some: ReadonlySet<TuneNote>): readonly number[] =>
  all.flatMap((note, at) => (some.has(note) ? [at] : []));

function phrasesOn(tune: Tune, sound: number) {
  const ends = phraseEnds(tune);
  return { ends, endsHome: ends.filter((at) => soundAt(tune.notes[at] as TuneNote) === sound) };
}

function leadingFacts({ notes }: Tune, home: Fifths): readonly HomeEvidence[] {
  const leading = placesOf(notes, soundOf(home)).flatMap((at) =>
    stepBetween(notes, at, at - 1) === -1 ? [at - 1, at] : [],
  );
  return leading.length < TELLING_LEADS
    ? []
    : [{ code: "leading", note: home, strength: 0, count: leading.length / 2, notes: leading }];
}

function keyFacts(tune: Tune, { home }: HomeMode): readonly HomeEvidence[] {
  const [key] = tune.keys ?? [];
  return key && key.isSignature !== true && soundOf(key.home) === soundOf(home)
    ? [{ code: "declared-key", note: home, strength: 0, notes: [] }]
    : [];
}
