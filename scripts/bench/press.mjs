// @ts-check
/** From a press to the screen, in every view. */
import { report, SLOWER } from "./figures.mjs";
import { address, browser } from "./started.mjs";

/** Between two presses, so that one change is over before the next, in milliseconds. */
const GAP = 400;
/** Presses in a row. */
const PRESSES = Number(process.env.SHADE_PRESSES ?? 100);
/** Changes after which nothing may have been left behind. */
const CHANGES = Number(process.env.SHADE_CHANGES ?? 5000);

const SYMBOLS =
  "Em9 A13 Cmaj7 D6 B7sus4 F#m7b5 Gmaj7 Ebm9 Ab13 Dbmaj7#11 G7alt Am7 D7 Gmaj7 Cmaj7 Am11".split(" ");
const CHART = Array.from({ length: 64 }, (_, at) => `| ${SYMBOLS[(at * 7) % SYMBOLS.length]}`).join(" ");
const TUNE = `X:1\nT:Long\nM:4/4\nL:1/4\nK:DDor\n${"D E F A|B A G F|E F G E|D2 C2|\nD E F A|B c d A|G F E C|D4|\n".repeat(8)}`;

const HOMES = [..."dgaebfc", "#", "]", "]", "[", "[", "[", "ArrowUp", "ArrowDown", "-", "ArrowDown"];

/** @typedef {import("@playwright/test").Page} Page */
/** @param {Page} page */
const withTune = async (page) => {
  await page.getByLabel("The tune, as ABC or note names").fill(TUNE);
  await page.locator(".abcjs-note").first().waitFor();
};

/**
 * What is pressed in each view, again and again.
 *
 * @type {readonly { name: string, path: string, keys: readonly string[], prepare?: (page: Page) => Promise<void> }[]}
 */
const VIEWS = [
  { name: "Derive", path: "/derive?home=D&mode=dorian", keys: HOMES },
  { name: "Derive, an odd mode", path: "/derive?home=C%23&mode=phrygian-dominant", keys: HOMES },
  { name: "Compare", path: "/derive?home=D&mode=dorian&show=compare", keys: HOMES },
  { name: "Chords", path: "/derive?home=D&mode=dorian&show=chords", keys: HOMES },
  {
    name: "Match, 64 chords",
    path: `/match?chords=${encodeURIComponent(CHART)}`,
    keys: ["ArrowRight", "ArrowRight", "ArrowRight", "b", "ArrowLeft", "]", "["],
    prepare: (page) => page.getByRole("button", { name: /^Bar 64, / }).waitFor(),
  },
  {
    name: "Identify, 64 bars",
    path: "/identify",
    keys: ["ArrowRight", "ArrowRight", "ArrowRight", "ArrowLeft"],
    prepare: async (page) => {
      await withTune(page);
      await page.getByRole("region", { name: "Staff", exact: true }).first().focus();
    },
  },
  {
    name: "Reshape, 64 bars",
    path: "/reshape",
    keys: ["ArrowDown", "ArrowDown", "ArrowUp"],
    prepare: async (page) => {
      await withTune(page);
      await page.getByLabel("New mode").focus();
    },
  },
  { name: "Log", path: "/log?demo", keys: ["[", "]"] },
];

/** In the page: notes from every press the frame that is painted next, and the last frame that changed. */
function watch() {
  const times = { first: /** @type {number[]} */ ([]), whole: /** @type {number[]} */ ([]) };
  let pressed = NaN;
  let changed = NaN;
  /** A message is taken once the frame is painted. @param {() => void} act */
  const afterPaint = (act) =>
    requestAnimationFrame(() => {
      const { port1, port2 } = new MessageChannel();
      port1.onmessage = act;
      port2.postMessage(undefined);
    });
  const over = () => {
    if (changed >= pressed) times.whole.push(changed - pressed);
  };
  new MutationObserver(() => afterPaint(() => (changed = performance.now()))).observe(document.body, {
    ...{ subtree: true, childList: true, attributes: true, characterData: true },
  });
  document.addEventListener(
    "keydown",
    ({ timeStamp }) => {
      over();
      pressed = timeStamp;
      afterPaint(() => times.first.push(performance.now() - timeStamp));
    },
    { capture: true },
  );
  Object.assign(window, { pressTimes: times, pressesOver: over });
}

/** @param {(typeof VIEWS)[number]} view */
async function opened({ path, prepare }) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, serviceWorkers: "block" });
  await page.goto(`${address}${path}`, { waitUntil: "networkidle" });
  await page.getByRole("main").getByRole("heading").first().waitFor();
  await prepare?.(page);
  await page.waitForTimeout(1500);
  const session = await page.context().newCDPSession(page);
  await session.send("Performance.enable");
  return { page, session };
}

/** @param {(typeof VIEWS)[number]} view @param {number} count */
async function presses(view, count) {
  const { page, session } = await opened(view);
  const taken = async () => {
    const { metrics } = await session.send("Performance.getMetrics");
    return (metrics.find(({ name }) => name === "TaskDuration")?.value ?? 0) * 1000;
  };
  const press = async (/** @type {number} */ many) => {
    for (let at = 0; at < many; at += 1) {
      await page.keyboard.press(view.keys[at % view.keys.length] ?? "");
      await page.waitForTimeout(GAP);
    }
  };
  // Once round, so that everything has been compiled.
  await press(view.keys.length);
  const few = Math.ceil(count / 4);
  const thread = [];
  for (let at = 0; at < few; at += 1) {
    const before = await taken();
    await page.keyboard.press(view.keys[at % view.keys.length] ?? "");
    await page.waitForTimeout(GAP);
    thread.push((await taken()) - before);
  }
  await session.send("Emulation.setCPUThrottlingRate", { rate: SLOWER });
  await page.evaluate(watch);
  await press(count);
  const times = await page.evaluate(() => {
    const kept = /** @type {any} */ (window);
    kept.pressesOver();
    return /** @type {{ first: number[], whole: number[] }} */ (kept.pressTimes);
  });
  await page.close();
  return { ...times, thread };
}

/** Each view beside a key that does nothing. */
export async function reportPresses() {
  const nothing = { name: "", path: "/derive?home=D&mode=dorian", keys: ["9"] };
  const idle = await presses(nothing, 20);
  report(`A key that does nothing, CPU ${SLOWER} times slower`, idle.first);
  report("A key that does nothing, main thread, not slowed", idle.thread);
  for (const view of VIEWS) {
    const { first, whole, thread } = await presses(view, PRESSES);
    report(`${view.name}: a press until it is painted, CPU ${SLOWER} times slower`, first);
    if (whole.length > 0)
      report(`${view.name}: until everything has followed, CPU ${SLOWER} times slower`, whole);
    report(`${view.name}: main thread of a press, not slowed`, thread);
  }
}

/** Whether many changes leave anything behind: listeners, nodes and memory after a fifth of them and after all. */
export async function reportChanges() {
  for (const view of VIEWS.filter(({ name }) => ["Derive", "Match, 64 chords"].includes(name))) {
    const { page, session } = await opened(view);
    await session.send("HeapProfiler.enable");
    const left = async () => {
      for (let times = 0; times < 3; times += 1) await session.send("HeapProfiler.collectGarbage");
      const { metrics } = await session.send("Performance.getMetrics");
      const of = (/** @type {string} */ wanted) => metrics.find(({ name }) => name === wanted)?.value ?? NaN;
      return `${of("JSEventListeners")} listeners, ${of("Nodes")} nodes, ${(of("JSHeapUsedSize") / 1e6).toFixed(1)} MB`;
    };
    const said = [];
    for (let at = 1; at <= CHANGES; at += 1) {
      await page.keyboard.press(view.keys[at % view.keys.length] ?? "");
      if (at === Math.ceil(CHANGES / 5) || at === CHANGES) {
        await page.waitForTimeout(1000);
        said.push(`after ${at} ${await left()}`);
      }
    }
    console.log(`${view.name}: ${said.join("; ")}`);
    await page.close();
  }
}
