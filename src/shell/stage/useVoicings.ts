import { useStore } from "@nanostores/react";
import { useEffect, useMemo, useRef, useState } from "react";
import { type Chord, printChord } from "@/core/chord";
import {
  type Fingering,
  inflectedVoicing,
  type Inflection,
  inflections,
  type Tuning,
  type Voicing,
  type VoicingKind,
} from "@/core/instrument";
import type { HomeMode } from "@/core/scale";
import { $takenVoicing } from "@/session";
import { findVoicings } from "@/workers";

/** The voicings of the selected chord, and the one that is taken. */
export interface Voicings {
  readonly found: readonly Voicing[];
  readonly taken: Voicing | undefined;
  readonly at: number;
  readonly step: (way: 1 | -1) => void;
  /** How those that are offered are built; undefined for all. */
  readonly kind: VoicingKind | undefined;
  readonly ask: (kind: VoicingKind | undefined) => void;
  /** What one note of the mode makes of the grip, which of them is chosen, and what is to be shown: the grip or that. */
  readonly inflections: readonly Inflection[];
  readonly inflected: Inflection | undefined;
  readonly inflect: (next: Inflection | undefined) => void;
  readonly shown: Voicing | undefined;
  /** How far the search has come, while it goes on; undefined when it is done. */
  readonly share: number | undefined;
  readonly cancel: () => void;
}

/** Milliseconds before the progress of a search is shown: most are done by then. */
const PATIENCE = 300;

/**
 * Looks for the voicings of a chord while they are wanted. Those of the next chord are ranked by how near they lie to the
 * one that was taken; a voicing from the Shelf comes first where its chord is selected.
 */
export function useVoicings(
  isWanted: boolean,
  chord: Chord,
  homeMode: HomeMode,
  tuning: Tuning | undefined,
  limit: number,
): Voicings {
  const [kind, setKind] = useState<VoicingKind>();
  const [choice, setChoice] = useState<{ readonly of: Voicing; readonly inflection: Inflection }>();
  const saved = useStore($takenVoicing);
  const [answer, setAnswer] = useState<{ chord: Chord; found: readonly Voicing[] }>();
  const [at, setAt] = useState(0);
  const [share, setShare] = useState<number>();
  const near = useRef<Fingering>(undefined);
  const search = useRef<() => void>(undefined);

  useEffect(() => {
    if (!isWanted || !tuning) return undefined;
    const begun = performance.now();
    const calling = new AbortController();
    const onProgress = (part: number) => {
      if (performance.now() - begun > PATIENCE) setShare(part);
    };
    search.current = () => {
      calling.abort();
      setShare(undefined);
      setAnswer({ chord, found: [] });
    };
    void findVoicings(
      { tuning, chord, limit, kind, near: near.current },
      { onProgress, signal: calling.signal },
    ).then((outcome) => {
      if (calling.signal.aborted) return;
      setShare(undefined);
      const voicings = "answer" in outcome ? outcome.answer : [];
      const frets =
        saved && printChord(saved.chord) === printChord(chord) ? saved.frets.join(" ") : undefined;
      setAnswer({ chord, found: voicings });
      setAt(
        Math.max(
          0,
          voicings.findIndex((each) => each.frets.join(" ") === frets),
        ),
      );
    });
    return () => calling.abort();
  }, [isWanted, chord, tuning, limit, saved, kind]);

  const found = answer?.found ?? [];
  const taken = found[at];
  useEffect(() => {
    if (taken) near.current = taken.frets;
  }, [taken]);
  const offered = useMemo(
    () => (taken && tuning ? inflections(tuning, homeMode, chord, taken) : []),
    [taken, tuning, homeMode, chord],
  );
  const inflected = choice?.of === taken ? choice?.inflection : undefined;
  return {
    found,
    taken,
    at,
    kind,
    ask: setKind,
    inflections: offered,
    inflected,
    inflect: (next) => setChoice(next && taken ? { of: taken, inflection: next } : undefined),
    shown: inflected && tuning ? inflectedVoicing(tuning, inflected) : taken,
    step: (way) => setAt(Math.max(0, Math.min(found.length - 1, at + way))),
    share,
    cancel: () => search.current?.(),
  };
}
