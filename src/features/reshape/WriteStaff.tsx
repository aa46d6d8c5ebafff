import { useStore } from "@nanostores/react";
import { atom } from "nanostores";
import { useEffect, useEffectEvent, useMemo, useState } from "react";
import { midiOf, type Pitch, printName } from "@/core/pitch";
import { type HomeMode, mode as modeById } from "@/core/scale";
import {
  eraseBefore,
  inMeter,
  type Meter,
  noteBefore,
  oddBars,
  relength,
  repitch,
  type Tune,
  write,
  type Written,
  writtenEnd,
} from "@/core/tune";
import { rewriteAbc, writeAbc } from "@/formats";
import { $noteInput, hearNote } from "@/session";
import { reshapeDocument } from "./reshape-document";
import { SIMULATED, useKeyboards } from "@/session/playing/useKeyboards";
import { KeyboardSelect, SimulatedKeys } from "@/shell/played";
import { Button, Choice, HomeField, Select, Toggle } from "@/kit/controls";
import { Fold } from "@/kit/panel";
import { Staff } from "@/kit/staff";
import {
  METER_TEXT,
  modeOptions,
  NOTE_VALUE_TEXT,
  oddBarText,
  SEVERAL_TO_WRITE,
  tooLongToWrite,
  WRITE_HELP,
  WRITE_STAFF_TEXT,
} from "@/words";
import { $read } from "./reshaped";
import styles from "./Reshape.module.css";
import {
  altered,
  cursorBeside,
  letterPitch,
  NOTE_VALUES,
  octaved,
  type PenLength,
  quartersOf,
  soundPitch,
  stepped,
  type Stroke,
  strokedNote,
  strokeOf,
} from "./writing";

const METERS: readonly Meter[] = [
  { beats: 4, unit: 4 },
  { beats: 3, unit: 4 },
  { beats: 2, unit: 4 },
  { beats: 6, unit: 8 },
  { beats: 9, unit: 8 },
  { beats: 12, unit: 8 },
  { beats: 5, unit: 4 },
  { beats: 7, unit: 8 },
  { beats: 2, unit: 2 },
];

/** The length that is written next. It stays when the first notes make a tune and the staff is drawn anew. */
const $pen = atom<PenLength>({ value: "4", isDotted: false, isTriplet: false });
const setPen = (next: PenLength): void => $pen.set(next);

const BLANK: Tune = { title: "", notes: [], bars: [], meter: { beats: 4, unit: 4 } };
const NONE: readonly number[] = [];

/** States that the cursor is known of. */
const MAX_DRAFTS = 60;

/** A longer tune is written as text. */
const MAX_BARS = 128;

/** What was written, and the text that this became: while the text is that one, also after an undo, it is what the staff shows. */
interface Draft extends Written {
  readonly text: string;
}

interface WriteStaffProps {
  readonly takesFocus: boolean;
  readonly onWritten: () => void;
}

/** The tune on a staff that is written on: by letters, by a keyboard, or by clicks on the stage below. The text beside it follows. */
export function WriteStaff({ takesFocus, onWritten }: WriteStaffProps) {
  const { text, source } = useStore(reshapeDocument.$value);
  const read = useStore($read);
  const [drafts, setDrafts] = useState<readonly Draft[]>([]);
  const draft = drafts.findLast((each) => each.text === text);
  const setDraft = (next: Draft) =>
    setDrafts([...drafts.filter((each) => each.text !== next.text), next].slice(-MAX_DRAFTS));
  const pen = useStore($pen);
  const tunes = read?.asked.text === text ? read.answer.value : undefined;
  const tune = draft?.tune ?? tunes?.[0]?.tune ?? BLANK;
  // Until a text is read there is nothing to write on.
  const isReady = draft !== undefined || tunes !== undefined || text.trim() === "";
  const time = Math.min(draft?.time ?? Infinity, writtenEnd(tune));
  const written: Written = { tune, time };
  const key: HomeMode | undefined = tune.keys?.[0];
  const length = quartersOf(pen);
  const [hasKeyboard, setKeyboard] = useState(false);

  const put = (next: Written) => {
    if (!isReady) return;
    if (next.tune === tune) {
      setDraft({ text, ...next });
      return;
    }
    const anew = source === "abc" ? rewriteAbc(text, next.tune) : writeAbc(next.tune).text;
    setDraft({ text: anew, tune: next.tune, time: next.time });
    reshapeDocument.change({ text: anew, source: "abc" });
    onWritten();
  };
  const putNote = (pitch: Pitch) => {
    hearNote(midiOf(pitch));
    put(write(written, pitch, length));
  };
  const putSound = (midi: number) => put(write(written, soundPitch(midi, key), length));
  const note = strokedNote(written);
  const change = (pitch: Pitch) => {
    hearNote(midiOf(pitch));
    put(repitch(written, pitch));
  };
  const setLength = (next: PenLength) => {
    setPen(next);
    if (note) put(relength(written, quartersOf(next)));
  };
  const act = (stroke: Stroke) => {
    switch (stroke.does) {
      case "letter":
        putNote(letterPitch(written, stroke.letter, key));
        break;
      case "rest":
        put(write(written, undefined, length));
        break;
      case "erase":
        put(eraseBefore(written));
        break;
      case "value":
        setPen({ ...pen, value: stroke.value, isDotted: false });
        break;
      case "dot":
        setLength({ ...pen, isDotted: !pen.isDotted });
        break;
      case "triplet":
        setPen({ ...pen, isTriplet: !pen.isTriplet });
        break;
      case "move": {
        const next = cursorBeside(written, stroke.by);
        if (Number.isFinite(next)) put({ tune, time: next });
        break;
      }
      case "step":
        if (note) change(stepped(note.pitch, stroke.by, key));
        break;
      case "octave":
        if (note) change(octaved(note.pitch, stroke.by));
        break;
      case "alter":
        if (note) change(altered(note.pitch, stroke.accidentals));
    }
  };

  // A click on the stage, or a key of a keyboard, writes a note; the keyboard is heard where it is pressed.
  const { keyboards, keyboard, chooseKeyboard } = useKeyboards({ onPress: putSound });
  const strike = useEffectEvent((midi: number) => {
    hearNote(midi);
    putSound(midi);
  });
  useEffect(() => {
    $noteInput.set((midi) => strike(midi));
    return () => $noteInput.set(undefined);
  }, []);

  const engraved = useMemo(() => writeAbc(tune), [tune]);
  const before = noteBefore(written);
  if (!draft && (tunes?.length ?? 0) > 1) return <p>{SEVERAL_TO_WRITE}</p>;
  if (tune.bars.length > MAX_BARS) return <p>{tooLongToWrite(MAX_BARS)}</p>;
  const setKey = (next: HomeMode) => put({ tune: { ...tune, keys: [{ ...next, bar: 0 }] }, time });
  const mode = key?.mode ?? modeById("ionian");
  const [odd] = oddBars(tune);
  return (
    <section className={styles.writing} aria-label="Write">
      <div className={styles.row}>
        <span className={styles.pair}>
          <HomeField
            label="Key"
            size="small"
            value={key?.home ?? 0}
            onChange={(home) => setKey({ home, mode })}
          />
          <Select
            label="Mode of the key"
            size="small"
            value={mode.id}
            options={modeOptions(mode)}
            onChange={(id) => setKey({ home: key?.home ?? 0, mode: modeById(id) })}
          />
        </span>
        <Select
          label="Meter"
          size="small"
          value={METER_TEXT(tune.meter)}
          options={[...new Set([METER_TEXT(tune.meter), ...METERS.map(METER_TEXT)])].map((value) => ({
            value,
            text: value,
          }))}
          onChange={(value) => {
            const [beats = 4, unit = 4] = value.split("/").map(Number);
            put({ tune: inMeter(tune, { beats, unit }), time });
          }}
        />
        <Choice
          label="Note value"
          size="small"
          value={pen.value}
          options={NOTE_VALUES.map(({ value }) => ({ value, text: NOTE_VALUE_TEXT[value] }))}
          onChange={(value) => setPen({ ...pen, value })}
        />
        <Toggle isOn={pen.isDotted} onChange={(isDotted) => setPen({ ...pen, isDotted })}>
          Dotted
        </Toggle>
        <Toggle isOn={pen.isTriplet} onChange={(isTriplet) => setPen({ ...pen, isTriplet })}>
          Triplet
        </Toggle>
        <Button kind="quiet" onClick={() => act({ does: "rest" })}>
          Rest
        </Button>
        <Button kind="quiet" disabled={time === 0} onClick={() => act({ does: "erase" })}>
          Erase
        </Button>
        {([1, 0, -1] as const).map((accidentals) => (
          <Button
            key={accidentals}
            kind="quiet"
            aria-label={accidentals > 0 ? "Sharp" : accidentals < 0 ? "Flat" : "Natural"}
            disabled={!note}
            onClick={() => act({ does: "alter", accidentals })}
          >
            {accidentals > 0 ? "♯" : accidentals < 0 ? "♭" : "♮"}
          </Button>
        ))}
      </div>
      <p className={styles.note} role="status">
        {odd ? oddBarText(odd, tune.meter) : WRITE_HELP}
      </p>
      <Staff
        tune={engraved.tune}
        text={engraved.text}
        characteristic={NONE}
        phraseEnds={NONE}
        chosen={before < 0 ? undefined : before}
        onChoose={(at) => {
          const note = at === undefined ? undefined : tune.notes[at];
          if (note) put({ tune, time: note.onset + note.duration });
        }}
        onWrite={(pressed) => {
          const stroke = strokeOf(pressed);
          if (stroke) act(stroke);
          return stroke !== undefined;
        }}
        takesFocus={takesFocus}
        label={WRITE_STAFF_TEXT(tune.notes.length, key ? printName(key.home, "signs") : undefined)}
      />
      <Fold name="Keyboard" isOpen={hasKeyboard} onOpen={setKeyboard}>
        <KeyboardSelect keyboards={keyboards} keyboard={keyboard} onChoose={chooseKeyboard} />
        {keyboard.id === SIMULATED.id && <SimulatedKeys />}
      </Fold>
    </section>
  );
}
