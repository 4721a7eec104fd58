import type { Page } from "@playwright/test";
import { expect, signIn, startShirt, test } from "./lodrin.js";

/** The class of the demo, opened by its teacher. */
async function openClass(page: Page): Promise<void> {
  await signIn(page, "ottoline");
  await page.goto("/classes");
  await page.getByRole("link", { name: /Lantern sewing/ }).click();
}

test("a class is deleted only after it was said what goes with it; it is restored from where deleted things are", async ({ page }) => {
  await openClass(page);
  await page.getByRole("button", { name: "Delete class" }).click();
  const question = page.getByRole("dialog");
  await expect(question).toContainText(/1\d students/);
  await expect(question).toContainText(/\d hand-ins/);
  await question.getByRole("button", { name: "Cancel" }).click();
  await expect(page.getByRole("heading", { name: /Lantern sewing/ })).toBeVisible();
  await page.getByRole("button", { name: "Delete class" }).click();
  await question.getByRole("button", { name: "Delete" }).click();
  await expect(page.getByRole("heading", { name: "Classes" })).toBeVisible();
  await page.goto("/account/deleted");
  // Other tests delete things of the same teacher at the same time.
  await page.getByRole("button", { name: /^Delete Lantern sewing.* for good$/ }).click();
  await expect(page.getByRole("dialog")).toContainText("This cannot be undone.");
  await page.getByRole("dialog").getByRole("button", { name: "Cancel" }).click();
  await page.getByRole("button", { name: /^Restore Lantern sewing/ }).click();
  await expect(page.getByRole("heading", { name: /Lantern sewing/ })).toHaveCount(0);
  await page.goto("/classes");
  await expect(page.getByRole("link", { name: /Lantern sewing/ })).toBeVisible();
});

test("a code is changed and closed; who was removed comes in again only by the teacher", async ({ page, browser, lodrin }) => {
  await signIn(page, "ottoline");
  const made = { name: "Codes", term: "", meets: "", note: "", classmatesAnswer: false };
  const { id, code: first } = (await (await page.request.post("/api/classes", { data: made })).json()) as { id: string; code: string };
  const student = await browser.newPage({ baseURL: lodrin.url });
  await signIn(student, "pim");
  await student.request.post(`/api/class-codes/${first}`, { data: {} });
  await page.goto(`/classes/${id}/students`);
  await page.getByRole("button", { name: "New code" }).click();
  await page.getByRole("tooltip").getByRole("button", { name: "New code" }).click();
  await expect(page.getByText(first, { exact: true })).toBeHidden();
  const code = await page.locator(".code").innerText();
  await page
    .getByRole("row", { name: /Pim Castellan/ })
    .getByRole("button", { name: "Remove" })
    .click();
  await page.getByRole("tooltip").getByRole("button", { name: "Remove" }).click();
  await expect(page.getByRole("button", { name: "Let Pim Castellan join again" })).toBeVisible();
  await student.goto(`/classes?code=${code}`);
  const join = (): Promise<void> => student.getByRole("button", { name: "Join" }).click();
  await join();
  await expect(student.getByRole("alert")).toContainText("Your teacher can let you join again");
  await page.getByRole("button", { name: "Let Pim Castellan join again" }).click();
  await expect(page.getByRole("button", { name: "Let Pim Castellan join again" })).toBeHidden();
  await page.getByText("Students can join").click();
  await expect(page.getByText("Nobody can join this class now.")).toBeVisible();
  await join();
  await expect(student.getByRole("alert")).toContainText("Nobody can join this class just now");
  await page.getByText("Students can join").click();
  await expect(page.locator(".code")).toBeVisible();
  await join();
  await expect(student.getByRole("heading", { name: "Codes" })).toBeVisible();
  await student.close();
});

test("what is half typed is there again after a reload and another page; a reading is there before it is judged", async ({ page }) => {
  await signIn(page, "pim");
  await startShirt(page, /Pim Castellan/);
  const { pathname } = new URL(page.url());
  await page.goto(`${pathname}/table`);
  await page.getByRole("button", { name: /Begin|Start/ }).click();
  const field = page.getByLabel(/What your tape reads/);
  await field.fill("10 1/");
  await page.goto("/");
  await page.goto(`${pathname}/table`);
  await page.getByRole("button", { name: /Begin|Start/ }).click();
  await expect(field).toHaveValue("10 1/");
  // The part that judges is away: the reading is stored all the same, and that is said.
  await page.route(/review-worker/, (route) => route.abort());
  await page.reload();
  await page.getByRole("button", { name: /Begin|Start/ }).click();
  await field.fill("10 1/2");
  await page.getByRole("button", { name: "Look at it" }).click();
  await expect(page.getByText(/Your readings are saved, but could not be checked/)).toBeVisible();
  const typed = (): Promise<string> => page.evaluate(() => JSON.stringify({ ...localStorage }));
  expect(await typed()).toContain("10 1/2");
  await page.unroute(/review-worker/);
  await page.reload();
  await expect.poll(typed).not.toContain('typed\\":[{');
});

test("a fault is shown with a number that is in the log, and what to do", async ({ page }) => {
  await signIn(page, "pim");
  const reported = page.waitForRequest((request) => request.url().endsWith("/api/faults"));
  await page.evaluate(() => void Promise.reject(new Error("a fault for the test")));
  const notice = page.getByRole("alert").filter({ hasText: "Something went wrong in Lodrin." });
  await expect(notice).toContainText("saved on this device");
  const { id } = (await reported).postDataJSON() as { id: string };
  await expect(notice).toContainText(id);
});
