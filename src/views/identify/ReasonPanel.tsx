import { useSchools } from "@/ui/useSchools";
import { soundOf } from "@/core/pitch";
import type { Identification } from "@/core/identify";
import { Facts, HearAndKeep, OwnWordsSaid, Panel } from "@/ui/panel";
import {
  countReason,
  degreeText,
  homeModeText,
  homeReason,
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
  /** The ordinary neighbour of the colour note. */
  readonly swapName: string | undefined;
  readonly onSwap: () => void;
  readonly onKeep: () => void;
}

/** The panel of Identify: the working as a person would do it, in four steps. */
export function ReasonPanel({ found, swapName, onSwap, onKeep }: ReasonPanelProps) {
  const { homeMode, hearing, open, visiting } = found;
  const schools = useSchools();
  const reasons = [
    homeReason(found),
    notesReason(found),
    countReason(found),
    tellingReason(found, (note) => (hearing.sounding[soundOf(note)] ?? 0) > 0, schools),
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
      <ol className={styles.reasons}>
        {reasons.map((reason, at) => (
          <li key={at} className={styles.reason}>
            <span className={styles.number} aria-hidden="true">
              {at + 1}
            </span>
            <p>
              <Words>{reason}</Words>
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
          ...(visiting.length > 0
            ? [["Only visiting", listText(visiting.map(({ note }) => noteText(note)))] as const]
            : []),
          ["Play it from", playItFromText(homeMode)],
        ]}
      />
    </Panel>
  );
}
