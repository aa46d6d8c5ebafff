import { proxy, transfer } from "comlink";
import type { IdentifyChoice } from "@/core/identify";
import type { Recipe, Reshaped } from "@/core/reshape";
import type { Reading } from "@/core/problem";
import type { Tune } from "@/core/tune";
import type { FileTune, TuneText } from "@/formats";
import { newestWins, type Outcome, reporting, workerClient } from "./client";
import type {
  AskedOf,
  CollectionJobs,
  FileJobs,
  FingeringAsked,
  ModeJobs,
  PitchJobs,
  AnalysisJobs,
  AnalysesAsked,
  TrackAsked,
  VoicingJobs,
} from "./messages";
import { withOwnModes } from "./own-modes";
import { packTune, unpackFileTune, unpackTune } from "./packed-tune";
import { collectionPool as poolOf, MAX_WORKERS } from "./pool";
import { received } from "./analyse-chart";

export { $jobFailed, $jobsUnderWay, newestWins, type Outcome } from "./client";
export type { AskedOf, FileJobs, ModesAnswer, AnsweringMode, SentTune } from "./messages";
export type { CollectionPool } from "./pool";

/** How a job that takes its time is watched and called off. */
interface Watch {
  /** Told how far it has come, from 0 to 1. */
  readonly onProgress: (share: number) => void;
  readonly signal: AbortSignal;
}

/** Lets the page draw before it goes on: what is long is done in steps, none of them longer than a few frames. */
export const nextTurn = () => new Promise<void>((go) => setTimeout(go));

const modes = workerClient<ModeJobs>(
  () => new Worker(new URL("./modes.worker.ts", import.meta.url), { type: "module" }),
);
const charts = workerClient<AnalysisJobs>(
  () => new Worker(new URL("./analyses.worker.ts", import.meta.url), { type: "module" }),
);
const tunes = workerClient<CollectionJobs>(
  () => new Worker(new URL("./identify.worker.ts", import.meta.url), { type: "module" }),
  MAX_WORKERS,
);
const fingerings = workerClient<VoicingJobs>(
  () => new Worker(new URL("./voicings.worker.ts", import.meta.url), { type: "module" }),
);
const files = workerClient<FileJobs>(
  () => new Worker(new URL("./files.worker.ts", import.meta.url), { type: "module" }),
);
const pitches = workerClient<PitchJobs>(
  () => new Worker(new URL("./pitch.worker.ts", import.meta.url), { type: "module" }),
);

/** A tune with the modes of the catalogue in its keys: the ones that crossed are copies. */
const withOwnKeys = (tune: Tune): Tune => ({ ...tune, keys: withOwnModes(tune.keys) });

/** Asks all modes; the newest question wins. */
export const askAllModes = newestWins((question: AskedOf) => modes.ask((jobs) => jobs.ask(question)));

/** Fetches and starts what reads charts, before there is one: a chart is about to be typed. */
export const beginCharts = () => void charts.ask(() => Promise.resolve());

/** Reads a chart; the newest wins. */
export const analyseChart = newestWins((asked: AnalysesAsked) =>
  charts.ask(async (jobs) => received(await jobs.read(asked))),
);

/** A tune, and what is set by hand for it. */
export interface TuneAsked {
  readonly tune: Tune;
  readonly choice: IdentifyChoice;
}

/** Identifies a tune that is too long for the page. */
export const identifyAway = ({ tune, choice }: TuneAsked) =>
  tunes.ask(async (jobs) => {
    await nextTurn();
    const found = await jobs.identifyLong(packTune(tune), choice);
    await nextTurn();
    const restored = withOwnModes(found);
    await nextTurn();
    return restored;
  });

/** A tune by recipes, where it is too long for the page. */
export const reshapeAway = (tune: Tune, recipes: readonly Recipe[]) =>
  tunes.ask(async (jobs): Promise<readonly Reshaped[]> => {
    const all = await jobs.reshape(packTune(tune), recipes);
    await nextTurn();
    return all.map(({ tune: packed, ...rest }) => ({
      ...withOwnModes(rest),
      tune: withOwnKeys(unpackTune(packed)),
    }));
  });

/** Reads the tunes of a text that is too long to be read while a page is drawn. */
export const readTunesAway = (text: TuneText, signal: AbortSignal) =>
  tunes.ask(async (jobs): Promise<Reading<readonly FileTune[]>> => {
    const { value, problems } = await jobs.read(text);
    await nextTurn();
    const read = value.map((each) => {
      const { tune, written } = unpackFileTune(each);
      const restored = withOwnKeys(tune);
      return written ? { tune: restored, written: { ...written, tune: restored } } : { tune: restored };
    });
    await nextTurn();
    return { value: read, problems };
  }, signal);

/** Opens a file of tunes. */
export const openTuneAway = (bytes: Uint8Array, name: string, signal: AbortSignal) =>
  tunes.ask((jobs) => jobs.open(transfer(bytes, [bytes.buffer as ArrayBuffer]), name), signal);

/** Reads the chords of a file. */
export const readChartAway = (bytes: Uint8Array, name: string, signal: AbortSignal) =>
  tunes.ask((jobs) => jobs.readChart(transfer(bytes, [bytes.buffer as ArrayBuffer]), name), signal);

/** What a job of the files answers. */
export type FileAnswer<K extends keyof FileJobs> = Awaited<ReturnType<FileJobs[K]>>;

/** Reads a file of anything but music. */
export const readFileAway = <K extends keyof FileJobs>(
  kind: K,
  file: Blob,
  signal: AbortSignal,
): Promise<Outcome<FileAnswer<K>>> =>
  // The library’s type of a remote job is lost where the job is chosen by its name.
  files.ask((jobs) => (jobs as unknown as FileJobs)[kind](file) as Promise<FileAnswer<K>>, signal);

/** Several workers that go through a collection. */
export const collectionPool = (cores: number) => poolOf(cores, tunes);

/** Looks for a chord's voicings. */
export const findVoicings = (asked: FingeringAsked, watch?: Watch) =>
  watch
    ? reporting(watch.onProgress, (report) =>
        fingerings.ask((jobs) => jobs.find(asked, proxy(report)), watch.signal),
      )
    : fingerings.ask((jobs) => jobs.find(asked));

/** Follows the pitch of a recording. */
export const trackPitch = ({ samples, rate }: TrackAsked, { onProgress, signal }: Watch) =>
  reporting(onProgress, (report) =>
    pitches.ask(
      (jobs) => jobs.track(transfer({ samples, rate }, [samples.buffer as ArrayBuffer]), proxy(report)),
      signal,
    ),
  );
