import { useStore } from "@nanostores/react";
import { type KeyboardEvent, useEffect, useRef } from "react";
import {
  $division,
  $lineNote,
  $practiced,
  $playing,
  $round,
  $selection,
  $settings,
  $sounding,
  $tempo,
  playOrStop,
} from "@/session";
import { Neck, viewOf } from "@/kit/neck";
import { degreeText, handText, noteText, positionText, practisedText, STAND_KEYS, standText } from "@/words";
import type { Move } from "@/core/instrument";
import { notesOf } from "@/core/scale";
import { nearView, type Shown } from "./shown";
import styles from "./StandView.module.css";
import { Surface } from "./Surface";

interface StandViewProps {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly surface: "neck" | "keys" | "staff";
  readonly shown: Shown;
  readonly onStep: (way: 1 | -1) => void;
}

/** Width of the drawings in their own units: narrow, so that two metres away they can still be read. */
const WIDTH = 620;
/** What pedals and players send: pages and arrows step, space and Enter play. */
const STEPS: Readonly<Record<string, 1 | -1>> = {
  PageDown: 1,
  ArrowRight: 1,
  ArrowDown: 1,
  ".": 1,
  PageUp: -1,
  ArrowLeft: -1,
  ArrowUp: -1,
  ",": -1,
};

/** The selected thing over the whole screen, for a music stand. */
export function StandView({ open, onClose, ...rest }: StandViewProps) {
  const sheet = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    const node = sheet.current;
    if (open && node?.open === false) {
      node.showModal();
      node.querySelector<HTMLElement>("[data-first]")?.focus();
      // Filling the screen is a wish: the browser may refuse it, and the view does as well in its window.
      void node.requestFullscreen().catch(() => undefined);
    }
    if (!open && node?.open === true) node.close();
  }, [open]);
  useEffect(() => {
    const node = sheet.current;
    // Escape first takes the full screen away; the view goes with it.
    const leave = () => {
      if (!document.fullscreenElement) node?.close();
    };
    node?.addEventListener("fullscreenchange", leave);
    return () => node?.removeEventListener("fullscreenchange", leave);
  }, []);
  const close = () => {
    if (document.fullscreenElement) void document.exitFullscreen().catch(() => undefined);
    onClose();
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const way = STEPS[event.key];
    const isPlay = event.key === " " || event.key === "Enter";
    // A button that has the focus takes space and Enter itself.
    if (isPlay && event.target instanceof HTMLButtonElement) return;
    if (way === undefined && !isPlay && event.key !== "z") return;
    event.preventDefault();
    if (way !== undefined) rest.onStep(way);
    else if (isPlay) playOrStop();
    else close();
  };
  return (
    // A pedal's keys are meant for the whole of the sheet.
    <dialog
      ref={sheet}
      className={styles.stand}
      aria-label="Stand view"
      onClose={close}
      onKeyDown={onKeyDown}
    >
      {open && <OnStand {...rest} onClose={close} />}
    </dialog>
  );
}

function OnStand({ surface, shown, onStep, onClose }: Omit<StandViewProps, "open">) {
  const selection = useStore($selection);
  const sounding = useStore($sounding);
  const playing = useStore($playing);
  const { leftHanded, figure, octaves, rhythm } = useStore($settings);
  const division = useStore($division);
  const tempo = useStore($tempo);
  const round = useStore($round);
  const play = useRef<HTMLButtonElement>(null);
  const { tuning, title, position, markers, silent, homeMode } = shown;
  // A pedal that sends Enter or space plays, whichever button was pressed last.
  const step = (way: 1 | -1) => {
    onStep(way);
    play.current?.focus();
  };
  const isLine = division === "line" && surface === "neck";
  const lineNote = useStore($lineNote);
  const practiced = useStore($practiced);
  const moves = isLine && lineNote !== undefined ? nextMoves(shown.notes, lineNote) : undefined;
  return (
    <>
      <header className={styles.head}>
        <h2 className={styles.title}>{title}</h2>
        {position && tuning && division === "position" && (
          <p className={styles.where}>
            {handText(position, tuning)}, {positionText(position)}
          </p>
        )}
        {practiced && <p className={styles.now}>{practisedText(practiced.left, practiced.next?.title)}</p>}
        <p className={styles.now}>{standText({ division, figure, octaves, rhythm, tempo, round })}</p>
      </header>
      <p className={styles.notes}>
        {notesOf(homeMode).map((note) => (
          <span key={note} data-lit={selection.characteristic.includes(note) || undefined}>
            {noteText(note)} <small>{degreeText(note - homeMode.home)}</small>
          </span>
        ))}
      </p>
      {isLine && (
        <div className={styles.line}>
          <Surface surface="staff" shown={shown} selection={selection} sounding={sounding} />
        </div>
      )}
      <div className={styles.surface} data-surface={surface} data-under={isLine || undefined}>
        {surface === "neck" && tuning ? (
          <Neck
            title={title}
            view={nearView(shown, leftHanded, WIDTH) ?? viewOf(tuning, 0, 15, leftHanded, WIDTH * 1.7)}
            markers={markers}
            characteristic={selection.characteristic}
            unknown={selection.unknown}
            chordTones={selection.chordTones}
            targetNotes={selection.targetNotes}
            sounding={sounding}
            silent={silent}
            moves={moves}
          />
        ) : (
          <Surface surface={surface} shown={shown} selection={selection} sounding={sounding} />
        )}
      </div>
      <footer className={styles.foot}>
        <button type="button" onClick={() => step(-1)}>
          Before
        </button>
        <button ref={play} type="button" data-kind="now" data-first onClick={playOrStop}>
          {playing === undefined ? "Play" : "Stop"}
        </button>
        <button type="button" onClick={() => step(1)}>
          Next
        </button>
        <span>{STAND_KEYS}</span>
        <button type="button" onClick={onClose}>
          Leave
        </button>
      </footer>
    </>
  );
}

/** Notes of a line that are shown ahead of the one that sounds. */
const AHEAD = 2;

/** Where the hand goes next: from the note that sounds to the next, and on to the one after it. */
function nextMoves(notes: Shown["notes"], at: number): readonly Move[] {
  return Array.from({ length: AHEAD }, (_, n) => [notes[at + n], notes[at + n + 1]] as const).flatMap(
    ([from, to]) =>
      from?.place && to?.place
        ? [{ from: from.place, to: to.place, fromInterval: from.interval, toInterval: to.interval }]
        : [],
  );
}
