import { useStore } from "@nanostores/react";
import { useEffect, useRef, useState } from "react";
import { type Chord, printChord } from "@/core/chord";
import type { Fingering, Tuning, Voicing } from "@/core/instrument";
import { $takenVoicing } from "@/state";
import { findVoicings } from "@/workers";

/** The voicings of the chord in hand, and the one that is taken. */
export interface Voicings {
  readonly found: readonly Voicing[];
  readonly taken: Voicing | undefined;
  readonly at: number;
  readonly step: (way: 1 | -1) => void;
  /** How far the search has come, while it goes on; undefined when it is done. */
  readonly share: number | undefined;
  readonly cancel: () => void;
}

/** Milliseconds before the progress of a search is shown: most are done by then. */
const PATIENCE = 300;

/**
 * Looks for the voicings of a chord while they are wanted. Those of the next chord are ranked by how near they lie to the
 * one that was taken; a voicing from the Shelf comes first where its chord is in hand.
 */
export function useVoicings(
  isWanted: boolean,
  chord: Chord,
  tuning: Tuning | undefined,
  limit: number,
): Voicings {
  const kept = useStore($takenVoicing);
  const [answer, setAnswer] = useState<{ chord: Chord; found: readonly Voicing[] }>();
  const [at, setAt] = useState(0);
  const [share, setShare] = useState<number>();
  const near = useRef<Fingering>(undefined);
  const search = useRef<() => void>(undefined);

  useEffect(() => {
    if (!isWanted || !tuning) return undefined;
    const begun = performance.now();
    const { found, cancel } = findVoicings({ tuning, chord, limit, near: near.current }, (part) => {
      if (performance.now() - begun > PATIENCE) setShare(part);
    });
    let isCurrent = true;
    search.current = () => {
      isCurrent = false;
      cancel();
      setShare(undefined);
      setAnswer({ chord, found: [] });
    };
    void found.then((voicings) => {
      if (!isCurrent) return;
      setShare(undefined);
      const frets = kept && printChord(kept.chord) === printChord(chord) ? kept.frets.join(" ") : undefined;
      setAnswer({ chord, found: voicings });
      setAt(
        Math.max(
          0,
          voicings.findIndex((each) => each.frets.join(" ") === frets),
        ),
      );
    });
    return () => {
      isCurrent = false;
      cancel();
    };
  }, [isWanted, chord, tuning, limit, kept]);

  const found = answer?.found ?? [];
  const taken = found[at];
  useEffect(() => {
    if (taken) near.current = taken.frets;
  }, [taken]);
  return {
    found,
    taken,
    at,
    step: (way) => setAt(Math.max(0, Math.min(found.length - 1, at + way))),
    share,
    cancel: () => search.current?.(),
  };
}
