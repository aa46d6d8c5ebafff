import { readFileSync } from "node:fs";
import { expect, type Page, test } from "@playwright/test";
import { unzipSync } from "fflate";
import { onsets, pitchAt, readWav, wavOf } from "../fixtures/listen";
import { inSheet, open, show } from "./pages";

/** Opens the Sound sheet. */
const sound = async (page: Page) => {
  await page.getByRole("button", { name: "Sound", exact: true }).click();
  const sheet = page.getByRole("dialog", { name: "Sound" });
  await expect(sheet).toBeVisible();
  return sheet;
};

/** Saves by a button of the Sound sheet and answers the file's path. */
async function saved(page: Page, button: string): Promise<string> {
  const [download] = await Promise.all([
    page.waitForEvent("download", { timeout: 120_000 }),
    page.getByRole("dialog", { name: "Sound" }).getByRole("button", { name: button }).click(),
  ]);
  return download.path();
}

const tempo = (page: Page, value: number) =>
  page.getByLabel("Tempo, beats a minute, 30 to 300").fill(String(value));

test("a line is rendered at its pitches and on its beats", async ({ page }) => {
  await open(page, "/derive?home=F%23&mode=phrygian");
  await show(page, "Line");
  await page.getByRole("combobox", { name: "Line" }).selectOption("thirds");
  await inSheet(page, "Sound", async (sheet) => {
    await sheet.getByLabel("Notes per beat").selectOption("triplets");
    await sheet.getByLabel("Drone F♯").uncheck();
  });
  await tempo(page, 100);
  await sound(page);
  const heard = readWav(await saved(page, "Save as WAV"));
  // F♯ Phrygian in thirds: F♯ A G B A C♯ B D …
  const wanted = [0, 3, 1, 5, 3, 7, 5, 8, 7, 10, 8, 12, 12, 8, 10, 7];
  const each = 60 / 100 / 3;
  const begins = onsets(heard, 0.2)[0]!;
  const home = pitchAt(heard, begins, 36, 84, each * 0.9);
  expect(home % 12).toBe(6);
  const pitches = wanted.map((_, at) => pitchAt(heard, begins + at * each, 36, 84, each * 0.9) - home);
  expect(pitches).toEqual(wanted);
});

test("the click does not drift in five minutes, at the slowest tempo, an odd one and the fastest", async ({
  page,
}) => {
  test.setTimeout(240_000);
  await open(page, "/derive");
  await page.getByLabel("What to play").selectOption("drone");
  for (const beats of [30, 97, 300]) {
    await tempo(page, beats);
    const sheet = await sound(page);
    await sheet.getByLabel("Metronome").check();
    await sheet.getByLabel("Length").selectOption("5");
    await sheet.getByLabel("Volume of the part: Drone").fill("-40");
    const found = onsets(readWav(await saved(page, "Save as WAV")));
    const step = 60 / beats;
    expect(found.length).toBeGreaterThanOrEqual(Math.floor(300 / step));
    const worst = Math.max(...found.map((time, at) => Math.abs(time - found[0]! - at * step)));
    expect(worst).toBeLessThan(0.002);
    await page.keyboard.press("Escape");
  }
});

test("a tempo that rises is heard to rise, and a part that is silent is", async ({ page }) => {
  await open(page, "/derive");
  await page.getByLabel("What to play").selectOption("drone");
  await tempo(page, 120);
  const sheet = await sound(page);
  await sheet.getByLabel("Metronome").check();
  await sheet.getByLabel("Rising tempo").check();
  await sheet.getByLabel(/^Faster by/).fill("40");
  await sheet.getByLabel(/^Every/).fill("1");
  await sheet.getByLabel("Volume of the part: Drone").fill("-40");
  await sheet.getByLabel("Length").selectOption("1");
  const found = onsets(readWav(await saved(page, "Save as WAV")));
  const steps = found.slice(1, 13).map((time, at) => Math.round((time - found[at]!) * 1000));
  expect(steps.slice(0, 4)).toEqual([500, 500, 500, 500]);
  // 160 a minute from the second round on, then held at the end that is set.
  for (const step of steps.slice(4)) expect(Math.abs(step - 375)).toBeLessThanOrEqual(1);
});

test("the parts come apart as well, each in a file of its own", async ({ page }) => {
  await open(page, "/derive?home=D&mode=dorian");
  await page.getByLabel("What to play").selectOption("pedal");
  const sheet = await sound(page);
  await sheet.getByRole("radio", { name: "a file each" }).check();
  const files = unzipSync(new Uint8Array(readFileSync(await saved(page, "Save as WAV"))));
  expect(Object.keys(files)).toEqual(["d-dorian-pedal-chords.wav", "d-dorian-pedal-bass.wav"]);
  const bass = wavOf(files["d-dorian-pedal-bass.wav"]!);
  const [first = 0] = onsets(bass, 0.3);
  expect(pitchAt(bass, first + 0.02) % 12).toBe(2);
});

test("the parts are saved as a MIDI file that reads back", async ({ page }) => {
  await open(page, "/derive?home=D&mode=dorian");
  await page.getByLabel("What to play").selectOption("pedal");
  const sheet = await sound(page);
  await sheet.getByLabel("Metronome").check();
  const { default: library } = await import("@tonejs/midi");
  const file = new library.Midi(readFileSync(await saved(page, "Save as MIDI")));
  expect(file.tracks.map(({ name }) => name)).toEqual(["Chords", "Bass", "Click"]);
  expect(new Set(file.tracks[1]!.notes.map(({ midi }) => midi % 12))).toEqual(new Set([2]));
  expect(Math.round(file.header.tempos[0]!.bpm)).toBe(96);
});
