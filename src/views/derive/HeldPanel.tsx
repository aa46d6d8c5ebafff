import { useStore } from "@nanostores/react";
import { chordNotes, exactSymbol } from "@/core/chord";
import type { HomeMode } from "@/core/scale";
import { $keeping, $playing, changeDraft, goTo, MAIN, playOrStop } from "@/state";
import { Button } from "@/ui/controls";
import { Facts, Panel, Saying } from "@/ui/panel";
import { useSchools } from "@/ui/useSchools";
import { chordSentence, chordText, homeModeText, inModeText, notesText } from "@/ui/words";
import { type Held, heldNotes, heldText } from "./held";

interface HeldPanelProps {
  readonly homeMode: HomeMode;
  readonly held: Held;
  readonly onLetGo: () => void;
}

/** A line of chords that Match and the Shelf can read back. */
const asProgression = ({ chords }: Held): string => `| ${chords.map(exactSymbol).join(" | ")} |`;

/** What is held says of the mode: its notes, what it tells, and what can be done with it. */
export function HeldPanel({ homeMode, held, onLetGo }: HeldPanelProps) {
  const schools = useSchools();
  const playing = useStore($playing);
  const { chords } = held;
  const [first, second] = chords;
  const together = second && {
    ...first,
    tones: [...new Set([...first.tones, ...chordNotes(second).map((note) => note - first.root)])],
  };
  const keep = () =>
    $keeping.set({
      kind: "progression",
      title: `${heldText(held)} in ${homeModeText(homeMode)}`,
      words: "",
      chords: asProgression(held),
    });
  const match = () => {
    changeDraft({ chords: asProgression(held) });
    goTo("match");
  };
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
          <Button onClick={match}>Match it</Button>
          <Button kind="quiet" onClick={onLetGo}>
            Back to the mode
          </Button>
        </>
      }
    >
      <Saying>{chordSentence(together ?? first, homeMode, schools)}</Saying>
      <Facts
        rows={[
          ...chords.map((chord) => [chordText(chord), inModeText(chord, homeMode)] as const),
          ...(second ? [["Together", notesText(heldNotes(held))] as const] : []),
          ...(held.voiced ? [["Stacked", notesText(held.voiced)] as const] : []),
        ]}
      />
    </Panel>
  );
}
