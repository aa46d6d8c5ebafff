import { atom, computed } from "nanostores";
import { identify, type Identification } from "@/core/identify";
import { type Fifths, fifthsOf, printName, soundOf } from "@/core/pitch";
import { characteristicOn, type HomeMode, mode as modeById } from "@/core/scale";
import { allNotes, type BarRange, partOf, phraseEnds, type Tune, type TuneNote } from "@/core/tune";
import type { FileTune, TuneText } from "@/formats";
import { $settings, answering, answerState } from "@/session";
import { tuneDocument, type TuneValue } from "./tune-document";
import { newestWins, type TuneAsked } from "@/workers";
import { identifyElsewhere, isLong } from "@/session/stage/long-tunes";
import { onStaff } from "@/session/stage/staff-part";
import { $reading, $toRead, $tunes, type ReadTune, readyTune } from "./read-tunes";

/** What was set by hand for one tune, as the document has it. */
export interface ByHand {
  readonly about?: HomeMode | undefined;
  readonly home?: Fifths | undefined;
  readonly without: ReadonlySet<number>;
  readonly bars?: BarRange | undefined;
}

/** What was set by hand is part of the document: this is none of it. */
const NOTHING = { about: undefined, home: undefined, bars: undefined, without: [] };
const NONE: ByHand = { without: new Set() };

const byHandOf = ({ about, home, bars, without }: Pick<TuneValue, keyof typeof NOTHING>): ByHand => ({
  about: about && { home: fifthsOf(about.home), mode: modeById(about.mode) },
  home,
  bars,
  without: new Set(without),
});

/** Until the text of another document is read, the answer is that of the one before, without what was set by hand. */
const $isRead = computed([$tunes, tuneDocument.$value], (tunes, { text }) => tunes?.text === text);

/** Which tune of the text is in front, from 0. */
export const $which = computed([$isRead, tuneDocument.$value], (isRead, { which }) => (isRead ? which : 0));

/** A tune of the text, and how that is kept. */
interface InFront {
  readonly file: FileTune;
  readonly text: Pick<TuneText, "source" | "text">;
}

const $inFront = computed([$tunes, $which], (read, which): InFront | undefined => {
  const file = read?.tunes[which] ?? read?.tunes[0];
  return file && read ? { file, text: { source: read.source, text: read.text } } : undefined;
});

const [$about, $home, $bars, $without] = [
  computed(tuneDocument.$value, ({ about }) => about),
  computed(tuneDocument.$value, ({ home }) => home),
  computed(tuneDocument.$value, ({ bars }) => bars),
  computed(tuneDocument.$value, ({ without }) => without),
];

/** What was set by hand for the tune in front. */
export const $byHand = computed(
  [$isRead, $about, $home, $bars, $without],
  (isRead, about, home, bars, without) => (isRead ? byHandOf({ about, home, bars, without }) : NONE),
);

const $expects = computed($settings, ({ expects }) => expects);

/** What is asked: what the tune in front is in, with what was set by hand for it. */
interface Asked extends TuneAsked {
  readonly inFront: InFront;
  readonly byHand: ByHand;
}

const $asked = computed([$inFront, $byHand, $expects], (inFront, byHand, expects): Asked | undefined =>
  inFront ? { inFront, byHand, tune: inFront.file.tune, choice: { ...byHand, expects } } : undefined,
);

/** What was found of a tune; none where every note is left out. */
type Found = Identification | undefined;

const identifyNewest = newestWins(identifyElsewhere);

const $askedLong = computed($asked, (asked) => (asked && isLong(asked.tune) ? asked : undefined));

const $long = answering($askedLong, identifyNewest);

/** Where the answer is: the text is read first, and a long tune is listened to in a worker. */
export const $answerState = answerState([$toRead, $reading], [$askedLong, $long]);

/** The last that was found, and what it was asked of: until a long tune is identified it is about the one before. */
const $found = computed([$asked, $long], (asked, long): { asked: Asked; found: Found } | undefined => {
  if (!asked) return undefined;
  if (isLong(asked.tune)) return long && { asked: long.asked, found: long.answer };
  return { asked, found: identify(asked.tune, asked.choice) };
});

/** A long tune is still being listened to. */
export const $isListening = computed([$asked, $found], (asked, found) => asked !== found?.asked);

/** Every note of the tune is left out, or too many to say anything. */
export const $isSilenced = computed($found, (last) => {
  if (!last || last.found) return false;
  const { about, home, bars, without } = last.asked.byHand;
  return Boolean(about ?? home ?? bars) || without.size > 0;
});

/** The answer for the tune in front: what was found, and what the staff marks. */
export interface Answer {
  readonly shown: ReadTune;
  readonly found: Identification;
  /** Places of the notes that are engraved: characteristic notes, and the ends of phrases. */
  readonly characteristic: readonly number[];
  readonly ends: readonly number[];
}

/** The bar of a long tune that was turned to, for as long as nothing else is asked of it. */
const $turnedTo = atom<{ readonly asked: Asked; readonly bar: number } | undefined>();

/** Shows the part of a long tune that has a bar in it. */
export function turnTo(bar: number): void {
  const asked = $found.get()?.asked;
  $turnedTo.set(asked && { asked, bar });
}

const $shown = computed([$found, $turnedTo], (last, turned) => {
  if (!last?.found) return undefined;
  const { inFront, byHand } = last.asked;
  const bar = turned?.asked === last.asked ? turned.bar : byHand.bars?.from;
  return { byHand, found: last.found, shown: readyTune(inFront.file, inFront.text, bar) };
});

export const $answer = computed($shown, (last) => last && answerOf(last));

function answerOf({
  shown,
  byHand,
  found,
}: Pick<Answer, "shown" | "found"> & { readonly byHand: ByHand }): Answer {
  const { tune, engraved, from = 0 } = shown;
  const whole = { from: 0, to: tune.bars.length - 1 };
  const parts =
    found.passages.length > 1 && !found.isByHand
      ? found.passages
      : [{ bars: found.bars ?? whole, homeMode: found.homeMode }];
  const characteristic = parts.map(({ bars, homeMode }) => ({
    bars,
    sounds: new Set(characteristicOn(homeMode).map(soundOf)),
  }));
  const isCentred = found.changes || found.called.kind !== "no-centre";
  const isLit = ({ pitch, bar }: TuneNote) =>
    isCentred &&
    characteristic
      .find(({ bars }) => bar + from >= bars.from && bar + from <= bars.to)
      ?.sounds.has(soundOf(pitch.name)) === true;
  // Only what is engraved is looked at, however long the tune is.
  return {
    shown,
    found,
    characteristic: allNotes(engraved).flatMap((note, at) => (isLit(note) ? [at] : [])),
    ends: endsOf(engraved, new Set(onStaff(shown, [...byHand.without]))),
  };
}

/** The places of the notes that end a phrase of what is listened to. */
function endsOf(tune: Tune, without: ReadonlySet<number>): readonly number[] {
  const heard = partOf(tune, { from: 0, to: tune.bars.length - 1 }, without);
  if (heard === tune) return phraseEnds(tune);
  const places = new Map(allNotes(tune).map((note, at) => [note, at]));
  return phraseEnds(heard).flatMap((at) => places.get(heard.notes[at] as TuneNote) ?? []);
}

const { change } = tuneDocument;

export const chooseTune = (which: number): void => change({ ...NOTHING, which });

export const chooseMode = ({ home, mode }: HomeMode): void =>
  change({ about: { home: printName(home), mode: mode.id } });

export const chooseHome = (home: Fifths | undefined): void => change({ home, about: undefined });

export const chooseBars = (bars: BarRange | undefined): void => change({ bars, about: undefined });

/** Leaves notes out, or takes them in again where all of them are out. */
export function leaveOut(notes: readonly number[]): void {
  const { without } = tuneDocument.$value.get();
  const isOut = notes.every((note) => without.includes(note));
  const next = isOut ? without.filter((note) => !notes.includes(note)) : [...without, ...notes];
  change({ without: [...new Set(next)], about: undefined });
}

/** Takes back all that was set by hand. */
export const setBack = (): void => change(NOTHING);
