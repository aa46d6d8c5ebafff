import { useStore } from "@nanostores/react";
import { useEffect, useRef, useState } from "react";
import {
  $division,
  $toSing,
  addToRoutine,
  $isHidden,
  $noteInput,
  $selection,
  $settings,
  $sounding,
  $surface,
  $tuning,
  changeSettings,
  comesAlive,
  playOrStop,
  prepareSound,
  stepPosition,
  stepVoicing,
  stop,
  whenReady,
} from "@/session";
import { DIVISIONS, LABELS } from "@/storage";
import { Keyboard } from "@/kit/keyboard";
import { Boundary, later, Waiting, laterDialog } from "@/kit/later";
import { Neck, viewOf } from "@/kit/neck";
import { Popover, type PopoverSwitch } from "@/kit/popover";
import { useNarrow } from "@/kit/useNarrow";
import { useKeys } from "@/session/place/useKeys";
import { ADDED_TO_ROUTINE, BLANK_STAGE, HIDDEN_STAGE, ROUTINE_FULL, SING_TITLE } from "@/words";
import { InstrumentDialog } from "./InstrumentDialog";
import { InstrumentButton, PlayButton, ShowChoice, TempoField, WhatToPlay } from "./row";
import { SaidLine } from "./SaidLine";
import { ShownStep } from "./ShownStep";
import { useShown } from "./shown";
import styles from "./Stage.module.css";
import { Surface } from "./Surface";

const DisplayControls = later(() =>
  import("./DisplayControls").then(({ DisplayControls }) => DisplayControls),
);
const SingDialog = laterDialog(SING_TITLE, () =>
  import("@/shell/sung/SingDialog").then(({ SingDialog }) => SingDialog),
);
const SoundControls = later(() => import("./SoundControls").then(({ SoundControls }) => SoundControls));
const StandView = later(() => import("./StandView").then(({ StandView }) => StandView));

const SURFACES = ["neck", "keys", "staff"] as const;

/** Milliseconds for which it is said that something was added. */
const SAID_FOR = 4000;

/** What makes sound is fetched at the first sign of a hand: Play may be what it presses next. */
function soundAtHand() {
  const waiting = new AbortController();
  const prepare = () => {
    waiting.abort();
    void prepareSound();
  };
  for (const sign of ["pointermove", "pointerdown", "keydown"] as const)
    window.addEventListener(sign, prepare, { passive: true, signal: waiting.signal });
  return () => waiting.abort();
}

const after = <T,>(all: readonly T[], one: T): T => all[(all.indexOf(one) + 1) % all.length] ?? one;

/**
 * The bottom of every view, always about the thing selected: the instrument, what of it is shown, what is played, and the
 * neck, keys or staff below. All else is under Display and Sound.
 */
export function Stage() {
  const settings = useStore($settings);
  const tuning = useStore($tuning);
  const surface = useStore($surface);
  const division = useStore($division);
  const isHidden = useStore($isHidden);
  const isNarrow = useNarrow();
  const [dialog, setDialog] = useState<"instrument" | "stand">();
  // Once it was opened it stays, so that closing it gives the focus back.
  const [hasStood, setStood] = useState(false);
  if (dialog === "stand" && !hasStood) setStood(true);
  const display = useRef<PopoverSwitch>(null);
  const sound = useRef<PopoverSwitch>(null);
  const surfaces = tuning ? SURFACES : SURFACES.slice(1);
  const shown = useShown();
  const step = (way: 1 | -1) => (division === "voicing" ? stepVoicing(way) : stepPosition(way));
  const [added, setAdded] = useState<string>();
  // What was put together before has to be read first.
  const addHere = () =>
    !isHidden &&
    whenReady(() => void addToRoutine().then((isIn) => setAdded(isIn ? ADDED_TO_ROUTINE : ROUTINE_FULL)));
  useEffect(() => {
    const timer = setTimeout(() => setAdded(undefined), SAID_FOR);
    return () => clearTimeout(timer);
  }, [added]);
  useEffect(() => comesAlive("stage"), []);
  useEffect(soundAtHand, []);
  const toSing = useStore($toSing);
  const sing = () => !isHidden && $toSing.set("played");
  const openInstrument = () => setDialog("instrument");

  useKeys("The stage", [
    {
      key: "p",
      says: "Position, whole neck, line or voicing",
      act: () => changeSettings({ division: after(DIVISIONS, settings.division) }),
    },
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
      act: () => changeSettings({ labels: after(LABELS, settings.labels) }),
    },
    { key: ";", says: "Display: what the stage shows and how", act: () => display.current?.toggle() },
    {
      key: "n",
      says: "Sound: parts, count-in, rising tempo, files",
      act: () => (sound.current ?? display.current)?.toggle(),
    },
    { key: "R", says: "Add what you see to the practice routine", act: addHere },
    { key: "S", says: "Sing or play along, and be followed", act: sing },
    { key: "z", says: "Fill the screen, for a music stand", act: () => !isHidden && setDialog("stand") },
    { key: " ", says: "Play or stop", act: playOrStop },
    { key: "Escape", says: "Stop all sound", act: stop },
  ]);

  const displayControls = (
    <DisplayControls
      surfaces={surfaces}
      isNarrow={isNarrow}
      onInstrument={openInstrument}
      onStand={() => setDialog("stand")}
      onRoutine={addHere}
    />
  );
  return (
    <section className={styles.stage} aria-label="Stage" data-stage>
      <h2 className="visually-hidden">Stage</h2>
      <div className={styles.controls}>
        {!isNarrow && (
          <>
            <InstrumentButton onOpen={openInstrument} />
            <ShowChoice />
          </>
        )}
        {!isHidden && <ShownStep shown={shown} />}
        {isNarrow ? (
          <>
            <span className={styles.gap} />
            <Popover ref={display} label="More">
              {displayControls}
              <SoundControls isNarrow onSing={sing} />
            </Popover>
          </>
        ) : (
          <>
            <Popover ref={display} label="Display" keyName=";">
              {displayControls}
            </Popover>
            <span className={styles.gap} />
            <WhatToPlay />
            <TempoField />
            <Popover ref={sound} label="Sound" keyName="n">
              <SoundControls isNarrow={false} onSing={sing} />
            </Popover>
          </>
        )}
        <PlayButton />
      </div>
      {added !== undefined && (
        <p className={styles.added} role="status">
          {added}
        </p>
      )}
      {!isHidden && <SaidLine shown={shown} />}
      <div className={styles.surface}>
        {isHidden ? <BlankSurface surface={surface} /> : <ShownSurface surface={surface} shown={shown} />}
      </div>
      <SingDialog
        open={toSing !== undefined}
        onClose={() => $toSing.set(undefined)}
        toSing={toSing === "played" ? undefined : toSing}
      />
      <InstrumentDialog open={dialog === "instrument"} onClose={() => setDialog(undefined)} />
      <Boundary what="The stand">
        <Waiting fallback={null}>
          {hasStood && (
            <StandView
              open={dialog === "stand"}
              onClose={() => setDialog(undefined)}
              surface={surface}
              shown={shown}
              onStep={step}
            />
          )}
        </Waiting>
      </Boundary>
    </section>
  );
}

const NONE: readonly never[] = [];

/** While what the stage shows would tell what is asked: a neck or keys without a mark where notes are to be struck, otherwise nothing. */
function BlankSurface({ surface }: { readonly surface: (typeof SURFACES)[number] }) {
  const onStrike = useStore($noteInput);
  const tuning = useStore($tuning);
  const { fromFret, toFret, leftHanded } = useStore($settings);
  if (!onStrike) return <p className={styles.hidden}>{HIDDEN_STAGE}</p>;
  const blank = {
    title: BLANK_STAGE,
    ...{ characteristic: NONE, unknown: NONE, chordTones: NONE, targetNotes: NONE, sounding: NONE, onStrike },
  };
  return tuning && surface !== "keys" ? (
    <Neck {...blank} view={viewOf(tuning, fromFret, toFret, leftHanded)} markers={NONE} />
  ) : (
    <Keyboard {...blank} notes={NONE} />
  );
}

/** The surface with what is lit and what sounds: followed here, so that a sounding note draws nothing else anew. */
function ShownSurface(props: Pick<Parameters<typeof Surface>[0], "surface" | "shown">) {
  const selection = useStore($selection);
  const sounding = useStore($sounding);
  return <Surface {...props} selection={selection} sounding={sounding} />;
}
