import {
  type BarSigns,
  type Chart,
  type ChartBar,
  type Chord,
  type ChartChord,
  quartersOf,
} from "@/core/chord";
import { accidentalsOf, letterOf, type Pitch } from "@/core/pitch";
import { harmonyOf } from "./musicxml-harmony";

/** Notes of a part that is written out: times in quarters from the start, bars as they are written and not as they are played. */
export interface WrittenPart {
  readonly name: string;
  readonly clef: keyof typeof CLEFS;
  readonly notes: readonly WrittenNote[];
}

/** Pitches struck together, or none for a rest. */
interface WrittenNote {
  readonly pitches: readonly Pitch[];
  readonly at: number;
  readonly length: number;
}

const CLEFS = { treble: ["G", 2], alto: ["C", 3], bass: ["F", 4] } as const;

/** Parts of a quarter: enough for thirds, quarters and their sums. */
export const DIVISIONS = 48;

/** Lengths that one written note can have, in quarters: the name of its type and its dots. */
const TYPES: readonly (readonly [quarters: number, type: string, dots: number])[] = [
  [4, "whole", 0],
  [3, "half", 1],
  [2, "half", 0],
  [1.5, "quarter", 1],
  [1, "quarter", 0],
  [0.5, "eighth", 0],
];

/** An element in the order in which it stands, as the library builds it. */
export type Element = Readonly<Record<string, unknown>>;

export function element(
  name: string,
  children: string | number | readonly Element[] = [],
  attributes: Readonly<Record<string, string | number>> = {},
): Element {
  const inside = typeof children === "object" ? children : [{ "#text": String(children) }];
  const beside = Object.fromEntries(
    Object.entries(attributes).map(([key, value]) => [`@_${key}`, String(value)]),
  );
  return { [name]: inside, ":@": beside };
}

/**
 * A chart as MusicXML: chord symbols with bars, meters, repeats, endings and sections, over rests or over parts written out.
 *
 * @example await writeMusicXml(chart, "Gate") // "<score-partwise version="4.0">…"
 * @source MusicXML 4.0, W3C Community Group report
 */
export async function writeMusicXml(
  { bars, chords }: Pick<Chart, "bars" | "chords">,
  title: string,
  parts: readonly WrittenPart[] = [],
): Promise<string> {
  const all: readonly WrittenPart[] =
    parts.length > 0 ? parts : [{ name: "Chords", clef: "treble", notes: [] }];
  return scoreXml(
    title,
    all.map((part, at) => ({ name: part.name, measures: measuresOf(bars, chords, part, at === 0) })),
  );
}

/** A score of parts by their measures, as text. The library is loaded when it is first needed. */
export async function scoreXml(
  title: string,
  parts: readonly { readonly name: string; readonly measures: readonly Element[] }[],
): Promise<string> {
  const { default: XMLBuilder } = await import("fast-xml-builder");
  const score = element(
    "score-partwise",
    [
      ...(title === "" ? [] : [element("work", [element("work-title", title)])]),
      element(
        "part-list",
        parts.map(({ name }, at) =>
          element("score-part", [element("part-name", name)], { id: `P${at + 1}` }),
        ),
      ),
      ...parts.map(({ measures }, at) => element("part", measures, { id: `P${at + 1}` })),
    ],
    { version: "4.0" },
  );
  const builder = new XMLBuilder({ preserveOrder: true, ignoreAttributes: false, format: true });
  return `<?xml version="1.0" encoding="UTF-8"?>\n${builder.build([score]).trim()}\n`;
}

function measuresOf(
  bars: readonly ChartBar[],
  chords: readonly ChartChord[],
  { clef, notes }: WrittenPart,
  hasHarmonies: boolean,
): readonly Element[] {
  let start = 0;
  return bars.map((bar, at) => {
    const quarters = quartersOf(bar.meter);
    const [from, to] = [start, start + quarters];
    start = to;
    const inBar = notes.filter((note) => note.at >= from - 1e-6 && note.at < to - 1e-6);
    return element(
      "measure",
      [
        ...opening(bar, bars[at - 1]),
        ...attributesOf(bar, bars[at - 1], clef),
        ...(hasHarmonies ? harmonies(bar, chords) : []),
        ...(inBar.length > 0 ? inBar.flatMap(noteXml) : [wholeRest(quarters)]),
        ...closing(bar, bars[at + 1]),
      ],
      { number: bar.number },
    );
  });
}

const endingOf = (bar: BarSigns | undefined) => bar?.endings.join(",") ?? "";

/** The line at the start of a bar: an ending that begins, a repeat to come back to. */
export function opening(bar: BarSigns, before: BarSigns | undefined): readonly Element[] {
  const number = endingOf(bar);
  const signs = [
    ...(number !== "" && number !== endingOf(before)
      ? [element("ending", [], { number, type: "start" })]
      : []),
    ...(bar.opens ? [element("repeat", [], { direction: "forward" })] : []),
  ];
  return signs.length === 0 ? [] : [element("barline", signs, { location: "left" })];
}

/** The line at the end of a bar: an ending that is over, a repeat that goes back. */
export function closing(bar: BarSigns, next: BarSigns | undefined): readonly Element[] {
  const number = endingOf(bar);
  const signs = [
    ...(number !== "" && number !== endingOf(next)
      ? [element("ending", [], { number, type: bar.times > 1 ? "stop" : "discontinue" })]
      : []),
    ...(bar.times > 1
      ? [
          element("repeat", [], {
            direction: "backward",
            ...(bar.times > 2 ? { times: bar.times } : {}),
          }),
        ]
      : []),
  ];
  return signs.length === 0 ? [] : [element("barline", signs, { location: "right" })];
}

function attributesOf(
  { meter }: ChartBar,
  before: ChartBar | undefined,
  clef: WrittenPart["clef"],
): readonly Element[] {
  const isFirst = before === undefined;
  if (!isFirst && before.meter.beats === meter.beats && before.meter.unit === meter.unit) return [];
  const [sign, line] = CLEFS[clef];
  return [
    element("attributes", [
      element("divisions", DIVISIONS),
      ...(isFirst ? [element("key", [element("fifths", 0)])] : []),
      element("time", [element("beats", meter.beats), element("beat-type", meter.unit)]),
      ...(isFirst ? [element("clef", [element("sign", sign), element("line", line)])] : []),
    ]),
  ];
}

function harmonies(
  { section, from, to, meter }: ChartBar,
  chords: readonly ChartChord[],
): readonly Element[] {
  let begins = 0;
  const all = chords.slice(from, to).map((place) => {
    const at = begins;
    begins += place.length * quartersOf(meter);
    return harmonyXml(place, at);
  });
  return section === undefined
    ? all
    : [element("direction", [element("direction-type", [element("rehearsal", section)])]), ...all];
}

function harmonyXml({ symbol, chord }: ChartChord, at: number): Element {
  if (chord) return chordXml(chord, at);
  return element("harmony", [
    element("root", [element("root-step", "C")]),
    element("kind", "none", { text: symbol }),
    ...offsetXml(at),
  ]);
}

const offsetXml = (at: number): readonly Element[] =>
  at > 0 ? [element("offset", Math.round(at * DIVISIONS))] : [];

/** A chord symbol, so many quarters after the place where it stands. */
export function chordXml(chord: Chord, at: number): Element {
  const { root, kind, degrees, bass } = harmonyOf(chord);
  const named = (name: "root" | "bass", { step, alter }: typeof root) =>
    element(name, [element(`${name}-step`, step), ...(alter === 0 ? [] : [element(`${name}-alter`, alter)])]);
  return element("harmony", [
    named("root", root),
    element("kind", kind),
    ...(bass ? [named("bass", bass)] : []),
    ...degrees.map(({ value, alter, type }) =>
      element("degree", [
        element("degree-value", value),
        element("degree-alter", alter),
        element("degree-type", type),
      ]),
    ),
    ...offsetXml(at),
  ]);
}

const wholeRest = (quarters: number): Element =>
  element("note", [element("rest", [], { measure: "yes" }), element("duration", quarters * DIVISIONS)]);

/** Pitches struck together, or a rest where there are none: so many quarters long, tied to what is before or behind. */
export function noteXml({
  pitches,
  length,
  ties = [],
}: Pick<WrittenNote, "pitches" | "length"> & {
  readonly ties?: readonly ("stop" | "start")[];
}): readonly Element[] {
  const [, type, dots] = TYPES.find(([quarters]) => Math.abs(quarters - length) < 1e-6) ?? [0, undefined, 0];
  const duration = element("duration", Math.round(length * DIVISIONS));
  const written = [
    element("voice", 1),
    ...(type === undefined ? [] : [element("type", type)]),
    ...Array.from({ length: dots }, () => element("dot")),
  ];
  if (pitches.length === 0) return [element("note", [element("rest"), duration, ...written])];
  return pitches.map(({ name, octave }, at) =>
    element("note", [
      ...(at > 0 ? [element("chord")] : []),
      element("pitch", [
        element("step", letterOf(name)),
        ...(accidentalsOf(name) === 0 ? [] : [element("alter", accidentalsOf(name))]),
        element("octave", octave),
      ]),
      duration,
      ...ties.map((way) => element("tie", [], { type: way })),
      ...written,
      ...(ties.length > 0
        ? [
            element(
              "notations",
              ties.map((way) => element("tied", [], { type: way })),
            ),
          ]
        : []),
    ]),
  );
}
