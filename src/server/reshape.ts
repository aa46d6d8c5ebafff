import { printChord } from "@/core/chord";
import { identify } from "@/core/identify";
import { printName, printPitch } from "@/core/pitch";
import { relativeHome, reshape as reshapeTune, type Reshaped } from "@/core/reshape";
import type { HomeMode } from "@/core/scale";
import { allNotes, type Tune } from "@/core/tune";
import { writeAbc, writeTuneMidi, writeTuneXml } from "@/formats";
import { ABC, MIDI, MUSICXML } from "./media";
import { jsonResponse, located, problemResponse } from "./problem";
import { askQuery } from "./request";
import { reshapeQuery } from "./schemas";
import { askTune } from "./tune-body";

/** Felt beats a minute of a MIDI file. */
const TEMPO = 96;

/** What is answered as JSON. */
function answer(before: Tune, from: HomeMode, { tune, to, changes, harmonies }: Reshaped) {
  const named = ({ home, mode }: HomeMode) => ({ home: printName(home), mode: mode.id });
  const all = allNotes(before);
  const numberOf = (bar: number) => before.bars[bar]?.number ?? bar + 1;
  return {
    title: tune.title,
    from: named(from),
    to: named(to),
    changes: changes
      .filter(({ isMoved }) => isMoved)
      .map(({ place, before: was, after, isChromatic }) => ({
        bar: numberOf(all[place]?.bar ?? 0),
        from: printPitch(was),
        to: after === undefined ? null : printPitch(after),
        chromatic: isChromatic,
      })),
    chords: (tune.chords ?? []).map(({ chord, bar }) => ({ bar: numberOf(bar), symbol: printChord(chord) })),
    harmonies: harmonies.length,
    abc: writeAbc(tune).text,
  };
}

const file = (content: BodyInit, type: string): Response =>
  new Response(content, { headers: { "content-type": type, "cache-control": "no-store" } });

/** `POST /api/v1/reshape`: a tune in another mode, in the type asked for by `Accept`: JSON, ABC, MusicXML or MIDI. */
export async function reshape(request: Request): Promise<Response> {
  const query = askQuery(reshapeQuery, new URL(request.url));
  if ("refused" in query) return query.refused;
  const asked = await askTune(request);
  if ("refused" in asked) return asked.refused;
  const { tune, problems, text } = asked.value;
  const found = identify(tune, {});
  if (!found)
    return problemResponse(422, problems.length > 0 ? located(problems, text) : [{ code: "no-tune" }]);
  const {
    to: mode,
    way,
    home,
    missing,
    chromatic,
    chords,
    source,
    rhythm,
    pedal,
    characteristic,
    sevenths,
    parts,
  } = query.value;
  const from: HomeMode = {
    home: query.value.fromHome ?? found.homeMode.home,
    mode: query.value.from ?? found.homeMode.mode,
  };
  const relative = relativeHome(from, mode);
  if (way === "relative" && relative === undefined)
    return problemResponse(422, [{ code: "no-relative", found: mode.id, expected: from.mode.id }]);
  const to = { home: (way === "relative" ? relative : home) ?? from.home, mode };
  const made = reshapeTune(tune, {
    ...{ from, to, missing, chromatic, chords, parts, which: 0 },
    harmony: { source, rhythm, hasPedal: pedal, seeksCharacteristic: characteristic, hasSevenths: sevenths },
  });
  const accept = request.headers.get("accept") ?? "";
  if (accept.includes(ABC)) return file(writeAbc(made.tune).text, `${ABC}; charset=utf-8`);
  if (accept.includes("musicxml")) return file(await writeTuneXml(made.tune), `${MUSICXML}; charset=utf-8`);
  if (accept.includes(MIDI)) return file(await writeTuneMidi(made.tune, TEMPO), MIDI);
  return jsonResponse({ tune: answer(tune, from, made), problems: located(problems, text) });
}
