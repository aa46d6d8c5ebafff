import { VIEWS } from "../../src/features/views";
import { open, settled, watch } from "./pages";
import { expect, test } from "./test";

test("keys set home, go brighter and darker, walk the ladder, and the address follows", async ({ page }) => {
  await open(page, "/derive");
  const title = page.getByRole("heading", { level: 2 }).first();
  await page.keyboard.press("g");
  await expect(title).toHaveText("G Dorian");
  await page.keyboard.press("#");
  await expect(title).toHaveText("G♯ Dorian");
  await page.keyboard.press("]");
  await expect(title).toHaveText("G♯ Mixolydian");
  await page.keyboard.press("[");
  await page.keyboard.press("[");
  await expect(title).toHaveText("G♯ Aeolian");
  await page.keyboard.press("ArrowUp");
  await expect(title).toHaveText("G♯ Dorian");
  await expect(page).toHaveURL(/home=G%23&mode=dorian/);
  await page.keyboard.press("l");
  await expect(page).toHaveURL(/align=relative/);
  await page.keyboard.press("ArrowDown");
  await expect(title).toHaveText("D♯ Aeolian");
  await expect(page).toHaveURL(/home=D%23&mode=aeolian/);
  await page.reload();
  await expect(title).toHaveText("D♯ Aeolian");
});

test("lining up notes keeps the parent’s notes in their columns and moves home", async ({ page }) => {
  await open(page, "/derive?home=D&mode=dorian");
  const homes = () =>
    page
      .locator("[data-home]")
      .evaluateAll((sills) => sills.map((sill) => Math.round(sill.getBoundingClientRect().left)));
  await settled(page);
  expect(new Set(await homes()).size).toBe(1);
  await page.getByLabel("Relative (same notes)").check();
  await settled(page);
  expect(new Set(await homes()).size).toBe(7);
  await expect(page.getByRole("button", { name: /^F Lydian, notes of C major/ })).toBeVisible();
  await expect(page.getByLabel("Tonic of the parent scale")).toHaveValue("C");
});

test("a home that is none is refused in place and nothing is lost", async ({ page }) => {
  await open(page, "/derive?home=Eb&mode=lydian");
  await page.getByLabel("Home", { exact: true }).fill("Q7");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert")).toContainText("“Q7” isn’t a note");
  await expect(page.getByRole("heading", { name: "E♭ Lydian" })).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(page.getByLabel("Home", { exact: true })).toHaveValue("E♭");
});

test("an address that names what there is not gives the nearest and says so", async ({ page }) => {
  await open(page, "/derive?home=H&mode=doriann");
  await expect(page.getByRole("status").filter({ hasText: "Home is B" })).toBeVisible();
  await expect(
    page.getByText("There is no mode “doriann”. Shown is Dorian, the nearest name."),
  ).toBeVisible();
  const title = page.getByRole("heading", { name: "B Dorian" });
  await expect(title).toBeVisible();
  const notice = page.getByRole("button", { name: "Dismiss" });
  const [above, below] = [await notice.boundingBox(), await title.boundingBox()];
  expect((above?.y ?? 0) + (above?.height ?? 0)).toBeLessThan(below?.y ?? 0);
  await notice.click();
  await expect(notice).toBeHidden();
  const response = await page.goto("/nowhere");
  expect(response?.status()).toBe(404);
  await expect(page.getByRole("heading", { name: "This page doesn’t exist" })).toBeVisible();
  for (const { name, id } of VIEWS)
    await expect(page.getByRole("main").getByRole("link", { name })).toHaveAttribute("href", `/${id}`);
});

test("the panel says what makes the mode, in odd keys too", async ({ page }) => {
  const seen = watch(page);
  await open(page, "/derive?home=C%23&mode=lydian");
  await expect(page.getByText("The major scale with its fourth raised: F𝄪 in place of F♯.")).toBeVisible();
  await page.getByRole("button", { name: "Easier from D♭" }).click();
  await expect(page.getByRole("heading", { name: "D♭ Lydian" })).toBeVisible();
  await expect(page.getByText("D♭ and E♭, back and forth")).toBeVisible();
  await page.getByText("Count, solfège, brighter and darker modes").click();
  await page.getByRole("button", { name: /^G → G♭ makes D♭ Ionian/ }).click();
  await expect(page.getByRole("heading", { name: "D♭ Ionian" })).toBeVisible();
  await page.getByLabel("Parent scale", { exact: true }).selectOption({ label: "the harmonic minor scale" });
  await expect(page.getByRole("heading", { name: "D♭ harmonic minor" })).toBeVisible();
  expect(seen).toEqual([]);
});

test("find goes to a mode by any of its names", async ({ page }) => {
  await open(page, "/derive");
  await page.keyboard.press("/");
  await expect(page.getByLabel("What to find")).toBeFocused();
  await page.keyboard.type("f# natural minor");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "F♯ Aeolian" })).toBeVisible();
  await page.keyboard.press("/");
  await page.getByLabel("What to find").fill("zzz");
  await expect(page.getByText(/^Nothing found for “zzz”/)).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("dialog", { name: "Find" })).toBeHidden();
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Help" })).toContainText("One note brighter");
});

test("the neck shows one position or all of it, as worked out by hand", async ({ page }) => {
  await open(page, "/derive?home=D&mode=dorian");
  const neck = page.getByRole("img", { name: /^D Dorian on the neck/ });
  await expect(neck).toHaveAttribute(
    "aria-label",
    /String 4: 9 B \(6, characteristic\), 10 C \(♭7\), 12 D \(1\)\./,
  );
  await page.keyboard.press(".");
  await expect(page.getByText("at fret 12")).toBeVisible();
  await page.keyboard.press("p");
  await expect(neck).toHaveAttribute("aria-label", /String 6: 0 E \(2\), 1 F/);
});

test("a control keeps its keys; pressed with the pointer it gives them back; single keys can be switched off", async ({
  page,
}) => {
  await open(page, "/derive?home=D&mode=dorian");
  const stage = page.getByRole("region", { name: "Stage" });
  await page.keyboard.press("n");
  const drone = stage.getByRole("checkbox", { name: /^Drone/ });
  await drone.focus();
  await page.keyboard.press("Space");
  await expect(drone).not.toBeChecked();
  await expect(stage.getByRole("button", { name: /^Play/ })).toBeVisible();
  await page.keyboard.press("a");
  await expect(page.getByRole("heading", { name: "D Dorian" })).toBeVisible();
  await stage.getByText(/^Drone D/).click();
  await expect(drone).toBeChecked();
  await page.keyboard.press("a");
  await expect(page.getByRole("heading", { name: "A Dorian" })).toBeVisible();
  await page.keyboard.press("i");
  const settings = page.getByRole("dialog", { name: "Settings" });
  await settings.getByRole("radio", { name: "off", exact: true }).check({ force: true });
  await page.keyboard.press("Escape");
  await expect(settings).toBeHidden();
  await page.keyboard.press("e");
  await page.keyboard.press("ArrowDown");
  await expect(page.getByRole("heading", { name: "A Aeolian" })).toBeVisible();
});
