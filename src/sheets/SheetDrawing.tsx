import { neckNotes, type Tuning } from "@/core/instrument";
import { characteristicOf, type HomeMode } from "@/core/scale";
import { viewOf } from "@/kit/neck";
import {
  backwardsText,
  homeChordText,
  homeModeText,
  noteText,
  plainText,
  type Conventions,
  stepsText,
  symmetryText,
  vampText,
  whatItIs,
  modeSheetText,
} from "@/words";
import {
  HEIGHT,
  INK,
  INNER,
  Label,
  LINE,
  LIT,
  MARGIN,
  NeckDrawing,
  neckDrawingHeight,
  PitchStripDrawing,
  SheetFrame,
  SOFT,
  WIDTH,
} from "@/kit/sheet";
import { degreeFacts, linesOf } from "./facts";

interface SheetDrawingProps {
  readonly homeMode: HomeMode;
  readonly conventions: Conventions;
  /** The user's own words and model tune for the mode. */
  readonly own: { readonly words: string; readonly tune: string };
  /** The neck at the foot of the page. */
  readonly tuning: Tuning;
  /** What the sheet is for: instrument, tuning, capo. */
  readonly playedOn: string;
  readonly isLeft: boolean;
}

/** The mode on one page, drawn whole so that it can be saved as it stands. */
export function SheetDrawing({ homeMode, conventions, own, tuning, playedOn, isLeft }: SheetDrawingProps) {
  const view = viewOf(tuning, 0, 15, isLeft);
  const characteristic = characteristicOf(homeMode.mode);
  const plain = plainText(whatItIs(homeMode, conventions));
  const said = linesOf([plain, symmetryText(homeMode)].join(" "), 104);
  const words = linesOf([own.words, own.tune === "" ? "" : `(${own.tune})`].join(" "), 104).slice(0, 4);
  const afterSaid = 122 + said.length * 20;
  const afterWords = afterSaid + words.length * 20;
  const strip = afterWords + 12;
  const table = strip + 118;
  const rows = degreeFacts(homeMode, conventions);
  const facts = table + 26 + rows.length * 27 + 20;
  const neck = facts + 92;
  return (
    <SheetFrame label={modeSheetText(homeMode, plain)} foot={playedOn}>
      <Label x={MARGIN} y={78} size={38} weight={720}>
        {homeModeText(homeMode)}
      </Label>
      <Label x={WIDTH - MARGIN} y={78} size={15} fill={SOFT} anchor="end">
        {backwardsText(homeMode).replace(/^.*?: t/u, "T")}
      </Label>
      <rect x={MARGIN} y={92} width={INNER} height={2} fill={INK} />
      {said.map((line, at) => (
        <Label key={at} x={MARGIN} y={118 + at * 20} size={15}>
          {line}
        </Label>
      ))}
      {words.length > 0 && (
        <rect x={MARGIN} y={afterSaid - 15} width={3} height={words.length * 20} fill={LINE} />
      )}
      {words.map((line, at) => (
        <Label key={at} x={MARGIN + 12} y={afterSaid + at * 20} size={15} fill={SOFT}>
          {line}
        </Label>
      ))}
      <PitchStripDrawing homeMode={homeMode} x={MARGIN} y={strip} width={INNER} height={82} />
      <Table rows={rows} y={table} />
      <Facts
        y={facts}
        rows={[
          ["Steps", stepsText(homeMode)],
          ["Home chord", homeChordText(homeMode)],
          ["Best vamp", vampText(homeMode)],
        ]}
      />
      <NeckDrawing
        view={view}
        x={MARGIN}
        y={neck}
        width={INNER}
        notes={neckNotes(tuning, homeMode).map((note) => ({
          ...note,
          label: noteText(note.pitch.name),
          isHome: note.interval === 0,
          isCharacteristic: characteristic.includes(note.interval),
        }))}
      />
      <Ruled from={neck + neckDrawingHeight(view, INNER) + 60} />
    </SheetFrame>
  );
}

const COLUMNS: readonly (readonly [head: string, x: number])[] = [
  ["Degree", 0],
  ["Note", 70],
  ["Interval", 130],
  ["Half steps", 320],
  ["Solfège", 410],
  ["Roman", 480],
  ["Triad", 560],
  ["Seventh", 640],
];

function Table({ rows, y }: { readonly rows: ReturnType<typeof degreeFacts>; readonly y: number }) {
  return (
    <g>
      {COLUMNS.map(([head, x]) => (
        <Label key={head} x={MARGIN + x} y={y} size={13} fill={SOFT}>
          {head}
        </Label>
      ))}
      <rect x={MARGIN} y={y + 7} width={INNER} height={2} fill={INK} />
      {rows.map((row, at) => {
        const line = y + 28 + at * 27;
        const cells = [
          row.degree,
          row.note,
          row.interval,
          String(row.halfSteps),
          row.solfege,
          row.roman,
          row.triad,
          row.seventh,
        ];
        return (
          <g key={row.halfSteps}>
            {row.isCharacteristic && <rect x={MARGIN - 12} y={line - 15} width={6} height={20} fill={LIT} />}
            {cells.map((cell, column) => (
              <Label
                key={COLUMNS[column]?.[0]}
                x={MARGIN + (COLUMNS[column]?.[1] ?? 0)}
                y={line}
                weight={column < 2 ? 640 : 400}
              >
                {cell}
              </Label>
            ))}
            <rect x={MARGIN} y={line + 8} width={INNER} height={1} fill={LINE} />
          </g>
        );
      })}
    </g>
  );
}

function Facts({
  rows,
  y,
}: {
  readonly rows: readonly (readonly [name: string, text: string])[];
  readonly y: number;
}) {
  return (
    <g>
      {rows
        .filter(([, text]) => text !== "")
        .map(([name, text], at) => (
          <g key={name}>
            <Label x={MARGIN} y={y + at * 26} fill={SOFT}>
              {name}
            </Label>
            <Label x={MARGIN + 130} y={y + at * 26}>
              {text}
            </Label>
          </g>
        ))}
    </g>
  );
}

/** Ruled lines to the foot of the page, to be written on. */
function Ruled({ from }: { readonly from: number }) {
  const lines = Math.max(0, Math.floor((HEIGHT - MARGIN - from) / 38) + 1);
  return (
    <g>
      {Array.from({ length: lines }, (_, at) => (
        <rect key={at} x={MARGIN} y={from + at * 38} width={INNER} height={1} fill={LINE} />
      ))}
    </g>
  );
}
