import { isBlackKey } from "@/core/instrument";
import { type Fifths, type Interval, midiOf, modulo, type Pitch, soundOf, spellSound } from "@/core/pitch";
import { degreeText, markText, noteText } from "@/words";
import { heardAmong } from "@/kit/heardAmong";
import { pressIn } from "@/kit/pointIn";
import { useCursor } from "@/kit/useCursor";
import { keyAt, keyNear, keyRange, KEYS } from "./geometry";
import styles from "./Keyboard.module.css";

/** A note on its key. */
interface KeyNote {
  readonly pitch: Pitch;
  readonly interval: Interval;
  readonly label: string;
}

interface KeyboardProps {
  readonly title: string;
  readonly notes: readonly KeyNote[];
  readonly characteristic: readonly Fifths[];
  readonly unknown: readonly Fifths[];
  readonly chordTones: readonly Fifths[];
  readonly targetNotes: readonly Fifths[];
  /** MIDI numbers that sound now. */
  readonly sounding: readonly number[];
  /** Every key can be struck: its MIDI number is handed over. */
  readonly onStrike?: ((midi: number) => void) | undefined;
}

/** The keyboard with the same markers as the neck: a sill for home, a notch for characteristic, stripes for what is open. */
export function Keyboard(props: KeyboardProps) {
  const { title, notes, characteristic, unknown, chordTones, targetNotes, sounding, onStrike } = props;
  const byKey = new Map(notes.map((note) => [midiOf(note.pitch), note]));
  const heard = heardAmong([...byKey.keys()], sounding);
  const range = keyRange([...byKey.keys()]);
  const keys = Array.from({ length: range[1] - range[0] + 1 }, (_, at) => range[0] + at);
  const drawn = [...keys.filter((midi) => !isBlackKey(midi)), ...keys.filter(isBlackKey)];
  const has = (names: readonly Fifths[], midi: number) =>
    names.some((name) => soundOf(name) === modulo(midi, 12));
  const said = [...byKey.values()].map(({ pitch, interval }) => {
    const midi = midiOf(pitch);
    return `${noteText(pitch.name)} (${degreeText(interval)}${markText(has(characteristic, midi), has(chordTones, midi), has(targetNotes, midi))})`;
  });
  const cursor = useCursor<number>(
    Math.min(...byKey.keys(), range[1]),
    (midi, across) => (midi + across >= range[0] && midi + across <= range[1] ? midi + across : undefined),
    onStrike,
  );
  const press = pressIn(({ x, y }) => {
    const midi = keyNear(range, x, y);
    if (midi !== undefined) onStrike?.(midi);
  });
  const under = cursor.at === undefined ? undefined : byKey.get(cursor.at);
  return (
    <div className={styles.room}>
      <svg
        className={styles.keyboard}
        viewBox={`0 0 ${KEYS.width} ${KEYS.height}`}
        role="img"
        data-strikes={onStrike !== undefined || undefined}
        {...(onStrike ? { ...cursor.handlers, ...press } : {})}
        aria-label={`${title} on the keys, from ${noteText(byKey.get(Math.min(...byKey.keys()))?.pitch.name ?? 0)}: ${said.join(", ")}.`}
      >
        {drawn.map((midi) => (
          <Key
            key={midi}
            midi={midi}
            at={keyAt(midi, range)}
            note={byKey.get(midi)}
            isLit={has(characteristic, midi)}
            isUnknown={has(unknown, midi)}
            isTone={has(chordTones, midi)}
            isTarget={has(targetNotes, midi)}
            isSounding={heard.has(midi)}
          />
        ))}
        {cursor.at !== undefined && <KeyCursor midi={cursor.at} at={keyAt(cursor.at, range)} />}
      </svg>
      {cursor.at !== undefined && (
        <p className="visually-hidden" role="status">
          {under
            ? `${noteText(under.pitch.name)} (${degreeText(under.interval)})`
            : noteText(spellSound(modulo(cursor.at, 12)))}
        </p>
      )}
    </div>
  );
}

/** Where the arrow keys are, on a key's foot. */
function KeyCursor({ midi, at: { x, width } }: Pick<KeyProps, "midi" | "at">) {
  const height = isBlackKey(midi) ? KEYS.height * KEYS.black : KEYS.height;
  return <rect className={styles.cursor} x={x + 2} y={height - 40} width={width - 4} height={38} />;
}

interface KeyProps {
  readonly midi: number;
  readonly at: { readonly x: number; readonly width: number };
  readonly note: KeyNote | undefined;
  readonly isLit: boolean;
  readonly isUnknown: boolean;
  readonly isTone: boolean;
  readonly isTarget: boolean;
  readonly isSounding: boolean;
}

function Key({ midi, at, note, isLit, isUnknown, isTone, isTarget, isSounding }: KeyProps) {
  const isBlack = isBlackKey(midi);
  const height = isBlack ? KEYS.height * KEYS.black : KEYS.height;
  const width = Math.min(at.width - 4, 34);
  const [left, top] = [at.x + (at.width - width) / 2, height - 34];
  return (
    <g>
      <rect
        className={styles.key}
        data-black={isBlack || undefined}
        x={at.x}
        y={0}
        width={at.width}
        height={height}
      />
      {note && (
        <g
          className={styles.marker}
          data-lit={isLit || undefined}
          data-unknown={isUnknown || undefined}
          data-tone={isTone || undefined}
          data-sounding={isSounding || undefined}
        >
          <rect className={styles.face} x={left} y={top} width={width} height={28} />
          {isTone && (
            <rect className={styles.tone} x={left + 2.6} y={top + 2.6} width={width - 5.2} height={22.8} />
          )}
          {isTarget && (
            <rect className={styles.target} x={left - 2} y={top - 2} width={width + 4} height={32} />
          )}
          {note.interval === 0 && (
            <rect className={styles.mark} x={left} y={top + 24} width={width} height={4} />
          )}
          {isLit && <path className={styles.mark} d={`M${left + width - 8} ${top}h8v8z`} />}
          <text className={styles.name} x={left + width / 2} y={top + 18}>
            {note.label}
          </text>
        </g>
      )}
    </g>
  );
}
