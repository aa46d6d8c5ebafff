import { useStore } from "@nanostores/react";
import { useState } from "react";
import {
  $chord,
  $instrument,
  $selection,
  $settings,
  $sounding,
  $tuning,
  changeSettings,
  playOrStop,
  stepPosition,
  stop,
} from "@/session";
import { DIVISIONS, type Division, LABELS } from "@/storage";
import { Choice, Select } from "@/kit/controls";
import { useKeys } from "@/session/useKeys";
import { DIVISION_TEXT, INSTRUMENT_TEXT, LABELS_TEXT, stringsText } from "@/words";
import { LineRow, PositionRow, VoicingRow } from "./Divisions";
import { InstrumentDialog } from "./InstrumentDialog";
import { useShown } from "./shown";
import { SoundControls, SoundNow } from "./SoundControls";
import { SoundDialog } from "./SoundDialog";
import { StandView } from "./StandView";
import styles from "./Stage.module.css";
import { Surface } from "./Surface";
import { useVoicings } from "./useVoicings";

const SURFACES = ["neck", "keys", "staff"] as const;
const SURFACE_TEXT = { neck: "Neck", keys: "Keys", staff: "Staff" } as const;

const after = <T,>(all: readonly T[], one: T): T => all[(all.indexOf(one) + 1) % all.length] ?? one;

/** The bottom of every view, always about the thing selected: neck, keys or staff, and the sound at its right. */
export function Stage() {
  const settings = useStore($settings);
  const instrument = useStore($instrument);
  const tuning = useStore($tuning);
  const chord = useStore($chord);
  const [isOpen, setOpen] = useState(false);
  const [dialog, setDialog] = useState<"instrument" | "sound" | "stand">();
  const { division, labels, stretch } = settings;
  const surfaces = tuning ? SURFACES : SURFACES.slice(1);
  const surface = tuning || settings.surface !== "neck" ? settings.surface : "keys";
  const { homeMode } = useStore($selection);
  const voicings = useVoicings(division === "voicing", chord, homeMode, tuning, stretch);
  const shown = useShown(voicings.shown);
  const step = (way: 1 | -1) => (division === "voicing" ? voicings.step(way) : stepPosition(way));
  const divide = (next: Division) => changeSettings({ division: next });

  useKeys("The stage", [
    { key: "p", says: "Position, whole, line or voicing", act: () => divide(after(DIVISIONS, division)) },
    { key: ",", says: "The position or voicing before", act: () => step(-1) },
    { key: ".", says: "The next position or voicing", act: () => step(1) },
    {
      key: "j",
      says: "Neck, keys or staff",
      act: () => changeSettings({ surface: after(surfaces, surface) }),
    },
    {
      key: "y",
      says: "Note labels",
      act: () => changeSettings({ labels: after(LABELS, labels) }),
    },
    { key: "z", says: "Fill the screen, for a music stand", act: () => setDialog("stand") },
    { key: "n", says: "Sound: parts, count-in, climbing tempo, files", act: () => setDialog("sound") },
    { key: " ", says: "Play or stop", act: playOrStop },
    { key: "Escape", says: "Stop all sound", act: stop },
  ]);

  return (
    <section className={styles.stage} aria-label="Stage" data-open={isOpen || undefined}>
      <h2 className="visually-hidden">Stage</h2>
      <div className={styles.head}>
        <div className={styles.surfaces}>
          <Choice
            label="What the stage shows it on"
            size="small"
            value={surface}
            options={surfaces.map((value) => ({ value, text: SURFACE_TEXT[value] }))}
            onChange={(value) => changeSettings({ surface: value })}
          />
        </div>
        <button type="button" className={styles.fold} aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
          {isOpen ? "Fold" : "Show"}
        </button>
        <button
          type="button"
          className={styles.instrument}
          aria-haspopup="dialog"
          onClick={() => setDialog("instrument")}
        >
          {INSTRUMENT_TEXT[instrument.id]}
          {tuning && `, ${stringsText(tuning)}${tuning.capo > 0 ? `, capo ${tuning.capo}` : ""}`}
        </button>
        <div className={styles.where}>
          <Choice
            label="What is shown of it"
            size="small"
            value={division}
            options={DIVISIONS.map((value) => ({ value, text: DIVISION_TEXT[value] }))}
            onChange={divide}
          />
          <Select
            label="Note labels"
            size="small"
            value={labels}
            options={LABELS.map((value) => ({ value, text: LABELS_TEXT[value] }))}
            onChange={(value) => changeSettings({ labels: value })}
          />
        </div>
        <SoundControls onMore={() => setDialog("sound")} />
      </div>
      <div className={styles.under}>
        <div className={styles.row}>
          {division === "position" && tuning && <PositionRow shown={shown} tuning={tuning} />}
          {division === "line" && <LineRow shown={shown} />}
          {division === "voicing" && tuning && <VoicingRow voicings={voicings} tuning={tuning} />}
        </div>
        <SoundNow onStand={() => setDialog("stand")} />
      </div>
      <div className={styles.neck}>
        <ShownSurface surface={surface} shown={shown} />
      </div>
      <InstrumentDialog open={dialog === "instrument"} onClose={() => setDialog(undefined)} />
      <SoundDialog open={dialog === "sound"} onClose={() => setDialog(undefined)} />
      <StandView
        open={dialog === "stand"}
        onClose={() => setDialog(undefined)}
        surface={surface}
        shown={shown}
        onStep={step}
      />
    </section>
  );
}

/** The surface with what is lit and what sounds: followed here, so that a sounding note draws nothing else anew. */
function ShownSurface(props: Pick<Parameters<typeof Surface>[0], "surface" | "shown">) {
  const selection = useStore($selection);
  const sounding = useStore($sounding);
  return <Surface {...props} selection={selection} sounding={sounding} />;
}
