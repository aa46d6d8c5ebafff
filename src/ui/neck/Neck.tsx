import { type Fifths, midiOf, soundOf } from "@/core/pitch";
import { type NeckNote, neckNotes, type Tuning } from "@/core/instrument";
import type { HomeMode } from "@/core/scale";
import { degreeText, homeModeText, noteText } from "@/ui/words";
import { isMarked, NECK, neckHeight, plateAt, stringAt, wireAt } from "./geometry";
import styles from "./Neck.module.css";

interface NeckProps {
  readonly tuning: Tuning;
  readonly homeMode: HomeMode;
  /** The position in hand; undefined shows the whole neck alike. */
  readonly hand: readonly NeckNote[] | undefined;
  readonly lit: readonly Fifths[];
  /** Notes whose form is open: striped. */
  readonly unknown: readonly Fifths[];
  readonly targets: readonly Fifths[];
  /** MIDI numbers that sound now. */
  readonly sounding: readonly number[];
}

/** The neck from the player's seat, lowest string at the foot: plates for notes, a sill for home, a notch for colour. */
export function Neck({ tuning, homeMode, hand, lit, unknown, targets, sounding }: NeckProps) {
  const notes = neckNotes(tuning, homeMode);
  const strings = Array.from({ length: tuning.strings.length }, (_, at) => at + 1);
  const frets = Array.from({ length: tuning.frets + 1 }, (_, fret) => fret);
  const isInHand = ({ string, fret }: NeckNote) =>
    hand === undefined || hand.some((note) => note.string === string && note.fret === fret);
  const among = (names: readonly Fifths[], note: NeckNote) =>
    names.some((name) => soundOf(name) === soundOf(note.pitch.name));
  const bottom = stringAt(strings.length);

  return (
    <div className={styles.room}>
      <svg
        className={styles.neck}
        viewBox={`0 0 ${NECK.width} ${neckHeight(tuning)}`}
        role="img"
        aria-label={`${homeModeText(homeMode)} on the neck. ${neckInWords(hand ?? notes, strings)}`}
      >
        <defs>
          <pattern id="open-stripes" width="6" height="5" patternUnits="userSpaceOnUse">
            <rect className={styles.gap} width="6" height="5" />
            <rect className={styles.stripe} width="6" height="1" />
          </pattern>
        </defs>
        {frets.slice(1).map((fret) => (
          <line
            key={fret}
            className={styles.wire}
            x1={wireAt(fret, tuning)}
            x2={wireAt(fret, tuning)}
            y1={NECK.top - 6}
            y2={bottom + 6}
          />
        ))}
        {strings.map((string) => (
          <line
            key={string}
            className={styles.string}
            x1={NECK.nut}
            x2={NECK.width}
            y1={stringAt(string)}
            y2={stringAt(string)}
            strokeWidth={0.8 + string * 0.28}
          />
        ))}
        <rect
          className={styles.nut}
          x={NECK.nut - 2}
          y={NECK.top - 6}
          width={5}
          height={bottom - NECK.top + 12}
        />
        {frets.slice(1).map((fret) => (
          <text
            key={fret}
            className={styles.fret}
            data-marked={isMarked(fret) || undefined}
            x={plateAt(fret, tuning)}
            y={bottom + 27}
          >
            {fret}
          </text>
        ))}
        {notes.map((note) => (
          <Plate
            key={`${note.string}/${note.fret}`}
            note={note}
            x={plateAt(note.fret, tuning)}
            inHand={isInHand(note)}
            isLit={among(lit, note)}
            isUnknown={among(unknown, note)}
            isTarget={among(targets, note)}
            isSounding={sounding.includes(midiOf(note.pitch)) && isInHand(note)}
          />
        ))}
      </svg>
    </div>
  );
}

interface PlateProps {
  readonly note: NeckNote;
  readonly x: number;
  readonly inHand: boolean;
  readonly isLit: boolean;
  readonly isUnknown: boolean;
  readonly isTarget: boolean;
  readonly isSounding: boolean;
}

function Plate({ note, x, inHand, isLit, isUnknown, isTarget, isSounding }: PlateProps) {
  const { width, height } = NECK.plate;
  const [left, top] = [x - width / 2, stringAt(note.string) - height / 2];
  const right = left + width;
  return (
    <g
      className={styles.plate}
      data-hand={inHand || undefined}
      data-lit={isLit || undefined}
      data-unknown={isUnknown || undefined}
      data-sounding={isSounding || undefined}
    >
      <rect className={styles.face} x={left} y={top} width={width} height={height} />
      {isTarget && (
        <rect className={styles.target} x={left - 2.5} y={top - 2.5} width={width + 5} height={height + 5} />
      )}
      {note.interval === 0 && (
        <rect className={styles.mark} x={left} y={top + height - 4} width={width} height={4} />
      )}
      {isLit && <path className={styles.mark} d={`M${right - 8} ${top}H${right}V${top + 8}Z`} />}
      <text className={styles.name} x={x} y={stringAt(note.string) + 4.5}>
        {noteText(note.pitch.name)}
      </text>
    </g>
  );
}

/** The same as the picture, for those who cannot see it: string by string, fret and note. */
function neckInWords(notes: readonly NeckNote[], strings: readonly number[]): string {
  return [...strings]
    .reverse()
    .map((string) => {
      const here = notes.filter((note) => note.string === string);
      const said = here.map(
        ({ fret, pitch, interval }) => `${fret} ${noteText(pitch.name)} (${degreeText(interval)})`,
      );
      return `String ${string}: ${said.length === 0 ? "nothing" : said.join(", ")}.`;
    })
    .join(" ");
}
