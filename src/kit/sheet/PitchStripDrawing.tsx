import type { HomeMode } from "@/core/scale";
import { cellsOf } from "@/kit/pitch-strip";
import { degreeText, noteText } from "@/words";
import { Label, LINE, Marker } from "./drawing";

interface PitchStripDrawingProps {
  readonly homeMode: HomeMode;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** The twelve cells of a mode on a sheet: each note over its degree, home on its sill, characteristic notes notched. */
export function PitchStripDrawing({ homeMode, x, y, width, height }: PitchStripDrawingProps) {
  const wide = width / 12;
  const size = Math.min(20, height * 0.27, wide * 0.42);
  return (
    <g>
      {cellsOf(homeMode).map(({ step, note, interval, isHome, isCharacteristic }) => {
        const left = x + step * wide;
        if (note === undefined || interval === undefined)
          return (
            <rect
              key={step}
              x={left + wide * 0.36}
              y={y + height * 0.05}
              width={wide * 0.28}
              height={height * 0.9}
              fill={LINE}
            />
          );
        return (
          <Marker
            key={step}
            x={left + 1}
            y={y}
            width={wide - 2}
            height={height}
            isHome={isHome}
            isCharacteristic={isCharacteristic}
          >
            <Label x={left + wide / 2} y={y + height * 0.46} size={size} weight={660} anchor="middle">
              {noteText(note)}
            </Label>
            <Label x={left + wide / 2} y={y + height * 0.76} size={size * 0.75} anchor="middle">
              {degreeText(interval)}
            </Label>
          </Marker>
        );
      })}
    </g>
  );
}
