import { readFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import type { Page } from "@playwright/test";
import { loadSystem, measurementName } from "@lodrin/core";
import { readLibrary } from "@lodrin/formats/library";
import { expect, PASSWORD, test } from "./lodrin.js";

// Systems of the shelf as a student goes through them: her figures typed in, every step, the checks, the pieces, print.
const SHELF = fileURLToPath(new URL("../systems", import.meta.url));
const LIBRARY = readLibrary(SHELF);

/** One page for all: the application is opened once and walked within, as a class would through an afternoon. */
let page: Page;
test.beforeAll(async ({ browser, lodrin }) => {
  page = await browser.newPage({ baseURL: lodrin.url });
  await page.request.post("/api/session", {
    headers: { origin: lodrin.url },
    data: { email: "jory@quillmoor.example", password: PASSWORD },
  });
  await page.goto("/");
  await expect(page.getByRole("heading", { name: /Good to see you/ })).toBeVisible();
});
test.afterAll(() => page.close());

/** Goes to another view without opening the application again. */
async function visit(path: string): Promise<void> {
  await page.evaluate((to) => {
    history.pushState(null, "", to);
    dispatchEvent(new PopStateEvent("popstate", { state: null }));
  }, path);
}

/** A block, a sleeve, one with facings and lining and one that builds on another; every system with LODRIN_SYSTEMS=all, in the long run. */
const DRIVEN = /^(08|13|21|22)-/;
const driven = Object.entries(LIBRARY).filter(([slug]) => process.env["LODRIN_SYSTEMS"] === "all" || DRIVEN.test(slug));

for (const [slug, notation] of driven) {
  test(`${slug}: drafted, checked, taken apart, printed`, async () => {
    const { plan } = loadSystem(notation, LIBRARY);
    const { examples } = JSON.parse(readFileSync(`${SHELF}/worked/${slug}.json`, "utf8")) as {
      examples: [{ measurements: Record<string, number> }];
    };
    const [{ measurements }] = examples;

    await visit(`/shelf/${slug}`);
    await page.getByRole("button", { name: /Nobody yet/ }).click();
    const body = page.getByRole("complementary", { name: "Body" });
    await expect(body.getByText("This system also needs")).toBeVisible();
    for (const { source } of plan.measures) {
      const figure = measurements[source.key];
      const name = measurementName(source.key);
      const field = body.getByLabel(new RegExp(`^${name.replace(/[()]/g, "\\$&")}( \\(for a check\\))?( needed)?$`));
      if (figure !== undefined && (await field.isVisible()))
        await field.fill(source.kind === "number" ? String(figure) : `${figure} ${plan.system.unit}`);
    }
    await expect(body.getByText("This system also needs")).toBeHidden();

    // Every step is drawn or left out by a choice; the last of them is reached by key.
    await page.keyboard.press("Escape");
    await expect(body).toBeHidden();
    const handout = page.getByRole("region", { name: "Handout" });
    await page.keyboard.press("Home");
    await page.keyboard.press("ArrowRight");
    await expect(page.getByText(`2 / ${plan.steps.length}`)).toBeVisible();
    await page.keyboard.press("End");
    await expect(page.getByText(`${plan.steps.length} / ${plan.steps.length}`)).toBeVisible();
    await expect(handout.locator(".step.failed")).toHaveCount(0);

    await page.getByRole("button", { name: "Checks" }).click();
    const checks = page.getByRole("complementary", { name: "Checks" });
    await expect(checks.getByRole("listitem").first()).toBeVisible();
    await expect(checks.getByText("Does not hold")).toHaveCount(0);
    await checks.getByRole("button").filter({ hasText: "outline closed" }).first().click();
    await page.keyboard.press("Escape");

    await page.getByRole("button", { name: "Pieces", exact: true }).last().click();
    const pieces = page.getByRole("group", { name: /The pieces/ });
    await expect(pieces.locator(".cloth").first()).toBeVisible();
    const shaping = page.getByRole("region", { name: "Shaping the pieces" });
    const stages = plan.shapings.length > 0 ? await shaping.getByRole("listitem").count() : 0;
    for (let i = 0; i < stages; i++) {
      await shaping.getByRole("listitem").nth(i).getByRole("button").click();
      await expect(shaping.locator("[aria-current='step']")).toHaveCount(1);
      await expect(shaping.getByText("Not done.")).toHaveCount(0);
      await expect(pieces.locator(".cloth").first()).toBeVisible();
    }

    const id = /drafts\/([^/?]+)/.exec(page.url())?.[1] ?? "";
    await visit(`/drafts/${id}/print`);
    await expect(page.getByText(/^\d+ sheets? /)).toBeVisible();
    const pdf = await page.request.get(`/api/drafts/${id}/files/pattern.pdf?paper=A4`);
    expect(pdf.headers()["content-type"]).toContain("application/pdf");
    expect((await pdf.body()).length).toBeGreaterThan(5_000);
  });
}
