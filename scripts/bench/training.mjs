// @ts-check
/** How soon the Log stands over years of training. */
import { putRecords } from "./records.mjs";
import { address, browser } from "./started.mjs";

const DAY = 86_400_000;
/** Questions of one sitting. */
const QUESTIONS = 20;
const MODES = ["lydian", "ionian", "mixolydian", "dorian", "aeolian", "phrygian"];

const EXAM = {
  ...{ title: "", questions: ["mode"], modes: MODES, textures: ["drone"], home: 2, moves: true, octaves: 1 },
  ...{ way: "both", times: 0, count: QUESTIONS, answers: "each" },
};

/**
 * A sitting of so many questions, one in five of them answered wrong.
 *
 * @param {number} nth @param {number} at
 */
function sitting(nth, at) {
  const date = new Date(at).toISOString();
  const places = Array.from({ length: QUESTIONS }, (_, place) => ({
    place,
    mode: MODES[(nth * 7 + place * 5) % MODES.length],
    isRight: (nth + place) % 5 > 0,
  }));
  return {
    ...{ version: 1, id: `many-${nth}`, title: "Six modes", words: "", played: [] },
    ...{ startedAt: date, endedAt: date, changedAt: date },
    ear: {
      exam: EXAM,
      asked: places.map(({ place, mode }) => ({
        card: { question: "mode", mode, texture: "drone" },
        home: 2,
        seed: place,
      })),
      attempts: places.map(({ place, mode, isRight }) => ({
        ...{ nth: place, at: at + place * 15_000, isRight, right: mode },
        ...{ given: isRight ? mode : "ionian", took: 5000, heard: 1 },
      })),
    },
  };
}

/**
 * Milliseconds from the start of a page to the Log with its days, and to what the ear mixes up, over so many answers in so many years.
 *
 * @param {number} answers @param {number} years @param {number} runs
 */
export async function logOver(answers, years, runs) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await page.goto(`${address}/log`, { waitUntil: "networkidle" });
  await page.waitForTimeout(1000);
  const count = answers / QUESTIONS;
  const every = (years * 365 * DAY) / count;
  const now = Date.now();
  await putRecords(
    page,
    Array.from({ length: count }, (_, nth) => [
      `sitting:many-${nth}`,
      sitting(nth, now - (count - nth) * every),
    ]),
  );
  const days = [];
  const ear = [];
  for (let run = 0; run < runs; run += 1) {
    await page.goto(`${address}/log`);
    await page
      .getByText(/^Ear: \d+ of 20 right/)
      .first()
      .waitFor({ timeout: 60_000 });
    days.push(await page.evaluate(() => performance.now()));
    await page.goto(`${address}/log?show=ear`);
    await page.getByRole("rowheader", { name: "Dorian" }).waitFor({ timeout: 60_000 });
    ear.push(await page.evaluate(() => performance.now()));
  }
  await context.close();
  return { days, ear };
}
