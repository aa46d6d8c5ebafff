import { useStore } from "@nanostores/react";
import { type Tune, voiceNotes, voicePlaces } from "@/core/tune";
import { tuneScore } from "@/audio";
import { $playing, toggle } from "@/session";
import { Button } from "@/kit/controls";
import { voiceText } from "@/words";
import styles from "./Voices.module.css";

interface VoicesProps {
  readonly tune: Tune;
  /** Places of notes that are left out, melody first. */
  readonly without: ReadonlySet<number>;
  /** Leaves some notes out, or takes them in again. */
  readonly onLeaveOut: (notes: readonly number[]) => void;
}

/** The voices of a piece: each can be heard by itself, and be left out of what is listened to. */
export function Voices({ tune, without, onLeaveOut }: VoicesProps) {
  const playing = useStore($playing);
  const { voices = [] } = tune;
  if (voices.length < 2) return null;
  return (
    <section className={styles.voices} aria-label="Voices">
      <h2 className={styles.title}>Voices</h2>
      <ul className={styles.list}>
        {voices.map((voice, at) => {
          const places = voicePlaces(tune, at);
          const name = voiceText(voice, at);
          const isOut = places.length > 0 && places.every((place) => without.has(place));
          const player = `voice ${at}`;
          const hear = () =>
            toggle(
              player,
              tuneScore({ ...tune, notes: voiceNotes(tune, at), beneath: undefined, chords: undefined }),
            );
          return (
            <li key={at} className={styles.voice} data-out={isOut || undefined}>
              <label className={styles.counts}>
                <input type="checkbox" checked={!isOut} onChange={() => onLeaveOut(places)} />
                <span>{name}</span>
              </label>
              <Button
                kind="quiet"
                aria-pressed={playing === player}
                aria-label={playing === player ? `Stop ${name}` : `Hear ${name}`}
                onClick={hear}
              >
                {playing === player ? "Stop" : "Hear"}
              </Button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
