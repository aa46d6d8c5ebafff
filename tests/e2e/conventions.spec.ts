import { readFile } from "node:fs/promises";
import { open, watch } from "./pages";
import { expect, test } from "./test";

test("settings change names, syllables and what a mode is told by, at once and after a reload", async ({
  page,
}) => {
  await open(page, "/derive?home=B&mode=aeolian");
  await page.keyboard.press("i");
  const sheet = page.getByRole("dialog", { name: "Settings" });
  await sheet.getByLabel("German, H and B").check();
  await sheet.getByLabel("major and natural minor").check();
  await sheet.getByLabel("Solfège").selectOption({ label: "do on the parent’s tonic" });
  await sheet.getByLabel("Reference scale").selectOption({ label: "major always" });
  await page.keyboard.press("Escape");
  await expect(page.getByRole("heading", { name: "H natural minor" })).toBeVisible();
  await page.getByText("Count, solfège, brighter and darker modes").click();
  await expect(page.getByText("la ti do re mi fa sol")).toBeVisible();
  await expect(page.getByText(/^The major scale with its third, sixth and seventh lowered/)).toBeVisible();
  await page.reload();
  await expect(page.getByRole("heading", { name: "H natural minor" })).toBeVisible();
  await page.getByLabel("Home", { exact: true }).fill("B");
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/home=Bb&mode=aeolian/);
  await page.keyboard.press("Tab");
  await page.getByRole("button", { name: "Settings" }).click();
  await sheet.getByLabel("Do Ré Mi").check();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("heading", { name: "Si♭ natural minor" })).toBeVisible();
  await page.getByRole("link", { name: "Match" }).click();
  await expect(page.getByRole("region", { name: "Stage" })).toContainText("Ré to Ré♭: string 6");
});

test("what a mode is compared with can be changed, and what distinguishes it follows", async ({ page }) => {
  await open(page, "/derive?home=D&mode=minor-pentatonic");
  await expect(
    page.getByText(/No single note identifies this scale: Dorian, Phrygian and Aeolian have all its notes/),
  ).toBeVisible();
  await page.keyboard.press("w");
  await expect(page.getByText("nothing: another of them has all its notes")).toBeVisible();
  await page.getByLabel("Compared with").selectOption({ label: "its own parent" });
  const row = page.locator("div", { has: page.getByText("Distinguished by", { exact: true }) }).last();
  await expect(row).toContainText("5");
  await expect(page.getByText("nothing: another of them has all its notes")).toBeHidden();
});

test("the user’s words stay with the mode on every home and in every view", async ({ page }) => {
  await open(page, "/derive?home=D&mode=dorian&demo");
  // The demo has words of its own for this mode: they come first.
  await expect(page.getByRole("button", { name: /^Shelf 1\d/ })).toBeVisible();
  await page.getByLabel("Yours").check();
  await page.getByLabel("Your words for it").fill("Salt on the rail");
  await page.getByLabel("Your model tune").fill("Orchard Gate");
  await page.getByLabel(/^Your memory line for I D P L M A L/).fill("I do paint lanterns most autumn long");
  await page.keyboard.press("Enter");
  await page.getByLabel("In words").check();
  await expect(page.getByText("Salt on the rail (Orchard Gate)")).toBeVisible();
  await page.getByText("Count, solfège, brighter and darker modes").click();
  await expect(page.getByText("lanterns", { exact: true })).toBeVisible();
  await page.keyboard.press("Escape");
  await page.goto("/derive?home=F%23&mode=dorian");
  await expect(page.getByText("Salt on the rail (Orchard Gate)")).toBeVisible();
  await page.getByRole("link", { name: "Match" }).click();
  await expect(page.getByText("Salt on the rail (Orchard Gate)")).toBeVisible();
  await page.keyboard.press("/");
  await page.keyboard.type("salt");
  await expect(
    page.getByRole("dialog", { name: "Find" }).getByRole("button", { name: /^Dorian/ }),
  ).toContainText("your words");
});

test("the mode sheet is saved as SVG, PNG and CSV, and prints without its buttons", async ({
  page,
}, info) => {
  const seen = watch(page);
  await page.goto("/sheet?home=C%23&mode=phrygian-dominant&demo");
  await expect(
    page.getByRole("img", { name: /^Mode sheet of C♯ Phrygian dominant: C♯ D E♯ F♯ G♯ A B\./ }),
  ).toBeVisible();
  const saved = async (kind: string) => {
    const saving = page.waitForEvent("download");
    await page.getByRole("button", { name: `Save as ${kind}` }).click();
    const file = info.outputPath(`sheet.${kind.toLowerCase()}`);
    await (await saving).saveAs(file);
    return readFile(file);
  };
  // The first picture of a fresh page has its text: it is the same as the next.
  const [first, second] = [await saved("PNG"), await saved("PNG")];
  expect(first.equals(second)).toBe(true);
  const svg = (await saved("SVG")).toString();
  expect(svg).toContain("font/woff2;base64,");
  expect(svg).toContain("C♯ Phrygian dominant");
  const png = await saved("PNG");
  expect([png.subarray(1, 4).toString(), png.readUInt32BE(16), png.readUInt32BE(20)]).toEqual([
    "PNG",
    1680,
    2376,
  ]);
  expect(png.length).toBeGreaterThan(200_000);
  expect((await saved("CSV")).toString()).toContain("♭2,D,1,minor second,3,ra,yes,♭II,D,Dmaj7\r\n");
  await page.emulateMedia({ media: "print" });
  await expect(page.getByRole("button", { name: "Print" })).toBeHidden();
  await expect(page.getByRole("img")).toBeVisible();
  expect(seen).toEqual([]);
});

test("the endpoints are described to people and to programs", async ({ page, request }) => {
  await page.goto("/api");
  await expect(page.getByRole("heading", { name: "GET /api/v1/scales" })).toBeVisible();
  for (const link of await page.getByRole("link", { name: /^\/api\/v1\// }).all()) {
    const response = await request.get((await link.getAttribute("href")) ?? "");
    expect(response.status()).toBe(200);
  }
  const document = (await (await request.get("/api/openapi.json")).json()) as {
    openapi: string;
    paths: object;
  };
  expect([document.openapi, Object.keys(document.paths).length]).toEqual(["3.1.0", 10]);
  const shapes = await request.get("/api/v1/shapes?bass=A&chord=maj9");
  expect(await shapes.json()).toHaveProperty("rows.3.name", "Am11");
});
