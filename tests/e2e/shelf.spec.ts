import { chartText, inSheet, keepAs, open } from "./pages";
import { expect, test } from "./test";

test("what is saved can be renamed, deleted, brought back, and is seen in another tab", async ({
  page,
  context,
}) => {
  await open(page, "/derive?home=F%23&mode=locrian");
  await page.keyboard.press("k");
  await keepAs(page, "Cellar", "damp");
  const other = await context.newPage();
  await open(other, "/derive");
  await expect(other.getByRole("button", { name: "Shelf 1" })).toBeVisible();

  await page.keyboard.press("h");
  const shelf = page.getByRole("dialog", { name: "Shelf" });
  await shelf.getByRole("button", { name: "Rename Cellar" }).click();
  await shelf.getByLabel("Title").fill("Cellar stair");
  await shelf.getByLabel("Your words").fill("damp, and a step missing");
  await shelf.getByRole("button", { name: "Save" }).click();
  await expect(shelf.getByText("damp, and a step missing")).toBeVisible();

  await shelf.getByRole("button", { name: "Delete Cellar stair" }).click();
  await expect(shelf.getByText("Deleted in the last 30 days")).toBeVisible();
  await expect(other.getByRole("button", { name: "Shelf 0" })).toBeVisible();
  await page.reload();
  await page.getByRole("button", { name: "Shelf 0" }).click();
  await page.getByRole("button", { name: "Bring back Cellar stair" }).click();
  await page.getByRole("button", { name: /^Cellar stair/ }).click();
  await expect(page.getByRole("heading", { name: "F♯ Locrian" })).toBeVisible();
  await expect(other.getByRole("button", { name: "Shelf 1" })).toBeVisible();
});

test("a title is asked for, and Escape keeps nothing", async ({ page }) => {
  await open(page, "/derive");
  await page.keyboard.press("k");
  await page.getByLabel("Title").fill("  ");
  await expect(page.getByText("It needs a title")).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("button", { name: "Shelf 0" })).toBeVisible();
});

test("a file that is no backup changes nothing and says why", async ({ page }) => {
  await open(page, "/derive");
  await page.keyboard.press("h");
  const give = (text: string) =>
    page
      .getByLabel("Backup file")
      .setInputFiles({ name: "x.json", mimeType: "application/json", buffer: Buffer.from(text) });
  await give("not json");
  await expect(page.getByText("it is not JSON")).toBeVisible();
  await give('{"format":"shade-backup","version":9,"shelf":[],"settings":{}}');
  await expect(page.getByText("This backup is version 9")).toBeVisible();
  await give('{"format":"shade-backup","version":1,"shelf":[{"id":"x"}],"settings":{}}');
  await expect(page.getByText("Entry 1 can’t be read and will be set aside")).toBeVisible();
});

test("the demo comes in once, and what was deleted of it stays deleted", async ({ page }) => {
  await open(page, "/derive?demo");
  await expect(page.getByRole("button", { name: "Shelf 15" })).toBeVisible();
  await page.keyboard.press("h");
  await page.getByRole("button", { name: "Delete Six Pears" }).click();
  // The count says what storage has said.
  await expect(page.getByText("Shelf 14").first()).toBeAttached();
  await page.goto("/derive?demo");
  await expect(page.getByRole("button", { name: "Shelf 14" })).toBeVisible();
  await page.getByRole("link", { name: "Match" }).click();
  await expect.poll(() => chartText(page)).toContain("Em9");
});

test("settings stay, but the volume begins at the safe one", async ({ page }) => {
  await open(page, "/derive");
  await page.keyboard.press("t");
  await page.getByLabel(/^Tempo, .* a minute/).fill("132");
  await inSheet(page, "Sound", (sheet) => sheet.getByLabel("Volume", { exact: true }).fill("-4"));
  await page.reload();
  await expect(page.locator("html")).toHaveAttribute("data-theme", "dark");
  await expect(page.getByLabel(/^Tempo, .* a minute/)).toHaveValue("132");
  await inSheet(page, "Sound", (sheet) =>
    expect(sheet.getByLabel("Volume", { exact: true })).toHaveValue("-18"),
  );
});

test("things lie in folders: dragged there or named by keyboard, and what they were before comes back", async ({
  page,
}) => {
  await open(page, "/derive?demo");
  await page.getByRole("button", { name: /^Shelf/ }).click();
  const shelf = page.getByRole("dialog", { name: "Shelf" });
  await shelf.getByLabel("New folder").fill("Scene two");
  await page.keyboard.press("Enter");
  const folder = shelf.getByRole("button", { name: "Scene two 0" });
  await expect(folder).toBeVisible();
  const row = shelf.getByRole("listitem").filter({ hasText: "D Dorian" }).first();
  const handle = row.getByTitle("Drag to a folder");
  const [from, to] = [(await handle.boundingBox())!, (await folder.boundingBox())!];
  await page.mouse.move(from.x + 8, from.y + 8);
  await page.mouse.down();
  await page.mouse.move(from.x + 30, from.y - 20, { steps: 4 });
  await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 6 });
  await page.mouse.up();
  await expect(shelf.getByRole("button", { name: "Scene two 1" })).toBeVisible();
  await shelf.getByRole("button", { name: "Scene two 1" }).click();
  await expect(shelf.getByRole("button", { name: /^Rename / })).toHaveCount(1);

  await shelf.getByRole("button", { name: "Rename D Dorian" }).press("Enter");
  await page.getByLabel("Title", { exact: true }).fill("The gate");
  await page.getByLabel("Folder", { exact: true }).fill("Scene four");
  await page.keyboard.press("Enter");
  await shelf.getByRole("button", { name: "Scene four 1" }).press("Enter");
  await shelf.getByRole("button", { name: "History of The gate" }).press("Enter");
  const states = shelf.getByRole("list", { name: "History of The gate" }).getByRole("listitem");
  await expect(states).toHaveCount(2);
  await states.first().getByRole("button", { name: "Put back" }).press("Enter");
  await shelf.getByRole("button", { name: "Everything" }).click();
  await expect(shelf.getByRole("button", { name: "Scene two 1" })).toBeVisible();
  await page.reload();
  await page.getByRole("button", { name: /^Shelf/ }).click();
  await expect(shelf.getByRole("button", { name: "History of D Dorian" })).toBeVisible();
});
