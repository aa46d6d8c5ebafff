import type { Locator, Page } from "@playwright/test";
import { open } from "./pages";
import { expect, test } from "./test";

/**
 * The jobs that players do most, by keyboard alone and by touch on a phone, each with the actions that it takes. An action is a press
 * of a key or a tap; a choice from a list is one, and so is all that is typed into a field.
 */
class Acting {
  count = 0;
  constructor(
    readonly page: Page,
    readonly way: "keyboard" | "touch",
  ) {}

  /** Presses a key by itself. */
  async key(name: string): Promise<void> {
    this.count += 1;
    await this.page.keyboard.press(name);
  }

  async type(text: string): Promise<void> {
    this.count += 1;
    await this.page.keyboard.type(text);
  }

  /** Presses a control: with a tap, or by going to it with the tab key and pressing it there. */
  async press(control: Locator): Promise<void> {
    this.count += 1;
    if (this.way === "touch") {
      await control.tap();
      return;
    }
    await control.focus();
    await this.page.keyboard.press((await control.getAttribute("type")) === "button" ? "Enter" : "Space");
  }

  /** Closes what is open. */
  async close(dialog: Locator): Promise<void> {
    if (this.way === "keyboard") await this.key("Escape");
    else await this.press(dialog.getByRole("button", { name: /^Close/ }));
    await expect(dialog).toBeHidden();
    // The focus leaves what is hidden with the next frame.
    await this.page.waitForFunction(() => document.activeElement?.closest("[popover]") === null);
  }

  async choose(list: Locator, option: string | { readonly label: string }): Promise<void> {
    this.count += 1;
    await list.selectOption(option);
  }
}

const neck = (page: Page) => page.getByRole("img", { name: /on the neck/ });
const heading = (page: Page, name: string | RegExp) => page.getByRole("heading", { level: 2, name });
const exact = (page: Page, name: string) => page.getByRole("button", { name, exact: true });

/** The sheet with what isn't in the row: on a phone one for all. */
async function sheet(acting: Acting, name: "Display" | "Sound"): Promise<Locator> {
  const { page, way } = acting;
  if (way === "keyboard") await acting.key(name === "Display" ? ";" : "n");
  else await acting.press(exact(page, "More"));
  return page.getByRole("dialog", { name: way === "keyboard" ? name : "More", exact: true });
}

for (const way of ["keyboard", "touch"] as const) {
  test.describe(`by ${way}`, () => {
    if (way === "touch") test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
    test.use({ permissions: ["clipboard-read", "clipboard-write"] });

    test(`D Dorian is shown in one place, heard against natural minor, and a link shows it to a friend`, async ({
      page,
      context,
    }) => {
      const acting = new Acting(page, way);
      // How to play it in one place: nothing to be done.
      await open(page, "/derive");
      await expect(heading(page, "D Dorian")).toBeVisible();
      await expect(neck(page)).toBeInViewport();
      await expect(page.getByText("at fret 10, E shape")).toBeInViewport();
      expect(acting.count).toBe(0);

      // Heard against D natural minor, with the swap seen.
      if (way === "keyboard") await acting.key("s");
      else await acting.press(page.getByRole("button", { name: "Swap B / B♭" }));
      await expect(page.getByText("B♭ is heard")).toBeVisible({ timeout: 60_000 });
      await expect(neck(page)).toHaveAttribute("aria-label", /B♭ \(♭6, characteristic\)/);
      await expect(page.getByRole("button", { name: /^D Dorian, notes of/ })).toContainText("B♭ for B");
      expect(acting.count).toBe(1);
      await page.keyboard.press("Escape");

      // A link that shows a friend the same picture.
      const linking = new Acting(page, way);
      if (way === "keyboard") await linking.key("L");
      else await linking.press(exact(page, "Copy link"));
      expect(linking.count).toBe(1);
      if (way === "keyboard") {
        await expect(exact(page, "Copied")).toBeVisible();
        const link = await page.evaluate(() => navigator.clipboard.readText());
        const friend = await context.newPage();
        await friend.goto(link);
        await expect(heading(friend, "D Dorian")).toBeVisible();
        expect(await neck(friend).getAttribute("aria-label")).toBe(
          await neck(page).getAttribute("aria-label"),
        );
      }
    });

    test("what to play over Em9 A13 is told by typing alone", async ({ page }) => {
      const acting = new Acting(page, way);
      await open(page, "/derive");
      if (way === "keyboard") await acting.key("/");
      else await acting.press(exact(page, "Find"));
      await acting.type("Em9 A13");
      await acting.key("Enter");
      await expect(page.getByText("E Dorian throughout.", { exact: true })).toBeVisible();
      await expect(heading(page, /^Em9 in bar 1, E Dorian/)).toBeVisible();
      expect(acting.count).toBe(3);
    });

    test("a file is opened, and its mode said; the answer is saved with a note", async ({ page }) => {
      const acting = new Acting(page, way);
      await open(page, "/identify");
      const choosing = page.waitForEvent("filechooser");
      await acting.press(exact(page, "Open files"));
      await (await choosing).setFiles("src/demo/fox-on-the-wall.abc");
      acting.count += 1;
      await expect(heading(page, "E Phrygian")).toBeVisible();
      expect(acting.count).toBe(2);

      const saving = new Acting(page, way);
      if (way === "keyboard") await saving.key("k");
      else await saving.press(page.getByRole("main").getByRole("button", { name: "Save", exact: true }));
      const dialog = page.getByRole("dialog", { name: "Save", exact: true });
      await dialog.getByLabel("Your words").fill("Slower than it looks");
      if (way === "keyboard") await saving.key("Control+Enter");
      else await saving.press(dialog.getByRole("button", { name: "Save" }));
      await expect(dialog).toBeHidden();
      expect(saving.count).toBe(2);
      await expect(page.getByRole("button", { name: "Shelf 1" })).toBeVisible();
    });

    test("a mode is printed for the stand", async ({ page }) => {
      await page.addInitScript(() => {
        window.print = () => document.documentElement.setAttribute("data-printed", "");
      });
      const acting = new Acting(page, way);
      await open(page, "/derive");
      if (way === "keyboard") await acting.key("P");
      else await acting.press(exact(page, "Print"));
      await expect(page.getByRole("img", { name: /^Mode sheet of D Dorian/ })).toBeVisible();
      await acting.press(exact(page, "Print"));
      await expect(page.locator("html[data-printed]")).toBeAttached();
      expect(acting.count).toBe(2);
    });

    test("a position is practised with a rising metronome", async ({ page }) => {
      const acting = new Acting(page, way);
      await open(page, "/derive");
      const sound = await sheet(acting, "Sound");
      await acting.press(sound.getByLabel("Rising tempo"));
      await expect(sound.getByLabel("Metronome")).toBeChecked();
      await acting.close(sound);
      if (way === "keyboard") await acting.key("Space");
      else await acting.press(exact(page, "Play"));
      await expect(exact(page, "Stop")).toBeVisible();
      await expect(page.locator("[data-hand][data-sounding]").first()).toBeAttached({ timeout: 60_000 });
      expect(acting.count).toBeLessThanOrEqual(4);
    });

    for (const [name, act] of [
      [
        "drop D",
        async (acting: Acting, dialog: Locator) => {
          await acting.choose(dialog.getByLabel("Tuning", { exact: true }), { label: "drop D" });
        },
      ],
      [
        "seven strings",
        async (acting: Acting, dialog: Locator) => {
          await acting.choose(dialog.getByLabel("Instrument", { exact: true }), "guitar-7");
        },
      ],
      [
        "left-handed",
        async (acting: Acting, dialog: Locator) => {
          await acting.press(dialog.getByLabel("left-handed"));
        },
      ],
    ] as const) {
      test(`the neck becomes that of a ${name} guitar`, async ({ page }) => {
        const acting = new Acting(page, way);
        await open(page, "/derive");
        const before = await neck(page).innerHTML();
        await acting.press(
          way === "touch" ? exact(page, "More") : page.getByRole("button", { name: /^Instrument: / }),
        );
        const dialog = page.getByRole("dialog", { name: way === "touch" ? "More" : "Instrument" });
        await act(acting, dialog);
        await acting.close(dialog);
        expect(acting.count).toBe(3);
        await expect.poll(() => neck(page).innerHTML()).not.toBe(before);
      });
    }
  });
}
