import { midiOf, soundOf } from "../../src/core/pitch";
import { members, mode as modeById } from "../../src/core/scale";
import { allNotes, timeBySound, type Tune } from "../../src/core/tune";
import { type Label, MODE_NAMES, type ModeName } from "./model";

/**
 * What the identifier has to beat. Two published methods of finding a key, carried from two modes to the seven: both look at how
 * long each note sounds, in all voices, and at nothing else. A mode's profile is that of major or minor, whichever its third is, with the
 * values of the degrees that differ changed places with those that they replace.
 */

/** Half steps of a mode above home. */
const stepsOf = (mode: ModeName): readonly number[] => members(modeById(mode).sounds);

/** C. L. Krumhansl and E. J. Kessler, "Tracing the dynamic changes in perceived tonal organization", 1982: ratings. */
const KRUMHANSL = {
  major: [6.35, 2.23, 3.48, 2.33, 4.38, 4.09, 2.52, 5.19, 2.39, 3.66, 2.29, 2.88],
  minor: [6.33, 2.68, 3.52, 5.38, 2.6, 3.53, 2.54, 4.75, 3.98, 2.69, 3.34, 3.17],
};

/** D. Temperley, "Music and Probability", 2007: how often each note comes in folk melodies. */
const TEMPERLEY = {
  major: [0.184, 0.001, 0.155, 0.003, 0.191, 0.109, 0.005, 0.214, 0.001, 0.078, 0.004, 0.055],
  minor: [0.192, 0.005, 0.149, 0.179, 0.002, 0.144, 0.002, 0.201, 0.038, 0.012, 0.053, 0.022],
};

function profileOf(mode: ModeName, { major, minor }: typeof KRUMHANSL): readonly number[] {
  const steps = stepsOf(mode);
  const isMajor = steps[2] === 4;
  const from = stepsOf(isMajor ? "ionian" : "aeolian");
  const profile = [...(isMajor ? major : minor)];
  for (const [at, step] of steps.entries()) {
    const old = from[at] ?? step;
    if (old === step) continue;
    const [own, other] = [profile[step] ?? 0, profile[old] ?? 0];
    [profile[step], profile[old]] = [other, own];
  }
  return profile;
}

function correlation(a: readonly number[], b: readonly number[]): number {
  const mean = (values: readonly number[]) => values.reduce((sum, each) => sum + each, 0) / values.length;
  const [ma, mb] = [mean(a), mean(b)];
  const sum = (of: (x: number, y: number) => number) =>
    a.reduce((all, x, at) => all + of(x - ma, (b[at] ?? 0) - mb), 0);
  return sum((x, y) => x * y) / Math.sqrt(sum((x) => x * x) * sum((_, y) => y * y) || 1);
}

function best(tune: Tune, fit: (time: readonly number[], mode: ModeName) => number): Label {
  const time = timeBySound(allNotes(tune));
  let found = { home: 0, mode: "ionian" as ModeName, fit: -Infinity };
  for (const mode of MODE_NAMES)
    for (let sound = 0; sound < 12; sound += 1) {
      const turned = time.map((_, step) => time[(step + sound) % 12] ?? 0);
      const own = fit(turned, mode);
      // Homes by sound alone: a name for it is not asked for.
      if (own > found.fit) found = { home: (sound * 7) % 12, mode, fit: own };
    }
  return found;
}

/** The commonest first, for notes that fit several. */
const COMMON: readonly ModeName[] = [
  "ionian",
  "aeolian",
  "dorian",
  "mixolydian",
  "phrygian",
  "lydian",
  "locrian",
];

/** The last note, or the lowest of those that end last, with the mode on it that holds most of what sounds. */
function lastAndSet(tune: Tune): Label {
  const all = allNotes(tune);
  const endOf = ({ onset, duration }: (typeof all)[number]) => onset + duration;
  const end = all.reduce((last, note) => Math.max(last, endOf(note)), 0);
  const low = all
    .filter((note) => endOf(note) > end - 1e-6)
    .reduce((least, note) => (midiOf(note.pitch) < midiOf(least.pitch) ? note : least));
  const home = low.pitch.name;
  const time = timeBySound(all);
  const held = (mode: ModeName) =>
    stepsOf(mode).reduce((sum, step) => sum + (time[(step + soundOf(home)) % 12] ?? 0), 0);
  return { home, mode: COMMON.reduce((most, mode) => (held(mode) > held(most) + 1e-9 ? mode : most)) };
}

/** A method, with how it is called. */
export interface Method {
  readonly name: string;
  readonly find: (tune: Tune) => Label;
}

export const BASELINES: readonly Method[] = [
  {
    name: "Krumhansl and Schmuckler, correlation with ratings",
    find: (tune) => best(tune, (time, mode) => correlation(time, profileOf(mode, KRUMHANSL))),
  },
  {
    name: "Temperley, likelihood of the notes",
    find: (tune) =>
      best(tune, (time, mode) =>
        time.reduce((sum, each, step) => sum + each * Math.log(profileOf(mode, TEMPERLEY)[step] ?? 1e-3), 0),
      ),
  },
  { name: "The last note (of several voices the bass) and its set", find: lastAndSet },
];
