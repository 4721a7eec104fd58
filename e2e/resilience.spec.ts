import { expect, signIn, startShirt, test } from "./lodrin.js";

const SAVED = /^Saved \d\d:\d\d/;

test("the server is restarted in mid-edit: nothing typed is lost, and the screen says what happens", async ({ page, lodrin }) => {
  await signIn(page, "pim");
  await startShirt(page, /Pim Castellan/);
  await page.getByRole("button", { name: "Notes" }).click();
  const note = page.getByLabel("Note", { exact: true });
  await note.fill("before");
  await expect(page.getByText(SAVED)).toBeVisible();
  await lodrin.stop();
  await note.fill("before, and while it was away");
  await expect(page.getByText("Not yet saved: no connection. Kept on this device.")).toBeVisible();
  await page.keyboard.press("Escape");
  await lodrin.start();
  await expect(page.getByText(SAVED)).toBeVisible({ timeout: 15_000 });
  await page.reload();
  await page.getByRole("button", { name: "Notes" }).click();
  await expect(page.getByLabel("Note", { exact: true })).toHaveValue("before, and while it was away");
});

test("a lost connection: edits wait on the device, even over a closed window", async ({ page, context }) => {
  await signIn(page, "pim");
  await startShirt(page, /Pim Castellan/);
  const { url } = { url: page.url() };
  await page.getByRole("button", { name: "Notes" }).click();
  // The drawer is fetched when it is first pulled out.
  await expect(page.getByLabel("Note", { exact: true })).toBeVisible();
  await expect(page.getByText(SAVED)).toBeVisible();
  await context.setOffline(true);
  await page.getByLabel("Note", { exact: true }).fill("written in the cellar");
  await expect(page.getByText(/no connection/)).toBeVisible();
  await page.close();
  await context.setOffline(false);
  const again = await context.newPage();
  await again.goto(url);
  await again.getByRole("button", { name: "Notes" }).click();
  await expect(again.getByLabel("Note", { exact: true })).toHaveValue("written in the cellar");
  await expect(again.getByText(SAVED)).toBeVisible();
});

test("two tabs collide: the later one is shown both and chooses", async ({ page, context }) => {
  await signIn(page, "wenna");
  await startShirt(page, /Nobody yet/);
  const other = await context.newPage();
  await other.goto(page.url());
  await other.getByRole("button", { name: "Notes" }).click();
  await page.getByRole("button", { name: "Notes" }).click();
  await page.getByLabel("Note", { exact: true }).fill("from the first tab");
  await expect(page.getByText(SAVED)).toBeVisible();
  await other.getByLabel("Note", { exact: true }).fill("from the second tab");
  const notice = other.getByRole("alertdialog");
  await expect(notice).toContainText("from the first tab");
  await expect(notice).toContainText("from the second tab");
  await notice.getByRole("button", { name: "Keep what is here" }).click();
  await expect(notice).toBeHidden();
  await page.reload();
  await page.getByRole("button", { name: "Notes" }).click();
  await expect(page.getByLabel("Note", { exact: true })).toHaveValue("from the second tab");
});

test("two tabs on one measurement set: take what was saved elsewhere", async ({ page, context }) => {
  await signIn(page, "jory");
  await page.goto("/bodies");
  const other = await context.newPage();
  await other.goto("/bodies");
  await expect(other.getByLabel("Chest", { exact: true })).toHaveValue("92");
  await page.getByLabel("Chest", { exact: true }).fill("93");
  await expect(page.getByText(SAVED)).toBeVisible();
  await other.getByLabel("Chest", { exact: true }).fill("94");
  await other.getByRole("button", { name: "Take what was saved elsewhere" }).click();
  await expect(other.getByLabel("Chest", { exact: true })).toHaveValue("93");
});

test("a session that ended: the edit stays, and signing in again saves it", async ({ page, context }) => {
  await signIn(page, "pim");
  await startShirt(page, /Pim Castellan/);
  await page.getByRole("button", { name: "Notes" }).click();
  await expect(page.getByText(SAVED)).toBeVisible();
  await context.clearCookies();
  await page.getByLabel("Note", { exact: true }).fill("typed after the session ended");
  await expect(page.getByText("Not yet saved: your session has ended.")).toBeVisible();
  await page.getByRole("link", { name: "Sign in again" }).click();
  await page.getByLabel("E-mail").fill("pim@quillmoor.example");
  await page.getByLabel("Password").fill("lantern-night");
  await page.getByRole("button", { name: "Sign in" }).click();
  await page.getByRole("button", { name: "Notes" }).click();
  await expect(page.getByLabel("Note", { exact: true })).toHaveValue("typed after the session ended");
  await expect(page.getByText(SAVED)).toBeVisible();
});

test("addresses that lead nowhere say so", async ({ page }) => {
  await signIn(page, "pim");
  await page.goto("/drafts/6a8c1f7e-53b5-4a6f-9b57-6d1c5a1f0c11");
  await expect(page.getByText("This draft is not here, or it is not yours.")).toBeVisible();
  await page.goto("/shelf/no-such-system");
  await expect(page.getByText("There is no such system on the shelf.")).toBeVisible();
  await page.goto("/nowhere");
  await expect(page.getByRole("heading", { name: "There is nothing at this address" })).toBeVisible();
});
