import { degreeNumber, type Fifths, soundOf } from "@/core/pitch";
import {
  countUp,
  type HomeEvidence,
  type Identification,
  type OutsideNote,
  type Undecided,
} from "@/core/identify";
import {
  characteristicOn,
  characteristicSwap,
  holds,
  type HomeMode,
  notesOf,
  parentOf,
  type Swap,
  type ReferenceChoice,
  thirdOf,
} from "@/core/scale";
import {
  capital,
  countText,
  degreeText,
  homeModeText,
  listText,
  modeText,
  noteText,
  numberText,
  ordinalText,
  parentText,
  type Phrase,
} from "./names";

/** "both phrases", "all four phrases", "three of four phrases", each with its verb. */
function shareText(count: number, of: number, one: string, verb: string): string {
  if (of === 1) return `the only ${one} ${verb}s`;
  if (count === of) return of === 2 ? `both ${one}s ${verb}` : `all ${numberText(of)} ${one}s ${verb}`;
  return `${numberText(count)} of ${numberText(of)} ${one}s ${count === 1 ? `${verb}s` : verb}`;
}

/** What each kind of evidence says of home, and the notes that it points at. */
function evidencePhrase(
  { code, count = 0, of = 0, from, notes }: HomeEvidence,
  home: string,
): { readonly says: string; readonly points: readonly number[] } {
  const said = (says: string) => ({ says, points: notes });
  switch (code) {
    case "phrase-ends":
      return said(`${shareText(count, of, "phrase", "end")} on ${home}`);
    case "last-note":
      return said(`the last note is ${home}`);
    case "opening":
      return said("it opens on the home chord");
    case "home-chord":
      return said(
        count === of
          ? `${of === 2 ? "both" : `all ${numberText(of)}`} bars outline the home chord`
          : `${numberText(count)} of ${numberText(of)} bars outline the home chord`,
      );
    case "longest":
      return said(`${home} sounds longest`);
    case "first-downbeat":
      return said(`the first downbeat is ${home}`);
    case "leading":
      return said(`a half step leads up to ${home} ${numberText(count)} times`);
    case "last-bass":
      return said(
        from === undefined
          ? `the last bass note is ${home}`
          : `the bass goes from ${noteText(from)} to ${home} at the end`,
      );
    case "cadences":
      return said(`${shareText(count, of, "cadence", "rest")} on ${home}`);
    case "bass":
      return said(`${home} is the commonest bass note`);
    case "last-chord":
      return said(`the last chord is on ${home}`);
    case "lowest":
      return said(`${home} is the lowest note`);
    case "declared-key":
      return said("the written key agrees");
  }
}

/** More reasons than these are not read. */
const MAX_REASONS = 4;

/** Of some reasons that say the same, the first is enough. */
const SAYS_TOO: Readonly<Partial<Record<HomeEvidence["code"], HomeEvidence["code"]>>> = {
  "last-note": "phrase-ends",
  "home-chord": "opening",
  opening: "home-chord",
  "phrase-ends": "cadences",
};

/** 1. "Home is A. Seven of eight phrases end on A, A sounds longest and it opens on the home chord." */
export function homeReason({ evidence, homeMode }: Identification): readonly Phrase[] {
  const home = noteText(homeMode.home);
  const reasons: HomeEvidence[] = [];
  for (const each of evidence)
    if (!reasons.some(({ code }) => code === SAYS_TOO[each.code])) reasons.push(each);
  const said = reasons.slice(0, MAX_REASONS).map((each) => evidencePhrase(each, home));
  const [first, ...rest] = said;
  const lead: Phrase = { strong: `Home is ${home}.` };
  if (!first) return [lead, " No single sign points to it."];
  return [
    lead,
    " ",
    { ...first, says: capital(first.says) },
    ...rest.flatMap((each, at): readonly Phrase[] => [at === rest.length - 1 ? " and " : ", ", each]),
    ".",
  ];
}

/** The places in the tune at which a note sounds, as far as the staff shows it. */
type PlacesOf = (note: Fifths) => readonly number[];

/** Notes in a row, each pointing at where it sounds. */
const pointedNotes = (notes: readonly Fifths[], placesOf: PlacesOf): readonly Phrase[] =>
  notes.flatMap((note): readonly Phrase[] => [" ", { says: noteText(note), points: placesOf(note) }]);

/** Several notes outside the mode as "F, G♯ and B♭", each pointing at where it sounds. */
const listedNotes = (notes: readonly OutsideNote[]): readonly Phrase[] =>
  notes.flatMap(({ note, notes: points }, at): readonly Phrase[] => [
    at === 0 ? "" : at === notes.length - 1 ? " and " : ", ",
    { says: noteText(note), points },
  ]);

/** What notes outside the mode do there, those that do the same together. */
function outsidePhrases(outside: readonly OutsideNote[], { home }: HomeMode): readonly Phrase[] {
  const of = (role: OutsideNote["role"]) => outside.filter((each) => each.role === role);
  const verb = (some: readonly OutsideNote[], one: string, many: string) => (some.length === 1 ? one : many);
  const sentence = (some: readonly OutsideNote[], tail: string): readonly Phrase[] =>
    some.length === 0 ? [] : [" ", ...listedNotes(some), ` ${tail}.`];
  const [thirds, brief, strange] = [of("raised-third"), of("brief"), of(undefined)];
  const name = (note: Fifths | undefined) => (note === undefined ? "the next note" : noteText(note));
  return [
    ...of("raised-seventh").flatMap((each) => sentence([each], `is the raised 7 of ${noteText(home)} minor`)),
    ...[...of("leading"), ...of("neighbour")].flatMap((each) =>
      sentence(
        [each],
        `${each.role === "leading" ? "leads up to" : "is a lower neighbour of"} ${name(each.to)}`,
      ),
    ),
    ...[...new Set(of("key").map(({ to }) => to))].flatMap((to) => {
      const inKey = of("key").filter((each) => each.to === to);
      return sentence(inKey, `${verb(inKey, "belongs", "belong")} to the key of ${name(to)}, on the way`);
    }),
    ...of("dominant").flatMap((each) => sentence([each], `comes from the dominant of ${name(each.to)}`)),
    ...sentence(
      thirds,
      verb(thirds, "is the raised third of a closing chord", "are raised thirds of closing chords"),
    ),
    ...sentence(brief, verb(brief, "is a passing note", "are passing notes")),
    ...sentence(
      strange,
      verb(
        strange,
        "is outside the mode, and more than a passing note",
        "are outside the mode, and more than passing notes",
      ),
    ),
  ];
}

/** 2. "The notes are D major's: D E F♯ G A B C♯. All seven are used." */
export function notesReason(
  { homeMode, outside, hearing, called }: Identification,
  placesOf: PlacesOf,
): readonly Phrase[] {
  const { tonic, family } = parentOf(homeMode);
  const [parent] = countUp(homeMode);
  const notes = parent ? notesOf(parent) : [];
  const ofMode = homeMode.mode.intervals;
  const isHeard = (interval: number) => hearing.names[soundOf(homeMode.home + interval)] !== undefined;
  const missing = ofMode.filter((interval) => !isHeard(interval));
  const heardCount = ofMode.length - missing.length;
  // A degree that is heard in another form alone is not unheard.
  const otherwise = missing.flatMap((interval) => {
    const form = outside.find(({ note }) => degreeNumber(note - homeMode.home) === degreeNumber(interval));
    return form ? [{ interval, form: form.note }] : [];
  });
  const neutral = called.kind === "neutral" ? called.degrees.map(({ number }) => number) : [];
  const unheard = missing.filter(
    (interval) =>
      !otherwise.some((each) => each.interval === interval) && !neutral.includes(degreeNumber(interval)),
  );
  const inChords = ofMode
    .map((interval) => homeMode.home + interval)
    .filter((note) => holds(hearing.chordsOnly, soundOf(note)));
  const where = inChords.length > 0 ? `, ${listText(inChords.map(noteText))} only in the chords` : "";
  // Of a scale with two forms of a degree, the form is named.
  const nameOf = (interval: number) =>
    ofMode.some((each) => each !== interval && degreeNumber(each) === degreeNumber(interval))
      ? degreeText(interval)
      : ordinalText(degreeNumber(interval));
  const above = (intervals: readonly number[]) =>
    `The ${listText(intervals.map(nameOf))} above ${noteText(homeMode.home)}`;
  const used = [
    missing.length === 0
      ? `All ${numberText(ofMode.length)} are used${where}.`
      : `${capital(numberText(heardCount))} of the ${numberText(ofMode.length)} ${heardCount === 1 ? "is" : "are"} used${where}.`,
    ...(unheard.length > 0 ? [`${above(unheard)} ${unheard.length === 1 ? "is" : "are"} never heard.`] : []),
    ...otherwise.map(
      ({ interval, form }) =>
        `${above([interval])} is ${noteText(form)} here, not ${noteText(homeMode.home + interval)}.`,
    ),
  ].join(" ");
  return [
    { strong: `The notes are ${parentText(tonic, family)}’s:` },
    ...pointedNotes(notes, placesOf),
    `. ${used}`,
    ...outsidePhrases(outside, homeMode),
  ];
}

/** 3. "Count up from D: Ionian D, Dorian E, Phrygian F♯, Lydian G, Mixolydian A." */
export function countReason({ homeMode }: Identification, placesOf: PlacesOf): readonly Phrase[] {
  const { tonic, degree } = parentOf(homeMode);
  const counted = countUp(homeMode).slice(0, degree);
  return [
    { strong: `Count up from ${noteText(tonic)}:` },
    ...counted.flatMap(({ home, mode }, at): readonly Phrase[] => [
      at === 0 ? " " : ", ",
      { says: `${modeText(mode)} ${noteText(home)}`, points: placesOf(home) },
    ]),
    ".",
  ];
}

/** More modes than these are not told apart in a sentence. */
export const MAX_NAMED = 4;

/** "B and F♯: A Dorian": each way to decide, once. */
export function decidingText({ modes }: Undecided, home: Fifths): readonly string[] {
  return modes.map(({ mode, intervals }) => {
    const notes = listText(intervals.map((interval) => noteText(home + interval)));
    return `${notes}: ${homeModeText({ home, mode })}`;
  });
}

/** "No 6 is heard. B♭ would make it D Aeolian, B D Dorian." */
function undecidedText({ degrees, modes }: Undecided, home: Fifths): string {
  const missing = `No ${listText(degrees.map(String), "or")} is heard`;
  if (modes.length > MAX_NAMED)
    return `${missing}, too little to decide: ${countText(modes.length, "mode")} on ${noteText(home)} contain these notes.`;
  const ways = modes.map(({ mode, intervals }) => {
    const notes = listText(intervals.map((interval) => noteText(home + interval)));
    return `${homeModeText({ home, mode })} with ${notes}`;
  });
  return `${missing}. It would be ${listText(ways, "or")}.`;
}

/**
 * 4. "What makes it that mode: a major third, C♯, with G over it. With G♯ it would be plain A major."
 */
export function comparedReason(
  { homeMode, undecided, hearing }: Identification,
  placesOf: PlacesOf,
  conventions: ReferenceChoice = {},
): readonly Phrase[] {
  const { home, mode } = homeMode;
  const third = thirdOf(mode);
  const isHeard = (note: Fifths) => hearing.names[soundOf(note)] !== undefined;
  const isThirdHeard = third !== undefined && isHeard(home + third);
  const lead: Phrase = { strong: "What makes it that mode:" };
  const thirdPhrase: readonly Phrase[] = isThirdHeard
    ? [
        ` a ${third === 4 ? "major" : "minor"} third, `,
        { says: noteText(home + third), points: placesOf(home + third) },
      ]
    : [];
  if (undecided) return [{ strong: "What would decide:" }, ` ${undecidedText(undecided, home)}`];
  const named = characteristicOn(homeMode)
    .filter(isHeard)
    .flatMap((note, at): readonly Phrase[] => [at === 0 ? "" : " and ", { lit: noteText(note) }]);
  const swap = characteristicSwap(mode, conventions);
  const plain = swap ? ` With ${noteText(home + swap.to)} it would be ${swappedText(homeMode, swap)}.` : "";
  if (named.length === 0 && !isThirdHeard) return [lead, ` its notes and home together.${plain}`];
  if (named.length === 0) return [lead, ...thirdPhrase, `.${plain}`];
  return [
    lead,
    ...thirdPhrase,
    isThirdHeard ? ", with " : " ",
    ...named,
    `${isThirdHeard ? " over it" : ""}.${plain}`,
  ];
}

/** What the swap makes of the mode: "plain A major", "A Dorian", "another mode". */
export function swappedText({ home }: HomeMode, { makes }: Swap): string {
  if (!makes) return "another mode";
  if (makes.id === "ionian") return `plain ${noteText(home)} major`;
  if (makes.id === "aeolian") return `plain ${noteText(home)} minor`;
  return homeModeText({ home, mode: makes });
}
