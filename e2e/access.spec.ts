import type { Page } from "@playwright/test";
import { sound } from "./axe.js";
import { expect, signIn, startShirt, test } from "./lodrin.js";

test.describe.configure({ timeout: 150_000 });

/** Nothing of the page lies outside the glass sideways. */
async function fits(page: Page): Promise<void> {
  expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
}

for (const [look, size, viewport] of [
  ["day", "table", { width: 1280, height: 800 }],
  ["night", "tablet", { width: 820, height: 1180 }],
] as const) {
  test(`every view by ${look} on the ${size} can be read by everyone`, async ({ page }) => {
    await page.setViewportSize(viewport);
    await page.emulateMedia({ colorScheme: look === "day" ? "light" : "dark", reducedMotion: "reduce" });
    await page.goto("/sign-in");
    await sound(page, "sign in");
    await page.getByRole("button", { name: /make an account/ }).click();
    await sound(page, "sign up");
    await signIn(page, "wenna");
    await sound(page, "workroom");
    await fits(page);
    await page.goto("/shelf");
    await expect(page.getByRole("heading", { name: "Menswear flat shirt block" })).toBeVisible();
    await sound(page, "shelf");
    await page.goto("/account");
    await expect(page.getByText("here", { exact: true })).toBeVisible();
    await sound(page, "account");
    await fits(page);
    await page.goto("/bodies");
    await expect(page.getByText("The under bust is larger than the bust.").first()).toBeVisible();
    await page.getByLabel("Bust", { exact: true }).focus();
    await sound(page, "bodies");
    await fits(page);
    await startShirt(page, /Nobody yet/);
    await sound(page, "draft, body");
    for (const drawer of ["Settings", "Pieces", "Checks", "Print, files", "Notes"]) {
      await page.getByRole("navigation", { name: "Drawers" }).getByRole("button", { name: drawer }).click();
      await sound(page, `draft, ${drawer}`, "aside");
    }
    await page.getByRole("button", { name: "Close the drawer (Esc)" }).click();
    await page.getByRole("button", { name: "More for this draft" }).click();
    await page.getByRole("menuitem", { name: "All keys (?)" }).click();
    await sound(page, "draft, keys", ".el-dialog");
    await page.keyboard.press("Escape");
    await fits(page);
    await page.goto(`${page.url().replace(/\?.*$/, "")}/print`);
    await expect(page.getByRole("heading", { name: "Print" })).toBeVisible();
    await sound(page, "print");
  });
}

test("no view breaks on a telephone, and the draft shows its step with the drawing above", async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 800 });
  await signIn(page, "wenna");
  for (const path of ["/", "/shelf", "/bodies", "/account", "/shelf/08-menswear-flat-shirt-block"]) {
    await page.goto(path);
    await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
    await fits(page);
  }
  await startShirt(page, /Nobody yet/);
  await page.getByRole("button", { name: "Close the drawer (Esc)" }).click();
  const paper = await page.getByRole("group", { name: /The board/ }).boundingBox();
  const step = await page.locator("[aria-current='step']").boundingBox();
  expect((paper?.y ?? 0) + (paper?.height ?? 0)).toBeLessThanOrEqual((step?.y ?? 0) + 1);
  expect((step?.y ?? 0) + (step?.height ?? 0)).toBeLessThan(800);
  await fits(page);
  await page.goto(`${page.url().replace(/\?.*$/, "")}/print`);
  await expect(page.getByRole("heading", { name: "Print" })).toBeVisible();
  await fits(page);
});

test("the draft can be gone through by keyboard alone", async ({ page }) => {
  await signIn(page, "pim");
  await page.reload();
  await page.keyboard.press("Tab");
  await expect(page.getByRole("link", { name: "Skip to content" })).toBeFocused();
  await startShirt(page, /Pim Castellan/);
  await page.keyboard.press("Home");
  const handout = page.getByRole("region", { name: "Handout" });
  await handout.getByRole("button").nth(2).focus();
  await page.keyboard.press("Enter");
  await expect(page.getByText("3 / 53")).toBeVisible();
  await page.keyboard.press("b");
  await expect(page.getByRole("complementary", { name: "Body" })).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("complementary", { name: "Body" })).toBeHidden();
});
