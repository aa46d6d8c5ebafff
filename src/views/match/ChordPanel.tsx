import { useStore } from "@nanostores/react";
import type { Fifths } from "@/core/pitch";
import type { ChartChord } from "@/core/chord";
import { type Decision, fitOf, modesForChord, type OneModeReading } from "@/core/progression";
import type { HomeMode } from "@/core/scale";
import { $playing } from "@/state";
import { useSchools } from "@/ui/useSchools";
import { Button } from "@/ui/controls";
import { Facts, OwnWordsSaid, Panel, Saying } from "@/ui/panel";
import {
  decisionText,
  homeModeText,
  outsideText,
  rubsText,
  signalSentence,
  symbolText,
  tonesText,
} from "@/ui/words";
import styles from "./ChordPanel.module.css";

interface ChordPanelProps {
  readonly chart: readonly ChartChord[];
  readonly at: number;
  readonly signal: readonly Fifths[];
  readonly reading: OneModeReading | undefined;
  readonly deciding: readonly Decision[];
  /** The mode to be heard by turns with the reading's. */
  readonly rival: HomeMode | undefined;
  readonly onLoop: () => void;
  readonly onTwo: () => void;
  readonly onKeep: () => void;
}

/** How many modes on the chord's own root are named. */
const ALSO = 4;

/** The panel of Match: the chord in hand, its signal note, and what decides the mode. */
export function ChordPanel({
  chart,
  at,
  signal,
  reading,
  deciding,
  rival,
  onLoop,
  onTwo,
  onKeep,
}: ChordPanelProps) {
  const playing = useStore($playing);
  const schools = useSchools();
  const place = chart[at];
  const chord = place?.chord;
  const fit = chord && reading ? fitOf(chord, reading.homeMode, schools) : undefined;
  return (
    <Panel
      title={symbolText(place?.symbol ?? "")}
      aside={`in bar ${place?.bar ?? 0}`}
      acts={
        <>
          <Button kind="main" keyName="l" aria-pressed={playing === "bar"} onClick={onLoop}>
            Loop this bar
          </Button>
          {rival && (
            <Button keyName="s" aria-pressed={playing === "two"} onClick={onTwo}>
              Hear both
            </Button>
          )}
          <Button keyName="k" onClick={onKeep}>
            Keep
          </Button>
        </>
      }
    >
      {reading ? (
        <Saying>{signalSentence(chart, at, signal, reading)}</Saying>
      ) : (
        <Saying>
          No chord could be read yet, so no mode can be named. The sentence under the line says what would do.
        </Saying>
      )}
      {reading && <OwnWordsSaid mode={reading.homeMode.mode} />}
      <Facts
        rows={[
          ...(reading
            ? [["What decides", <Decisions key="decides" deciding={deciding} chart={chart} />] as const]
            : []),
          ...(chord ? [["Chord tones", tonesText(chord)] as const] : []),
          ...(chord && fit
            ? [["Rubs", rubsText(fit, chord)] as const, ["Outside", outsideText(fit)] as const]
            : []),
          ...(chord ? [["Also fits", alsoFits(chord, reading)] as const] : []),
        ]}
      />
    </Panel>
  );
}

function Decisions({
  deciding,
  chart,
}: {
  readonly deciding: readonly Decision[];
  readonly chart: readonly ChartChord[];
}) {
  return (
    <ul className={styles.decisions}>
      {deciding.map((decision) => (
        <li key={`${decision.between[1].home} ${decision.between[1].mode.id}`}>
          {decisionText(decision, chart)}
        </li>
      ))}
    </ul>
  );
}

/** Modes on the chord's own root that hold all of it. */
function alsoFits(chord: NonNullable<ChartChord["chord"]>, reading: OneModeReading | undefined): string {
  const fits = modesForChord(chord)
    .map(({ homeMode }) => homeMode)
    .filter(({ home, mode }) => home !== reading?.homeMode.home || mode !== reading.homeMode.mode);
  const named = fits.slice(0, ALSO).map(homeModeText).join(" · ");
  if (fits.length === 0) return "no other mode in the catalogue on this root";
  return fits.length > ALSO ? `${named} · ${fits.length - ALSO} more` : named;
}
