import { printDegree, printName, printPitch } from "@/core/pitch";
import {
  type Called,
  type Identification,
  identify,
  type IdentifyChoice,
  type Passage,
  type Undecided,
} from "@/core/identify";
import { notesOf } from "@/core/scale";
import type { Tune } from "@/core/tune";

const round = (share: number) => Math.round(share * 1e4) / 1e4;

/** The answer for a tune without notes: one entry a tune, so that entries and tunes can be counted off against each other. */
export const nothing = (title: string) => ({
  title,
  candidates: [],
  notes: [],
  undecided: [],
  passing: [],
  outside: [],
  evidence: [],
  called: { kind: "mode" as const },
  inflected: [],
  stopsShort: false,
  short: true,
  passages: [],
  keyPassages: [],
  changes: false,
});

/** The forms that a degree may have, each once, with the modes that have it. */
function formsOf(modes: Undecided["modes"], at: number) {
  const forms = new Map<string, string[]>();
  for (const { mode, intervals } of modes) {
    const degree = printDegree(intervals[at] ?? 0);
    forms.set(degree, [...(forms.get(degree) ?? []), mode.id]);
  }
  return [...forms].map(([degree, ids]) => ({ degree, modes: ids }));
}

/** What a player calls it, in codes. */
function calledAnswer(called: Called) {
  const { kind } = called;
  switch (kind) {
    case "mode":
      return { kind };
    case "five-notes":
      return { kind, scale: called.scale.id, name: called.isNamed ? called.scale.name : undefined };
    case "six-notes":
      return {
        kind,
        scale: called.scale.id,
        third: called.isMinor ? "b3" : "3",
        without: String(called.without),
      };
    case "double-tonic":
      return { kind, notes: [printName(called.upper), printName(called.lower)] };
    case "neutral":
      return {
        kind,
        neutral: called.degrees.map(({ number, between }) => ({
          degree: String(number),
          between: between.map((note) => printName(note)),
        })),
      };
    case "no-centre":
      return { kind, why: called.why };
  }
}

/** The answer about the whole tune: where its mode changes too, so that notes and reasons belong to the first candidate. */
export function identified(tune: Tune, asked: IdentifyChoice): Identification | undefined {
  const found = identify(tune, asked);
  const [first] = found?.whole ?? [];
  if (!found?.changes || !first) return found;
  const whole = identify(tune, { ...asked, about: first.homeMode });
  return whole && { ...whole, changes: true };
}

const passageAnswer = ({ fromBar, toBar, homeMode: { home, mode } }: Passage) => ({
  fromBar,
  toBar,
  home: printName(home),
  mode: mode.id,
});

/** The answer for one tune, as it is sent. */
export function answer(title: string, found: Identification | undefined) {
  if (!found) return nothing(title);
  const { whole, homeMode, undecided, rival, outside, evidence, isShort, key, changes } = found;
  const { passages, keyPassages, called, profile, round: comesRound, stopsShort } = found;
  const heard = outside.map(({ note, share, role, to }) => ({
    note: printName(note),
    share: round(share),
    role,
    to: to === undefined ? undefined : printName(to),
  }));
  return {
    title,
    candidates: whole.map(({ homeMode: { home, mode }, weight }) => ({
      home: printName(home),
      mode: mode.id,
      weight: round(weight),
    })),
    notes: notesOf(homeMode).map((note) => printName(note)),
    undecided: (undecided?.degrees ?? []).map((number, at) => ({
      degree: String(number),
      forms: formsOf(undecided?.modes ?? [], at),
    })),
    passing: heard.filter(({ role }) => role !== undefined),
    outside: heard.filter(({ role }) => role === undefined).map(({ note, share }) => ({ note, share })),
    evidence: evidence.map(({ code, note, strength, count, of }) => ({
      code,
      note: printName(note),
      strength: round(strength),
      count,
      of,
    })),
    rival: rival && {
      home: printName(rival.homeMode.home),
      mode: rival.homeMode.mode.id,
      weight: round(rival.weight),
    },
    called: calledAnswer(called),
    final: profile && printPitch(profile.final.pitch),
    range: profile && {
      lowest: printPitch(profile.lowest.pitch),
      highest: printPitch(profile.highest.pitch),
    },
    ambitus: profile?.ambitus,
    reciting: profile?.reciting && printPitch(profile.reciting.pitch),
    inflected: (profile?.inflected ?? []).map(({ number, forms }) => ({
      degree: String(number),
      notes: forms.map(({ note }) => printName(note)),
    })),
    round: comesRound,
    stopsShort,
    short: isShort,
    key: key && {
      home: printName(key.declared.home),
      mode: key.declared.mode.id,
      agrees: key.agrees,
    },
    changes,
    passages: passages.map(passageAnswer),
    keyPassages: keyPassages.map((each) => ({ ...passageAnswer(each), kind: each.kind })),
  };
}
export type Answer = ReturnType<typeof answer>;
