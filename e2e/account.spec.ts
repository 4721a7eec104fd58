import type { Page } from "@playwright/test";
import { expect, signIn, test } from "./lodrin.js";

async function openAccount(page: Page): Promise<void> {
  await page.getByRole("button", { name: "Rowan Tull" }).click();
  await page.getByRole("menuitem", { name: "Account" }).click();
}

const PASSWORD = "a long enough one";

test("an account from its first day to its last: a new password, a forgotten one, all data, an end", async ({ page, browser, lodrin }) => {
  await page.goto("/sign-in");
  await page.getByRole("button", { name: /make an account/ }).click();
  await page.getByLabel("Your name").fill("Rowan Tull");
  await page.getByLabel("E-mail").fill("rowan@quillmoor.example");
  await page.getByLabel("Password").fill("1234567890");
  await page.getByRole("button", { name: "Make my account" }).click();
  await expect(page.getByRole("alert").filter({ hasText: "one of the most common passwords" })).toBeVisible();
  await page.getByLabel("Password").fill(PASSWORD);
  await page.getByRole("button", { name: "Make my account" }).click();
  await expect(page.getByText("Measure first")).toBeVisible();
  await page.keyboard.press("Escape");
  await openAccount(page);

  await test.step("the password is changed by who knows it", async () => {
    await page.getByLabel("The one you have").fill("not this one");
    await page.getByLabel(/A new one/).fill("short");
    await page.getByRole("button", { name: "Change the password" }).click();
    await expect(page.getByText("Ten letters or more.", { exact: true })).toBeVisible();
    await page.getByLabel(/A new one/).fill(`${PASSWORD} more`);
    await page.getByRole("button", { name: "Change the password" }).click();
    await expect(page.getByText("The password is not right.")).toBeVisible();
    await page.getByLabel("The one you have").fill(PASSWORD);
    await page.getByLabel(/A new one/).fill(`${PASSWORD} more`);
    await page.getByRole("button", { name: "Change the password" }).click();
    await expect(page.getByRole("status")).toContainText("Your password is changed.");
  });

  await test.step("everything kept can be taken along", async () => {
    const download = page.waitForEvent("download");
    await page.getByRole("link", { name: "Download all of it" }).click();
    expect((await download).suggestedFilename()).toBe("lodrin-my-data.zip");
  });

  await test.step("a teacher makes a link for a student of hers who forgot the password, and for nobody else", async () => {
    const teacher = await browser.newPage({ baseURL: lodrin.url });
    await signIn(teacher, "ottoline");
    await teacher.goto("/account");
    await teacher.getByLabel("Find by name or e-mail").fill("rowan");
    await expect(teacher.getByText("rowan@quillmoor.example")).toBeVisible();
    await expect(teacher.getByRole("button", { name: "Make a link for Rowan Tull" })).toBeHidden();
    await page.request.post("/api/class-codes/LANTERN", { data: {} });
    await teacher.reload();
    await teacher.getByLabel("Find by name or e-mail").fill("rowan");
    await teacher.getByRole("button", { name: "Make a link for Rowan Tull" }).click();
    await page.reload();
    await expect(page.getByText("Ottoline Vance made a link for a new password for your account")).toBeVisible();
    const link = await teacher.getByLabel("Link", { exact: true }).inputValue();
    await teacher.close();
    const fresh = await browser.newPage();
    await fresh.goto(link);
    await fresh.getByLabel("Ten letters or more").fill("remembered again");
    await fresh.getByRole("button", { name: "Set it" }).click();
    await expect(fresh.getByText("Your new password is set.")).toBeVisible();
    await fresh.close();
  });

  await test.step("a person is deleted for good, and is not there any more to be brought back", async () => {
    await page.goto("/sign-in");
    await page.getByLabel("E-mail").fill("rowan@quillmoor.example");
    await page.getByLabel("Password").fill("remembered again");
    await page.getByRole("button", { name: "Sign in" }).click();
    // Until its holder confirms, nobody opens the account.
    await expect(page.getByText("by a link that Ottoline Vance made")).toBeVisible();
    expect((await page.request.get("/api/people")).status()).toBe(423);
    await page.getByRole("button", { name: "Yes, I chose it" }).click();
    await expect(page.getByText("Good to see you")).toBeVisible();
    const made = await page.request.post("/api/people", { data: { name: "Tansy Brill", isSelf: false, isChild: false, note: "" } });
    const { id } = (await made.json()) as { id: string };
    await page.goto(`/bodies/${id}`);
    await page.getByRole("button", { name: "Delete Tansy" }).click();
    await page.getByRole("button", { name: "Delete for good" }).click();
    await page.getByRole("dialog").getByRole("button", { name: "Delete for good" }).click();
    await expect(page.getByRole("button", { name: "Restore" })).toBeHidden();
    await expect(async () => {
      expect((await page.request.post(`/api/people/${id}/restore`, { data: {} })).status()).toBe(404);
    }).toPass();
  });

  await test.step("it is deleted with everything in it", async () => {
    await openAccount(page);
    await page.getByRole("button", { name: /Delete my account/ }).click();
    const dialog = page.getByRole("dialog");
    await dialog.getByLabel("Password").fill("remembered again");
    await dialog.getByRole("button", { name: "Delete it for good" }).click();
    await expect(page.getByRole("button", { name: "Sign in" })).toBeVisible();
    await page.getByLabel("E-mail").fill("rowan@quillmoor.example");
    await page.getByLabel("Password").fill("remembered again");
    await page.getByRole("button", { name: "Sign in" }).click();
    await expect(page.getByRole("alert")).toContainText("not right");
  });
});
