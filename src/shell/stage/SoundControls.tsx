import { useStore } from "@nanostores/react";
import { useState } from "react";
import { ORDERS, soundRow } from "@/core/instrument";
import { LOUDEST, PART_SILENT, PARTS, type Rhythm as RhythmName, RHYTHMS, testScore } from "@/audio";
import {
  BACKINGS,
  CHORDS_ON,
  DRONE_NOTES,
  DRONE_REGISTERS,
  DRONE_SOUNDS,
  FIVES,
  GUITAR_SOUNDS,
  SEVENS,
  SILENT_CLICKS,
} from "@/storage";
import {
  $missingSounds,
  $partSounds,
  $playing,
  $selection,
  $settings,
  changeSettings,
  tappedTempo,
  toggle,
  withTap,
} from "@/session";
import { Button, Labelled, NumberField, Select, Toggle } from "@/kit/controls";
import { Setting } from "@/kit/dialog";
import {
  noteText,
  optionsOf,
  ORDER_TEXT,
  PART_TEXT,
  RHYTHM_TEXT,
  VOLUME_SAYS,
  RISING_SAYS,
  tempoReachedText,
  BACKING_TEXT,
  GUITAR_SOUND_TEXT,
  CLICK_PARTS_TEXT,
  CHORDS_ON_TEXT,
  missingSoundsText,
  DRONE_NOTES_TEXT,
  SILENT_CLICKS_TEXT,
} from "@/words";
import { TempoField, WhatToPlay } from "./row";
import { SoundFiles } from "./SoundFiles";
import styles from "./Dialogs.module.css";

const RHYTHM_NAMES = Object.keys(RHYTHMS) as readonly RhythmName[];
const CLICK_PARTS = [1, 2, 3, 4] as const;
const COUNTS = ["0", "2", "3", "4", "8"] as const;

interface SoundControlsProps {
  readonly isNarrow: boolean;
  readonly onSing: () => void;
}

/** How loud each part is, what is heard with it and before, how the tempo rises, and what is played as a file. */
export function SoundControls({ isNarrow, onSing }: SoundControlsProps) {
  return (
    <>
      <div>
        {isNarrow && (
          <Setting name="What to play">
            <WhatToPlay />
            <TempoField />
          </Setting>
        )}
        <Rhythm onSing={onSing} />
        <Metronome />
        <RisingTempo />
        <SoundFiles />
      </div>
      <div>
        <Instruments />
        <Drone />
        <Volumes />
      </div>
    </>
  );
}

/** How what is shown is played. */
function Rhythm({ onSing }: Pick<SoundControlsProps, "onSing">) {
  const { loop, order, rhythm } = useStore($settings);
  return (
    <Setting name="Played">
      <Toggle isOn={loop} onChange={(isOn) => changeSettings({ loop: isOn })}>
        Loop
      </Toggle>
      <Button keyName="S" onClick={onSing}>
        Sing along
      </Button>
      <Labelled label="Notes per beat">
        <Select
          label="Notes per beat"
          size="small"
          value={rhythm}
          options={optionsOf(RHYTHM_NAMES, RHYTHM_TEXT)}
          onChange={(value) => changeSettings({ rhythm: value })}
        />
      </Labelled>
      <Labelled label="Order in a position">
        <Select
          label="Order in a position"
          size="small"
          value={order}
          options={optionsOf(ORDERS, ORDER_TEXT)}
          onChange={(value) => changeSettings({ order: value })}
        />
      </Labelled>
    </Setting>
  );
}

/** The metronome: how it divides beats and groups them, where it is silent, what it counts before, and the tempo by tapping. */
function Metronome() {
  const { click, clickParts, countIn, silentClicks, fives, sevens } = useStore($settings);
  const [taps, setTaps] = useState<readonly number[]>([]);
  const tap = (now: number) => {
    const next = withTap(taps, now);
    setTaps(next);
    const tempo = tappedTempo(next);
    if (tempo !== undefined) changeSettings({ tempo });
  };
  return (
    <Setting name="Metronome">
      <Toggle isOn={click} onChange={(isOn) => changeSettings({ click: isOn })}>
        Metronome
      </Toggle>
      <Button aria-label="Tap the tempo" onClick={({ timeStamp }) => tap(timeStamp)}>
        Tap tempo
      </Button>
      <Labelled label="Clicks">
        <Select
          label="Clicks"
          size="small"
          value={String(clickParts)}
          options={CLICK_PARTS.map((parts) => ({ value: String(parts), text: CLICK_PARTS_TEXT[parts] }))}
          onChange={(value) =>
            changeSettings({ clickParts: CLICK_PARTS.find((parts) => String(parts) === value) ?? 1 })
          }
        />
      </Labelled>
      <Labelled label="Count-in">
        <Select
          label="Count-in"
          size="small"
          value={COUNTS.find((each) => Number(each) === countIn) ?? "0"}
          options={COUNTS.map((value) => ({
            value,
            text: value === "0" ? "none" : `${value} beats`,
          }))}
          onChange={(value) => changeSettings({ countIn: Number(value) })}
        />
      </Labelled>
      <Labelled label="Silent bars">
        <Select
          label="Silent bars"
          size="small"
          value={silentClicks}
          options={optionsOf(SILENT_CLICKS, SILENT_CLICKS_TEXT)}
          onChange={(value) => changeSettings({ silentClicks: value })}
        />
      </Labelled>
      <Labelled label="5 beats">
        <Select
          label="Groups of five beats"
          size="small"
          value={fives}
          options={FIVES.map((value) => ({ value, text: value }))}
          onChange={(value) => changeSettings({ fives: value })}
        />
      </Labelled>
      <Labelled label="7 beats">
        <Select
          label="Groups of seven beats"
          size="small"
          value={sevens}
          options={SEVENS.map((value) => ({ value, text: value }))}
          onChange={(value) => changeSettings({ sevens: value })}
        />
      </Labelled>
    </Setting>
  );
}

/** The note that is held: which, how low, and on what. */
function Drone() {
  const { homeMode } = useStore($selection);
  const { drone, droneNotes, droneRegister, droneSound } = useStore($settings);
  return (
    <Setting name="Drone">
      <Toggle isOn={drone} onChange={(isOn) => changeSettings({ drone: isOn })}>
        {`Drone ${noteText(homeMode.home)}`}
      </Toggle>
      <Labelled label="Notes">
        <Select
          label="Notes of the drone"
          size="small"
          value={droneNotes}
          options={optionsOf(DRONE_NOTES, DRONE_NOTES_TEXT)}
          onChange={(value) => changeSettings({ droneNotes: value })}
        />
      </Labelled>
      <Labelled label="Register">
        <Select
          label="Register of the drone"
          size="small"
          value={droneRegister}
          options={DRONE_REGISTERS.map((value) => ({ value, text: value }))}
          onChange={(value) => changeSettings({ droneRegister: value })}
        />
      </Labelled>
      <Labelled label="Played on">
        <Select
          label="Drone played on"
          size="small"
          value={droneSound}
          options={DRONE_SOUNDS.map((value) => ({ value, text: soundRow(value).name }))}
          onChange={(value) => changeSettings({ droneSound: value })}
        />
      </Labelled>
    </Setting>
  );
}

/** What the instrument sounds like, and who plays chords in what way. */
function Instruments() {
  const { guitarSound, backing, chordsOn } = useStore($settings);
  const { line } = useStore($partSounds);
  const missing = useStore($missingSounds);
  return (
    <Setting name="Instruments">
      {GUITAR_SOUNDS.some((sound) => sound === line) && (
        <Labelled label="Guitar">
          <Select
            label="Guitar"
            size="small"
            value={guitarSound}
            options={optionsOf(GUITAR_SOUNDS, GUITAR_SOUND_TEXT)}
            onChange={(value) => changeSettings({ guitarSound: value })}
          />
        </Labelled>
      )}
      <Labelled label="Chords">
        <Select
          label="Chords"
          size="small"
          value={backing}
          options={optionsOf(BACKINGS, BACKING_TEXT)}
          onChange={(value) => changeSettings({ backing: value })}
        />
      </Labelled>
      <Labelled label="Played on">
        <Select
          label="Chords played on"
          size="small"
          value={chordsOn}
          options={optionsOf(CHORDS_ON, CHORDS_ON_TEXT)}
          onChange={(value) => changeSettings({ chordsOn: value })}
        />
      </Labelled>
      {missing.length > 0 && <p role="status">{missingSoundsText(missing)}</p>}
    </Setting>
  );
}

/** How loud all is, and each part. */
function Volumes() {
  const { volume, parts } = useStore($settings);
  const playing = useStore($playing);
  return (
    <Setting name="Volume" says={VOLUME_SAYS}>
      <div className={styles.part}>
        <span>All</span>
        <span>
          <input
            type="range"
            min={-48}
            max={LOUDEST}
            value={volume}
            aria-label="Volume"
            aria-valuetext={`${volume} decibels`}
            onChange={(event) => changeSettings({ volume: Number(event.target.value) })}
          />
        </span>
        <output>{volume} dB</output>
      </div>
      {PARTS.map((part) => (
        <label key={part} className={styles.part}>
          <span>{PART_TEXT[part]}</span>
          <input
            type="range"
            min={PART_SILENT}
            max={6}
            value={parts[part]}
            aria-label={`Volume of the part: ${PART_TEXT[part]}`}
            aria-valuetext={parts[part] === PART_SILENT ? "silent" : `${parts[part]} decibels`}
            onChange={(event) => changeSettings({ parts: { ...parts, [part]: Number(event.target.value) } })}
          />
          <output>{parts[part] === PART_SILENT ? "silent" : `${parts[part]} dB`}</output>
        </label>
      ))}
      <Button aria-pressed={playing === "test"} onClick={() => toggle("test", testScore())}>
        Test tone
      </Button>
    </Setting>
  );
}

/** The tempo that rises by itself as what is played is repeated. */
function RisingTempo() {
  const { climb, tempo } = useStore($settings);
  return (
    <Setting name="Rising tempo" says={RISING_SAYS}>
      <Toggle
        isOn={climb.isOn}
        onChange={(isOn) =>
          changeSettings({
            climb: { ...climb, isOn, to: Math.min(300, isOn && climb.to <= tempo ? tempo + 40 : climb.to) },
            ...(isOn ? { loop: true, click: true } : {}),
          })
        }
      >
        Rising tempo
      </Toggle>
      <Labelled label="Faster by">
        <NumberField
          label="Faster by, beats a minute"
          least={1}
          most={40}
          value={climb.by}
          unit="bpm"
          onChange={(by) => changeSettings({ climb: { ...climb, by } })}
        />
      </Labelled>
      <Labelled label="Every">
        <NumberField
          label="Every, repeats"
          least={1}
          most={32}
          value={climb.every}
          unit="repeats"
          onChange={(every) => changeSettings({ climb: { ...climb, every } })}
        />
      </Labelled>
      <Labelled label="Up to">
        <NumberField
          label="Up to, beats a minute"
          least={30}
          most={300}
          value={climb.to}
          unit="bpm"
          onChange={(to) => changeSettings({ climb: { ...climb, to } })}
        />
      </Labelled>
      {climb.isOn && climb.to <= tempo && <p role="status">{tempoReachedText(tempo)}</p>}
    </Setting>
  );
}
