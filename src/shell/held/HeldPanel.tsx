import { useStore } from "@nanostores/react";
import { chordNotes } from "@/core/chord";
import type { HomeMode } from "@/core/scale";
import { $toSave, $playing, MAIN, playOrStop, putIntoChart } from "@/session";
import { Button } from "@/kit/controls";
import { Facts, Panel, Saying } from "@/kit/panel";
import { useSchools } from "@/session/useSchools";
import { chordSentence, chordText, homeModeText, inModeText, notesText } from "@/words";
import { type Held, heldLine, heldNotes, heldText } from "./held";

interface HeldPanelProps {
  readonly homeMode: HomeMode;
  readonly held: Held;
  readonly onLetGo: () => void;
  /** The line of a chart that it is, where that is more than its symbols. */
  readonly line?: string;
}

/** What is held says of the mode: its notes, what it tells, and what can be done with it. */
export function HeldPanel({ homeMode, held, onLetGo, line = heldLine(held) }: HeldPanelProps) {
  const schools = useSchools();
  const playing = useStore($playing);
  const { chords } = held;
  const [first, ...others] = chords;
  const together = others.length > 0 && {
    ...first,
    tones: [...new Set([...first.tones, ...others.flatMap(chordNotes).map((note) => note - first.root)])],
  };
  const keep = () =>
    $toSave.set({
      kind: "progression",
      title: `${heldText(held)} in ${homeModeText(homeMode)}`,
      words: "",
      chords: line,
    });
  return (
    <Panel
      title={heldText(held)}
      aside={`in ${homeModeText(homeMode)}`}
      acts={
        <>
          <Button kind="main" keyName="space" aria-pressed={playing === MAIN} onClick={playOrStop}>
            Hear it
          </Button>
          <Button onClick={keep}>Keep</Button>
          <Button onClick={() => putIntoChart(line)}>Put into the chart</Button>
          <Button kind="quiet" onClick={onLetGo}>
            Back to the mode
          </Button>
        </>
      }
    >
      <Saying>{chordSentence(together === false ? first : together, homeMode, schools)}</Saying>
      <Facts
        rows={[
          ...chords.map((chord) => [chordText(chord), inModeText(chord, homeMode)] as const),
          ...(together !== false ? [["Together", notesText(heldNotes(held))] as const] : []),
          ...(held.voiced ? [["Stacked", notesText(held.voiced)] as const] : []),
        ]}
      />
    </Panel>
  );
}
