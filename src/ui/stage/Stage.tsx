import { useStore } from "@nanostores/react";
import { useEffect, useMemo, useRef, useState } from "react";
import { GUITAR, type NeckNote, position, positionFrets } from "@/core/instrument";
import { LOUDEST } from "@/sound";
import {
  $playing,
  $selection,
  $settings,
  $sound,
  $sounding,
  changeSettings,
  level,
  MAIN,
  type Playable,
  playOrStop,
  stop,
} from "@/state";
import { Button, Choice } from "@/ui/controls";
import { useKeys } from "@/ui/keys";
import { Neck, nearestStart, nextStart } from "@/ui/neck";
import { listText, noteText } from "@/ui/words";
import styles from "./Stage.module.css";

const PLAY: Readonly<Record<Playable["code"], string>> = {
  mode: "Play",
  tune: "Play the tune",
  chords: "Play the bars",
  held: "Play",
};

/** Where the hand starts: high enough for all fingers, low enough for every guitar. */
const FIRST_FRET = 5;

/** The bottom of every view: the neck, always about the thing selected, and the sound at its right. */
export function Stage() {
  const { homeMode, lit, unknown, targets, play } = useStore($selection);
  const sounding = useStore($sounding);
  const [shows, setShows] = useState<"position" | "whole">("position");
  const [fret, setFret] = useState(FIRST_FRET);
  const [isOpen, setOpen] = useState(false);

  const starts = useMemo(() => positionFrets(GUITAR, homeMode), [homeMode]);
  const start = nearestStart(starts, fret);
  const hand = useMemo(
    () => (shows === "position" ? position(GUITAR, homeMode, start) : undefined),
    [shows, homeMode, start],
  );
  const step = (way: 1 | -1) => setFret(nextStart(starts, fret, way));

  useKeys("stage", [
    {
      key: "p",
      says: "One position or the whole neck",
      act: () => setShows(shows === "whole" ? "position" : "whole"),
    },
    { key: ",", says: "The position below", act: () => step(-1) },
    { key: ".", says: "The position above", act: () => step(1) },
    { key: " ", says: "Play or stop", act: playOrStop },
    { key: "Escape", says: "Stop all sound", act: stop },
  ]);

  return (
    <section className={styles.stage} aria-label="Stage" data-open={isOpen || undefined}>
      <div className={styles.head}>
        <h2 className={styles.title}>Neck</h2>
        <button type="button" className={styles.fold} aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
          {isOpen ? "Fold" : "Show"}
        </button>
        <span className={styles.instrument}>
          {`Guitar, ${GUITAR.strings.map(({ name }) => noteText(name)).join(" ")}`}
        </span>
        <div className={styles.where}>
          <Choice
            label="How much of the neck"
            value={shows}
            onChange={setShows}
            options={[
              { value: "position", text: "One position" },
              { value: "whole", text: "Whole neck" },
            ]}
          />
          {shows === "position" && (
            <span className={styles.steps}>
              <Button
                kind="quiet"
                aria-label="The position below"
                disabled={start === starts[0]}
                onClick={() => step(-1)}
              >
                ‹
              </Button>
              <output className={styles.fret}>at fret {start}</output>
              <Button
                kind="quiet"
                aria-label="The position above"
                disabled={start === starts.at(-1)}
                onClick={() => step(1)}
              >
                ›
              </Button>
            </span>
          )}
          <span className={styles.homes}>{hand ? homesText(hand) : ""}</span>
        </div>
        <SoundControls homeName={noteText(homeMode.home)} play={play} />
      </div>
      <div className={styles.neck}>
        <Neck
          tuning={GUITAR}
          homeMode={homeMode}
          hand={hand}
          lit={lit}
          unknown={unknown}
          targets={targets}
          sounding={sounding}
        />
      </div>
    </section>
  );
}

/** "home on string 5 fret 5, string 3 fret 7". */
function homesText(hand: readonly NeckNote[]): string {
  const homes = hand.filter(({ interval }) => interval === 0);
  if (homes.length === 0) return "no home under the hand here";
  return `home on ${listText(homes.map(({ string, fret }) => `string ${string} fret ${fret}`))}`;
}

function SoundControls({ homeName, play }: { readonly homeName: string; readonly play: Playable }) {
  const { tempo, volume, drone } = useStore($settings);
  const playing = useStore($playing);
  const sound = useStore($sound);
  return (
    <div className={styles.sound}>
      {sound.at === "unavailable" && (
        <p className={styles.trouble} role="alert">
          This browser gives no sound: {sound.reason}. Everything else works.
        </p>
      )}
      <label className={styles.drone}>
        <input
          type="checkbox"
          aria-label={`Drone ${homeName}`}
          checked={drone}
          onChange={(event) => changeSettings({ drone: event.target.checked })}
        />
        <span>{`Drone ${homeName}`}</span>
      </label>
      <Tempo tempo={tempo} />
      <div className={styles.volume}>
        <input
          type="range"
          min={-48}
          max={LOUDEST}
          value={volume}
          aria-label="Volume"
          aria-valuetext={`${volume} decibels`}
          title="Volume"
          onChange={(event) => changeSettings({ volume: Number(event.target.value) })}
        />
        <LevelMark isPlaying={sound.at === "playing"} />
      </div>
      <Button
        kind="now"
        aria-pressed={playing === MAIN}
        disabled={play.score.notes.length === 0 && playing === undefined}
        onClick={playOrStop}
      >
        {sound.at === "starting" ? "Starting" : playing !== undefined ? "Stop" : PLAY[play.code]}
      </Button>
    </div>
  );
}

/** Tempo in beats a minute, taken when it is within what can be played. */
function Tempo({ tempo }: { readonly tempo: number }) {
  const [draft, setDraft] = useState<string>();
  return (
    <label className={styles.tempo}>
      <input
        type="number"
        min={30}
        max={300}
        value={draft ?? tempo}
        aria-label="Tempo, beats a minute, 30 to 300"
        onChange={(event) => {
          const value = event.target.valueAsNumber;
          if (value >= 30 && value <= 300 && Number.isInteger(value)) {
            changeSettings({ tempo: value });
            setDraft(undefined);
          } else setDraft(event.target.value);
        }}
        onBlur={() => setDraft(undefined)}
      />
      <span>per minute</span>
    </label>
  );
}

/** How loud it is now, as a bar: seen at a glance that something sounds. */
function LevelMark({ isPlaying }: { readonly isPlaying: boolean }) {
  const mark = useRef<HTMLSpanElement>(null);
  useEffect(() => {
    if (!isPlaying) return undefined;
    let frame = 0;
    const draw = () => {
      const share = Math.min(1, Math.max(0, (level() + 60) / 60));
      mark.current?.style.setProperty("--level", String(share));
      if (mark.current) mark.current.dataset.level = share.toFixed(2);
      frame = requestAnimationFrame(draw);
    };
    draw();
    const node = mark.current;
    return () => {
      cancelAnimationFrame(frame);
      node?.style.setProperty("--level", "0");
      if (node) node.dataset.level = "0";
    };
  }, [isPlaying]);
  return <span ref={mark} className={styles.level} data-level="0" aria-hidden="true" />;
}
