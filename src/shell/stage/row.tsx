import { isSilent } from "@/audio";
import { useStore } from "@nanostores/react";
import { useEffect, useRef } from "react";
import {
  $beat,
  $division,
  $instrument,
  $awaiting,
  $playing,
  $selection,
  $settings,
  $sound,
  $tuning,
  changeSettings,
  level,
  MAIN,
  playOrStop,
} from "@/session";
import { DIVISIONS, type Texture, TEXTURES } from "@/storage";
import { Button, Choice, Labelled, NumberField, Select } from "@/kit/controls";
import { useNarrow } from "@/kit/useNarrow";
import { BEAT_TEXT, CHOSEN_TEXT, DIVISION_TEXT, PLAY_TEXT, SHOWN_TEXT, TEXTURE_TEXT } from "@/words";
import styles from "./Stage.module.css";

/** The instrument with its tuning: its button opens all that can be set about it. */
export function InstrumentButton({ onOpen }: { readonly onOpen: () => void }) {
  const instrument = useStore($instrument);
  const tuning = useStore($tuning);
  const capo = tuning && tuning.capo > 0 ? `, capo ${tuning.capo}` : "";
  return (
    <Labelled label="Instrument">
      <button
        type="button"
        className={styles.instrument}
        aria-label={`Instrument: ${instrument.name}${tuning ? `, ${tuning.name}` : ""}${capo}`}
        aria-haspopup="dialog"
        onClick={onOpen}
      >
        <b>{instrument.name}</b>
        {tuning && <span>{`${tuning.name}${capo}`}</span>}
      </button>
    </Labelled>
  );
}

/** What of the mode the stage shows. */
export function ShowChoice() {
  const { division } = useStore($settings);
  return (
    <Labelled label="Show">
      <Choice
        label="Show"
        size="small"
        value={division}
        options={DIVISIONS.map((value) => ({
          value,
          text: DIVISION_TEXT[value],
          term: DIVISION_TEXT[value],
        }))}
        onChange={(value) => changeSettings({ division: value })}
      />
    </Labelled>
  );
}

/** What Play plays: what the view has chosen, what the stage shows, or a texture of the mode. */
export function WhatToPlay() {
  const { play } = useStore($selection);
  const { texture } = useStore($settings);
  const division = useStore($division);
  const isMode = play.code === "mode";
  const text = (each: Texture) => {
    if (each === "chosen") return isMode ? SHOWN_TEXT[division] : CHOSEN_TEXT[play.code];
    return each === "shown" ? SHOWN_TEXT[division] : TEXTURE_TEXT[each];
  };
  const isOffered = (each: Texture) => {
    if (each === "shown") return !isMode;
    return each !== "mode" || division !== "whole";
  };
  return (
    <Labelled label="Play">
      <Select
        label="What to play"
        size="small"
        value={isMode && texture === "shown" ? "chosen" : texture}
        options={TEXTURES.filter((each) => isOffered(each) || each === texture).map((each) => ({
          value: each,
          text: text(each),
        }))}
        onChange={(value) => changeSettings({ texture: value })}
      />
    </Labelled>
  );
}

/** How fast, in the beats that are felt; the note that is counted stands beside it. */
export function TempoField() {
  const { tempo } = useStore($settings);
  const beat = useStore($beat);
  return (
    <Labelled label="Tempo">
      <NumberField
        label={`Tempo, ${BEAT_TEXT(beat).name} a minute`}
        least={30}
        most={300}
        value={tempo}
        unit={`${BEAT_TEXT(beat).sign} bpm`}
        onChange={(value) => changeSettings({ tempo: value })}
      />
    </Labelled>
  );
}

/** Plays what is to be played; where anything sounds, it stops that. */
export function PlayButton() {
  const { play, answer } = useStore($selection);
  const isAwaiting = useStore($awaiting) !== undefined;
  const { texture } = useStore($settings);
  const playing = useStore($playing);
  const sound = useStore($sound);
  const isNarrow = useNarrow();
  return (
    <span className={styles.playing}>
      <Button
        kind="now"
        className={styles.play}
        aria-pressed={playing === MAIN}
        disabled={answer !== "coming" && playing === undefined && (play.isSilent ?? isSilent(play.score))}
        onClick={playOrStop}
      >
        {sound.at === "starting" || isAwaiting
          ? "Starting"
          : playing !== undefined
            ? "Stop"
            : texture === "chosen" && !isNarrow
              ? PLAY_TEXT[play.code]
              : "Play"}
      </Button>
      <LevelMark isPlaying={sound.at === "playing"} />
    </span>
  );
}

/** How loud it is now, as a bar: seen at a glance that something sounds. */
function LevelMark({ isPlaying }: { readonly isPlaying: boolean }) {
  const mark = useRef<HTMLSpanElement>(null);
  useEffect(() => {
    if (!isPlaying) return undefined;
    const node = mark.current;
    let frame = 0;
    const follow = () => {
      const share = Math.max(0, Math.min(1, (level() + 60) / 60));
      node?.style.setProperty("--level", String(share));
      if (node) node.dataset.level = share.toFixed(2);
      frame = requestAnimationFrame(follow);
    };
    follow();
    return () => {
      cancelAnimationFrame(frame);
      node?.style.setProperty("--level", "0");
      if (node) node.dataset.level = "0";
    };
  }, [isPlaying]);
  return <span ref={mark} className={styles.level} data-level="0" aria-hidden="true" />;
}
