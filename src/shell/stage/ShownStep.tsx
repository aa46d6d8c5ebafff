import { useStore } from "@nanostores/react";
import { heardOf, LINE_FIGURES, type Position, type Tuning } from "@/core/instrument";
import { voicingScore } from "@/audio";
import {
  $chord,
  $division,
  $playing,
  $positions,
  $searched,
  $settings,
  $tuning,
  $voicings,
  cancelVoicings,
  changeSettings,
  stepPosition,
  stepVoicing,
  toggle,
} from "@/session";
import { Button, Choice, Labelled, Select } from "@/kit/controls";
import { chordText, FIGURE_TEXT, handText, optionsOf, positionText } from "@/words";
import type { Shown } from "./shown";
import styles from "./Stage.module.css";

/** Which position, which line or which voicing of what is shown. */
export function ShownStep({ shown }: { readonly shown: Shown }) {
  const division = useStore($division);
  const tuning = useStore($tuning);
  switch (division) {
    case "position":
      return shown.position && tuning ? <PositionStep position={shown.position} tuning={tuning} /> : null;
    case "line":
      return <LineStep />;
    case "voicing":
      return tuning ? <VoicingStep tuning={tuning} /> : null;
    case "whole":
      return null;
  }
}

interface StepperProps {
  readonly before: string;
  readonly next: string;
  readonly isFirst: boolean;
  readonly isLast: boolean;
  readonly onStep: (way: 1 | -1) => void;
  /** Keeps room for the longest, so that the buttons stay where they are. */
  readonly isWide?: boolean;
  readonly children: string;
}

/** Where one is among several, with a button to either side. */
function Stepper({ before, next, isFirst, isLast, onStep, isWide = false, children }: StepperProps) {
  return (
    <span className={styles.steps}>
      <Button kind="quiet" aria-label={before} disabled={isFirst} onClick={() => onStep(-1)}>
        ‹
      </Button>
      <output className={styles.at} data-wide={isWide || undefined}>
        {children}
      </output>
      <Button kind="quiet" aria-label={next} disabled={isLast} onClick={() => onStep(1)}>
        ›
      </Button>
    </span>
  );
}

function PositionStep({ position, tuning }: { readonly position: Position; readonly tuning: Tuning }) {
  const all = useStore($positions);
  return (
    <Labelled label="Position">
      <Stepper
        before="The position below"
        next="The position above"
        isFirst={position === all[0]}
        isLast={position === all.at(-1)}
        onStep={stepPosition}
        isWide
      >
        {`${handText(position, tuning)}, ${positionText(position)}`}
      </Stepper>
    </Labelled>
  );
}

/** Which line: its figure, and how far it goes. */
function LineStep() {
  const { figure, octaves } = useStore($settings);
  return (
    <>
      <Labelled label="Line">
        <Select
          label="Line"
          size="small"
          value={figure}
          options={optionsOf(LINE_FIGURES, FIGURE_TEXT)}
          onChange={(value) => changeSettings({ figure: value })}
        />
      </Labelled>
      <Labelled label="Octaves">
        <Choice
          label="Octaves"
          size="small"
          value={String(octaves)}
          options={[
            { value: "1", text: "one" },
            { value: "2", text: "two" },
          ]}
          onChange={(value) => changeSettings({ octaves: value === "2" ? 2 : 1 })}
        />
      </Labelled>
    </>
  );
}

/** Which voicing of the selected chord; while they are looked for, how far the search has come. */
function VoicingStep({ tuning }: { readonly tuning: Tuning }) {
  const selected = useStore($chord);
  const voicings = useStore($voicings);
  const share = useStore($searched);
  const playing = useStore($playing);
  if (share !== undefined)
    return (
      <span className={styles.steps} role="status">
        <progress value={share} max={1} aria-label="How far the search has come" />
        <Button kind="quiet" onClick={cancelVoicings}>
          Cancel
        </Button>
      </span>
    );
  const { chord = selected, inflected, found = [], at = 0, shown } = voicings ?? {};
  return (
    <>
      <Labelled label="Voicing">
        <span className={styles.steps}>
          <strong className={styles.chord}>{chordText(inflected?.chord ?? chord)}</strong>
          {found.length > 0 && (
            <Stepper
              before="The easier voicing"
              next="The next voicing"
              isFirst={at === 0}
              isLast={at === found.length - 1}
              onStep={stepVoicing}
            >
              {`${at + 1} of ${found.length}`}
            </Stepper>
          )}
        </span>
      </Labelled>
      {shown && (
        <Button
          kind="quiet"
          className={styles.hear}
          aria-label="Hear the voicing"
          aria-pressed={playing === "voicing"}
          onClick={() => toggle("voicing", voicingScore(heardOf(tuning, shown)))}
        >
          Hear
        </Button>
      )}
    </>
  );
}
