// @ts-check
/**
 * `npm run bench`: how long the computation takes in a worker, and how soon a change is on the screen. Prints figures; judges
 * none. The machine may be shared: look at ratios.
 */
import { COLD_RUNS, report, SLOWER } from "./bench/figures.mjs";
import { paints, voicings } from "./bench/page.mjs";
import { playedLive, pressedToHeard } from "./bench/sound.mjs";
import { reportLoad } from "./bench/load.mjs";
import { reportReshaped } from "./bench/reshape.mjs";
import { end } from "./bench/started.mjs";
import { logOver } from "./bench/training.mjs";
import { reportTunes, streamed } from "./bench/tunes.mjs";
import { openedWith, typedInto } from "./bench/work.mjs";
import { coldWorker, reportAnalyses } from "./bench/workers.mjs";

try {
  for (const chords of [8, 1000])
    report(`A letter typed into a chart of ${chords} chords, page thread`, await typedInto(chords));
  for (const things of [0, 5000])
    report(`Opened with ${things} saved things`, await openedWith(things, COLD_RUNS));
  for (const [answers, years] of /** @type {const} */ ([
    [5000, 3],
    [50_000, 5],
  ])) {
    const { days, ear } = await logOver(answers, years, COLD_RUNS);
    report(`The log over ${answers} answers in ${years} years`, days);
    report("  what the ear mixes up", ear);
  }
  const heard = await pressedToHeard(COLD_RUNS);
  report("From a press to sound, the first time in a page", heard.first);
  report("From a press to sound, recordings loaded", heard.again);
  const live = await playedLive();
  console.log(
    `Played live for a minute while keys are pressed: ${live.notes} notes, the latest handed to the audio clock ${(-live.latest).toFixed(0)} ms before its time; memory grew by ${live.grown.toFixed(1)} MB`,
  );
  await reportTunes();
  await reportReshaped(COLD_RUNS);
  await reportLoad();
  for (const count of [1000, 5000]) await streamed(count);
  const cold = [];
  const warm = [];
  let count = 0;
  for (let run = 0; run < COLD_RUNS; run += 1) {
    const result = await coldWorker();
    cold.push(result.cold);
    warm.push(result.warm);
    count = result.count;
  }
  report(`All ${count} modes in a worker, cold`, cold);
  report(`All ${count} modes in a worker, asked again`, warm);
  await reportAnalyses();
  for (const [name, search] of /** @type {const} */ ([
    ["Em9 on six strings", { tuning: "guitar", chord: "Em9" }],
    ["A13 on six strings", { tuning: "guitar", chord: "A13" }],
    ["C13♯11 on six strings", { tuning: "guitar", chord: "C13#11" }],
    ["Em9 on eight strings", { tuning: "guitar-8", chord: "Em9" }],
  ])) {
    const { first, again } = await voicings(search);
    report(`Voicings of ${name}, worker cold`, first);
    report(`Voicings of ${name}, asked again`, again);
  }
  const round = [
    ..."dgaebfc",
    "#",
    "]",
    "]",
    "[",
    "[",
    "[",
    "ArrowUp",
    "ArrowDown",
    "-",
    "ArrowDown",
    "ArrowUp",
  ];
  const keys = [...round, ...round, ...round];
  const idle = await paints("/derive?home=D&mode=dorian", [..."99999999999999999999"]);
  report(`A key that does nothing, CPU ${SLOWER} times slower, to hold the rest against`, idle.first);
  for (const [name, path] of [
    ["Modes", "/derive?home=D&mode=dorian"],
    ["Modes of harmonic minor", "/derive?home=C%23&mode=phrygian-dominant"],
    ["Compare", "/derive?home=D&mode=dorian&show=compare"],
    ["Chords", "/derive?home=D&mode=dorian&show=chords"],
  ]) {
    const { first, whole } = await paints(path ?? "", keys);
    console.log(`${name}, CPU ${SLOWER} times slower:`);
    report("  change of home or mode to paint", first);
    report("  panel and neck have followed", whole);
  }
} finally {
  await end();
}
