import { spawn } from "node:child_process";
import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type BrowserContext, chromium, type Page } from "@playwright/test";
import { chartField, chartText, keepAs, open } from "./pages";
import { expect, test } from "./test";

const shelfCount = async (page: Page) =>
  Number((await page.getByRole("button", { name: /^Shelf \d+$/ }).textContent())?.match(/\d+/)?.[0]);

/** The arguments with which Playwright starts the browser, for one that a test ends by force. */
const ARGS = [
  "--headless",
  "--no-sandbox",
  "--disable-gpu",
  "--disable-quic",
  "--no-first-run",
  "--disable-background-networking",
  "--disable-component-update",
  "--disable-sync",
  "--remote-debugging-port=0",
];

/** How often a browser is started that doesn't answer in time: on a busy machine one in some hundreds hangs as it starts. */
const STARTS = 4;

/** A browser over a profile that can be ended as if the machine had stopped. */
async function mortalBrowser(profile: string) {
  for (let start = 1; ; start += 1) {
    const child = spawn(
      process.env.SHADE_CHROMIUM ?? "/usr/bin/chromium",
      [...ARGS, `--user-data-dir=${profile}`],
      { stdio: ["ignore", "ignore", "pipe"], detached: true },
    );
    // The browser and all of its processes, without a word.
    const kill = async () => {
      const ended = new Promise((resolve) => child.once("exit", resolve));
      process.kill(-(child.pid ?? 0), "SIGKILL");
      await ended;
    };
    const address = await new Promise<string>((resolve) => {
      let text = "";
      child.stderr.on("data", (chunk: Buffer) => {
        text += chunk.toString();
        const found = /ws:\/\/\S+/.exec(text)?.[0];
        if (found) resolve(found);
      });
    });
    try {
      const browser = await chromium.connectOverCDP(address, { timeout: 60_000 });
      return {
        context: browser.contexts()[0]!,
        kill: async () => {
          await kill();
          await browser.close().catch(() => undefined);
        },
      };
    } catch (error) {
      await kill();
      if (start === STARTS) throw error;
    }
  }
}

/** How often the browser is killed; the fault that this once found came up in one round of six. A round takes a browser's whole start. */
const KILLS = Number(process.env.SHADE_KILLS ?? 4);

test("what was called saved is there, though the browser is killed in the middle of saving", async ({
  baseURL,
}) => {
  test.setTimeout(1_500_000);
  const profile = await mkdtemp(join(tmpdir(), "shade-killed-"));
  let promised = 0;
  for (let round = 0; round < KILLS; round += 1) {
    const { context, kill } = await mortalBrowser(profile);
    const page = await context.newPage();
    await page.goto(`${baseURL!}/derive`);
    await expect(page.locator("html[data-settled]")).toBeAttached({ timeout: 120_000 });
    await expect.poll(() => shelfCount(page), { timeout: 180_000 }).toBeGreaterThanOrEqual(promised);
    // Things are saved one after another; the last word about them is what the page said before it died.
    for (let thing = 0; thing < 3; thing += 1) {
      await page.keyboard.press("k");
      await page.getByRole("dialog").getByRole("textbox").first().waitFor();
      await page.keyboard.press("Enter");
      promised = Math.max(promised, await shelfCount(page));
    }
    await kill();
  }
  expect(promised).toBeGreaterThan(KILLS);
  await rm(profile, { recursive: true, force: true });
});

test("two tabs follow each other, and what both change at once is saved twice", async ({ page, context }) => {
  await open(page, "/match");
  await chartField(page).fill("| C |");
  const other = await context.newPage();
  await open(other, "/match");
  await expect.poll(() => chartText(other)).toBe("| C |");
  await chartField(page).fill("| C | G |");
  await expect.poll(() => chartText(other)).toBe("| C | G |");
  await page.keyboard.press("Escape");
  await page.keyboard.press("t");
  await expect(other.locator("html")).toHaveAttribute("data-theme", "dark");

  // Neither hears of the other before both have written.
  await Promise.all([chartField(page).fill("| Am |"), chartField(other).fill("| Bm |")]);
  const said = /Two tabs changed the same thing/;
  await expect
    .poll(async () => (await page.getByText(said).count()) + (await other.getByText(said).count()))
    .toBeGreaterThan(0);
  const third = await context.newPage();
  await open(third, "/match");
  await expect.poll(() => chartText(third)).toMatch(/Am|Bm/);
  const first = await chartText(third);
  await third.getByRole("button", { name: "Recent" }).click();
  await third
    .getByRole("dialog", { name: "Recent" })
    .getByRole("button", { name: /^\| [AB]m/ })
    .first()
    .click();
  await expect.poll(() => chartText(third)).not.toBe(first);
  expect([first, await chartText(third)].toSorted()).toEqual(["| Am |", "| Bm |"]);
});

test("a thing deleted in one tab stays in the form of the other", async ({ page, context }) => {
  await open(page, "/derive");
  await page.keyboard.press("k");
  await keepAs(page, "Gate");
  const other = await context.newPage();
  await open(other, "/derive");
  await other.getByRole("button", { name: "Shelf 1" }).click();
  const shelf = other.getByRole("dialog", { name: "Shelf" });
  await shelf.getByRole("button", { name: "Rename Gate" }).click();
  await shelf.getByLabel("Your words").fill("long thought over");
  await page.getByRole("button", { name: "Shelf 1" }).click();
  await page.getByRole("button", { name: "Delete Gate" }).click();
  await expect(page.getByText("Deleted in the last 30 days")).toBeVisible();
  await expect(shelf.getByLabel("Your words")).toHaveValue("long thought over");
  await shelf.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("long thought over")).toBeVisible();
});

/** Storage that refuses every write while the page says so. */
const fillable = (context: BrowserContext) =>
  context.addInitScript(() => {
    // It is called with its own object below.
    // eslint-disable-next-line @typescript-eslint/unbound-method
    const put = IDBObjectStore.prototype.put;
    IDBObjectStore.prototype.put = function (...given) {
      if ((globalThis as { isFull?: boolean }).isFull) throw new DOMException("full", "QuotaExceededError");
      return put.apply(this, given);
    };
  });

test("a full storage is said until everything is through, and nothing is lost", async ({ page, context }) => {
  await fillable(context);
  await open(page, "/derive");
  const setFull = (isFull: boolean) =>
    page.evaluate((is) => void Object.assign(globalThis, { isFull: is }), isFull);
  await setFull(true);
  for (const title of ["First", "Second"]) {
    await page.keyboard.press("k");
    await keepAs(page, title);
  }
  const notice = page.getByText(/hasn’t saved your last two changes yet/);
  await expect(notice).toBeVisible();
  await expect(page.getByRole("button", { name: "Shelf 0" })).toBeVisible();
  const downloading = page.waitForEvent("download");
  await page.getByRole("button", { name: "Export now" }).click();
  await downloading;
  await page.getByRole("link", { name: "Match" }).click();
  await chartField(page).fill("| Em9 |");
  await expect(page.getByText(/hasn’t saved your last three changes yet/)).toBeVisible();
  await setFull(false);
  await expect(page.getByText(/hasn’t saved/)).toHaveCount(0, { timeout: 40_000 });
  await expect(page.getByRole("button", { name: "Shelf 2" })).toBeVisible();
  await page.reload();
  await expect.poll(() => chartText(page)).toBe("| Em9 |");
});

test("storage that never answers holds nothing up", async ({ page }) => {
  await page.addInitScript(() => {
    // A request that nothing ever comes of.
    indexedDB.open = () => new EventTarget() as IDBOpenDBRequest;
  });
  await open(page, "/match");
  await expect(page.getByText(/storage doesn’t answer/)).toBeVisible({ timeout: 60_000 });
  await chartField(page).fill("| Em9 | A13 |");
  await expect(page.getByRole("button", { name: /^Bar 2, A13/ })).toBeVisible();
});

test("broken and newer records are set aside, said, exported and deleted; the page starts", async ({
  page,
}) => {
  await open(page, "/derive");
  await page.evaluate(async () => {
    const put = (name: string, records: Readonly<Record<string, unknown>>) =>
      new Promise<void>((resolve, reject) => {
        const request = indexedDB.open(name);
        request.onerror = () => reject(new Error("not opened"));
        request.onsuccess = () => {
          const write = request.result.transaction("records", "readwrite");
          for (const [key, record] of Object.entries(records)) write.objectStore("records").put(record, key);
          write.oncomplete = () => {
            request.result.close();
            resolve();
          };
        };
      });
    await put("shade", {
      settings: 5,
      draft: "x",
      "shelf:torn": { version: 2, kind: "mode", title: "Torn" },
      "shelf:later": { version: 9, kind: "mode", title: "Later" },
      "shelf:none": null,
      "recent:chart:a": { version: 1 },
      "recent:tune:b": 7,
      "aside:old": "y",
    });
  });
  await page.reload();
  await expect(page.getByRole("region", { name: "Stage" })).toBeVisible();
  await expect(page.getByText(/couldn’t read \w+ saved records/)).toBeVisible();
  await page.keyboard.press("h");
  const shelf = page.getByRole("dialog", { name: "Shelf" });
  await expect(shelf.getByRole("heading", { name: "Set aside" })).toBeVisible();
  const downloading = page.waitForEvent("download");
  await shelf.getByRole("button", { name: "Export Mode “Later”" }).click();
  await downloading;
  await shelf.getByRole("button", { name: "Delete Mode “Torn” for good" }).click();
  await expect(shelf.getByText("Torn")).toHaveCount(0);
  await page.reload();
  await page.getByRole("button", { name: /^Shelf \d/ }).click();
  await expect(shelf.getByText("Later")).toBeVisible();
  await expect(shelf.getByText("Torn")).toHaveCount(0);
});

test("20,000 things come in without a frozen page, and are there after a reload", async ({ page }) => {
  test.setTimeout(240_000);
  const date = "2026-01-01T00:00:00.000Z";
  const shelf = Array.from({ length: 20_000 }, (_, at) => ({
    ...{
      version: 2,
      id: `many-${at}`,
      kind: "mode",
      title: `Mode ${at}`,
      words: "",
      home: "D",
      mode: "dorian",
    },
    ...{ savedAt: date, changedAt: date, revisions: ["r"] },
  }));
  const file = (count: number) => ({
    name: "many.json",
    mimeType: "application/json",
    buffer: Buffer.from(
      JSON.stringify({ format: "shade-backup", version: 2, shelf: shelf.slice(0, count), settings: {} }),
    ),
  });
  await open(page, "/derive");
  await page.keyboard.press("h");
  const dialog = page.getByRole("dialog", { name: "Shelf" });
  await dialog.getByLabel("Backup file").setInputFiles(file(20_000));
  const preview = dialog.getByRole("group", { name: "What the file brings" });
  await expect(preview.getByText("20,000", { exact: true })).toBeVisible({ timeout: 60_000 });
  // How often the page gets to do something else while it imports.
  await page.evaluate(() => {
    const turns = { count: 0 };
    setInterval(() => (turns.count += 1), 20);
    Object.assign(globalThis, { turns });
  });
  await preview.getByRole("button", { name: "Import", exact: true }).click();
  await expect(dialog.getByText("Imported 20,000 items.")).toBeVisible({ timeout: 180_000 });
  expect(
    await page.evaluate(() => (globalThis as unknown as { turns: { count: number } }).turns.count),
  ).toBeGreaterThan(20);
  await dialog.getByRole("button", { name: "Close" }).click();
  await expect(page.getByRole("button", { name: "Shelf 20,000" })).toBeVisible();
  await page.reload();
  await expect(page.getByRole("button", { name: "Shelf 20,000" })).toBeVisible({ timeout: 60_000 });
});

test("a link opens beside what is here, Back comes back, and a reload keeps the hand", async ({
  page,
  browser,
}) => {
  await page.context().grantPermissions(["clipboard-read", "clipboard-write"]);
  await open(page, "/match");
  await chartField(page).fill("| Em9 | A13 |");
  await expect(page).toHaveURL(/home=E/);
  await page.getByRole("button", { name: "Copy link" }).click();
  await expect(page.getByRole("button", { name: "Copied" })).toBeVisible();
  const link = await page.evaluate(() => navigator.clipboard.readText());
  expect(new URL(link).search).not.toContain("A13");

  const context = await browser.newContext();
  const elsewhere = await context.newPage();
  await open(elsewhere, "/match");
  await chartField(elsewhere).fill("| Mine |");
  await expect.poll(() => chartText(elsewhere)).toBe("| Mine |");
  const asked: string[] = [];
  elsewhere.on("request", (request) => asked.push(request.url()));
  await elsewhere.goto("about:blank");
  await elsewhere.goto(link);
  await expect.poll(() => chartText(elsewhere)).toBe("| Em9 | A13 |");
  expect(asked.filter((url) => url.includes("with="))).toEqual([]);
  await elsewhere.getByRole("button", { name: "Recent" }).click();
  await elsewhere.getByRole("button", { name: /^\| Mine \|/ }).click();
  await expect.poll(() => chartText(elsewhere)).toBe("| Mine |");
  await context.close();

  // Another chart is a step: Back brings the one before.
  await page.getByRole("button", { name: /^Save/ }).click();
  await keepAs(page, "Lamps");
  await chartField(page).fill("| C | G |");
  await page.getByRole("button", { name: /^Shelf \d/ }).click();
  await page.getByRole("button", { name: /^Lamps/ }).click();
  await expect.poll(() => chartText(page)).toBe("| Em9 | A13 |");
  await page.goBack();
  await expect.poll(() => chartText(page)).toBe("| C | G |");

  await open(page, "/derive?home=A&mode=dorian");
  const stage = () => page.getByRole("region", { name: "Stage" }).innerText();
  const atFirst = await stage();
  await page.keyboard.press(".");
  await expect(page).toHaveURL(/hand=\d/);
  await expect.poll(stage).not.toBe(atFirst);
  const where = await stage();
  await page.reload();
  await expect.poll(stage).toBe(where);
});

test("a file opens where it belongs, whatever is in front, and scales can be undone", async ({ page }) => {
  await open(page, "/identify");
  const give = (name: string, text: string) =>
    page.getByLabel("Open files of tunes").setInputFiles({ name, mimeType: "", buffer: Buffer.from(text) });
  await give("lamps.dat", "{title: Lamps}\n[Em9]Rain on the [A13]tin roof");
  await expect(page).toHaveURL(/\/match/);
  await expect.poll(() => chartText(page)).toContain("Em9");
  await page.getByRole("link", { name: "Identify" }).click();
  await give("letter.md", "Dear all, the rehearsal is on Friday.");
  await expect(page.getByText(/can’t read music in this/)).toBeVisible();
  await give("gate.scl", "A gate\n 2\n 700.\n 2/1\n");
  await expect(page).toHaveURL(/\/derive.*show=make/);
  await expect(page).toHaveURL(/mode=1-5/);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page).toHaveURL(/mode=dorian/);
});

test("other note names change nothing that was selected or left out", async ({ page }) => {
  await open(page, "/match");
  await chartField(page).fill("| Em9 | A13 | Bm7 |");
  await page.getByRole("button", { name: /^Bar 3, Bm7/ }).click();
  await page.keyboard.press("i");
  await page.getByRole("dialog", { name: "Settings" }).getByLabel("German, H and B").check({ force: true });
  await page.keyboard.press("Escape");
  await expect(page.getByRole("button", { name: /^Bar 3, Hm7/ })).toHaveAttribute("aria-pressed", "true");
});
