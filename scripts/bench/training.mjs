// @ts-check
/** How soon the Log stands over years of training. */
import { address, browser } from "./started.mjs";

const DAY = 86_400_000;
/** Questions of one sitting. */
const QUESTIONS = 20;
const MODES = ["lydian", "ionian", "mixolydian", "dorian", "aeolian", "phrygian"];

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
  await page.evaluate(
    async ({ sittings, questions, every, modes, now }) => {
      const exam = {
        ...{ title: "", questions: ["mode"], modes, textures: ["drone"], home: 2, moves: true, octaves: 1 },
        ...{ way: "both", times: 0, count: questions, answers: "each" },
      };
      await new Promise((resolve, reject) => {
        const request = indexedDB.open("shade");
        request.onerror = () => reject(new Error("not opened"));
        request.onsuccess = () => {
          const write = request.result.transaction("records", "readwrite");
          write.onerror = () => reject(new Error("not written"));
          for (let nth = 0; nth < sittings; nth += 1) {
            const at = now - (sittings - nth) * every;
            const date = new Date(at).toISOString();
            const mode = (/** @type {number} */ place) => modes[(nth * 7 + place * 5) % modes.length];
            const places = Array.from({ length: questions }, (_, place) => place);
            write.objectStore("records").put(
              {
                ...{ version: 1, id: `many-${nth}`, title: "Six modes", words: "", played: [] },
                ...{ startedAt: date, endedAt: date, changedAt: date },
                ear: {
                  exam,
                  asked: places.map((place) => ({
                    card: { question: "mode", mode: mode(place), texture: "drone" },
                    home: 2,
                    seed: place,
                  })),
                  attempts: places.map((place) => ({
                    ...{
                      nth: place,
                      at: at + place * 15_000,
                      isRight: (nth + place) % 5 > 0,
                      right: mode(place),
                    },
                    ...{ given: (nth + place) % 5 > 0 ? mode(place) : "ionian", took: 5000, heard: 1 },
                  })),
                },
              },
              `sitting:many-${nth}`,
            );
          }
          write.oncomplete = () => resolve(undefined);
        };
      });
    },
    {
      sittings: answers / QUESTIONS,
      questions: QUESTIONS,
      every: (years * 365 * DAY) / (answers / QUESTIONS),
      modes: MODES,
      now: Date.now(),
    },
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
