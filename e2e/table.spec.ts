import { readFileSync } from "node:fs";
import type { Page } from "@playwright/test";
import { sound } from "./axe.js";
import { expect, signIn, test } from "./lodrin.js";

test.describe.configure({ timeout: 120_000 });

/** A draft of a system with the body of its worked example. */
async function draft(page: Page, baseURL: string, slug: string, unit: "in" | "cm"): Promise<void> {
  const { examples } = JSON.parse(readFileSync(`systems/worked/${slug}.json`, "utf8")) as {
    examples: [{ measurements: Record<string, number> }];
  };
  const measurements = Object.fromEntries(Object.entries(examples[0].measurements).map(([key, value]) => [key, String(value)]));
  const made = await page.request.post("/api/drafts", {
    headers: { origin: baseURL },
    data: { name: "Try-out", note: "", slug, personId: null, personName: "", setId: null, unit, measurements, settings: {}, step: 0 },
  });
  const { id } = (await made.json()) as { id: string };
  await page.goto(`/drafts/${id}`);
  await page.getByRole("region", { name: "Handout" }).waitFor();
}

test("another choice is laid over the draft before it is taken", async ({ page, baseURL }) => {
  await signIn(page, "jory");
  await draft(page, baseURL, "01-fitted-bodice-bust-and-waist-dart", "in");
  await page.keyboard.press("End");
  await page.keyboard.press("s");
  const over = page.getByRole("button", { name: "Lay Above bust over the draft" });
  await over.click();
  await expect(page.getByRole("status").filter({ hasText: /Dashed: above bust\.\s+\d+\s+points move/ })).toBeVisible();
  await expect(page.locator("path.ghost")).toHaveCount(1);
  await sound(page, "ghost");
  // A setting that stands on a word says so, takes a figure, and goes back to its word.
  const distance = page.getByLabel("Dart distance", { exact: true });
  await expect(distance).toHaveValue("auto");
  await distance.fill("3 1/4");
  await distance.press("Enter");
  await expect(distance).toHaveValue("3.25");
  await page.getByRole("button", { name: "Dart distance: back to the author's figure" }).click();
  await expect(distance).toHaveValue("auto");
  await expect(page.getByText(/auto comes to\s+\d+\.\d\s+cm on this body/)).toBeVisible();
  await page.getByRole("button", { name: "Dart distance: a figure of my own" }).click();
  await expect(page.getByText("1 differs from the system's own:")).toBeVisible();
  await page.getByRole("button", { name: "Put all back" }).click();
  await expect(distance).toHaveValue("auto");
  await page.getByText("Above bust", { exact: true }).click();
  await expect(page.locator("path.ghost")).toHaveCount(0);
  await expect(page.getByRole("button", { name: "Lay Bust sixth over the draft" })).toBeVisible();
});

test("the shaping of the pieces is stepped through, and a dart is seen to close", async ({ page, baseURL }) => {
  await signIn(page, "jory");
  await draft(page, baseURL, "17-princess-bustier-side-dart-balance", "in");
  await page.keyboard.press("p");
  const shaping = page.getByRole("region", { name: "Shaping the pieces" });
  await expect(shaping.getByRole("button", { name: /draw the underarm through/ })).toBeVisible();
  await shaping.getByRole("button", { name: /Close the side dart/ }).click();
  await expect(page.locator("path.fold:not(.of-piece)")).toHaveCount(0);
  await shaping.getByRole("slider", { name: /Watch it/ }).press("ArrowLeft");
  await expect(page.locator("path.fold:not(.of-piece)")).toHaveCount(1);
  await expect(page.locator("path.ghost")).toHaveCount(1);
  await sound(page, "shaping");
  await page.keyboard.press("Escape");
  await shaping.getByRole("button", { name: /As they come off the board/ }).click();
  // Centre front, side front, centre back, side back and the zip guard.
  await expect(page.locator("path.cloth")).toHaveCount(5);
});

test("a seam is walked mark by mark", async ({ page, baseURL }) => {
  await signIn(page, "jory");
  await draft(page, baseURL, "05-cropped-lapel-jacket", "in");
  await page.keyboard.press("k");
  await page.getByRole("button", { name: "Walk this seam" }).first().click();
  const walk = page.getByRole("region", { name: "The seam, mark by mark" });
  await expect(walk.getByRole("row", { name: /end/ })).toContainText(/meets|longer|shorter/);
  for (let i = 0; i < 5; i++) await walk.getByRole("slider").press("ArrowRight");
  await sound(page, "seam");
  await walk.getByRole("button", { name: /Stop walking/ }).click();
  await expect(walk).toBeHidden();
});

test("one change of a setting reaches every row of the handout, not only the open one", async ({ page, baseURL }) => {
  await signIn(page, "pim");
  await draft(page, baseURL, "08-menswear-flat-shirt-block", "cm");
  await page.keyboard.press("Home");
  const row = page.getByRole("region", { name: "Handout" }).getByRole("button", { name: /Down from 0 by the rise/ });
  // Three centimetres, then two, and what her tape of inches reads.
  await expect(row).toContainText("3.0 cm · 1 1/8 in");
  await page.keyboard.press("s");
  const rise = page.getByRole("complementary", { name: "Settings" }).getByLabel("Rise", { exact: true });
  await rise.fill("2 cm");
  await rise.press("Enter");
  await expect(row).toContainText("2.0 cm · 3/4 in");
});
