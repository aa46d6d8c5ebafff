import { readFileSync } from "node:fs";
import type { Page } from "@playwright/test";
import { unzipSync } from "fflate";
import type { Recording } from "../../src/audio/sounds";
import table from "../../src/audio/sounds/recordings.json" with { type: "json" };
import {
  brightnessOf,
  centsFrom,
  loudnessOf,
  onsets,
  peakOf,
  pitchAt,
  readWav,
  truePeakOf,
  wavOf,
} from "../fixtures/listen";
import { inSheet, open, show } from "./pages";
import { expect, test } from "./test";

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
    page.waitForEvent("download", { timeout: 300_000 }),
    page.getByRole("dialog", { name: "Sound" }).getByRole("button", { name: button }).click(),
  ]);
  return download.path();
}

const tempo = (page: Page, value: number) => page.getByLabel(/^Tempo, .* a minute/).fill(String(value));

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
  const home = Math.round(pitchAt(heard, begins, each * 0.9));
  expect(home % 12).toBe(6);
  const pitches = wanted.map((_, at) => Math.round(pitchAt(heard, begins + at * each, each * 0.9)) - home);
  expect(pitches).toEqual(wanted);
});

// One file of five minutes is rendered; the plan, which is what is rendered, answers for every other tempo in its own tests.
test("the click does not drift in five minutes at an odd tempo", async ({ page }) => {
  test.setTimeout(600_000);
  await open(page, "/derive");
  await page.getByLabel("What to play").selectOption("drone");
  const beats = 97;
  await tempo(page, beats);
  const sheet = await sound(page);
  await sheet.getByLabel("Metronome").check();
  await sheet.getByLabel("Length").selectOption("5");
  await sheet.getByLabel("Volume of the part: Drone").fill("-40");
  const found = onsets(readWav(await saved(page, "Save as WAV")), 0.1, 0.1);
  const step = 60 / beats;
  expect(found.length).toBeGreaterThanOrEqual(Math.floor(300 / step));
  // The first sample of the file is the first beat.
  const worst = Math.max(...found.map((time, at) => Math.abs(time - at * step)));
  expect(worst).toBeLessThan(0.002);
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
  const found = onsets(readWav(await saved(page, "Save as WAV")), 0.1, 0.1);
  const steps = found.slice(1, 13).map((time, at) => Math.round((time - found[at]!) * 1000));
  for (const step of steps.slice(0, 4)) expect(Math.abs(step - 500)).toBeLessThanOrEqual(1);
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
  const [first = 0] = onsets(bass, 0.1);
  expect(Math.round(pitchAt(bass, first + 0.05, 0.4)) % 12).toBe(2);
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

/** In the page: a second of a recording, played as an instrument plays it; its samples, 32 bits each, as text that passes quickly. */
async function playedAt({
  base64,
  loop,
  starts,
  rate,
}: {
  readonly base64: string;
  readonly loop: readonly number[] | undefined;
  readonly starts: number;
  readonly rate: number;
}): Promise<string> {
  const bytes = Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0));
  const context = new OfflineAudioContext(1, 44_100, 44_100);
  const source = context.createBufferSource();
  source.buffer = await context.decodeAudioData(bytes.buffer);
  source.playbackRate.value = rate;
  if (loop) Object.assign(source, { loop: true, loopStart: loop[0], loopEnd: loop[1] });
  source.connect(context.destination);
  source.start(0, starts);
  const played = new Uint8Array((await context.startRendering()).getChannelData(0).buffer);
  let text = "";
  for (let at = 0; at < played.length; at += 8192)
    text += String.fromCharCode(...played.subarray(at, at + 8192));
  return btoa(text);
}

test("every recording of every instrument is in tune with its key", async ({ page }) => {
  const told: string[] = [];
  let count = 0;
  for (const [name, recordings] of Object.entries(table)) {
    if (name === "click") continue;
    const file = readFileSync(`src/audio/sounds/${name}.bin`);
    for (const { root, cents, bytes, ...recording } of recordings as readonly Recording[]) {
      const samples = await page.evaluate(playedAt, {
        base64: file.subarray(bytes[0], bytes[1]).toString("base64"),
        loop: recording.loop,
        starts: recording.starts ?? 0,
        rate: 2 ** (-cents / 1200),
      });
      const off = centsFrom(
        root,
        { samples: new Float32Array(Uint8Array.from(Buffer.from(samples, "base64")).buffer), rate: 44_100 },
        0.15,
        0.6,
      );
      count += 1;
      if (Math.abs(off) > 3) told.push(`${name} ${root}: ${off.toFixed(1)}`);
    }
  }
  expect(told).toEqual([]);
  expect(count).toBeGreaterThanOrEqual(100);
});

test("every instrument is in tune over its range, as loud as the others, and rings or sustains as it should", async ({
  page,
}) => {
  test.slow();
  await open(page, "/derive?home=D&mode=dorian");
  const choose = async (name: string, guitar?: string) => {
    await page.getByRole("button", { name: /^Instrument:/ }).click();
    const sheet = page.getByRole("dialog", { name: "Instrument" });
    await sheet.getByLabel("Instrument", { exact: true }).selectOption({ label: name });
    await page.keyboard.press("Escape");
    await inSheet(page, "Sound", async (open) => {
      if (guitar) await open.getByRole("combobox", { name: "Guitar", exact: true }).selectOption(guitar);
      await open.getByLabel("Notes per beat").selectOption("quarters");
      await open.getByLabel("Drone D").uncheck();
    });
  };
  await show(page, "Line");
  await page.getByRole("combobox", { name: "Line" }).selectOption("scale");
  await tempo(page, 60);
  const measured: Record<string, { loudness: number; falls: number; bright: number; worst: number }> = {};
  for (const [name, guitar] of [
    ["Guitar", "steel"],
    ["Guitar", "nylon"],
    ["Guitar", "clean"],
    ["Bass"],
    ["Ukulele"],
    ["Mandolin"],
    ["Fiddle"],
    ["Tenor banjo"],
    ["Keyboard"],
  ] as const) {
    await choose(name, guitar);
    await sound(page);
    const heard = readWav(await saved(page, "Save as WAV"));
    await page.keyboard.press("Escape");
    const count = Math.floor(heard.samples.length / heard.rate) - 1;
    const pitches = Array.from({ length: count }, (_, at) => pitchAt(heard, at + 0.15, 0.6));
    const cents = pitches.map((pitch) => Math.abs(pitch - Math.round(pitch)) * 100);
    const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
    const over = (from: number, seconds: number) =>
      mean(Array.from({ length: count }, (_, at) => loudnessOf(heard, at + from, seconds)));
    measured[guitar ?? name] = {
      loudness: over(0.03, 0.5),
      falls: over(0.05, 0.15) - over(0.7, 0.15),
      bright: mean(Array.from({ length: count }, (_, at) => brightnessOf(heard, at + 0.05, 0.3, 1500))),
      worst: Math.max(...cents),
    };
    expect(new Set(pitches.map((pitch) => Math.round(pitch) % 12)), name).toEqual(
      new Set([2, 4, 5, 7, 9, 11, 0]),
    );
    expect(peakOf(heard), name).toBeLessThan(0.8);
  }
  // In tune within three cents; a bow's vibrato and a piano's stiff strings are told a little apart.
  for (const [name, { worst }] of Object.entries(measured))
    expect(worst, name).toBeLessThan(["Fiddle", "Keyboard"].includes(name) ? 8 : 3.5);
  const loudness = Object.values(measured).map((each) => each.loudness);
  expect(Math.max(...loudness) - Math.min(...loudness)).toBeLessThan(2);
  // What is plucked or struck dies away, small instruments soonest; what is bowed does not.
  const falls = (name: string) => measured[name]?.falls ?? 0;
  for (const name of ["steel", "nylon", "clean", "Bass", "Keyboard"]) {
    expect(falls(name), name).toBeGreaterThan(2.5);
    expect(falls(name), name).toBeLessThan(16);
  }
  for (const name of ["Ukulele", "Mandolin", "Tenor banjo"]) expect(falls(name), name).toBeGreaterThan(16);
  expect(falls("Fiddle")).toBeLessThan(1);
  // No two of them sound alike.
  const names = Object.keys(measured);
  for (const [at, one] of names.entries())
    for (const other of names.slice(at + 1)) {
      const [a, b] = [measured[one]!, measured[other]!];
      const apart = Math.abs(a.falls - b.falls) / 4 + Math.abs(Math.log2(a.bright / b.bright));
      expect(apart, `${one} and ${other}`).toBeGreaterThan(0.3);
    }
});

test("everything at once, as loud as it goes, stays under full scale between samples too", async ({
  page,
}) => {
  await open(page, "/match?demo");
  const sheet = await sound(page);
  await sheet.getByLabel("Metronome").check();
  for (const part of ["Chords", "Bass", "Click"])
    await sheet.getByLabel(`Volume of the part: ${part}`).fill("6");
  const loud = readWav(await saved(page, "Save as WAV"));
  expect(peakOf(loud)).toBeLessThan(0.8);
  expect(truePeakOf(loud)).toBeLessThan(10 ** (-1 / 20));
  // The chart is heard.
  expect(loudnessOf(loud, 0, 2)).toBeGreaterThan(-30);
});

test("chords of a chart are heard as their voicings, in three with the click on one", async ({ page }) => {
  await open(page, "/match?chords=3/4 | Em | C |");
  const sheet = await sound(page);
  await sheet.getByLabel("Metronome").check();
  const { default: library } = await import("@tonejs/midi");
  const file = new library.Midi(readFileSync(await saved(page, "Save as MIDI")));
  expect(file.header.timeSignatures[0]?.timeSignature).toEqual([3, 4]);
  const of = (name: string) => file.tracks.find((track) => track.name === name)!;
  const { ppq } = file.header;
  const first = of("Chords").notes.filter(({ ticks }) => ticks === 0);
  // The open E minor.
  expect(first.map(({ midi }) => midi).toSorted((a, b) => a - b)).toEqual([40, 47, 52, 55, 59, 64]);
  expect(of("Chords").instrument.number).toBe(25);
  expect(of("Click").channel).toBe(9);
  expect(of("Click").notes.map(({ midi, ticks }) => [midi, ticks / ppq])).toEqual([
    [76, 0],
    [77, 1],
    [77, 2],
    [76, 3],
    [77, 4],
    [77, 5],
  ]);
});

test("the click stands on its beat in every meter, after a count-in too", async ({ page }) => {
  for (const [meter, felt, bars, loud] of [
    ["3/4", 3, 2, 3],
    ["6/8", 2, 2, 2],
    ["5/4", 5, 2, 5],
    ["7/8", 7, 1, 7],
    ["2/2", 2, 2, 2],
  ] as const) {
    await open(page, `/match?chords=${meter} ${"| Em ".repeat(bars)}|`);
    await tempo(page, 90);
    const sheet = await sound(page);
    await sheet.getByLabel("Metronome").check();
    await sheet.getByLabel("Count-in").selectOption("4");
    for (const part of ["Chords", "Bass"]) await sheet.getByLabel(`Volume of the part: ${part}`).fill("-40");
    const heard = readWav(await saved(page, "Save as WAV"));
    const found = onsets(heard, 0.1, 0.1);
    expect(found, meter).toHaveLength(4 + felt * bars);
    for (const [at, time] of found.entries())
      expect(Math.abs(time - (at * 60) / 90), meter).toBeLessThan(0.002);
    // The first beat of each bar is the loudest of it.
    const levels = found.map((time) => loudnessOf(heard, time, 0.05));
    const first = levels.slice(4, 4 + loud);
    expect(Math.max(...first), meter).toBe(first[0]);
  }
});
