import { readFile } from "node:fs/promises";
import type { Page } from "@playwright/test";
import { strToU8, zipSync } from "fflate";
import wavefile from "wavefile";
import { open, watch } from "./pages";
import { expect, test } from "./test";

const field = (page: Page) => page.getByLabel("The tune, as ABC or note names");
const answer = (page: Page, name: string | RegExp) => page.getByRole("heading", { level: 2, name });
const files = (page: Page) => page.getByLabel("Open files of tunes");
const way = (page: Page, name: string) => page.getByRole("radio", { name, exact: true });

test("a tune dropped on the view is read, engraved and marked", async ({ page }) => {
  const seen = watch(page);
  await open(page, "/identify");
  const abc = await readFile("src/demo/the-clock-stair.abc", "utf8");
  const dropped = await page.evaluateHandle((text) => {
    const transfer = new DataTransfer();
    transfer.items.add(new File([text], "stair.abc", { type: "text/vnd.abc" }));
    return transfer;
  }, abc);
  await field(page).dispatchEvent("drop", { dataTransfer: dropped });
  await expect(answer(page, "A Mixolydian")).toBeVisible();
  await expect(page.getByText("16 bars, 62 notes, from ABC")).toBeVisible();
  await expect(page.getByText("Ionian D, Dorian E, Phrygian F♯, Lydian G, Mixolydian A.")).toBeVisible();
  await expect(page.getByText("With G♯ it would be plain A major.")).toBeVisible();
  await expect(page.locator(".abcjs-note[data-characteristic]")).toHaveCount(7);
  await expect(page.locator("rect[data-mark]")).toHaveCount(4);
  expect(seen).toEqual([]);
});

test("typed notes are read as they are typed, bad ones told where they stand", async ({ page }) => {
  await open(page, "/identify");
  await field(page).fill("B3 C#4 D# E# F# G# A# B4");
  await expect(answer(page, "B Lydian")).toBeVisible();
  await expect(field(page)).toBeFocused();
  await field(page).pressSequentially(" B4 xx");
  await expect(page.getByText("“xx” isn’t a note")).toBeVisible();
  await expect(answer(page, "B Lydian")).toBeVisible();
});

test("six notes leave two modes open, and either can be looked into", async ({ page }) => {
  await open(page, "/identify");
  await page.getByRole("button", { name: "Six Pears" }).click();
  await expect(answer(page, "D minor without a 6 Aeolian or Dorian would fit")).toBeVisible();
  await expect(
    page.getByText("No 6 is heard. It would be D Aeolian with B♭ or D Dorian with B."),
  ).toBeVisible();
  await expect(page.getByRole("button", { name: /^Swap/ })).toHaveCount(0);
  await page.getByRole("button", { name: /^D Dorian/ }).click();
  await expect(answer(page, "D minor without a 6 Dorian or Aeolian would fit")).toBeVisible();
  await expect(page).toHaveURL(/home=D&mode=dorian/);
});

test("a broken line is told with its place, and the rest is read", async ({ page }) => {
  await open(page, "/identify");
  const abc = "X:1\nT:Broken\nL:1/8\nK:EPhr\nE2 F2 $ G2 A2|B2 A2 G2 F2|E8|]\n";
  await field(page).fill(abc);
  await expect(
    page.getByText("Line 5, column 7: “$” means nothing in ABC here, so I skipped it."),
  ).toBeVisible();
  await expect(answer(page, "E minor, five notes Phrygian would fit")).toBeVisible();
  await field(page).fill("X:1\nK:C\nz4|\n");
  await expect(page.getByText("There are no notes in it yet.")).toBeVisible();
  await expect(field(page)).toHaveValue("X:1\nK:C\nz4|\n");
});

test("files that are no tune are answered, and the page goes on", async ({ page }) => {
  await open(page, "/identify");
  const choose = (name: string, buffer: Buffer) =>
    files(page).setInputFiles({ name, mimeType: "application/octet-stream", buffer });
  await choose("noise.abc", Buffer.from(Array.from({ length: 400 }, (_, at) => (at * 37) % 256)));
  await expect(page.getByText("I can’t open “noise.abc”.")).toBeVisible();
  await choose("empty.abc", Buffer.alloc(0));
  await expect(page.getByText("“empty.abc” is empty.")).toBeVisible();
  await choose("large.bin", Buffer.alloc(16_000_001, 7));
  await expect(page.getByText("“large.bin” is too large")).toBeVisible();
  const bomb = zipSync({ "a.musicxml": new Uint8Array(30_000_000) }, { level: 9 });
  await choose("bomb.mxl", Buffer.from(bomb));
  await expect(page.getByText("is an archive without a score in it")).toBeVisible();
  await choose("torn.mid", Buffer.from("MThd\0\0\0\x06\0\x01"));
  await expect(page.getByText("I can’t read this as a MIDI file")).toBeVisible();
  await choose("good.abc", Buffer.from("X:1\nT:Good\nL:1/4\nK:D\nDFAd|AFD2|]\n"));
  await expect(answer(page, /^D Ionian/)).toBeVisible();
});

/** A MusicXML part of a clarinet, sounding E Phrygian, with a chord symbol and a repeat. */
const CLARINET = (() => {
  const notes = "F#4 G4 A4 G4 F#4 E4 F#4 G4 A4 B4 C#5 B4 A4 G4 E4 F#4".split(" ").map((name) => {
    const [, step = "", sharp = "", octave = ""] = /^([A-G])(#?)(\d)$/.exec(name) ?? [];
    return `<note><pitch><step>${step}</step>${sharp ? "<alter>1</alter>" : ""}<octave>${octave}</octave></pitch><duration>1</duration></note>`;
  });
  const measure = (at: number) => notes.slice(at * 4, at * 4 + 4).join("");
  return `<?xml version="1.0"?><score-partwise version="4.0"><work><work-title>Reed</work-title></work><part-list><score-part id="P1"><part-name>Clarinet</part-name></score-part></part-list><part id="P1"><measure number="1"><attributes><divisions>1</divisions><key><fifths>2</fifths></key><time><beats>4</beats><beat-type>4</beat-type></time><transpose><diatonic>-1</diatonic><chromatic>-2</chromatic></transpose></attributes>${measure(0)}</measure>${[1, 2, 3].map((at) => `<measure number="${at + 1}">${measure(at)}</measure>`).join("")}</part></score-partwise>`;
})();

test("MusicXML and MXL sound as their instrument does, and can be saved as MIDI and read back", async ({
  page,
}, info) => {
  const seen = watch(page);
  await open(page, "/identify");
  await files(page).setInputFiles({ name: "reed.musicxml", mimeType: "", buffer: Buffer.from(CLARINET) });
  await expect(answer(page, "E Phrygian")).toBeVisible();
  await expect(page.getByText("4 bars, 16 notes, from MusicXML")).toBeVisible();
  const packed = zipSync({ "META-INF/container.xml": strToU8("<c/>"), "reed.xml": strToU8(CLARINET) });
  await files(page).setInputFiles({ name: "reed.mxl", mimeType: "", buffer: Buffer.from(packed) });
  await expect(answer(page, "E Phrygian")).toBeVisible();
  await page.reload();
  await expect(answer(page, "E Phrygian")).toBeVisible();
  await page.getByRole("button", { name: "Export", exact: true }).click();
  await page.getByRole("radio", { name: "MIDI" }).check({ force: true });
  const saved = page.waitForEvent("download");
  await page.getByRole("dialog", { name: "Export the tune" }).getByRole("button", { name: "Export" }).click();
  const path = info.outputPath("reed.mid");
  await (await saved).saveAs(path);
  await files(page).setInputFiles(path);
  await expect(page.getByText("4 bars, 16 notes, from MIDI")).toBeVisible();
  await expect(answer(page, "E Phrygian")).toBeVisible();
  await page.keyboard.press("k");
  await page.getByRole("dialog", { name: "Save", exact: true }).getByRole("button", { name: "Save" }).click();
  await page.getByRole("button", { name: /^Shelf/ }).click();
  await expect(page.getByRole("dialog", { name: "Shelf" }).getByText("tune, from MIDI")).toBeVisible();
  expect(seen).toEqual([]);
});

test("each reason points at the notes that gave it", async ({ page }) => {
  await open(page, "/identify");
  await page.getByRole("button", { name: "Fox on the Wall" }).click();
  await expect(answer(page, "E Phrygian")).toBeVisible();
  const framed = page.locator("rect.frame[data-mark]");
  await expect(framed).toHaveCount(0);
  const reason = page.getByRole("button", { name: /phrases end on E/ });
  await reason.focus();
  const count = await framed.count();
  expect(count).toBeGreaterThan(1);
  await page.getByRole("button", { name: "E sounds longest" }).focus();
  await expect.poll(() => framed.count()).toBeGreaterThan(count);
  await page.getByRole("button", { name: "Open files", exact: true }).focus();
  await expect(framed).toHaveCount(0);
});

test("home, notes and bars can be set by hand, and everything follows", async ({ page }) => {
  await open(page, "/identify");
  await page.getByRole("button", { name: "Two Lanterns" }).click();
  await expect(answer(page, /^G /)).toBeVisible();
  const passages = page.getByRole("region", { name: "Passage by passage" });
  await expect(passages.getByRole("listitem")).toHaveText(["G Mixol. bars 1 to 8", "G Dorian bars 9 to 16"]);
  await passages.getByRole("button", { name: /G Dorian/ }).click();
  await expect(answer(page, "G Dorian")).toBeVisible();
  await expect(page.locator(".abcjs-note[data-beside]").first()).toBeAttached();
  await passages.getByRole("button", { name: "The whole tune" }).click();
  await expect(page.locator(".abcjs-note[data-beside]")).toHaveCount(0);

  // Drag from a note of bar 1 to one of bar 2.
  const box = async (at: number) =>
    (await page.locator(".abcjs-note .abcjs-notehead").nth(at).boundingBox())!;
  const [from, to] = [await box(0), await box(8)];
  await page.mouse.move(from.x + 3, from.y + 3);
  await page.mouse.down();
  await page.mouse.move(to.x + 3, to.y + 3, { steps: 4 });
  await page.mouse.up();
  await expect(passages.getByLabel(/^To bar/)).toHaveValue("2");
  await expect(page.getByText("Only these bars are heard")).toBeVisible();
  await passages.getByRole("button", { name: "The whole tune" }).click();

  await page.getByLabel("Home", { exact: true }).selectOption({ label: "home D" });
  await expect(answer(page, /^D /)).toBeVisible();
  await expect(page).toHaveURL(/home=D/);
  await page.getByLabel("Home", { exact: true }).selectOption({ label: "any home" });

  const staff = page.getByRole("region", { name: "Staff", exact: true }).first();
  await staff.focus();
  await page.keyboard.press("ArrowRight");
  await expect(page.getByText("G4 in bar 1")).toBeVisible();
  await page.keyboard.press("Delete");
  await expect(page.getByText("one note left out")).toBeVisible();
  await expect(page.locator(".abcjs-note[data-without]")).toHaveCount(1);
  await page.getByRole("button", { name: "Take all in" }).click();
  await expect(page.locator(".abcjs-note[data-without]")).toHaveCount(0);
  await page.locator(".abcjs-note .abcjs-notehead").nth(5).click();
  await page.getByRole("button", { name: /^Take B for home/ }).click();
  await expect(answer(page, /^B /)).toBeVisible();
});

test("a key field that says otherwise is pointed out", async ({ page }) => {
  await open(page, "/identify");
  const abc = (await readFile("src/demo/the-clock-stair.abc", "utf8")).replace("K:AMix", "K:D");
  await field(page).fill(abc);
  await expect(answer(page, "A Mixolydian")).toBeVisible();
  await expect(page.getByText("D Ionian: the same notes, another home")).toBeVisible();
});

test("notes are played in: by a keyboard in its time, by keys pressed, on the stage", async ({ page }) => {
  await open(page, "/identify");
  await page.getByRole("button", { name: "Fox on the Wall" }).click();
  await way(page, "Play in").check({ force: true });
  const panel = page.getByRole("region", { name: "Play in" });
  await page
    .getByRole("group", { name: "Keys of the simulated keyboard" })
    .getByRole("button", { name: "A4" })
    .click();
  await expect(panel.getByText("one note", { exact: true })).toBeVisible();
  // The tune that was there before is under Recent; ten notes and a look elsewhere, and one more joins them.
  await page.getByRole("button", { name: "Recent" }).click();
  await page
    .getByRole("dialog", { name: "Recent" })
    .getByRole("button", { name: /^Fox on the Wall/ })
    .click();
  await expect(answer(page, "E Phrygian")).toBeVisible();

  await way(page, "Play in").check({ force: true });
  await panel.getByRole("button", { name: "Let it play a phrase" }).click();
  await expect(panel.getByText("22 notes")).toBeVisible({ timeout: 60_000 });
  await expect(answer(page, "E Phrygian")).toBeVisible();
  await page.getByRole("link", { name: "Derive" }).click();
  await page.getByRole("link", { name: "Identify" }).click();
  await way(page, "Play in").check({ force: true });
  await page
    .getByRole("group", { name: "Keys of the simulated keyboard" })
    .getByRole("button", { name: "A4" })
    .click();
  await expect(panel.getByText("23 notes")).toBeVisible();
  await panel.getByRole("button", { name: "Begin again" }).click();

  // On the neck: open A string, then its second and third frets.
  const neck = page.getByRole("region", { name: "Stage" }).locator("svg[data-strikes]");
  const at = async (share: number) => {
    const { x, y, width, height } = (await neck.boundingBox())!;
    await page.mouse.click(x + width * share, y + height * 0.66);
  };
  for (const share of [0.035, 0.16, 0.23]) await at(share);
  await expect(panel.getByText("three notes")).toBeVisible();
  await way(page, "Type").check({ force: true });
  await expect(field(page)).toHaveValue(/^A2:1 B2 C3/);
  await page.reload();
  await expect(page.getByText("3 notes, played in")).toBeVisible();
});

test("a recording through the simulated fiddler becomes notes, which are corrected by hand", async ({
  page,
}) => {
  const seen = watch(page);
  await open(page, "/identify");
  await way(page, "Record").check({ force: true });
  await page.getByLabel("Where the sound comes from").selectOption({ label: "Simulated fiddler" });
  await page.getByRole("button", { name: "Record", exact: true }).click();
  await expect(page.getByText("Recording; five minutes at most.")).toBeVisible();
  await expect(page.getByText("The line is the pitch that was heard")).toBeVisible({ timeout: 60_000 });
  await expect(answer(page, "E Phrygian")).toBeVisible();
  const notes = page.getByRole("listbox", { name: /Notes heard/ }).getByRole("option");
  await expect(notes).toHaveCount(22);
  await notes.nth(1).click();
  await expect(page.getByText("F4 selected:")).toBeVisible();
  await page.keyboard.press("ArrowUp");
  await expect(page.getByText("F♯4 selected:")).toBeVisible();
  await page.getByRole("button", { name: "Remove" }).click();
  await expect(notes).toHaveCount(21);
  await page.getByRole("button", { name: "Undo" }).last().click();
  await page.getByRole("button", { name: "Undo" }).last().click();
  await expect(notes).toHaveCount(22);
  await expect(page.getByText("22 notes, recorded")).toBeVisible();
  // The line is still there after a look at another view, and after a reload.
  await page.getByRole("link", { name: "Derive" }).click();
  await page.getByRole("link", { name: "Identify" }).click();
  await expect(notes).toHaveCount(22);
  await page.reload();
  await expect(way(page, "Record")).toBeChecked();
  await expect(notes).toHaveCount(22);
  expect(seen).toEqual([]);
});

/** A WAV file of plain tones: MIDI numbers, half a second each, the last one longer. */
function wav(midis: readonly number[]): Buffer {
  const rate = 22_050;
  const samples = midis.flatMap((midi, note) => {
    const seconds = note === midis.length - 1 ? 1.5 : 0.5;
    return Array.from({ length: Math.round(rate * seconds) }, (_, at) => {
      const time = at / rate;
      const swell = Math.min(1, time / 0.02, (seconds - time) / 0.03);
      const turn = 2 * Math.PI * 440 * 2 ** ((midi - 69) / 12) * time;
      return Math.round(9000 * swell * (Math.sin(turn) + 0.4 * Math.sin(2 * turn)));
    });
  });
  const file = new wavefile.WaveFile();
  file.fromScratch(1, rate, "16", samples);
  return Buffer.from(file.toBuffer());
}

test("a recording in a WAV file becomes the tune that was played", async ({ page }) => {
  await open(page, "/identify");
  // C♯ Dorian: C♯ D♯ E F♯ G♯ A♯ B and down again.
  const midis = [61, 63, 64, 66, 68, 70, 71, 70, 68, 66, 64, 63, 61];
  await files(page).setInputFiles({ name: "phrase.wav", mimeType: "audio/wav", buffer: wav(midis) });
  await expect(answer(page, "C♯ Dorian")).toBeVisible({ timeout: 60_000 });
  await way(page, "Type").check({ force: true });
  await expect(field(page)).toHaveValue("C#4:1 D#4 E4 F#4 | G#4 A#4 B4 A#4 | G#4 F#4 E4 D#4 | C#4:3 ||");
  await files(page).setInputFiles({
    name: "noise.wav",
    mimeType: "audio/wav",
    buffer: Buffer.from("RIFF no sound"),
  });
  await expect(page.getByText("“noise.wav” isn’t a recording this browser can play")).toBeVisible();
});

const BOOK = ["Ionian", "Dor", "Phr", "Lyd", "Mix", "m", "Loc"]
  .flatMap((mode, at) =>
    Array.from({ length: 30 }, (_, n) => {
      const key = `${"DEFGABC".charAt((at + n) % 7)}${mode === "Ionian" ? "" : mode}`;
      const home = "DEFGABC".charAt((at + n) % 7);
      const up = "CDEFGABcdefgab";
      const from = up.indexOf(home);
      const degree = (step: number) => up.charAt(from + step);
      const line = [0, 2, 4, 2, 3, 1, 2, 0, 4, 5, 6, 5, 4, 3, 2, 1].map(degree);
      return `X:${at * 30 + n + 1}\nT:Leaf ${at * 30 + n + 1}\nM:4/4\nL:1/4\nK:${key}\n${line.slice(0, 4).join("")}|${line.slice(4, 8).join("")}|${line.slice(8, 12).join("")}|${line.slice(12).join("")}|${degree(0)}4|]\n`;
    }),
  )
  .join("\n");

test("a collection becomes a table: sorted, filtered, saved, any row opened", async ({ page }, info) => {
  const seen = watch(page);
  await open(page, "/identify");
  await files(page).setInputFiles([
    { name: "book.abc", mimeType: "", buffer: Buffer.from(BOOK) },
    { name: "stair.abc", mimeType: "", buffer: await readFile("src/demo/the-clock-stair.abc") },
    { name: "reed.musicxml", mimeType: "", buffer: Buffer.from(CLARINET) },
    { name: "photo.jpg", mimeType: "", buffer: Buffer.from([255, 216, 255, 0, 1, 2, 3, 4, 0, 0]) },
  ]);
  await expect(page.getByText("212 tunes, all of them read.")).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText("I can’t open “photo.jpg”.")).toBeVisible();
  const table = page.getByRole("table", { name: "Tunes" });
  // Only the rows in sight are there.
  expect(await table.getByRole("row").count()).toBeLessThan(40);
  await expect(table).toHaveAttribute("aria-rowcount", "213");

  await page.getByRole("columnheader", { name: "Home and mode" }).getByRole("button").click();
  await expect(table.getByRole("row").nth(1)).toContainText("Lydian");
  await page.getByRole("columnheader", { name: "Home and mode" }).getByRole("button").click();
  await expect(table.getByRole("row").nth(1)).toContainText("Locrian");
  await page.getByLabel("Mode", { exact: true }).selectOption("dorian");
  await expect(page.getByText(/^\d+ of 212 tunes$/)).toBeVisible();
  await expect(table.getByRole("row").nth(1)).toContainText("Dorian");
  const saved = page.waitForEvent("download");
  await page.getByRole("button", { name: "Export CSV" }).click();
  const path = info.outputPath("modes.csv");
  await (await saved).saveAs(path);
  const lines = (await readFile(path, "utf8")).trim().split("\r\n");
  expect(lines[0]).toBe("file,title,home,mode,weight,undecided,declared,key,bars,notes,passages");
  expect(lines.slice(1).every((line) => line.includes(",dorian,"))).toBe(true);
  await page.getByLabel("Mode", { exact: true }).selectOption("any");

  await page.getByLabel("Letters in the title").fill("clock");
  await table.getByRole("button", { name: "The Clock Stair" }).click();
  await expect(answer(page, "A Mixolydian")).toBeVisible();
  // The table is as it was left: by Back, by its key, and after a reload.
  const isAsLeft = async () => {
    await expect(page.getByLabel("Letters in the title")).toHaveValue("clock");
    await expect(page.getByRole("columnheader", { name: "Home and mode" })).toHaveAttribute(
      "aria-sort",
      "descending",
    );
    await expect(page.getByText("1 of 212 tunes")).toBeVisible();
  };
  await page.goBack();
  await isAsLeft();
  await page.goForward();
  await expect(answer(page, "A Mixolydian")).toBeVisible();
  await page.keyboard.press("o");
  await isAsLeft();
  await page.reload();
  await isAsLeft();
  await page.getByLabel("Letters in the title").fill("");
  const room = page.getByRole("region", { name: "Tunes", exact: true });
  await room.evaluate((scrolled) => scrolled.scrollTo(0, 3200));
  await expect(table.getByText("Leaf 1", { exact: true })).toHaveCount(0);
  const look = () => page.evaluate(() => sessionStorage.getItem("shade-collection-table"));
  await expect.poll(look).toContain('"offset":3200');
  await page.reload();
  await expect.poll(() => room.evaluate(({ scrollTop }) => scrollTop)).toBeGreaterThan(3000);
  await page.keyboard.press("o");
  await page.keyboard.press("o");
  await page.getByRole("button", { name: "Close" }).click();
  await expect(answer(page, "A Mixolydian")).toBeVisible();
  expect(seen).toEqual([]);
});

test("a collection that is called off keeps what was told so far", async ({ page }) => {
  await open(page, "/identify");
  const large = Array.from({ length: 12 }, () => BOOK).join("\n");
  await files(page).setInputFiles({ name: "book.abc", mimeType: "", buffer: Buffer.from(large) });
  await expect(page.getByRole("table", { name: "Tunes" }).getByRole("row").nth(1)).toBeVisible();
  await page.getByRole("button", { name: "Cancel" }).click();
  await expect(page.getByText(/^Called off after/)).toBeVisible();
  await expect(page.getByRole("button", { name: "Export CSV" })).toBeEnabled();
});

test("a piece in four voices: drawn with its clefs, each voice heard, pressed and left out; a long one is worked out beside the page", async ({
  page,
}) => {
  const seen = watch(page);
  await open(page, "/identify");
  await files(page).setInputFiles("tests/fixtures/chorale.musicxml");
  await expect(answer(page, "E Aeolian")).toBeVisible();
  await expect(page.getByText("10 bars, 4 voices")).toBeVisible();
  await expect(page.getByText("The bass goes from B to E at the end")).toBeVisible();
  const staff = page.getByRole("region", { name: "Staff" });
  await expect(staff.locator(".abcjs-clef")).toHaveCount(4);
  await expect(staff.locator(".abcjs-key-signature")).toHaveCount(4);

  // From the melody down into the bass by the arrows, and the note there is left out.
  await staff.focus();
  await page.keyboard.press("ArrowRight");
  for (let voice = 0; voice < 3; voice += 1) await page.keyboard.press("ArrowDown");
  await expect(page.getByText("E3 in the pickup, Choir 4")).toBeVisible();
  await page.keyboard.press("Delete");
  await expect(page.getByText("one note left out")).toBeVisible();
  await page.getByRole("button", { name: "Take all in" }).click();

  const voices = page.getByRole("region", { name: "Voices" });
  await voices.getByRole("checkbox", { name: "Choir 4" }).uncheck();
  await expect(page.getByText("30 notes left out")).toBeVisible();
  await voices.getByRole("checkbox", { name: "Choir 4" }).check();
  await expect(page.getByText("30 notes left out")).toHaveCount(0);
  await voices.getByRole("button", { name: "Hear Choir 4" }).click();
  await expect(voices.getByRole("button", { name: "Stop Choir 4" })).toBeVisible();
  await page.keyboard.press("Escape");

  const bar = "C4:0.5 E4 G4 E4 | D4 F4 A4 F4 | B3 D4 G4 D4 | C4:2 | ";
  await files(page).setInputFiles({ name: "long.txt", mimeType: "", buffer: Buffer.from(bar.repeat(260)) });
  await expect(answer(page, "C Ionian")).toBeVisible({ timeout: 60_000 });
  // Sixteen bars of it are on the staff; the next are a press away, and chosen bars are turned to.
  await expect(page.getByText("Bars 1 to 16 on the staff.")).toBeVisible();
  await expect(page.getByRole("button", { name: "Earlier bars" })).toBeDisabled();
  await page.getByRole("button", { name: "Later bars" }).click();
  await expect(page.getByText("Bars 17 to 32 on the staff.")).toBeVisible();
  await staff.focus();
  await page.keyboard.press("ArrowRight");
  await expect(page.getByText("C4 in bar 17")).toBeVisible();
  await page.getByRole("spinbutton", { name: "From bar" }).fill("100");
  await page.keyboard.press("Enter");
  await expect(page.getByText("Bars 97 to 112 on the staff.")).toBeVisible();
  expect(seen).toEqual([]);
});

test("text of another kind is refused with the reason", async ({ page }) => {
  await open(page, "/identify");
  await page.getByRole("button", { name: "Fox on the Wall" }).click();
  await expect(answer(page, "E Phrygian")).toBeVisible();
  const kern = `**kern\t**kern\n${"=1\t=1\n4c\t4e\n4d\t4f\n".repeat(20)}*-\t*-\n`;
  await way(page, "Type").check({ force: true });
  await field(page).fill(kern);
  await expect(page.getByText(/I can’t read music in this/)).toBeVisible();
});
