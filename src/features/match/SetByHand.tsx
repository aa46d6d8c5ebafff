import { useState } from "react";
import type { ChartChord, Lock } from "@/core/chord";
import type { Fifths } from "@/core/pitch";
import { type HomeMode, maybeMode, type Mode } from "@/core/scale";
import { Button, Select } from "@/kit/controls";
import { lockText, modeText, noteText } from "@/words";
import styles from "./SetByHand.module.css";
import type { Over } from "./range";

interface SetByHandProps {
  readonly at: number;
  readonly place: ChartChord;
  /** What the analysis says here: offered first. */
  readonly homeMode: HomeMode;
  readonly homes: readonly Fifths[];
  readonly scales: readonly Mode[];
  readonly over: readonly Over[];
  readonly onSet: (from: number, to: number, lock: Lock | undefined) => void;
}

const ANY = "any";

/** What is to be set, by the chord and the mode that it is asked for at. */
interface AskedFor {
  readonly of: string;
  readonly where?: Over["id"];
  readonly home?: string;
  readonly mode?: string;
}

/** Home, mode or both set for a range, so that the analyses keep to it; what is set here, and letting it go. */
export function SetByHand({ at, place, homeMode, homes, scales, over, onSet }: SetByHandProps) {
  const of = `${at} ${homeMode.home} ${homeMode.mode.id}`;
  const [last, setAsked] = useState<AskedFor>({ of });
  // Elsewhere nothing has been asked for yet. (A key of its own would make all the lists anew at every chord.)
  const asked: AskedFor = last.of === of ? last : { of };
  const { where = "segment", home, mode } = asked;
  const ask = (part: Omit<AskedFor, "of">) => setAsked({ ...asked, ...part });
  const range = over.find(({ id }) => id === where) ?? over[0];
  const homeNow = home ?? String(homeMode.home);
  const modeNow = mode ?? homeMode.mode.id;
  const lock: Lock = {
    ...(homeNow === ANY ? {} : { home: Number(homeNow) }),
    ...(modeNow === ANY ? {} : { mode: maybeMode(modeNow) }),
  };
  const isNothing = lock.home === undefined && lock.mode === undefined;
  const listed = scales.includes(homeMode.mode) ? scales : [homeMode.mode, ...scales];
  if (!range) return null;
  return (
    <div className={styles.set}>
      {place.lock && <p className={styles.now}>{`Here ${lockText(place.lock)} is set.`}</p>}
      <div className={styles.row}>
        <Select
          label="Home that is set"
          size="small"
          value={homeNow}
          options={[
            ...(homes.includes(homeMode.home) ? homes : [homeMode.home, ...homes]).map((each) => ({
              value: String(each),
              text: noteText(each),
            })),
            { value: ANY, text: "any home" },
          ]}
          onChange={(value) => ask({ home: value })}
        />
        <Select
          label="Mode that is set"
          size="small"
          value={modeNow}
          options={[
            ...listed.map((each) => ({ value: each.id, text: modeText(each) })),
            { value: ANY, text: "any mode" },
          ]}
          onChange={(value) => ask({ mode: value })}
        />
        <Select
          label="Over which chords"
          size="small"
          value={range.id}
          options={over.map(({ id, text }) => ({ value: id, text }))}
          onChange={(value) => ask({ where: value })}
        />
        <Button disabled={isNothing} onClick={() => onSet(range.from, range.to, lock)}>
          Set
        </Button>
        {place.lock && (
          <Button kind="quiet" onClick={() => onSet(range.from, range.to, undefined)}>
            Let go
          </Button>
        )}
      </div>
    </div>
  );
}
