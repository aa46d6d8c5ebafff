import { atom, computed } from "nanostores";
import { soundOf } from "@/core/pitch";
import { bestHome } from "@/core/scale";
import { isTimeToRest, seeded, shuffled } from "@/core/training";
import type { Felt, Played, RoutineItem, RoutineValue } from "@/storage";
import { left } from "./left-off";
import { $leftOff, $practising, type Practising } from "./practice-state";
import { openAddress } from "../place/link";
import { setPlace } from "../place/place";
import { newId } from "../records/records";
import { $selection } from "../place/selection";
import { $settings, changeSettings } from "../settings/settings";
import { sittings } from "./sittings";
import { playOrStop } from "./play";
import { stop } from "./sound";
import { $playing, $round, $tempo } from "./sounding";

/** The time, as often as the bar must show another second. */
const $now = atom(0);

const TICK = 1000;

/** Ticks after which what was played so far is written down: a tab that is closed loses no more. */
const WRITTEN_EVERY = 15;

let ticking: ReturnType<typeof setInterval> | undefined;
let ticks = 0;

const isPaused = ({ stretches }: Practising) => stretches.at(-1)?.to !== undefined;

/** Milliseconds that an item was played. */
const playedOf = ({ stretches }: Practising, item: number, now: number) =>
  stretches
    .filter((each) => each.item === item)
    .reduce((sum, { from, to }) => sum + Math.max(0, (to ?? now) - from), 0);

/** The item in front with its clock. */
export const $practiced = computed([$practising, $now], (practising, now) => {
  const item = practising?.items[practising.at];
  if (!practising || !item) return undefined;
  const played = playedOf(practising, practising.at, now);
  return {
    item,
    next: practising.items[practising.at + 1],
    nth: practising.at,
    of: practising.items.length,
    left: item.minutes * 60_000 - played,
    isPaused: isPaused(practising),
    rounds: practising.rounds,
    restNow: isTimeToRest(practising.stretches.map(({ from, to }) => ({ from, to: to ?? now }))),
  };
});

/** Writes the item in front down, as far as it was played. */
function write(felt?: Felt): void {
  const practising = $practising.get();
  const item = practising?.items[practising.at];
  if (!practising || !item) return;
  const now = Date.now();
  const seconds = Math.round(playedOf(practising, practising.at, now) / 1000);
  if (seconds === 0) return;
  const first = practising.stretches.find((each) => each.item === practising.at)?.from ?? now;
  const piece: Played = {
    id: practising.piece,
    at: first,
    title: item.title,
    kind: item.kind,
    ...(item.mode === undefined ? {} : { mode: item.mode }),
    ...(item.home === undefined ? {} : { home: item.home }),
    instrument: $settings.get().instrument,
    seconds: Math.min(seconds, 86_400),
    tempo: Math.round($tempo.get()),
    ...(felt === undefined ? {} : { felt }),
  };
  sittings.change(practising.sitting, ({ played }) => ({
    played: [...played.filter(({ id }) => id !== piece.id), piece],
  }));
}

/** Milliseconds without a tick after which the machine was asleep: nobody played. Browsers slow a hidden page's clock to one a minute. */
const ASLEEP = 150_000;

function tick(): void {
  const now = Date.now();
  const practising = $practising.get();
  if (practising && !isPaused(practising) && now - $now.get() > ASLEEP)
    $practising.set({
      ...practising,
      stretches: [
        ...closed(practising.stretches, $now.get()),
        { from: now, to: undefined, item: practising.at },
      ],
    });
  $now.set(now);
  ticks += 1;
  if (ticks % WRITTEN_EVERY !== 0) return;
  write();
  const latest = $practising.get();
  if (latest) left.write({ ...latest, stretches: closed(latest.stretches, now) }, now, true);
}

/** Brings an item to the front: its view, its tempo. */
function open(item: RoutineItem): void {
  stop();
  void openAddress(new URL(item.link, window.location.origin));
  const { climb, click, countIn } = $settings.get();
  changeSettings({
    tempo: item.tempo,
    climb: { ...climb, isOn: item.climbs },
    click: item.click ?? click,
    countIn: item.countIn ?? countIn,
  });
}

/** Starts a routine: its first item is in front, and the clock runs. */
export function practise({ title, items, order }: RoutineValue, seed = Date.now()): void {
  const [first, ...rest] = order === "shuffled" ? shuffled(seeded(seed), items) : items;
  if (!first) return;
  const now = Date.now();
  const sitting = sittings.begin({ title: title || first.title });
  $practising.set({
    sitting: sitting.id,
    items: [first, ...rest],
    at: 0,
    piece: newId(),
    stretches: [{ from: now, to: undefined, item: 0 }],
    rounds: 0,
  });
  run(first);
}

/** Lets the clock run, with an item in front. */
function run(item: RoutineItem): void {
  $now.set(Date.now());
  ticks = 0;
  clearInterval(ticking);
  ticking = setInterval(tick, TICK);
  stopCounting?.();
  stopCounting = $round.listen(countRound);
  open(item);
}

let stopCounting: (() => void) | undefined;

/** Counts the rounds that are played to their end: after as many as an item asks for comes the next item, or another key. */
function countRound(round: number | undefined, before: number | undefined): void {
  const practising = $practising.get();
  const item = practising?.items[practising.at];
  if (!practising || !item || item.rounds === 0) return;
  if (round === undefined || before === undefined || round !== before + 1 || isPaused(practising)) return;
  const rounds = practising.rounds + 1;
  if (rounds < item.rounds) {
    $practising.set({ ...practising, rounds });
  } else if (item.then === "item") {
    nextItem();
  } else {
    $practising.set({ ...practising, rounds: 0 });
    const { home, mode } = $selection.get().homeMode;
    // The round that begins was handed over already: it begins anew in the new key, after its count-in.
    const wasPlaying = $playing.get() !== undefined;
    stop();
    setPlace({ home: bestHome(soundOf(home - 1), mode) });
    if (wasPlaying) playOrStop();
  }
}

/** Stops the clock, or lets it go on. */
export function pauseOrGoOn(): void {
  const practising = $practising.get();
  if (!practising) return;
  const now = Date.now();
  const { stretches, at } = practising;
  if (isPaused(practising)) {
    $practising.set({ ...practising, stretches: [...stretches, { from: now, to: undefined, item: at }] });
  } else {
    stop();
    $practising.set({ ...practising, stretches: closed(stretches, now) });
    write();
  }
  $now.set(now);
}

const closed = (stretches: Practising["stretches"], now: number) =>
  stretches.map((each) => (each.to === undefined ? { ...each, to: now } : each));

/** Goes to the next item, saying how this one felt if anything; after the last the sitting is over. */
export function nextItem(felt?: Felt): void {
  const practising = $practising.get();
  if (!practising) return;
  write(felt);
  const now = Date.now();
  const at = practising.at + 1;
  const item = practising.items[at];
  if (!item) {
    endPractice();
    return;
  }
  $practising.set({
    ...practising,
    at,
    piece: newId(),
    rounds: 0,
    stretches: [...closed(practising.stretches, now), { from: now, to: undefined, item: at }],
  });
  $now.set(now);
  open(item);
}

/** Ends the sitting; what was played is in the log. */
export function endPractice(): void {
  const practising = $practising.get();
  if (!practising) return;
  write();
  stop();
  clearInterval(ticking);
  stopCounting?.();
  $practising.set(undefined);
  left.forget();
  sittings.end(practising.sitting);
}

/** Milliseconds after which a routine that is still written down as open in another tab is taken for left. */
const GONE = 3 * WRITTEN_EVERY * TICK;

/** Looks whether a tab was closed in the middle of a routine. Call it once, when the sittings are read. */
export function findLeftOff(): void {
  const found = left.read();
  if (!found || (found.isOpen && Date.now() - found.at < GONE)) return;
  const sitting = sittings.$all.get().find(({ id }) => id === found.practising.sitting);
  if (sitting && sitting.endedAt === undefined && sitting.deletedAt === undefined)
    $leftOff.set(found.practising);
  else left.forget();
}

/** Goes on with the routine that was left, at the item that was in front. */
export function goOnPractising(): void {
  const practising = $leftOff.get();
  const item = practising?.items[practising.at];
  if (!practising || !item) return;
  $leftOff.set(undefined);
  const stretches = [...practising.stretches, { from: Date.now(), to: undefined, item: practising.at }];
  $practising.set({ ...practising, stretches, rounds: 0 });
  run(item);
}

/** Ends the routine that was left where it is; what was played is in the log. */
export function leaveOff(): void {
  const practising = $leftOff.get();
  if (!practising) return;
  $leftOff.set(undefined);
  left.forget();
  sittings.end(practising.sitting);
}

/** Writes the routine down that is practised, before its tab is closed. */
function writePractising(): void {
  const practising = $practising.get();
  if (!practising) return;
  const now = Date.now();
  write();
  left.write({ ...practising, stretches: closed(practising.stretches, now) }, now, false);
}

if (typeof window !== "undefined") window.addEventListener("pagehide", writePractising);
