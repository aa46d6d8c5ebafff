import { useSchools } from "@/ui/useSchools";
import type { Fifths } from "@/core/pitch";
import type { Identification } from "@/core/identify";
import { Facts, HearAndKeep, OwnWordsSaid, Panel } from "@/ui/panel";
import {
  countReason,
  degreeText,
  homeModeText,
  homeReason,
  keyText,
  listText,
  modeText,
  notesReason,
  noteText,
  orText,
  playItFromText,
  tellingReason,
  Words,
} from "@/ui/words";
import styles from "./ReasonPanel.module.css";

interface ReasonPanelProps {
  readonly found: Identification;
  /** Places in the tune at which a note sounds. */
  readonly placesOf: (note: Fifths) => readonly number[];
  /** The ordinary neighbour of the colour note. */
  readonly swapName: string | undefined;
  readonly onSwap: () => void;
  readonly onKeep: () => void;
  /** A reason points at notes; undefined when none does any more. */
  readonly onPoint: (notes: readonly number[] | undefined) => void;
}

/** The panel of Identify: the working as a person would do it, in four steps. */
export function ReasonPanel({ found, placesOf, swapName, onSwap, onKeep, onPoint }: ReasonPanelProps) {
  const { homeMode, open, isShort, key } = found;
  const schools = useSchools();
  const reasons = [
    homeReason(found),
    notesReason(found, placesOf),
    countReason(found, placesOf),
    tellingReason(found, placesOf, schools),
  ];
  return (
    <Panel
      title={homeModeText(homeMode)}
      aside={orText(found)}
      acts={
        <HearAndKeep
          hear="Hear the tune"
          swap={swapName === undefined ? undefined : { says: `With ${swapName}`, onSwap }}
          onKeep={onKeep}
        />
      }
    >
      <OwnWordsSaid mode={homeMode.mode} />
      {isShort && <p className={styles.short}>So few notes say little: this is as far as they go.</p>}
      <ol className={styles.reasons}>
        {reasons.map((reason, at) => (
          <li key={at} className={styles.reason}>
            <span className={styles.number} aria-hidden="true">
              {at + 1}
            </span>
            <p>
              <Words onPoint={onPoint}>{reason}</Words>
            </p>
          </li>
        ))}
      </ol>
      <Facts
        rows={[
          ...open.map(
            ({ interval, modes }) =>
              [
                `Open: ${degreeText(interval).slice(-1)}`,
                listText(
                  modes.map(
                    (each) => `${noteText(homeMode.home + each.interval)} for ${modeText(each.mode)}`,
                  ),
                  "or",
                ),
              ] as const,
          ),
          ...(key && key.agrees !== "same"
            ? [
                [
                  "Key field",
                  <Words key="key" onPoint={onPoint}>
                    {[{ says: keyText(key), points: key.notes }]}
                  </Words>,
                ] as const,
              ]
            : []),
          ["Play it from", playItFromText(homeMode)],
        ]}
      />
    </Panel>
  );
}
