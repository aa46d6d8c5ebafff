import { useStore } from "@nanostores/react";
import { useEffect, useLayoutEffect, useMemo, useState } from "react";
import { type Fifths, fifthsOf, printName, soundOf } from "@/core/pitch";
import { type Expectation, identify, type Identification } from "@/core/identify";
import { colourOn, type HomeMode, mode as modeById } from "@/core/scale";
import { allNotes, type BarRange, partOf, phraseEnds, type Tune, type TuneNote } from "@/core/tune";
import { $settings, tuneDocument, type TuneValue } from "@/session";
import { useSchools } from "@/session/useSchools";
import { identifyLong } from "@/workers";
import { $answer, type Answer } from "./selection";
import { onStaff, type ReadTunes, readyTune } from "./useTunes";

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

/** The places of the notes that end a phrase of what is listened to. */
function endsOf(tune: Tune, without: ReadonlySet<number>): readonly number[] {
  const heard = partOf(tune, { from: 0, to: tune.bars.length - 1 }, without);
  if (heard === tune) return phraseEnds(tune);
  const places = new Map(allNotes(tune).map((note, at) => [note, at]));
  return phraseEnds(heard).flatMap((at) => places.get(heard.notes[at] as TuneNote) ?? []);
}

/** A tune of more notes is identified by a worker: it would hold up the page. */
const LONG = 2500;

const WORKING = "working";

/** What a tune is in: at once, or where it is long when a worker has found it; the answer before stays until then. */
function useFound(
  tune: Tune | undefined,
  byHand: ByHand,
  expects: Expectation,
): Identification | typeof WORKING | undefined {
  const isLong = tune !== undefined && allNotes(tune).length > LONG;
  const atOnce = useMemo(
    () => (tune && !isLong ? identify(tune, { ...byHand, expects }) : undefined),
    [tune, isLong, byHand, expects],
  );
  const [later, setLater] = useState<{ readonly tune: Tune; readonly found: Identification | undefined }>();
  useEffect(() => {
    if (!tune || !isLong) return undefined;
    let isCurrent = true;
    const choice = { ...byHand, expects };
    // Where no worker can be had, the page waits.
    void identifyLong(tune, choice)
      .catch(() => identify(tune, choice))
      .then((found) => {
        if (isCurrent) setLater({ tune, found });
      });
    return () => {
      isCurrent = false;
    };
  }, [tune, isLong, byHand, expects]);
  if (!isLong) return atOnce;
  return later?.tune === tune ? later.found : WORKING;
}

/** The tune that is worked on and what it is in, with what was set by hand; the stage and the address follow. */
export function useAnswer(read: ReadTunes | undefined) {
  const schools = useSchools();
  const { expects } = useStore($settings);
  const value = useStore(tuneDocument.$value);
  const { about, home: ownHome, bars, without, which } = value;
  // Until the text of another document is read, the answer is that of the one before, without what was set by hand.
  const isRead = read?.text === value.text;
  const file = read?.tunes[isRead ? which : 0] ?? read?.tunes[0];
  const shown = useMemo(() => (file && read ? readyTune(file, read) : undefined), [file, read]);
  const byHand = useMemo(
    () => (isRead ? byHandOf({ about, home: ownHome, bars, without }) : NONE),
    [isRead, about, ownHome, bars, without],
  );

  const found = useFound(shown?.tune, byHand, expects);
  const answer = useMemo((): Answer | undefined => {
    if (!shown || !found || found === WORKING) return undefined;
    const { tune } = shown;
    const whole = { from: 0, to: tune.bars.length - 1 };
    const parts =
      found.passages.length > 1 && !found.isByHand
        ? found.passages
        : [{ bars: found.bars ?? whole, homeMode: found.homeMode }];
    const lit = parts.map(({ bars, homeMode }) => ({
      bars,
      sounds: new Set(colourOn(homeMode, schools).map(soundOf)),
    }));
    const isLit = ({ pitch, bar }: TuneNote) =>
      lit.find(({ bars }) => bar >= bars.from && bar <= bars.to)?.sounds.has(soundOf(pitch.name)) === true;
    return {
      shown,
      found,
      colour: onStaff(
        shown,
        allNotes(tune).flatMap((note, at) => (isLit(note) ? [at] : [])),
      ),
      ends: onStaff(shown, endsOf(tune, byHand.without)),
    };
  }, [shown, found, schools, byHand.without]);

  useLayoutEffect(() => $answer.set(answer), [answer]);

  const isByHand = Boolean(about ?? ownHome ?? bars) || without.length > 0;
  const change = tuneDocument.change;
  return {
    answer,
    /** Read, but everything in it is left out. */
    isSilenced: shown !== undefined && found === undefined && isByHand,
    /** A long piece is still being listened to. */
    isWorking: found === WORKING,
    which,
    byHand,
    chooseTune: (next: number) => change({ ...NOTHING, which: next }),
    chooseMode: ({ home, mode }: HomeMode) => change({ about: { home: printName(home), mode: mode.id } }),
    chooseHome: (home: Fifths | undefined) => change({ home, about: undefined }),
    chooseBars: (next: BarRange | undefined) => change({ bars: next, about: undefined }),
    /** Leaves notes out, or takes them in again where all of them are out. */
    leaveOut: (notes: readonly number[]) => {
      const isOut = notes.every((note) => byHand.without.has(note));
      const next = isOut ? without.filter((note) => !notes.includes(note)) : [...without, ...notes];
      change({ without: [...new Set(next)], about: undefined });
    },
    setBack: () => change(NOTHING),
  };
}
