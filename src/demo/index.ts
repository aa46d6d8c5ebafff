import type { Saved, SavedKind } from "@/storage";
import brassBird from "./the-brass-bird.abc?raw";
import brokenMainspring from "./broken-mainspring.abc?raw";
import clockStair from "./the-clock-stair.abc?raw";
import foxOnTheWall from "./fox-on-the-wall.abc?raw";
import orchardGate from "./orchard-gate.abc?raw";
import sixPears from "./six-pears.abc?raw";
import tissueMoon from "./tissue-moon.abc?raw";
import twoLanterns from "./two-lanterns.abc?raw";
import winterKey from "./winter-key.abc?raw";

/**
 * Music for a shadow-puppet play, The Clockmaker's Orchard, made up for this application: a guitar, a fiddle, a small
 * harmonium. Fixed ids and dates, so that bringing it in twice changes nothing.
 */
const made = (day: number) => {
  const date = new Date(Date.UTC(2026, 8, day, 18)).toISOString();
  return { version: 4, savedAt: date, changedAt: date, revisions: ["demo"] as string[] } as const;
};

export const DEMO_TUNES = [
  {
    ...made(3),
    id: "demo-orchard-gate",
    kind: "tune",
    title: "Orchard Gate",
    words: "Opens the play. Fiddle alone the first time; the gate creaks on the C♯.",
    source: "abc",
    text: orchardGate,
  },
  {
    ...made(4),
    id: "demo-the-clock-stair",
    kind: "tune",
    title: "The Clock Stair",
    words: "Up two, down one, as the boy climbs. The G must stay natural.",
    source: "abc",
    text: clockStair,
  },
  {
    ...made(5),
    id: "demo-fox-on-the-wall",
    kind: "tune",
    title: "Fox on the Wall",
    words: "The fox never hurries. The F leans on the E and will not let go.",
    source: "abc",
    text: foxOnTheWall,
  },
  {
    ...made(5),
    id: "demo-tissue-moon",
    kind: "tune",
    title: "Tissue Moon",
    words: "Harmonium alone, lamp turned low. The B is where the paper tears.",
    source: "abc",
    text: tissueMoon,
  },
  {
    ...made(6),
    id: "demo-winter-key",
    kind: "tune",
    title: "Winter Key",
    words: "For the locked orchard. Slow; let the pickup hang.",
    source: "abc",
    text: winterKey,
  },
  {
    ...made(6),
    id: "demo-six-pears",
    kind: "tune",
    title: "Six Pears",
    words: "Six notes for six pears. Nobody has said what the seventh would be.",
    source: "abc",
    text: sixPears,
  },
  {
    ...made(6),
    id: "demo-broken-mainspring",
    kind: "tune",
    title: "Broken Mainspring",
    words: "It always wants to fall one step further than it can.",
    source: "abc",
    text: brokenMainspring,
  },
  {
    ...made(7),
    id: "demo-the-brass-bird",
    kind: "tune",
    title: "The Brass Bird",
    words: "Guitar and fiddle in unison; the bird is proud of its C♯.",
    source: "abc",
    text: brassBird,
  },
  {
    ...made(7),
    id: "demo-two-lanterns",
    kind: "tune",
    title: "Two Lanterns",
    words: "The second lantern is the same flame behind blue paper: B becomes B♭.",
    source: "abc",
    text: twoLanterns,
  },
] as const satisfies readonly Saved[];

export const DEMO_PROGRESSIONS = [
  {
    ...made(8),
    id: "demo-lanterns-lit",
    kind: "progression",
    title: "The lanterns are lit",
    words: "Scene two. The C in the fifth bar is where the wind comes in.",
    chords: "| Em9 | A13 | Em9 | A13 | Cmaj7 | D6 | Em9 | B7sus4 |",
  },
  {
    ...made(9),
    id: "demo-brass-bird-wakes",
    kind: "progression",
    title: "The brass bird wakes",
    words: "Harmonium holds F throughout; guitar floats above.",
    chords: "| Fmaj7 | G/F | Fmaj7 | G/F Em7 | Am9 | G6 | Fmaj7♯11 | Fmaj7♯11 |",
  },
  {
    ...made(12),
    id: "demo-night-walk",
    kind: "progression",
    title: "The night walk",
    words: "The whole of scene four, for guitar and harmonium. The bird comes in at its own section.",
    chords: `[Lanterns]
| Em9 | A13 | Em9 | A13 | Cmaj7 | D6 | Em9 | B7sus4 |
| Em9 | A13 | Em9 | A13 | Cmaj7 | D6 | Em9 | Em9 |
[Orchard]
| Am7 | D7 | Gmaj7 | Cmaj7 | F#m7b5 | B7b9 | Em9 | E7 |
| Am7 | D7 | Gmaj7 | Cmaj7 | F#m7b5 | B7b9 | Em9 | Em9 |
[The brass bird]
| Fmaj7 | G/F | Fmaj7 | G/F | Am9 | Dm7 G7 | Cmaj7 | E7b9 |
| Fmaj7 | G/F | Fmaj7 | G/F | Am9 | D9 | Gmaj7 | B7sus4 |
[Moon]
| Ebm9 | Ab13 | Ebm9 | Ab13 | Cbmaj7 | Db6 | Ebm9 | Bb7sus4 |
| Em9 | A13 | Em9 | A13 | Cmaj7 | D6 | Em9 | N.C. |`,
  },
] as const satisfies readonly Saved[];

const DEMO_MODES = [
  {
    ...made(2),
    id: "demo-d-dorian",
    kind: "mode",
    title: "D Dorian",
    words: "An old gate that still swings.",
    home: "D",
    mode: "dorian",
  },
] as const satisfies readonly Saved[];

const DEMO_WORDS = [
  {
    ...made(10),
    id: "words-dorian",
    kind: "words",
    title: "Dorian",
    words: "A gate that still swings, though nobody has oiled it.",
    mode: "dorian",
    tune: "Orchard Gate",
  },
  {
    ...made(11),
    id: "words-mixolydian",
    kind: "words",
    title: "Mixolydian",
    words: "Climbing without hurry, sure of the stairs.",
    mode: "mixolydian",
    tune: "The Clock Stair",
  },
] as const satisfies readonly Saved[];

/** Everything that the demo puts on the Shelf. */
export const DEMO: readonly Saved[] = [...DEMO_MODES, ...DEMO_TUNES, ...DEMO_PROGRESSIONS, ...DEMO_WORDS];

/** How many things of each kind the demo brings. */
export const demoCounts: Readonly<Partial<Record<SavedKind, number>>> = Object.fromEntries(
  [...new Set(DEMO.map(({ kind }) => kind))].map((kind) => [
    kind,
    DEMO.filter((each) => each.kind === kind).length,
  ]),
);
