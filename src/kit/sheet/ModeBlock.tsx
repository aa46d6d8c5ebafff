import type { Position, Tuning } from "@/core/instrument";
import { type HomeMode, characteristicOf } from "@/core/scale";
import { type NeckView, viewOf } from "@/kit/neck";
import { capital, handText, homeModeText, noteText, positionText } from "@/words";
import { INNER, Label, MARGIN, NeckDrawing, neckDrawingHeight, SOFT } from "./drawing";
import { PitchStripDrawing } from "./PitchStripDrawing";

interface ModeBlockProps {
  readonly homeMode: HomeMode;
  /** "bars 1 to 4" */
  readonly where: string;
  /** One position for it; none where it has no room on the neck. */
  readonly position: Position | undefined;
  readonly y: number;
  readonly tuning: Tuning;
  readonly isLeft: boolean;
}

/** Room above the name, so that it stands apart from what is before it. */
const GAP = 14;
const STRIP = 46;
const HEAD = 26;
/** The strip at the left, the neck at the right of it. */
const HALF = (INNER - 28) / 2;
/** Units of the neck's drawing across its half of the page. */
const VIEW = 560;

const viewFor = (tuning: Tuning, position: Position | undefined, isLeft: boolean): NeckView =>
  viewOf(
    tuning,
    position ? Math.max(0, position.fromFret - 1) : 0,
    position ? position.toFret + 1 : 5,
    isLeft,
    VIEW,
  );

/** Height that a mode takes on a lead sheet. */
export const modeBlockHeight = (tuning: Tuning, position: Position | undefined): number =>
  GAP + HEAD + Math.max(STRIP, position ? neckDrawingHeight(viewFor(tuning, position, false), HALF) : 0) + 20;

/** A mode with its strip, and the notes of one position on the neck. */
export function ModeBlock({ homeMode, where, position, y, tuning, isLeft }: ModeBlockProps) {
  const characteristic = characteristicOf(homeMode.mode);
  const right = MARGIN + HALF + 28;
  return (
    <g transform={`translate(0 ${GAP})`}>
      <Label x={MARGIN} y={y + 16} size={16} weight={680}>
        {homeModeText(homeMode)}
      </Label>
      <Label x={MARGIN + HALF} y={y + 16} size={13} fill={SOFT} anchor="end">
        {where}
      </Label>
      <PitchStripDrawing homeMode={homeMode} x={MARGIN} y={y + HEAD} width={HALF} height={STRIP} />
      {position && (
        <>
          <Label x={right} y={y + 16} size={13} fill={SOFT}>
            {capital(`${handText(position, tuning)}, ${positionText(position)}`)}
          </Label>
          <NeckDrawing
            view={viewFor(tuning, position, isLeft)}
            x={right}
            y={y + HEAD - 4}
            width={HALF}
            notes={position.notes.map((note) => ({
              ...note,
              label: noteText(note.pitch.name),
              isHome: note.interval === 0,
              isCharacteristic: characteristic.includes(note.interval),
            }))}
          />
        </>
      )}
    </g>
  );
}
