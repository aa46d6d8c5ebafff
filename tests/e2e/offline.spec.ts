import { type ChildProcess, spawn } from "node:child_process";
import { cp, mkdtemp, readdir, readFile, rename, rm, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { type BrowserContext, expect, type Page, test as base } from "@playwright/test";
import { freePort } from "../../scripts/ready.mjs";
import { VIEWS } from "../../src/features/views";
import { open } from "./pages";

/** A profile of its own, with the service worker: what is kept for the time without a network is what is tested. */
const test = base.extend<{ context: BrowserContext }>({
  context: async ({ browser, baseURL, viewport }, use) => {
    const context = await browser.newContext({
      viewport,
      ...(baseURL !== undefined && { baseURL }),
      serviceWorkers: "allow",
    });
    await use(context);
    await context.close();
  },
});

/** Waits until the service worker has everything and answers for the page. */
const kept = (page: Page) =>
  page.evaluate(async () => {
    await navigator.serviceWorker.ready;
    if (!navigator.serviceWorker.controller)
      await new Promise((resolve) =>
        navigator.serviceWorker.addEventListener("controllerchange", resolve, { once: true }),
      );
  });

test("after one visit everything works with the network gone: views, parts, sheets, sound, links, reload", async ({
  page,
  context,
}) => {
  await open(page, "/derive?home=E&mode=phrygian");
  await kept(page);
  const sounds = () => page.evaluate(async () => (await (await caches.open("shade-sounds")).keys()).length);
  await expect.poll(sounds).toBeGreaterThan(9);
  await context.setOffline(true);
  await page.reload();
  await expect(page.getByRole("heading", { name: "E Phrygian" })).toBeVisible();
  for (const { id, name } of VIEWS) {
    await page.getByRole("navigation", { name: "Views" }).getByRole("link", { name, exact: true }).click();
    await expect(page.locator("html[data-settled]")).toBeAttached();
    await expect(page.locator("[data-rest]")).toHaveCount(0);
    await page.goto(`/${id}`);
    await expect(page.locator("html[data-settled]")).toBeAttached();
  }
  await open(page, "/match?chords=Em9%20A13");
  await expect(page.getByText("E Dorian").first()).toBeVisible();
  await page.keyboard.press("Escape");
  for (const [key, title] of [
    ["h", "Shelf"],
    ["/", "Find"],
    ["i", "Settings"],
    ["?", "Help"],
  ] as const) {
    await page.keyboard.press(key);
    const sheet = page.getByRole("dialog", { name: title });
    await expect(sheet).toBeVisible();
    await expect(sheet.getByText("Loading")).toHaveCount(0);
    await page.keyboard.press("Escape");
  }
  await open(page, "/derive?home=D&mode=dorian");
  await page.keyboard.press(" ");
  await expect(page.getByRole("button", { name: "Stop" })).toBeVisible();
  await page.keyboard.press("Escape");
  await page.goto("/sheet?home=D&mode=dorian");
  await expect(page.getByText("D Dorian").first()).toBeVisible();
  await page.goto("/?home=C%23&mode=lydian");
  await expect(page.getByRole("heading", { name: "C♯ Lydian" })).toBeVisible();
  await page.goto("/nowhere").catch(() => undefined);
  await expect(page.getByRole("heading", { name: "This page doesn’t exist" })).toBeVisible();
});

base(
  "a part that can’t be loaded is said, the rest goes on, and it comes when it is tried again",
  async ({ browser, baseURL }) => {
    const context = await browser.newContext({ baseURL: baseURL!, serviceWorkers: "block" });
    const page = await context.newPage();
    await open(page, "/derive?home=D&mode=dorian");
    await page.route(/_astro\/.*\.js$/u, (route) => route.abort());
    await page.keyboard.press("2");
    await expect(page.getByRole("alert").getByText("Match couldn’t be loaded.")).toBeVisible();
    await page.keyboard.press("1");
    await expect(page.getByRole("heading", { name: "D Dorian" })).toBeVisible();
    await page.keyboard.press("?");
    const help = page.getByRole("dialog", { name: "Help" });
    await expect(help.getByText("Help couldn’t be loaded.")).toBeVisible();
    await page.unroute(/_astro\/.*\.js$/u);
    await help.getByRole("button", { name: "Try again" }).click();
    await expect(help.getByRole("radio", { name: "Keys" })).toBeAttached();
    await page.keyboard.press("Escape");
    await page.keyboard.press("2");
    // What failed before is tried again with it.
    await expect(page.getByRole("main").getByRole("alert")).toHaveCount(0);
    await expect(page.locator("html[data-settled]")).toBeAttached();
    await context.close();
  },
);

/** A server over a build. */
async function serve(folder: string, port: number): Promise<ChildProcess> {
  const server = spawn(process.execPath, [join(folder, "server/serve.mjs")], {
    env: { ...process.env, HOST: "127.0.0.1", PORT: String(port) },
    stdio: "ignore",
  });
  await expect
    .poll(() =>
      fetch(`http://127.0.0.1:${port}/version.json`).then(
        ({ ok }) => ok,
        () => false,
      ),
    )
    .toBe(true);
  return server;
}

const stop = (server: ChildProcess) =>
  new Promise((resolve) => {
    server.once("exit", resolve);
    server.kill("SIGKILL");
  });

/** The same build as if it were another version: other names of scripts, another version in its pages and its worker. */
async function anotherVersion(from: string, to: string): Promise<string> {
  await cp(from, to, { recursive: true });
  const client = join(to, "client");
  const { version } = JSON.parse(await readFile(join(client, "version.json"), "utf8")) as { version: string };
  const files = (await readdir(client, { recursive: true, withFileTypes: true })).filter((each) =>
    each.isFile(),
  );
  for (const { parentPath, name } of files) {
    const path = join(parentPath, name);
    if (/\.(?:br|gz)$/u.test(name)) {
      await rm(path);
    } else if (/\.(?:html|js|json)$/u.test(name)) {
      const text = await readFile(path, "utf8");
      await writeFile(
        path,
        text.replaceAll(version, "another").replaceAll(/HelpPages\.[\w-]+\.js/gu, "HelpPages.new.js"),
      );
      if (/^HelpPages\..*\.js$/u.test(name)) await rename(path, join(parentPath, "HelpPages.new.js"));
    }
  }
  return version;
}

test("a new version comes in the middle of work: the old one goes on whole, and the new one takes over when it is told to", async ({
  context,
}) => {
  const folder = await mkdtemp(".reports/versions-");
  const version = await anotherVersion("dist", join(folder, "dist"));
  const port = await freePort();
  const address = `http://127.0.0.1:${port}`;
  let server = await serve("dist", port);
  const page = await context.newPage();
  await open(page, `${address}/match`);
  await kept(page);
  await page.getByRole("textbox", { name: "Over" }).fill("| Em9 | A13 |");
  await expect(page.locator("html[data-settled]")).toBeAttached();
  await stop(server);
  server = await serve(join(folder, "dist"), port);
  await page.evaluate(async () => (await navigator.serviceWorker.ready).update());
  await expect(page.getByText("A new version of Shade is ready.")).toBeVisible();
  // What has not been fetched yet is the old version's own, and so is a second tab.
  await page.keyboard.press("Escape");
  await page.keyboard.press("?");
  await expect(
    page.getByRole("dialog", { name: "Help" }).getByRole("radio", { name: "Keys" }),
  ).toBeAttached();
  await page.keyboard.press("Escape");
  const second = await context.newPage();
  await open(second, `${address}/derive`);
  await expect(second.locator("html")).toHaveAttribute("data-version", version);
  await page.getByRole("button", { name: "Use it now" }).click();
  await expect(page.locator("html")).toHaveAttribute("data-version", "another");
  await expect(page.locator("html[data-settled]")).toBeAttached();
  await expect(page.getByText("E Dorian").first()).toBeVisible();
  // The tab of the old version still has all of its own.
  await second.keyboard.press("i");
  await expect(second.getByRole("dialog", { name: "Settings" }).getByLabel("German, H and B")).toBeAttached();
  await stop(server);
  await rm(folder, { recursive: true, force: true });
});
