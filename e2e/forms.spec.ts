import { readFileSync } from "node:fs";
import type { Work } from "@lodrin/contract";
import type { Page } from "@playwright/test";
import { expect, signIn, test } from "./lodrin.js";
import { sound } from "./axe.js";

test.describe.configure({ timeout: 90_000 });

async function write(page: Page, notation: string): Promise<string> {
  await signIn(page, "ottoline");
  const { id } = (await (await page.request.post("/api/works", { data: { notation } })).json()) as Work;
  await page.goto(`/builder/${id}`);
  return id;
}
/** What is kept on the server, once it stands there. */
const kept = (page: Page, id: string): ReturnType<typeof expect.poll> =>
  expect.poll(async () => ((await (await page.request.get(`/api/works/${id}`)).json()) as Work).notation);

test("a new measurement says on the figure where its tape runs, and its students see it", async ({ page }) => {
  const id = await write(
    page,
    `system "Stilt walker's sash"\n  unit cm\nmeasure stilt_reach length 60..120 "Down the arm."\nmeasure strap girth 20..60 "Round."\nboard A "A"\nA0 start\nA1 out stilt_reach from A0\n`,
  );
  const measure = page.locator(".row.measure");
  await measure.first().getByRole("button").first().click();
  const figure = page.getByRole("group", { name: "The figure: press where the tape runs" });
  await figure.getByRole("button", { name: "tip of the shoulder", exact: true }).click();
  await expect(page.getByText("From the tip of the shoulder to …: press the other place.")).toBeVisible();
  // By key as by hand.
  await figure.getByRole("button", { name: "wrist", exact: true }).press("Enter");
  await kept(page, id).toContain("  runs shoulder_tip to wrist");
  await sound(page, "where a tape runs");
  await measure.nth(1).getByRole("button").first().click();
  await figure.getByRole("button", { name: "Round the upper arm" }).click();
  await kept(page, id).toContain("  runs round upper_arm");
  await page.getByRole("button", { name: "Leave it open" }).click();
  await kept(page, id).not.toContain("upper_arm");
  await page.request.delete(`/api/works/${id}`);
});

test("a piece has a form: its edges are pressed on the paper in order", async ({ page }) => {
  const id = await write(page, readFileSync(new URL("../systems/13-short-set-in-sleeve.lodrin", import.meta.url), "utf8"));
  await page.locator(".row.piece").first().getByRole("button").first().click();
  await page.getByRole("button", { name: "Take edge 2 away" }).click();
  await kept(page, id).not.toContain("edge underarm_back");
  await page.getByRole("button", { name: "Another edge, pressed on the paper" }).click();
  // A number of the paper lies over the drawing: what lies under it is what is pressed.
  const press = async (name: string): Promise<void> => {
    const box = await page
      .locator(".numbers .number")
      .filter({ hasText: new RegExp(`^${name}$`) })
      .boundingBox();
    if (!box) throw new Error(`no ${name}`);
    await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2);
  };
  for (const name of ["S3", "S12", "S15"]) await press(name);
  await kept(page, id).toContain("  edge edge_5: S3 > S12 > S15");
  await page.getByRole("button", { name: "Press edge 5 on the paper" }).click();
  await page.getByRole("textbox", { name: "Edge 5", exact: true }).fill("underarm back");
  await page.getByRole("textbox", { name: "Edge 5", exact: true }).press("Enter");
  await kept(page, id).toContain("  edge underarm_back: S3 > S12 > S15");
  await page.getByRole("textbox", { name: "Allowance of edge 5" }).click();
  await page.keyboard.type("side_allowance");
  await page.keyboard.press("Enter");
  await kept(page, id).toContain("  edge underarm_back: S3 > S12 > S15 · allow side_allowance");
  for (let n = 5; n > 2; n--) await page.getByRole("button", { name: `Edge ${n} earlier` }).click();
  await kept(page, id).toMatch(/edge head_back:.*\n {2}edge underarm_back: S3 > S12 > S15 · allow side_allowance\n {2}edge hem/);
  await page.getByRole("checkbox", { name: "as a pair" }).press(" ");
  await kept(page, id).toContain('piece Sleeve "Sleeve" on S · cut 2\n');
  await page.getByRole("button", { name: "Notches, pressed on the paper" }).click();
  await press("S18");
  await kept(page, id).toContain("  notch at S18");
  await sound(page, "a piece's form");
  await expect(page.getByText(/No errors/)).toBeVisible();
  await page.request.delete(`/api/works/${id}`);
});

test("a curve pulled on the paper proposes its fullness, or its direction at an end, and says so before it is taken", async ({ page }) => {
  const id = await write(page, readFileSync(new URL("../systems/08-menswear-flat-shirt-block.lodrin", import.meta.url), "utf8"));
  const row = page.locator(".row").filter({ hasText: "Draw the front neck." }).first();
  await row.getByRole("button").first().click();
  const now = page.locator("svg.drawing path.now");
  const says = page.getByRole("alertdialog", { name: "The rule would be" });
  for (const [share, dx, dy, word] of [
    [0.5, 14, -14, "fullness"],
    [0.95, -12, -16, "arriving at"],
  ] as const) {
    await expect(now).toBeVisible();
    // The paper comes to rest before a hand takes hold.
    await page.waitForTimeout(800);
    const [x, y] = await now.evaluate((path: SVGPathElement, share: number): [number, number] => {
      const at = path.getPointAtLength(path.getTotalLength() * share).matrixTransform(path.getScreenCTM() ?? undefined);
      return [at.x, at.y];
    }, share);
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x + dx, y + dy, { steps: 5 });
    await page.mouse.up();
    await expect(says).toContainText(word);
    await expect(says).toContainText("instead of");
    await says.getByRole("button", { name: "Take it" }).click();
    await kept(page, id).toMatch(new RegExp(`curve front_neck:.*${word}`));
  }
  await expect(page.getByText(/No errors/)).toBeVisible();
  await page.request.delete(`/api/works/${id}`);
});

test("what is typed into a choice or a table of the handout goes into the text", async ({ page }) => {
  const id = await write(
    page,
    `system "Cape"\n  unit cm\nmeasure height length 100..200 "Crown to floor."\nchoose hood "Its hood."\n  round\n  pointed\ntable drop by height, steps: under 150 -> 4 · above -> 6\nboard A "A"\nA0 start\nA1 out drop(height) from A0\n`,
  );
  await page.locator(".row.choose").first().getByRole("button").first().click();
  const option = page.getByRole("textbox", { name: "Option 2", exact: true });
  await option.fill("with a point");
  await option.press("Enter");
  await kept(page, id).toContain(`\n  "with a point"`);
  await page.getByRole("textbox", { name: "Whom option 2 suits" }).fill("lantern bearers");
  await page.getByRole("textbox", { name: "Whom option 2 suits" }).press("Tab");
  await kept(page, id).toContain('suits "lantern bearers"');
  await page.locator(".row.table").first().getByRole("button").first().click();
  await page.getByRole("textbox", { name: "Row 1 gives" }).fill("4.5");
  await page.getByRole("textbox", { name: "Row 1 gives" }).press("Enter");
  await kept(page, id).toContain("under 150 -> 4.5");
  await expect(page.getByText(/No errors/)).toBeVisible();
  await page.request.delete(`/api/works/${id}`);
});
