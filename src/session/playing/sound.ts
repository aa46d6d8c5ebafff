import type { Playing, Score } from "@/audio";
import { $isSwapped, $playing, $sound, $swappedRounds, type Heard, MAIN, tellSound } from "./sounding";

type Performing = typeof import("./performing");

let fetching: Promise<Performing> | undefined;
let fetched: Performing | undefined;

/** What makes sound. Rejects where it can't be had, and is fetched again the next time. */
async function performing(): Promise<Performing> {
  fetching ??= import("./performing");
  try {
    fetched = await fetching;
    return fetched;
  } catch (error) {
    fetching = undefined;
    throw error;
  }
}

/** Fetches what makes sound and the recordings of the instruments in use, so that the first note comes at once. */
export async function prepareSound(): Promise<void> {
  try {
    const { engine } = await performing();
    await engine.prepare();
  } catch {
    // Play tries again, and says so where it still can't be had.
  }
}

/** Counts starts and stops, so that a start that was overtaken while its sound was fetched does nothing. */
let act = 0;

function perform(name: string, playingOf: (make: Performing) => Playing): void {
  act += 1;
  const mine = act;
  $isSwapped.set(false);
  $swappedRounds.set(new Set());
  const start = (make: Performing) => {
    if (mine === act) void make.engine.play(playingOf(make));
  };
  if (fetched) start(fetched);
  else {
    $sound.set({ at: "starting" });
    performing().then(start, (error: unknown) => {
      if (mine === act)
        tellSound({ at: "unavailable", reason: error instanceof Error ? error.message : String(error) });
    });
  }
  $playing.set(name);
}

/** Starts what a function gives for each round under a name. */
export const begin = (name: string, heard: () => Heard): void =>
  perform(name, ({ roundsOf }) => roundsOf(heard));

/** Starts what Play plays: it follows the view in which it was begun. */
export const playMain = (): void => perform(MAIN, ({ roundsOf, followedScore }) => roundsOf(followedScore()));

/** Starts a score under a name; started again under the same name while it sounds, it stops. Only at the user's act. */
export function toggle(name: string, score: Score): void {
  if ($playing.get() === name) stop();
  else begin(name, () => ({ score }));
}

/**
 * Starts a score that is played from one of its marks to the next, so that another with the same marks can take its place from the next
 * one on without losing the beat. After the last it begins again where a loop is set.
 *
 * @param heard the score as it is then; a mark stands at the start of each bar
 */
export function playBars(name: string, heard: () => Score): void {
  if ($playing.get() === name) stop();
  else perform(name, ({ barsOf }) => barsOf(heard));
}

/** A soft bell over whatever sounds, which goes on. */
export function ring(): void {
  performing().then(
    ({ engine }) => void engine.ring(),
    () => undefined,
  );
}

/** The name under which a single note is heard. */
export const NOTE = "note";

/** Lets one note be heard, in place of what sounded before. Only at the user's act. */
export function hearNote(midi: number): void {
  const note: Score = { notes: [{ part: "line", midi, at: 0, length: 1 }], beats: 1, loops: false };
  perform(NOTE, () => ({ tempo: () => NOTE_TEMPO, round: (round) => (round === 0 ? note : undefined) }));
}

/** A single note sounds for a second, whatever the tempo. */
const NOTE_TEMPO = 60;

export function stop(): void {
  act += 1;
  if (fetched) fetched.engine.stop();
  else tellSound({ at: "silent" });
}

/** Loudness of what sounds now, in decibels. */
export const level = (): number => fetched?.engine.level() ?? -Infinity;
