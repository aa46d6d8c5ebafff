import { useStore } from "@nanostores/react";
import { chordNotes } from "@/core/chord";
import type { HomeMode } from "@/core/scale";
import { $toSave, $playing, MAIN, playOrStop, putIntoChart } from "@/session";
import { Button } from "@/kit/controls";
import { Facts, Panel, Saying } from "@/kit/panel";
import { chordSentence, chordText, homeModeText, inModeText, notesText } from "@/words";
import { type SelectedChords, selectedLine, selectedNotes, selectedText } from "./selected-chords";

interface SelectedPanelProps {
  readonly homeMode: HomeMode;
  readonly selected: SelectedChords;
  readonly onDeselect: () => void;
  /** The line of a chart that it is, where that is more than its symbols. */
  readonly line?: string;
}

/** What is held says of the mode: its notes, what it tells, and what can be done with it. */
export function SelectedPanel({
  homeMode,
  selected,
  onDeselect,
  line = selectedLine(selected),
}: SelectedPanelProps) {
  const playing = useStore($playing);
  const { chords } = selected;
  const [first, ...others] = chords;
  const together = others.length > 0 && {
    ...first,
    tones: [...new Set([...first.tones, ...others.flatMap(chordNotes).map((note) => note - first.root)])],
  };
  const save = () =>
    $toSave.set({
      kind: "progression",
      title: `${selectedText(selected)} in ${homeModeText(homeMode)}`,
      words: "",
      chords: line,
    });
  return (
    <Panel
      title={selectedText(selected)}
      aside={`in ${homeModeText(homeMode)}`}
      acts={
        <>
          <Button kind="main" keyName="space" aria-pressed={playing === MAIN} onClick={playOrStop}>
            Hear it
          </Button>
          <Button onClick={save}>Save</Button>
          <Button onClick={() => putIntoChart(line)}>Put into the chart</Button>
          <Button kind="quiet" onClick={onDeselect}>
            Back to the mode
          </Button>
        </>
      }
    >
      <Saying>{chordSentence(together === false ? first : together, homeMode)}</Saying>
      <Facts
        rows={[
          ...chords.map((chord) => [chordText(chord), inModeText(chord, homeMode)] as const),
          ...(together !== false ? [["Together", notesText(selectedNotes(selected))] as const] : []),
          ...(selected.voiced ? [["Stacked", notesText(selected.voiced)] as const] : []),
        ]}
      />
    </Panel>
  );
}
