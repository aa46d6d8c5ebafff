import { type Fifths, type Interval, midiOf, type Pitch, soundOf } from "@/core/pitch";
import type { Move, Place } from "@/core/instrument";
import { degreeText, markText, noteText, stringFretText, beyondFretsText } from "@/words";
import { heardAmong } from "@/kit/heardAmong";
import { pressIn } from "@/kit/pointIn";
import { useCursor } from "@/kit/useCursor";
import {
  isDrawn,
  isMarked,
  NECK,
  neckHeight,
  type NeckView,
  placeNear,
  soundAt,
  markerAt,
  markerHeight,
  stringAt,
  wireAt,
  wiresOf,
} from "./geometry";
import styles from "./Neck.module.css";

/** A note where it lies, as it is to be shown. */
export interface NeckMarker extends Place {
  readonly pitch: Pitch;
  readonly interval: Interval;
  /** What stands on it; nothing leaves a small marker. */
  readonly label: string;
  /** Under the hand, or otherwise what this is about. */
  readonly selected: boolean;
  /** Fills a frame in without belonging to it. */
  readonly isInner?: boolean | undefined;
  /** The hand moves before it. */
  readonly isShift?: boolean | undefined;
}

interface NeckProps {
  /** What the picture is of, for its text alternative: "D Dorian". */
  readonly title: string;
  readonly view: NeckView;
  readonly markers: readonly NeckMarker[];
  readonly characteristic: readonly Fifths[];
  /** Notes whose form is open: striped. */
  readonly unknown: readonly Fifths[];
  /** Tones of the selected chord: an outline inside. */
  readonly chordTones: readonly Fifths[];
  /** What is new in it: an outline outside. */
  readonly targetNotes: readonly Fifths[];
  /** MIDI numbers that sound now. */
  readonly sounding: readonly number[];
  /** Strings that are not played, in a voicing. */
  readonly silent?: readonly number[];
  /** How the hand comes here from a mode that is known. */
  readonly moves?: readonly Move[] | undefined;
  /** Every place on the neck can be struck: its MIDI number is handed over. */
  readonly onStrike?: ((midi: number) => void) | undefined;
}

const NONE: readonly never[] = [];

/** The neck from the player's seat, lowest string at the foot: markers for notes, a sill for home, a notch for characteristic. */
export function Neck({
  title,
  view,
  markers,
  characteristic,
  unknown,
  chordTones,
  targetNotes,
  sounding,
  silent = NONE,
  moves = NONE,
  onStrike,
}: NeckProps) {
  const shown = markers.filter((marker) => isDrawn(marker, view));
  const selected = markers.filter((marker) => marker.selected);
  const beyond = selected.filter((marker) => !isDrawn(marker, view)).length;
  const heard = heardAmong(
    selected.map(({ pitch }) => midiOf(pitch)),
    sounding,
  );
  const among = (names: readonly Fifths[], { pitch }: NeckMarker) =>
    names.some((name) => soundOf(name) === soundOf(pitch.name));
  const low = selected.toSorted((a, b) => b.string - a.string || a.fret - b.fret)[0];
  const cursor = useCursor<Place>(
    low ?? { string: view.tuning.strings.length, fret: view.fromFret },
    ({ string, fret }, across, down) => {
      const next = { string: string + down, fret: fret + (view.isLeft ? -across : across) };
      const isThere = next.string >= 1 && next.string <= view.tuning.strings.length && isDrawn(next, view);
      return isThere ? next : undefined;
    },
    (place) => onStrike?.(soundAt(view.tuning, place)),
  );
  const press = pressIn(({ x, y }) => {
    const place = placeNear(view, x, y);
    if (place) onStrike?.(soundAt(view.tuning, place));
  });
  const under =
    cursor.at && markers.find(({ string, fret }) => string === cursor.at?.string && fret === cursor.at.fret);
  const marks = (marker: NeckMarker) =>
    markText(among(characteristic, marker), among(chordTones, marker), among(targetNotes, marker));
  return (
    <div className={styles.room}>
      <svg
        className={styles.neck}
        viewBox={`0 0 ${view.width} ${neckHeight(view)}`}
        role="img"
        data-wide={view.width >= NECK.width || undefined}
        data-strikes={onStrike !== undefined || undefined}
        {...(onStrike ? { ...cursor.handlers, ...press } : {})}
        aria-label={`${title} on the neck. ${neckInWords(selected, view, silent, marks)}`}
      >
        <defs>
          <pattern id="open-stripes" width="6" height="5" patternUnits="userSpaceOnUse">
            <rect className={styles.gap} width="6" height="5" />
            <rect className={styles.stripe} width="6" height="1" />
          </pattern>
        </defs>
        <Wood view={view} />
        {moves.map(({ from, to }) => (
          <MoveMark
            key={`${from.string}/${from.fret} ${to.string}/${to.fret}`}
            from={from}
            to={to}
            view={view}
          />
        ))}
        {shown.map((marker) => (
          <Marker
            key={`${marker.string}/${marker.fret}`}
            marker={marker}
            view={view}
            isLit={among(characteristic, marker)}
            isUnknown={among(unknown, marker)}
            isTone={among(chordTones, marker)}
            isTarget={among(targetNotes, marker)}
            isSounding={marker.selected && heard.has(midiOf(marker.pitch))}
          />
        ))}
        {cursor.at && isDrawn(cursor.at, view) && (
          <rect
            className={styles.cursor}
            x={markerAt(cursor.at.fret, view) - NECK.markerWidth / 2 - 4}
            y={stringAt(cursor.at.string, view) - markerHeight(view) / 2 - 4}
            width={NECK.markerWidth + 8}
            height={markerHeight(view) + 8}
          />
        )}
        {silent.map((string) => (
          <text
            key={string}
            className={styles.silent}
            x={markerAt(view.fromFret, view)}
            y={stringAt(string, view) + 5}
          >
            ×
          </text>
        ))}
      </svg>
      {cursor.at && (
        <p className="visually-hidden" role="status">
          {stringFretText(
            cursor.at,
            under && `${noteText(under.pitch.name)} (${degreeText(under.interval)}${marks(under)})`,
          )}
        </p>
      )}
      {beyond > 0 && <p className={styles.beyond}>{beyondFretsText(beyond)}</p>}
    </div>
  );
}

/** Strings, frets, nut and capo. A fiddle has no wires, only ticks that count half steps. */
function Wood({ view }: { readonly view: NeckView }) {
  const { tuning, fromFret } = view;
  const strings = Array.from({ length: tuning.strings.length }, (_, at) => at + 1);
  const bottom = stringAt(strings.length, view);
  const [left, right] = [wireAt(Math.max(0, fromFret - 1), view), wireAt(view.toFret, view)];
  return (
    <>
      {wiresOf(view).map((fret) => (
        <g key={fret}>
          <line
            className={styles.wire}
            x1={wireAt(fret, view)}
            x2={wireAt(fret, view)}
            y1={tuning.isFretted ? NECK.top - 6 : bottom + 4}
            y2={bottom + (tuning.isFretted ? 6 : 12)}
          />
          <text
            className={styles.fret}
            data-marked={isMarked(fret) || undefined}
            x={markerAt(fret, view)}
            y={bottom + 25}
          >
            {fret}
          </text>
        </g>
      ))}
      {strings.map((string) => (
        <g key={string} className={styles.string} strokeWidth={0.8 + string * 0.28}>
          {(tuning.doubles.length > 0 ? [-1.6, 1.6] : [0]).map((off) => (
            <line
              key={off}
              x1={left}
              x2={right}
              y1={stringAt(string, view) + off}
              y2={stringAt(string, view) + off}
            />
          ))}
        </g>
      ))}
      {fromFret === 0 && <Bar at={wireAt(0, view)} bottom={bottom} />}
      {tuning.capo >= Math.max(1, fromFret) && (
        <g>
          <Bar at={markerAt(tuning.capo, view)} bottom={bottom} />
          <text className={styles.capo} x={markerAt(tuning.capo, view)} y={bottom + 25}>
            capo
          </text>
        </g>
      )}
    </>
  );
}

const Bar = ({ at, bottom }: { readonly at: number; readonly bottom: number }) => (
  <rect className={styles.nut} x={at - 2.5} y={NECK.top - 6} width={5} height={bottom - NECK.top + 12} />
);

/** Where a note was in the known mode, and the way to where it is now. */
function MoveMark({ from, to, view }: Pick<Move, "from" | "to"> & { readonly view: NeckView }) {
  if (!isDrawn(from, view) || !isDrawn(to, view)) return null;
  const [x1, y1] = [markerAt(from.fret, view), stringAt(from.string, view)];
  const [x2, y2] = [markerAt(to.fret, view), stringAt(to.string, view)];
  const half = markerHeight(view) / 2;
  return (
    <g className={styles.move} data-move>
      <rect x={x1 - NECK.markerWidth / 2} y={y1 - half} width={NECK.markerWidth} height={half * 2} />
      <line x1={x1} y1={y1} x2={x2} y2={y2} />
    </g>
  );
}

interface MarkerProps {
  readonly marker: NeckMarker;
  readonly view: NeckView;
  readonly isLit: boolean;
  readonly isUnknown: boolean;
  readonly isTone: boolean;
  readonly isTarget: boolean;
  readonly isSounding: boolean;
}

function Marker({ marker, view, isLit, isUnknown, isTone, isTarget, isSounding }: MarkerProps) {
  const { label, selected, isInner, isShift, interval, string, fret } = marker;
  const width = label === "" ? NECK.markerWidth * 0.62 : NECK.markerWidth;
  const height = markerHeight(view);
  const x = markerAt(fret, view);
  const [left, top] = [x - width / 2, stringAt(string, view) - height / 2];
  const right = left + width;
  return (
    <g
      className={styles.marker}
      data-hand={selected || undefined}
      data-lit={isLit || undefined}
      data-unknown={isUnknown || undefined}
      data-tone={isTone || undefined}
      data-target={isTarget || undefined}
      data-inner={isInner === true || undefined}
      data-sounding={isSounding || undefined}
    >
      <rect className={styles.face} x={left} y={top} width={width} height={height} />
      {isTone && (
        <rect
          className={styles.tone}
          x={left + 2.6}
          y={top + 2.6}
          width={width - 5.2}
          height={height - 5.2}
        />
      )}
      {isTarget && (
        <rect className={styles.target} x={left - 2.5} y={top - 2.5} width={width + 5} height={height + 5} />
      )}
      {interval === 0 && (
        <rect className={styles.mark} x={left + 0.7} y={top + height - 4} width={width - 1.4} height={3.3} />
      )}
      {isLit && <path className={styles.mark} d={`M${right - 8} ${top}H${right}V${top + 8}Z`} />}
      {isShift === true && (
        <path className={styles.shift} d={`M${left} ${top - 3}h${width}M${left} ${top - 6}v6`} />
      )}
      <text className={styles.name} x={x} y={stringAt(string, view) + 4.5}>
        {label}
      </text>
    </g>
  );
}

/** The same as the picture, for those who cannot see it: string by string, fret and note. */
function neckInWords(
  markers: readonly NeckMarker[],
  { tuning }: NeckView,
  silent: readonly number[],
  marks: (marker: NeckMarker) => string,
): string {
  return tuning.strings
    .map((_, at) => {
      const string = tuning.strings.length - at;
      const said = markers
        .filter((marker) => marker.string === string)
        .toSorted((a, b) => a.fret - b.fret)
        .map(
          (marker) =>
            `${marker.fret} ${noteText(marker.pitch.name)} (${degreeText(marker.interval)}${marks(marker)})`,
        );
      const none = silent.includes(string) ? "not played" : "nothing";
      return `String ${string}: ${said.length === 0 ? none : said.join(", ")}.`;
    })
    .join(" ");
}
