import { useStore } from "@nanostores/react";
import { soundOf } from "@/core/pitch";
import type { Identification } from "@/core/identify";
import { $playing, $selection, toggle } from "@/state";
import { Button } from "@/ui/controls";
import { Facts, Panel } from "@/ui/panel";
import {
  countReason,
  degreeText,
  homeModeText,
  homeReason,
  listText,
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
  const playing = useStore($playing);
  const { play } = useStore($selection);
  const { homeMode, hearing, open, visiting } = found;
  const reasons = [
    homeReason(found),
    notesReason(found),
    countReason(found),
    tellingReason(found, (note) => (hearing.sounding[soundOf(note)] ?? 0) > 0),
  ];
  return (
    <Panel
      title={homeModeText(homeMode)}
      aside={orText(found)}
      acts={
        <>
          <Button
            kind="main"
            keyName="space"
            aria-pressed={playing === "main"}
            onClick={() => toggle("main", play.score)}
          >
            Hear the tune
          </Button>
          {swapName !== undefined && (
            <Button keyName="s" aria-pressed={playing === "swap"} onClick={onSwap}>
              {`With ${swapName}`}
            </Button>
          )}
          <Button keyName="k" onClick={onKeep}>
            Keep
          </Button>
        </>
      }
    >
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
                  modes.map((each) => `${noteText(homeMode.home + each.interval)} for ${each.mode.name}`),
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
