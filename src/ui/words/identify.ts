import { degreeNumber, type Fifths, soundOf } from "@/core/pitch";
import { countUp, type Identification } from "@/core/identify";
import {
  colourOn,
  colourSwap,
  type HomeMode,
  notesOf,
  parentOf,
  type Swap,
  type Telling,
  thirdOf,
} from "@/core/scale";
import type { Tune } from "@/core/tune";
import {
  capital,
  homeModeText,
  numberText,
  listText,
  modeText,
  noteText,
  ordinalText,
  parentText,
  type Phrase,
  shortName,
} from "./names";

/** 1. "Home is A. Seven of eight phrases end on A, the last one too, and A sounds longest." */
export function homeReason({ evidence, homeMode }: Identification): readonly Phrase[] {
  const home = noteText(homeMode.home);
  const has = (code: string) => evidence.some((each) => each.code === code);
  const ends = evidence.find(({ code }) => code === "phrase-ends");
  const said: string[] = [];
  if (ends?.count !== undefined && ends.of !== undefined) {
    const share =
      ends.of === 1
        ? "The one phrase ends"
        : ends.count === ends.of
          ? `All ${numberText(ends.of)} phrases end`
          : `${numberText(ends.count)} of ${numberText(ends.of)} phrases ${ends.count === 1 ? "ends" : "end"}`;
    said.push(`${share} on ${home}${has("last-note") && ends.of > 1 ? ", the last one too" : ""}`);
  }
  if (has("longest")) said.push(`${home} sounds longest`);
  if (has("first-downbeat")) said.push(`the first downbeat is ${home}`);
  if (has("declared-key")) said.push("the key field says so as well");
  const why =
    said.length === 0
      ? "Nothing in particular speaks for it: it is what fits the notes best"
      : listText(said);
  return [{ strong: `Home is ${home}.` }, ` ${capital(why)}.`];
}

/** 2. "The notes are D major's: D E F♯ G A B C♯. All seven are used." */
export function notesReason({ homeMode, visiting, hearing }: Identification): readonly Phrase[] {
  const { tonic, family } = parentOf(homeMode);
  const [parent] = countUp(homeMode);
  const notes = parent ? notesOf(parent) : [];
  const heardCount = hearing.sounding.filter((share) => share > 0).length - visiting.length;
  const unheard = homeMode.mode.intervals.filter(
    (interval) => (hearing.sounding[soundOf(homeMode.home + interval)] ?? 0) === 0,
  );
  const missing = listText(unheard.map((interval) => ordinalText(degreeNumber(interval))));
  const used =
    unheard.length === 0
      ? "All seven are used."
      : `${capital(numberText(heardCount))} of the seven ${heardCount === 1 ? "is" : "are"} used; the ${missing} above ${noteText(homeMode.home)} never ${unheard.length === 1 ? "occurs" : "occur"}.`;
  const guests =
    visiting.length === 0
      ? ""
      : ` ${listText(visiting.map(({ note }) => noteText(note)))} only ${visiting.length === 1 ? "visits" : "visit"}.`;
  return [
    { strong: `The notes are ${parentText(tonic, family)}’s:` },
    ` ${notes.map(noteText).join(" ")}. ${used}${guests}`,
  ];
}

/** 3. "Count up from D: Ionian D, Dorian E, Phrygian F♯, Lydian G, Mixolydian A." */
export function countReason({ homeMode }: Identification): readonly Phrase[] {
  const { tonic, degree } = parentOf(homeMode);
  const counted = countUp(homeMode).slice(0, degree);
  const text = counted.map(({ home, mode }) => `${modeText(mode)} ${noteText(home)}`).join(", ");
  return [{ strong: `Count up from ${noteText(tonic)}:` }, ` ${text}.`];
}

/** 4. "What tells it: a major third, C♯, with G over it. With G♯ it would be plain A major." */
export function tellingReason(
  { homeMode, open }: Identification,
  heard: (note: Fifths) => boolean,
  schools: Telling = {},
): readonly Phrase[] {
  const { home, mode } = homeMode;
  const third = thirdOf(mode);
  const missing = open[0];
  const lead: Phrase = { strong: "What tells it:" };
  const thirdText =
    third === undefined ? "" : ` a ${third === 4 ? "major" : "minor"} third, ${noteText(home + third)}`;
  if (missing) {
    const ways = missing.modes.map(({ mode: other, interval }, at) => {
      const makes = at === 0 ? "it would be " : "";
      return `with ${noteText(home + interval)} ${makes}${homeModeText({ home, mode: other })}`;
    });
    const stay = ways.length === 2 ? "both stay open" : "all of them stay open";
    return [
      lead,
      `${thirdText}. But no ${ordinalText(degreeNumber(missing.interval))} is ever heard: ${ways.join(", ")}; ${stay}.`,
    ];
  }
  const named = colourOn(homeMode, schools)
    .filter(heard)
    .flatMap((note, at): readonly Phrase[] => [at === 0 ? "" : " and ", { lit: noteText(note) }]);
  const swap = colourSwap(mode, schools);
  const plain = swap ? ` With ${noteText(home + swap.to)} it would be ${swappedText(homeMode, swap)}.` : "";
  if (named.length === 0) return [lead, `${thirdText}.${plain}`];
  return [lead, `${thirdText}, with `, ...named, ` over it.${plain}`];
}

/** What the swap makes of the mode: "plain A major", "A Dorian", "another mode". */
export function swappedText({ home }: HomeMode, { makes }: Swap): string {
  if (!makes) return "another mode";
  if (makes.id === "ionian") return `plain ${noteText(home)} major`;
  if (makes.id === "aeolian") return `plain ${noteText(home)} minor`;
  return homeModeText({ home, mode: makes });
}

/** "16 bars, 84 notes, from an ABC file". */
export function tuneCountText(tune: Tune, source: "abc" | "notes"): string {
  const bars = tune.bars.filter(({ lead }) => lead === 0).length;
  const plural = (count: number, one: string) => `${count} ${one}${count === 1 ? "" : "s"}`;
  return `${plural(bars, "bar")}, ${plural(tune.notes.length, "note")}, ${source === "abc" ? "from ABC" : "typed"}`;
}

/** "94 in 100"; below one, "under 1". */
export function weightText(weight: number): string {
  const share = Math.round(weight * 100);
  return share < 1 ? "under 1" : String(Math.min(share, 99));
}

/** "D major shapes, resting on A". */
export function playItFromText(homeMode: HomeMode): string {
  const { tonic, family, degree } = parentOf(homeMode);
  if (degree === 1) return `${parentText(tonic, family)} as it stands`;
  return `${parentText(tonic, family)} shapes, resting on ${noteText(homeMode.home)}`;
}

export const passageText = (homeMode: HomeMode): string =>
  `${noteText(homeMode.home)} ${shortName(homeMode.mode)}`;

/** The other modes that an unheard degree leaves open, for the title: "or Dorian". */
export function orText({ homeMode, open }: Identification): string | undefined {
  const others = new Set(open.flatMap(({ modes }) => modes.map(({ mode }) => mode)));
  others.delete(homeMode.mode);
  if (others.size === 0) return undefined;
  return others.size > 2
    ? `or one of ${numberText(others.size)} more`
    : `or ${listText(
        [...others].map(({ name }) => name),
        "or",
      )}`;
}
