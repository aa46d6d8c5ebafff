import type { z } from "zod";
import { modesOverBass, printChord, rightPlaceNear, shapesOver } from "@/core/chord";
import { movedTo, readFingering, shapeOf } from "@/core/instrument";
import { type Interval, printDegree, printName } from "@/core/pitch";
import { names } from "./names";
import { jsonResponse, problemResponse } from "./problem";
import { askQuery } from "./request";
import { type shapesAnswer, shapesQuery } from "./schemas";

/** Degrees above the octave, as players number the upper tones of a chord. */
const compound = (interval: Interval) =>
  printDegree(interval).replace(/[246]$/, (number) => String(Number(number) + 7));

/** `GET /api/v1/shapes?bass=A&chord=maj9`: one chord quality, or one fingering, at all twelve places over a bass. */
export function shapes(url: URL): Response {
  const asked = askQuery(shapesQuery, url);
  if ("refused" in asked) return asked.refused;
  const { bass, chord, frets, instrument, mode } = asked.value;
  const fingering = frets === undefined ? undefined : readFingering(frets, instrument.strings.length);
  if (frets !== undefined && !fingering)
    return problemResponse(400, [
      {
        code: "frets-unread",
        found: frets,
        expected: `${instrument.strings.length} frets such as x 7 5 7 7 x`,
      },
    ]);
  const fingered = fingering && shapeOf(instrument, fingering);
  const tones = fingered?.tones ?? chord;
  if (!tones)
    return problemResponse(400, [
      { code: "shape-missing", expected: "chord, such as maj9, or frets, such as x 7 5 7 7 x" },
    ]);
  const places = shapesOver(bass, tones, mode);
  return jsonResponse({
    bass: printName(bass),
    rows: places.map((place, at) => {
      const right = rightPlaceNear(places, at);
      return {
        root: printName(place.root),
        tones: names(place.tones),
        degrees: place.degrees.map(compound),
        modes: place.modes.map(({ id }) => id),
        outside: names(place.outside),
        ...(right ? { right: printName(right.root) } : {}),
        name: printChord(place.name),
        ...(fingered ? { frets: [...movedTo(fingered, place.root)] } : {}),
      };
    }),
    bassModes: modesOverBass(bass, tones).map(({ homeMode, place }) => ({
      mode: homeMode.mode.id,
      ...(place ? { root: printName(place.root), name: printChord(place.name) } : {}),
    })),
  } satisfies z.infer<typeof shapesAnswer>);
}
