import { atom, computed } from "nanostores";
import { soundOf } from "@/core/pitch";
import { bestHome } from "@/core/scale";
import { isTimeToRest, nextTempo, seeded, shuffled } from "@/core/training";
import { type Felt, MAX_PLAYED_LINK, type Played, type RoutineItem, type RoutineValue } from "@/storage";
import { left } from "./left-off";
import { $leftOff, $practising, type Practising } from "./practice-state";
import { openAddress } from "../place/link";
import { setPlace } from "../place/place";
import { newId } from "../records/records";
import { $selection } from "../place/selection";
import { $settings, changeSettings } from "../settings/settings";
import { takeVoicing } from "../stage/stage";
import { $sittings, sittings } from "./sittings";
import { playOrStop } from "./play";
import { ring, stop } from "./sound";
import { $playing, $round, $tempo, MAIN } from "./sounding";

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
    stays: practising.stays,
    goesOn: practising.upAt !== undefined && !practising.stays,
    restNow: isTimeToRest(practising.stretches.map(({ from, to }) => ({ from, to: to ?? now }))),
  };
});

/** Writes the item in front down, as far as it was played. Ear training writes its answers down itself. */
function write(felt?: Felt): void {
  const practising = $practising.get();
  const item = practising?.items[practising.at];
  if (!practising || !item || item.kind === "ear") return;
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
    tempo: Math.round(practising.tempo.reached),
    tempoBegun: Math.round(practising.tempo.begun),
    tempoAsked: item.tempo,
    rounds: practising.clean,
    item: item.id,
    ...(item.link.length <= MAX_PLAYED_LINK ? { link: item.link } : {}),
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
  lookAtClock(now);
  ticks += 1;
  if (ticks % WRITTEN_EVERY !== 0) return;
  write();
  const latest = $practising.get();
  if (latest) left.write({ ...latest, stretches: closed(latest.stretches, now) }, now, true);
}

/** How long the item in front goes on once its time is up: a bar of it, and not so short that nobody can say that they stay. */
const barOf = (): number => Math.max(MIN_BAR, (4 * 60_000) / $tempo.get());
const MIN_BAR = 4000;

/** When the time of the item in front is up a bell says so, and after a bar the next one comes, unless it is stayed with. */
function lookAtClock(now: number): void {
  const practising = $practising.get();
  const item = practising?.items[practising.at];
  if (!practising || !item || isPaused(practising)) return;
  if (practising.upAt === undefined) {
    if (playedOf(practising, practising.at, now) < item.minutes * 60_000) return;
    $practising.set({ ...practising, upAt: now });
    ring();
  } else if (!practising.stays && now - practising.upAt >= barOf()) goOnByItself();
}

/** The next item, which goes on sounding where the one before did. */
function goOnByItself(): void {
  const wasPlaying = $playing.get() === MAIN;
  const opened = nextItem();
  const at = $practising.get()?.at;
  if (wasPlaying && opened)
    void opened.then(() => {
      if ($practising.get()?.at === at && $playing.get() === undefined) playOrStop();
    });
}

/** Stays with the item in front when its time is up, or lets the next one come. */
export function stayOrNot(): void {
  const practising = $practising.get();
  if (practising) $practising.set({ ...practising, stays: !practising.stays, upAt: undefined });
}

/** How the item was practised last, in any routine. */
export function lastOf({ id, title, kind }: RoutineItem): Played | undefined {
  const isIt = (piece: Played) =>
    piece.item === id || (piece.item === undefined && piece.title === title && piece.kind === kind);
  const all = $sittings.get().flatMap(({ played }) => played.filter(isIt));
  return all.reduce<Played | undefined>((last, each) => (last && last.at > each.at ? last : each), undefined);
}

/** The tempo that an item begins with: where it ended the last time. */
export const tempoFor = (item: RoutineItem): number =>
  Math.round(nextTempo(item.tempo, lastOf(item), $settings.get().climb.by));

/** What is counted of an item that begins at a tempo. */
const fresh = (item: RoutineItem) => {
  const tempo = tempoFor(item);
  return {
    piece: newId(),
    rounds: 0,
    clean: 0,
    tempo: { begun: tempo, set: tempo, reached: tempo },
    stays: false,
    upAt: undefined,
  };
};

/** Brings an item to the front as it was: its view, its tempo, what is played; done when what its address brings along is open. */
async function open(item: RoutineItem, tempo: number): Promise<void> {
  stop();
  const { climb, click, countIn, texture, loop } = $settings.get();
  changeSettings({
    tempo,
    climb: { ...climb, isOn: item.climbs },
    click: item.click ?? click,
    countIn: item.countIn ?? countIn,
    texture: item.texture ?? texture,
    loop: item.loop ?? loop,
  });
  await openAddress(new URL(item.link, window.location.origin));
  if (item.voicing) takeVoicing(item.voicing.chord, item.voicing.frets, item.voicing.strings);
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
    stretches: [{ from: now, to: undefined, item: 0 }],
    ...fresh(first),
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
  const stops = [$round.listen(countRound), $tempo.listen(followTempo)];
  stopCounting = () => stops.forEach((stopListening) => stopListening());
  void open(item, $practising.get()?.tempo.reached ?? item.tempo);
}

/** Keeps how far the tempo of the item in front has come: as fast as it sounded since it was set by hand. */
function followTempo(tempo: number): void {
  const practising = $practising.get();
  if (!practising) return;
  const { tempo: set } = $settings.get();
  const { tempo: before } = practising;
  if (set !== before.set) $practising.set({ ...practising, tempo: { ...before, set, reached: tempo } });
  else if (tempo > before.reached && $playing.get() !== undefined)
    $practising.set({ ...practising, tempo: { ...before, reached: tempo } });
}

let stopCounting: (() => void) | undefined;

/** Counts the rounds that are played to their end: after as many as an item asks for comes the next item, or another key. */
function countRound(round: number | undefined, before: number | undefined): void {
  const practising = $practising.get();
  const item = practising?.items[practising.at];
  if (!practising || !item || isPaused(practising)) return;
  if (round === undefined || before === undefined || round !== before + 1) return;
  const clean = practising.clean + 1;
  const rounds = item.rounds === 0 ? 0 : practising.rounds + 1;
  if (rounds < item.rounds || item.rounds === 0) {
    $practising.set({ ...practising, rounds, clean });
  } else if (item.then === "item") {
    $practising.set({ ...practising, clean });
    void nextItem();
  } else {
    $practising.set({ ...practising, rounds: 0, clean });
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

/**
 * Goes to the next item, saying how this one felt if anything; after the last the sitting is over, and there is no answer. Otherwise it is done
 * when the item is open.
 */
export function nextItem(felt?: Felt): Promise<void> | undefined {
  const practising = $practising.get();
  if (!practising) return undefined;
  const now = Date.now();
  const at = practising.at + 1;
  const item = practising.items[at];
  if (!item) {
    endPractice(felt);
    return undefined;
  }
  write(felt);
  const begun = fresh(item);
  $practising.set({
    ...practising,
    ...begun,
    at,
    stretches: [...closed(practising.stretches, now), { from: now, to: undefined, item: at }],
  });
  $now.set(now);
  return open(item, begun.tempo.begun);
}

/** Ends the sitting; what was played is in the log. */
export function endPractice(felt?: Felt): void {
  const practising = $practising.get();
  if (!practising) return;
  write(felt);
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
