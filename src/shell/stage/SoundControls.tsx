import { useStore } from "@nanostores/react";
import { useEffect, useRef } from "react";
import { ORDERS } from "@/core/instrument";
import { LOUDEST } from "@/audio";
import {
  $isSwapped,
  $playing,
  $selection,
  $settings,
  $sound,
  $tempo,
  changeSettings,
  level,
  MAIN,
  type Playable,
  playOrStop,
  practiceAddress,
  swapLive,
} from "@/session";
import { TEXTURES } from "@/storage";
import { Button, NumberField, Select, Toggle } from "@/kit/controls";
import { noteText, ORDER_TEXT, TEXTURE_TEXT } from "@/words";
import link from "@/kit/controls/Link.module.css";
import styles from "./Stage.module.css";

const PLAY: Readonly<Record<Playable["code"], string>> = {
  mode: "Play",
  tune: "Play the tune",
  chords: "Play the bars",
  selected: "Play",
};

const CHOSEN: Readonly<Record<Playable["code"], string>> = {
  mode: "the mode",
  tune: "the tune",
  chords: "the bars",
  selected: "selected chord",
};

/** What is played, how fast and how loud, and the button that plays it. */
export function SoundControls({ onMore }: { readonly onMore: () => void }) {
  const { homeMode, play } = useStore($selection);
  const { tempo, volume, drone, texture } = useStore($settings);
  const playing = useStore($playing);
  const sound = useStore($sound);
  return (
    <div className={styles.sound}>
      <span className={styles.what}>
        <Select
          label="What is played"
          size="small"
          value={texture}
          options={TEXTURES.filter((each) => each !== "mode" || play.code !== "mode").map((each) => ({
            value: each,
            text: each === "chosen" ? CHOSEN[play.code] : TEXTURE_TEXT[each],
          }))}
          onChange={(value) => changeSettings({ texture: value })}
        />
      </span>
      <label className={styles.drone}>
        <input
          type="checkbox"
          aria-label={`Drone ${noteText(homeMode.home)}`}
          checked={drone}
          onChange={(event) => changeSettings({ drone: event.target.checked })}
        />
        <span>{`Drone ${noteText(homeMode.home)}`}</span>
      </label>
      <span className={styles.tempo}>
        <NumberField
          label="Tempo, beats a minute"
          least={30}
          most={300}
          value={tempo}
          unit="per minute"
          onChange={(value) => changeSettings({ tempo: value })}
        />
      </span>
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
      <Button className={styles.more} kind="quiet" keyName="n" aria-haspopup="dialog" onClick={onMore}>
        Sound
      </Button>
      <Button
        kind="now"
        aria-pressed={playing === MAIN}
        disabled={play.score.notes.length === 0 && playing === undefined}
        onClick={playOrStop}
      >
        {sound.at === "starting"
          ? "Starting"
          : playing !== undefined
            ? "Stop"
            : texture === "chosen"
              ? PLAY[play.code]
              : "Play"}
      </Button>
    </div>
  );
}

/** Why there is no sound, where there is none; otherwise what can be changed while it goes on. */
export function SoundNow({ onStand }: { readonly onStand: () => void }) {
  const sound = useStore($sound);
  const { swap, homeMode } = useStore($selection);
  const settings = useStore($settings);
  const { texture } = settings;
  const tempo = useStore($tempo);
  const playing = useStore($playing);
  const isSwapped = useStore($isSwapped);
  if (sound.at === "unavailable")
    return (
      <p className={styles.trouble} role="alert">
        This browser gives no sound: {sound.reason}. Everything else works.
      </p>
    );
  if (sound.at === "held")
    return (
      <p className={styles.trouble} role="alert">
        The browser holds the sound back. Press Play once more; another program may have the loudspeaker.
      </p>
    );
  return (
    <div className={styles.now}>
      {playing === MAIN && swap && (
        <Toggle isOn={isSwapped} onChange={swapLive}>
          {`${noteText(homeMode.home + swap.to)} for ${noteText(homeMode.home + swap.from)} on the next repeat`}
        </Toggle>
      )}
      {texture === "position" && (
        <Select
          label="In which order it is played"
          size="small"
          value={settings.order}
          options={ORDERS.map((value) => ({ value, text: ORDER_TEXT[value] }))}
          onChange={(order) => changeSettings({ order })}
        />
      )}
      {tempo !== settings.tempo && <span>now {tempo}</span>}
      <Toggle isOn={settings.click} onChange={(click) => changeSettings({ click })}>
        Click
      </Toggle>
      <Toggle isOn={settings.loop} onChange={(loop) => changeSettings({ loop })}>
        Loop
      </Toggle>
      <a className={link.link} href={practiceAddress(homeMode)}>
        Sheet
      </a>
      <Button kind="quiet" keyName="z" aria-haspopup="dialog" onClick={onStand}>
        Stand
      </Button>
    </div>
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
