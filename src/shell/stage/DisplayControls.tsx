import { useStore } from "@nanostores/react";
import { heardOf, type Inflection, SYSTEMS, type Tuning, VOICING_KINDS } from "@/core/instrument";
import { SEVEN } from "@/core/scale";
import { rockScore } from "@/audio";
import {
  $division,
  $playing,
  $settings,
  $surface,
  $toSave,
  $tuning,
  $voicingKind,
  $voicings,
  shownVoicing,
  changeSettings,
  inflectVoicing,
  toggle,
} from "@/session";
import { LABELS } from "@/storage";
import { Button, Choice, Labelled, Select } from "@/kit/controls";
import { Setting } from "@/kit/dialog";
import {
  chordText,
  inflectionText,
  LABELS_TEXT,
  modeText,
  optionsOf,
  systemText,
  VOICING_KIND_TEXT,
} from "@/words";
import { InstrumentSelect, LeftHandedToggle, TuningSelect } from "./InstrumentForm";
import { ShowChoice } from "./row";

const SURFACE_TEXT = { neck: "Neck", keys: "Keys", staff: "Staff" } as const;

interface DisplayControlsProps {
  readonly surfaces: readonly (keyof typeof SURFACE_TEXT)[];
  /** The row has no room for the instrument and for what is shown. */
  readonly isNarrow: boolean;
  readonly onInstrument: () => void;
  readonly onStand: () => void;
  readonly onRoutine: () => void;
}

/** What the stage shows and how: all that isn't in its row. */
export function DisplayControls({
  surfaces,
  isNarrow,
  onInstrument,
  onStand,
  onRoutine,
}: DisplayControlsProps) {
  const { labels } = useStore($settings);
  const surface = useStore($surface);
  const division = useStore($division);
  const tuning = useStore($tuning);
  return (
    <>
      {isNarrow && (
        <Setting name="Instrument">
          <Labelled label="Instrument">
            <InstrumentSelect size="small" />
          </Labelled>
          {tuning && (
            <>
              <Labelled label="Tuning">
                <TuningSelect tuning={tuning} />
              </Labelled>
              <LeftHandedToggle />
            </>
          )}
          <Button kind="quiet" aria-haspopup="dialog" onClick={onInstrument}>
            More about it
          </Button>
        </Setting>
      )}
      <Setting name={isNarrow ? "Shown" : "Shown on"}>
        {isNarrow && <ShowChoice />}
        <Labelled label="Surface">
          <Choice
            label="Surface"
            size="small"
            value={surface}
            options={optionsOf(surfaces, SURFACE_TEXT)}
            onChange={(value) => changeSettings({ surface: value })}
          />
        </Labelled>
        <Labelled label="Note labels">
          <Select
            label="Note labels"
            size="small"
            value={labels}
            options={optionsOf(LABELS, LABELS_TEXT)}
            onChange={(value) => changeSettings({ labels: value })}
          />
        </Labelled>
      </Setting>
      {tuning && <Positions tuning={tuning} />}
      {tuning && division === "voicing" && <VoicingControls tuning={tuning} />}
      <Setting name="Music stand">
        <Button kind="quiet" keyName="z" aria-haspopup="dialog" onClick={onStand}>
          Stand
        </Button>
      </Setting>
      <Setting name="Practice">
        <Button kind="quiet" keyName="R" onClick={onRoutine}>
          Add to the routine
        </Button>
      </Setting>
    </>
  );
}

/** How the neck is divided into positions, and from which mode the hand comes. */
function Positions({ tuning }: { readonly tuning: Tuning }) {
  const { system, known } = useStore($settings);
  return (
    <Setting name="Positions">
      <Labelled label="Divide the neck into">
        <Select
          label="Divide the neck into"
          size="small"
          value={system}
          options={SYSTEMS.map((each) => ({ value: each, text: systemText(each, tuning) }))}
          onChange={(value) => changeSettings({ system: value })}
        />
      </Labelled>
      <Labelled label="Show what moves">
        <Select
          label="Show what moves"
          size="small"
          value={known}
          options={[
            { value: "reference", text: "from the reference scale" },
            ...SEVEN.map((mode) => ({ value: mode.id, text: `from ${modeText(mode)}` })),
            { value: "none", text: "nothing, only home" },
          ]}
          onChange={(value) => changeSettings({ known: value })}
        />
      </Labelled>
    </Setting>
  );
}

const inflectionKey = ({ string, to }: Inflection) => `${string}/${to}`;

/** How voicings are built, one note of the mode in the grip, and saving it. */
function VoicingControls({ tuning }: { readonly tuning: Tuning }) {
  const voicings = useStore($voicings);
  const kind = useStore($voicingKind);
  const playing = useStore($playing);
  const { taken, shown, inflected, inflections = [], chord } = voicings ?? {};
  const save = () => {
    const voicing = shownVoicing();
    if (!voicing || !chord) return;
    $toSave.set({ kind: "voicing", title: chordText(inflected?.chord ?? chord), words: "", ...voicing });
  };
  return (
    <Setting name="Voicing">
      <Labelled label="Built as">
        <Select
          label="Built as"
          size="small"
          value={kind ?? "any"}
          options={[{ value: "any", text: "any voicing" }, ...optionsOf(VOICING_KINDS, VOICING_KIND_TEXT)]}
          onChange={(value) => $voicingKind.set(VOICING_KINDS.find((each) => each === value))}
        />
      </Labelled>
      {inflections.length > 0 && (
        <Labelled label="Inflection">
          <Select
            label="Inflection"
            size="small"
            value={inflected ? inflectionKey(inflected) : "none"}
            options={[
              { value: "none", text: "plain grip" },
              ...inflections.map((each) => ({ value: inflectionKey(each), text: inflectionText(each) })),
            ]}
            onChange={(value) => inflectVoicing(inflections.find((each) => inflectionKey(each) === value))}
          />
        </Labelled>
      )}
      {inflected && taken && shown && (
        <Button
          kind="quiet"
          aria-pressed={playing === "rock"}
          onClick={() => toggle("rock", rockScore(heardOf(tuning, taken), heardOf(tuning, shown)))}
        >
          Rock
        </Button>
      )}
      {shown && (
        <Button kind="quiet" onClick={save}>
          Save the voicing
        </Button>
      )}
    </Setting>
  );
}
