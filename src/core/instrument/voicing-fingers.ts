import type { Fingering } from "./fingering";

/** Fingers that press strings. */
export const FINGERS = 4;

/** How a hand takes a voicing. */
interface Hand {
  readonly fingers: readonly (number | null)[];
  readonly used: number;
  readonly barres: number;
  /** Barres with another finger than the first. */
  readonly lateBarres: number;
}

/**
 * Fingers for a voicing: one to a pressed string, from the lowest fret and the lowest-lying string on. Where four do not
 * suffice, the first lies across the lowest fret, and another across neighbouring strings at a higher one; an open string
 * under a barre would be pressed, so there is none then.
 */
export function fingersFor(frets: Fingering, capo: number): Hand | undefined {
  const pressed = pressedInOrder(frets, capo);
  const fretOf = (string: number | undefined) => frets[string ?? -1] ?? 0;
  const low = fretOf(pressed[0]);
  let atLow = 0;
  while (atLow < pressed.length && fretOf(pressed[atLow]) === low) atLow += 1;
  const isBarred =
    atLow > 1 &&
    (pressed.length > FINGERS || atLow > 2) &&
    frets.every((fret, string) => string < (pressed[0] ?? 0) || fret === null || fret > capo);
  const needsLate = (isBarred ? 1 + pressed.length - atLow : pressed.length) > FINGERS;
  /** By finger that is used: its fret, and its strings. */
  const groups: { readonly fret: number; readonly strings: number[] }[] = [];
  for (const string of pressed) {
    const fret = fretOf(string);
    const last = groups.at(-1);
    const joins =
      last?.fret === fret && (fret === low ? isBarred : needsLate && last.strings.at(-1) === string - 1);
    if (joins) last.strings.push(string);
    else if (groups.length === FINGERS) return undefined;
    else groups.push({ fret, strings: [string] });
  }
  const fingers: (number | null)[] = frets.map((fret) => (fret === null ? null : 0));
  let finger = 0;
  let lateBarres = 0;
  for (const [at, { fret, strings }] of groups.entries()) {
    const left = groups.length - at - 1;
    finger = Math.min(Math.max(finger + 1, fret - low + 1), FINGERS - left);
    for (const string of strings) fingers[string] = finger;
    if (strings.length > 1 && (at > 0 || !isBarred)) lateBarres += 1;
  }
  return { fingers, used: groups.length, barres: isBarred ? 1 : 0, lateBarres };
}

/** The strings that are pressed, from the lowest fret and the lowest-lying string on. */
function pressedInOrder(frets: Fingering, capo: number): readonly number[] {
  const strings: number[] = [];
  for (const [string, fret] of frets.entries()) {
    if (fret === null || fret <= capo) continue;
    let place = strings.length;
    for (; place > 0 && (frets[strings[place - 1] ?? 0] ?? 0) > fret; place -= 1)
      strings[place] = strings[place - 1] ?? 0;
    strings[place] = string;
  }
  return strings;
}
