import { useStore } from "@nanostores/react";
import { useId, useState } from "react";
import {
  type BadMeasure,
  badMeasures,
  betweenFrets,
  INSTRUMENTS,
  maybeTuning,
  readStrings,
  type Tuning,
} from "@/core/instrument";
import { $instrument, $settings, $tuning, changeSettings, ownTuningId } from "@/session";
import type { OwnTuning } from "@/storage";
import { Button, NumberField, Select, Toggle } from "@/kit/controls";
import { Setting } from "@/kit/dialog";
import {
  MEASURE_TEXT,
  problemText,
  typedStrings,
  DRAWN_SAYS,
  TUNING_NEEDS_NAME,
  OWN_TUNING_SAYS,
  stretchSaysText,
} from "@/words";
import styles from "./Dialogs.module.css";

/** Which instrument. */
export function InstrumentSelect({ size = "word" }: { readonly size?: "word" | "small" }) {
  const instrument = useStore($instrument);
  return (
    <Select
      label="Instrument"
      size={size}
      value={instrument.id}
      options={INSTRUMENTS.map(({ id, name }) => ({ value: id, text: name }))}
      onChange={(id) => changeSettings({ instrument: id, tuning: maybeTuning(id)?.id ?? "", capo: 0 })}
    />
  );
}

/** How it is tuned: a common tuning, or one made by hand. */
export function TuningSelect({ tuning }: { readonly tuning: Tuning }) {
  const instrument = useStore($instrument);
  const { ownTunings } = useStore($settings);
  return (
    <Select
      label="Tuning"
      size="small"
      value={tuning.id}
      options={[
        ...instrument.tunings.map(({ id, name }) => ({ value: id, text: name })),
        ...ownTunings
          .filter((own) => own.instrument === instrument.id)
          .map(({ name }) => ({ value: ownTuningId(name), text: name, under: "Made by hand" })),
      ]}
      onChange={(id) => changeSettings({ tuning: id })}
    />
  );
}

/** For which hand the neck is drawn. */
export function LeftHandedToggle() {
  const { leftHanded } = useStore($settings);
  return (
    <Toggle isOn={leftHanded} onChange={(isOn) => changeSettings({ leftHanded: isOn })}>
      left-handed
    </Toggle>
  );
}

export function InstrumentForm() {
  const settings = useStore($settings);
  const instrument = useStore($instrument);
  const tuning = useStore($tuning);
  const ownTunings = settings.ownTunings.filter((each) => each.instrument === instrument.id);
  return (
    <>
      <Setting name="Instrument">
        <InstrumentSelect />
      </Setting>
      {tuning && (
        <>
          <Setting name="Tuning" says={typedStrings(tuning)}>
            <TuningSelect tuning={tuning} />
            <NumberField
              label="Capo at fret"
              least={0}
              most={Math.min(20, tuning.frets - 4)}
              value={tuning.capo}
              unit="capo"
              onChange={(capo) => changeSettings({ capo })}
            />
          </Setting>
          <Drawn tuning={tuning} />
          <Stretch tuning={tuning} />
          <Making key={tuning.id} tuning={tuning} own={ownTunings} />
        </>
      )}
    </>
  );
}

/** What of the neck is drawn, and for which hand. */
function Drawn({ tuning }: { readonly tuning: Tuning }) {
  const { fromFret, toFret } = useStore($settings);
  return (
    <Setting name="Drawn" says={DRAWN_SAYS}>
      <NumberField
        label="First fret that is drawn"
        least={0}
        most={Math.max(0, tuning.frets - 4)}
        value={Math.min(fromFret, tuning.frets - 4)}
        unit="to"
        onChange={(fret) => changeSettings({ fromFret: fret, toFret: Math.max(toFret, fret + 4) })}
      />
      <NumberField
        label="Last fret that is drawn"
        least={4}
        most={tuning.frets}
        value={Math.min(toFret, tuning.frets)}
        onChange={(fret) => changeSettings({ toFret: fret, fromFret: Math.min(fromFret, fret - 4) })}
      />
      <LeftHandedToggle />
    </Setting>
  );
}

/** The stretch beyond which a fingering is cautioned against. */
function Stretch({ tuning }: { readonly tuning: Tuning }) {
  const { stretch } = useStore($settings);
  const first = Math.round(betweenFrets(tuning, 1, 4));
  return (
    <Setting name="Comfortable stretch" says={stretchSaysText(first)}>
      <NumberField
        label="Comfortable stretch in millimetres"
        least={60}
        most={180}
        value={stretch}
        unit="mm"
        onChange={(mm) => changeSettings({ stretch: mm })}
      />
    </Setting>
  );
}

interface Draft {
  readonly name: string;
  readonly strings: string;
  readonly frets: string;
  readonly scaleLength: string;
}

/** What is wrong with a tuning that is being made, each said where it stands. */
function troubles({ name, strings, frets, scaleLength }: Draft): readonly string[] {
  const { problems } = readStrings(strings);
  const bad: readonly BadMeasure[] = badMeasures({
    frets: Number(frets),
    scaleLength: Number(scaleLength),
    capo: 0,
  });
  return [
    ...(name.trim() === "" ? [TUNING_NEEDS_NAME] : []),
    ...problems.map((problem) => problemText(problem, strings)),
    ...bad.map((each) => MEASURE_TEXT[each]),
  ];
}

/** A tuning made by hand, from the selected one; those that were made can be deleted and brought back. */
function Making({ tuning, own }: { readonly tuning: Tuning; readonly own: readonly OwnTuning[] }) {
  const { instrument, ownTunings } = useStore($settings);
  const [draft, setDraft] = useState<Draft>({
    name: "",
    strings: typedStrings(tuning),
    frets: String(tuning.frets),
    scaleLength: String(tuning.scaleLength),
  });
  const [said, setSaid] = useState<readonly string[]>([]);
  const [gone, setGone] = useState<OwnTuning>();
  const id = useId();
  const put = (made: OwnTuning) =>
    changeSettings({
      tuning: ownTuningId(made.name),
      ownTunings: [
        ...ownTunings.filter((each) => each.name !== made.name || each.instrument !== instrument),
        made,
      ],
    });
  const field = (part: keyof Draft, label: string, width: number) => (
    <label className={styles.field}>
      {label}
      <input
        value={draft[part]}
        size={width}
        maxLength={120}
        inputMode={part === "frets" || part === "scaleLength" ? "decimal" : undefined}
        aria-describedby={said.length > 0 ? `${id}-said` : undefined}
        onChange={(event) => {
          setDraft({ ...draft, [part]: event.target.value });
          setSaid([]);
        }}
      />
    </label>
  );
  return (
    <Setting name="A tuning made by hand" says={OWN_TUNING_SAYS}>
      <form
        className={styles.form}
        onSubmit={(event) => {
          event.preventDefault();
          const wrong = troubles(draft);
          setSaid(wrong);
          if (wrong.length > 0) return;
          put({
            name: draft.name.trim().slice(0, 60),
            instrument,
            strings: draft.strings.trim(),
            frets: Number(draft.frets),
            scaleLength: Number(draft.scaleLength),
          });
        }}
      >
        {field("strings", "Strings", 34)}
        <div className={styles.fields}>
          {field("name", "Name", 16)}
          {field("frets", "Frets", 4)}
          {field("scaleLength", "Nut to bridge, mm", 6)}
        </div>
        {said.length > 0 && (
          <ul id={`${id}-said`} className={styles.troubles} role="alert">
            {said.map((each) => (
              <li key={each}>{each}</li>
            ))}
          </ul>
        )}
        <Button type="submit">Save this tuning</Button>
      </form>
      {own.length > 0 && (
        <ul className={styles.list}>
          {own.map((each) => (
            <li key={each.name}>
              <span>{each.name}</span>
              <span className={styles.says}>{each.strings}</span>
              <Button
                kind="quiet"
                aria-label={`Delete ${each.name}`}
                onClick={() => {
                  setGone(each);
                  changeSettings({ ownTunings: ownTunings.filter((other) => other !== each) });
                }}
              >
                Delete
              </Button>
            </li>
          ))}
        </ul>
      )}
      {gone && (
        <p role="status">
          {gone.name} is deleted.{" "}
          <Button
            kind="quiet"
            onClick={() => {
              put(gone);
              setGone(undefined);
            }}
          >
            Bring it back
          </Button>
        </p>
      )}
    </Setting>
  );
}
