import { type Tuning } from "@/core/instrument";
import { type HomeMode, notesOf, characteristicOf } from "@/core/scale";
import { viewOf } from "@/kit/neck";
import {
  degreeText,
  FIGURE_TEXT,
  homeModeText,
  notesText,
  noteText,
  handText,
  capital,
  positionText,
  NO_ROOM_ON_SHEET,
  lineTooShortText,
} from "@/words";
import {
  INK,
  INNER,
  Label,
  LINE,
  MARGIN,
  NeckDrawing,
  PAPER,
  type Placed,
  SheetFrame,
  SOFT,
} from "@/kit/sheet";
import { type Block, NOTES_A_ROW, POSITION_VIEW, POSITION_WIDTH, TAB_GAP } from "./practice";

interface PracticeDrawingProps {
  readonly page: readonly Placed<Block>[];
  readonly height: number;
  readonly number: number;
  readonly pages: number;
  readonly tuning: Tuning;
  readonly isLeft: boolean;
  readonly labels: "notes" | "degrees" | "fingers";
  /** Notes of a line to a beat. */
  readonly perBeat: number;
  /** What the sheet is for: instrument, tuning, capo. */
  readonly playedOn: string;
}

/** One page of a practice sheet, black on white, drawn whole so that it can be saved as it stands. */
export function PracticeDrawing({ page, height, number, pages, playedOn, ...rest }: PracticeDrawingProps) {
  const modes = [...new Set(page.map(({ block }) => homeModeText(block.homeMode)))];
  return (
    <SheetFrame
      height={height}
      label={`Practice sheet, page ${number} of ${pages}: ${modes.join(", ")}.`}
      foot={playedOn}
      page={number}
      pages={pages}
    >
      {page.map(({ block, y }) => (
        <BlockDrawing key={y} block={block} y={y} {...rest} />
      ))}
    </SheetFrame>
  );
}

type BlockProps = Omit<PracticeDrawingProps, "page" | "height" | "number" | "pages" | "playedOn"> & {
  readonly block: Block;
  readonly y: number;
};

function BlockDrawing({ block, y, ...rest }: BlockProps) {
  switch (block.kind) {
    case "mode":
      return <Heading homeMode={block.homeMode} y={y} />;
    case "positions":
      return <Pair block={block} y={y} {...rest} />;
    case "line":
      return <LineDrawing block={block} y={y} tuning={rest.tuning} perBeat={rest.perBeat} />;
    case "none":
      return (
        <Label x={MARGIN} y={y + 20} fill={SOFT}>
          {block.what === "positions" ? NO_ROOM_ON_SHEET : lineTooShortText(FIGURE_TEXT[block.what])}
        </Label>
      );
  }
}

function Heading({ homeMode, y }: { readonly homeMode: HomeMode; readonly y: number }) {
  const characteristic = characteristicOf(homeMode.mode);
  return (
    <g>
      <Label x={MARGIN} y={y + 32} size={28} weight={720}>
        {homeModeText(homeMode)}
      </Label>
      <Label x={MARGIN + INNER} y={y + 32} size={15} anchor="end">
        {`${notesText(notesOf(homeMode))}${characteristic.length > 0 ? ` · characteristic ${notesText(characteristic.map((each) => homeMode.home + each))}` : ""}`}
      </Label>
      <rect x={MARGIN} y={y + 42} width={INNER} height={2} fill={INK} />
    </g>
  );
}

/** Frets that are drawn beside a position. */
const BESIDE = 1;

function Pair({
  block,
  y,
  tuning,
  isLeft,
  labels,
}: BlockProps & { readonly block: Extract<Block, { kind: "positions" }> }) {
  const characteristic = characteristicOf(block.homeMode.mode);
  return block.pair.map((position, at) => {
    const x = MARGIN + at * (POSITION_WIDTH + 24);
    const view = viewOf(
      tuning,
      position.fromFret === 0 ? 0 : Math.max(0, position.fromFret - BESIDE),
      position.toFret + BESIDE,
      isLeft,
      POSITION_VIEW,
    );
    return (
      <g key={position.hand}>
        <Label x={x} y={y + 18} size={14} weight={640}>
          {capital(`${handText(position, tuning)}, ${positionText(position)}`)}
        </Label>
        <Label x={x + POSITION_WIDTH} y={y + 18} size={13} anchor="end" fill={SOFT}>
          {`${Math.round(position.stretchMm)} mm`}
        </Label>
        <NeckDrawing
          view={view}
          x={x}
          y={y + 24}
          width={POSITION_WIDTH}
          isPlain
          notes={position.notes.map((note) => ({
            string: note.string,
            fret: note.fret,
            label:
              labels === "notes"
                ? noteText(note.pitch.name)
                : labels === "degrees"
                  ? degreeText(note.interval)
                  : String(note.finger),
            isHome: note.interval === 0,
            isCharacteristic: characteristic.includes(note.interval),
          }))}
        />
      </g>
    );
  });
}

interface LineDrawingProps {
  readonly block: Extract<Block, { kind: "line" }>;
  readonly y: number;
  readonly tuning: Tuning;
  readonly perBeat: number;
}

/** Beats to a bar of a line. */
const BEATS_A_BAR = 4;

/** A row of a line: names above, the strings with their frets and bar lines, fingers below, and the rhythm under them. */
function LineDrawing({ block, y, tuning, perBeat }: LineDrawingProps) {
  const { notes, figure, isFirst, from } = block;
  const top = y + (isFirst ? 26 : 0) + 22;
  const foot = top + (tuning.strings.length - 1) * TAB_GAP;
  const wide = INNER / NOTES_A_ROW;
  return (
    <g>
      {isFirst && (
        <Label x={MARGIN} y={y + 18} size={14} weight={640}>
          {capital(FIGURE_TEXT[figure])}
        </Label>
      )}
      {tuning.strings.map((_, at) => (
        <rect
          key={at}
          x={MARGIN}
          y={top + at * TAB_GAP - 0.5}
          width={wide * notes.length}
          height={1}
          fill={LINE}
        />
      ))}
      {notes.map((_, at) =>
        (from + at) % (BEATS_A_BAR * perBeat) === 0 ? (
          <rect key={at} x={MARGIN + at * wide - 0.5} y={top} width={1} height={foot - top} fill={SOFT} />
        ) : null,
      )}
      <Beams count={notes.length} {...{ from, perBeat, wide }} y={foot + 26} />
      {notes.map(({ pitch, finger, place }, at) => {
        const x = MARGIN + (at + 0.5) * wide;
        const on = top + ((place?.string ?? 1) - 1) * TAB_GAP;
        const fret = String(place?.fret ?? "");
        return (
          <g key={at}>
            <Label x={x} y={top - 9} size={11} anchor="middle">
              {noteText(pitch.name)}
            </Label>
            <rect x={x - 4 * fret.length} y={on - 6} width={8 * fret.length} height={12} fill={PAPER} />
            <Label x={x} y={on + 4.5} size={13} weight={660} anchor="middle">
              {fret}
            </Label>
            <Label x={x} y={foot + 19} size={10.5} anchor="middle" fill={SOFT}>
              {`${place?.isShift === true ? "→" : ""}${finger}`}
            </Label>
          </g>
        );
      })}
    </g>
  );
}

interface BeamsProps {
  readonly count: number;
  readonly from: number;
  readonly perBeat: number;
  /** From one note to the next. */
  readonly wide: number;
  readonly y: number;
}

const STEM = 10;

/** Stems, joined by beams in each beat: one for eighths and triplets, which have their number, two for sixteenths. */
function Beams({ count, from, perBeat, wide, y }: BeamsProps) {
  const x = (at: number) => MARGIN + (at + 0.5) * wide;
  const beats = new Map<number, number[]>();
  for (let at = 0; at < count; at += 1) {
    const beat = Math.floor((from + at) / perBeat);
    beats.set(beat, [...(beats.get(beat) ?? []), at]);
  }
  const beams = perBeat === 1 ? 0 : perBeat === 4 ? 2 : 1;
  return (
    <g>
      {Array.from({ length: count }, (_, at) => (
        <rect key={at} x={x(at) - 0.5} y={y} width={1} height={STEM} fill={INK} />
      ))}
      {[...beats.values()].map((places) => {
        const [first = 0, last = first] = [places[0], places.at(-1)];
        // A note that stands alone in its beat has flags in place of beams.
        const end = last > first ? x(last) : x(first) + 6;
        return (
          <g key={first}>
            {Array.from({ length: beams }, (_, beam) => (
              <rect
                key={beam}
                x={x(first) - 0.5}
                y={y + STEM - 2.5 - beam * 4}
                width={end - x(first) + 1}
                height={2.5}
                fill={INK}
              />
            ))}
            {perBeat === 3 && places.length === 3 && (
              <Label x={(x(first) + x(last)) / 2} y={y + STEM + 10} size={9.5} anchor="middle" fill={SOFT}>
                3
              </Label>
            )}
          </g>
        );
      })}
    </g>
  );
}
