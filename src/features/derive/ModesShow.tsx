import { useStore } from "@nanostores/react";
import { useMemo } from "react";
import { soundOf } from "@/core/pitch";
import {
  FAMILIES,
  type Family,
  type HomeMode,
  isNamed,
  maybeFamily,
  type Mode,
  parentOf,
} from "@/core/scale";
import { $playing, setHomeMode, setPlace } from "@/session";
import { Button, Choice, Select, HomeField } from "@/kit/controls";
import { familyText, ladderText, numberText, playAllText } from "@/words";
import { Ladder } from "./Ladder";
import { LADDER } from "./ladder-playing";
import { $derive, alignBy } from "./route";
import styles from "@/shell/frame/View.module.css";
import { useWording } from "@/session/settings/useConventions";

interface ModesShowProps {
  readonly homeMode: HomeMode;
  readonly rows: readonly HomeMode[];
  /** Plays through the rows, from bright to dark. */
  readonly onPlayAll: () => void;
}

/** The modes of a parent scale: all on one home, or from every home of one set of notes. */
export function ModesShow({ homeMode, rows, onPlayAll }: ModesShowProps) {
  const { alignment } = useStore($derive);
  const wording = useWording();
  const playing = useStore($playing);
  const { home, mode } = homeMode;
  const { family, tonic } = parentOf(homeMode);
  const byHomes = alignment === "parallel";
  const options = useMemo(() => ({ wording, all: familyOptions(family) }), [family, wording]);
  return (
    <>
      <div className={styles.sentence}>
        <h1 className="visually-hidden">{ladderText(homeMode, alignment)}</h1>
        <span>{byHomes ? "Home" : "The notes of"}</span>
        <HomeField
          label={byHomes ? "Home" : "Tonic of the parent scale"}
          value={byHomes ? home : tonic}
          onChange={(note) => setPlace({ home: byHomes ? note : note + home - tonic })}
        />
        <span>{byHomes ? "through the modes of" : "in"}</span>
        <Select
          label="Parent scale"
          value={family.id}
          options={options.all}
          onChange={(id) => setPlace({ mode: sameDegree(id, mode) })}
        />
        <div className={styles.right}>
          <Button
            kind="quiet"
            keyName="u"
            aria-label={playAllText(alignment)}
            title={playAllText(alignment)}
            aria-pressed={playing === LADDER}
            onClick={onPlayAll}
          >
            Play all
          </Button>
          <Choice
            label="Parallel or relative"
            size="small"
            value={alignment}
            onChange={alignBy}
            options={[
              { value: "parallel", text: "Parallel (same home)", term: "Parallel" },
              { value: "relative", text: "Relative (same notes)", term: "Relative" },
            ]}
          />
        </div>
      </div>
      <Ladder
        rows={rows}
        selected={homeMode}
        heard={playing === LADDER ? mode : undefined}
        leftSound={soundOf(tonic)}
        alignment={alignment}
        label={ladderText(homeMode, alignment)}
        onSelect={byHomes ? takeMode : setHomeMode}
      />
    </>
  );
}

/** On one home a row gives its mode alone. */
const takeMode = ({ mode }: HomeMode) => setPlace({ mode });

/** Families by how many notes they have; one that was made of cells stands by itself. */
function familyOptions(selected: Family) {
  const option = (each: Family) => ({
    value: each.id,
    text: familyText(each),
    under: `Scales of ${numberText(each.modes[0]?.intervals.length ?? 0)} notes`,
  });
  const known = FAMILIES.some(({ id }) => id === selected.id);
  return [
    ...FAMILIES.map(option),
    ...(known ? [] : [{ value: selected.id, text: familyText(selected), under: "Your scale" }]),
  ];
}

/** A change of parent scale keeps the degree where that has a name: from the second mode of one to the second of the other. */
function sameDegree(familyId: string, mode: Mode): Mode {
  const modes = maybeFamily(familyId)?.modes ?? [];
  const same = modes[mode.degree - 1];
  return same && isNamed(same) ? same : (modes[0] ?? mode);
}
