import { halfSteps } from "@/core/pitch";
import type { Problem, ProblemCode, Reading } from "@/core/problem";
import { type HomeMode, type PitchClassSet, size, pitchClassSet } from "@/core/scale";

/** A scale as a Scala file holds it: cents above home, rising or not, the last being the octave. */
export interface ScalaScale {
  readonly description: string;
  readonly cents: readonly number[];
  /** Its notes by half steps, home as bit 0, where every pitch is one of the twelve of equal temperament. */
  readonly sounds: PitchClassSet | undefined;
}

/** A pitch this far from an equal-tempered one, in cents, is another tuning and not a spelling of it. */
const TOLERANCE = 1;
/** Longer files are no scale that is read here. */
const MAX_PITCHES = 1000;

interface Line {
  readonly text: string;
  readonly offset: number;
}

function linesOf(text: string): readonly Line[] {
  const lines: Line[] = [];
  for (const found of text.matchAll(/[^\r\n]*(?:\r\n|\r|\n|$)/gu)) {
    const line = found[0].replace(/[\r\n]+$/u, "");
    if (found[0] !== "" && !line.startsWith("!")) lines.push({ text: line, offset: found.index });
  }
  return lines;
}

/** Cents of a pitch as Scala writes it: with a point it is cents, otherwise a ratio or a whole number. */
function centsOf(written: string): number | undefined {
  if (/^-?\d*\.\d*$/u.test(written) && /\d/u.test(written)) return Number(written);
  const ratio = /^(\d+)(?:\/(\d+))?$/u.exec(written);
  if (!ratio) return undefined;
  const [above, below] = [Number(ratio[1]), Number(ratio[2] ?? 1)];
  return above > 0 && below > 0 ? 1200 * Math.log2(above / below) : undefined;
}

/** 386.3137 → "386.3", 200 → "200". */
const printCents = (cents: number): string => String(Math.round(cents * 10) / 10);

/**
 * Reads a Scala scale file (`.scl`: lines that begin with ! are comments, then a description, the number of pitches, the
 * pitches in cents or as ratios). A scale whose pitches all lie within a cent of the twelve of equal temperament becomes a
 * set; of any other it is said which pitch is off and by how many cents. Never throws.
 *
 * @example readScala("! d.scl\nDorian\n 7\n200.\n300.\n500.\n700.\n900.\n1000.\n2/1").value?.sounds // 1709
 * @see the format as its author describes it: one pitch a line, the first blank-separated word counts
 */
export function readScala(text: string): Reading<ScalaScale | undefined> {
  const problems: Problem[] = [];
  const refuse = (code: ProblemCode, { text: found, offset }: Line, expected?: string) => {
    problems.push({
      code,
      offset,
      length: found.length,
      found: found.trim(),
      ...(expected === undefined ? {} : { expected }),
    });
  };
  const [description, count, ...rest] = linesOf(text);
  const announced = Number(/^\s*(\d{1,4})(?:\s|$)/u.exec(count?.text ?? "")?.[1] ?? NaN);
  if (!description || !count || Number.isNaN(announced) || announced > MAX_PITCHES) {
    refuse("count-unread", count ?? { text: "", offset: text.length });
    return { value: undefined, problems };
  }
  const pitches = rest
    .slice(0, announced)
    .map((line) => ({ line, cents: centsOf(line.text.trim().split(/\s+/u)[0] ?? "") }));
  for (const { line, cents } of pitches) if (cents === undefined) refuse("pitch-unread", line);
  if (pitches.length < announced) {
    refuse("pitches-missing", { text: String(pitches.length), offset: text.length }, String(announced));
  }
  const cents = pitches.flatMap((pitch) => (pitch.cents === undefined ? [] : [pitch.cents]));
  for (const pitch of pitches) {
    const nearest = Math.round((pitch.cents ?? 0) / 100) * 100;
    if (pitch.cents !== undefined && Math.abs(pitch.cents - nearest) > TOLERANCE)
      refuse("not-twelve-tone", { ...pitch.line, text: printCents(pitch.cents) }, String(nearest));
  }
  const last = cents.at(-1);
  const octave = pitches.at(-1)?.line ?? count;
  if (last === undefined || Math.abs(last - 1200) > TOLERANCE)
    refuse("no-octave", { ...octave, text: last === undefined ? "" : printCents(last) }, "1200");
  const sounds = pitchClassSet([0, ...cents.map((each) => Math.round(each / 100))]);
  if (problems.length === 0 && size(sounds) < 2) refuse("no-notes", count);
  return {
    value: {
      description: description.text.trim(),
      cents,
      sounds: problems.length === 0 ? sounds : undefined,
    },
    problems,
  };
}

/**
 * Writes a mode as a Scala scale file, in cents of equal temperament.
 *
 * @param title its description, in ASCII
 */
export function writeScala({ mode }: HomeMode, title: string): string {
  const pitches = [...mode.intervals.map(halfSteps).slice(1), 12];
  return [
    `! ${mode.id}.scl`,
    "!",
    title,
    ` ${pitches.length}`,
    "!",
    ...pitches.map((halfStep) => ` ${(100 * halfStep).toFixed(1)}`),
    "",
  ].join("\n");
}
