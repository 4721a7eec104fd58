import type { Page } from "@playwright/test";
import { loadSystem, run, sampleBody } from "@lodrin/core";
import { readFileSync } from "node:fs";
import { BLOCK_HANDOUT } from "../packages/core/src/phrase/fixtures/block-handout.js";
import { GARMENT_HANDOUT } from "../packages/core/src/phrase/fixtures/garment-handout.js";
import { SLEEVE_HANDOUT } from "../packages/core/src/phrase/fixtures/sleeve-handout.js";
import { sound } from "./axe.js";
import { expect, signIn, test } from "./lodrin.js";

test.describe.configure({ timeout: 150_000 });

const handout = (page: Page): ReturnType<Page["getByRole"]> => page.getByRole("region", { name: "The handout", exact: true });
const quick = (page: Page): ReturnType<Page["getByRole"]> => page.getByRole("textbox", { name: /Quick line/ });
const row = (page: Page, text: string): ReturnType<Page["locator"]> => handout(page).locator(".row").filter({ hasText: text }).first();

async function begin(page: Page): Promise<void> {
  await signIn(page, "ottoline");
  await page.goto("/builder");
  await page.getByRole("button", { name: "Begin a new one" }).click();
  await page.getByRole("button", { name: "Begin", exact: true }).click();
  await expect(handout(page)).toBeVisible();
}
/** The text as it is kept on the server, once everything is saved. */
async function keptText(page: Page): Promise<string> {
  await expect(page.getByText(/^Saved/)).toBeVisible();
  const id = page.url().split("/").pop()?.replace(/\?.*/, "") ?? "";
  return ((await (await page.request.get(`/api/works/${id}`)).json()) as { notation: string }).notation;
}
async function paste(page: Page, text: string): Promise<void> {
  await quick(page).click();
  await quick(page).evaluate((field, pasted) => {
    const data = new DataTransfer();
    data.setData("text/plain", pasted);
    field.dispatchEvent(new ClipboardEvent("paste", { clipboardData: data, bubbles: true, cancelable: true }));
  }, text);
}

test("from an empty page to a drawn back neck and shoulder, by keyboard alone", async ({ page }) => {
  await begin(page);
  await page.keyboard.press("n");
  for (const line of [
    "Neck: 28 to 52",
    "Neck width = a fifth of the neck",
    "Out from 0, the neck width",
    "Down from 0, 2 cm",
    "curve back_neck: #4 > #5",
    "Out from 0, half the across shoulder",
    "Down from 6, 3 cm",
    "Join 4 and 7: the shoulder",
  ]) {
    await page.keyboard.type(line);
    await page.keyboard.press("Enter");
  }
  await expect(page.getByText(/No errors/)).toBeVisible();
  const { plan, problems } = loadSystem(await keptText(page));
  expect(problems).toEqual([]);
  expect([...plan.scope.paths.keys()]).toEqual(expect.arrayContaining(["back_neck", "shoulder"]));
});

for (const [slug, text, points] of [
  ["13-short-set-in-sleeve", SLEEVE_HANDOUT, /^S\d+$/],
  ["18-block-waist-and-side-dart", BLOCK_HANDOUT, /^[FB]\d+$/],
] as const)
  test(`${slug} is rebuilt from plain sentences: the library's on three bodies, point by point`, async ({ page }) => {
    await begin(page);
    // From nothing: the frame a new system begins with is written over.
    const [title = "", heading = "", ...sentences] = text.split("\n");
    await page.getByText("Text", { exact: true }).click();
    await page.getByRole("textbox", { name: "The text of the system" }).click();
    await page.keyboard.press("ControlOrMeta+a");
    await page.keyboard.type(`${title}\n${heading}`);
    await page.getByText("Handout", { exact: true }).click();
    await paste(page, sentences.join("\n"));
    await expect(page.getByText(/lines need fixing/)).toBeVisible();
    await page.getByRole("button", { name: /Insert all \d+ that are understood/ }).click();
    await expect(page.getByText(/No errors/)).toBeVisible();
    const mine = loadSystem(await keptText(page));
    expect(mine.problems).toEqual([]);
    const theirs = loadSystem(readFileSync(new URL(`../systems/${slug}.lodrin`, import.meta.url), "utf8"));
    const names = [...mine.plan.scope.points.keys()].filter((id) => points.test(id));
    expect(names.length).toBeGreaterThan(14);
    for (const share of [0.3, 0.5, 0.7]) {
      const body = sampleBody(theirs.plan, share);
      const [a, b] = [run(mine.plan, body), run(theirs.plan, body)];
      for (const id of names) {
        const [p, q] = [
          a.environment.points[mine.plan.scope.points.get(id) ?? -1],
          b.environment.points[theirs.plan.scope.points.get(id) ?? -1],
        ];
        expect(Math.hypot((p?.x ?? NaN) - (q?.x ?? 0), (p?.y ?? NaN) - (q?.y ?? 0)), `${id} at ${share}`).toBeLessThan(1e-6);
      }
    }
  });

test("a bodice with darts, a sleeve and facings is pasted as sentences, published and printed, without a line of notation", async ({
  page,
}) => {
  await signIn(page, "ottoline");
  await page.goto("/builder");
  await page.getByRole("button", { name: "Begin from a handout" }).click();
  const dialog = page.getByRole("dialog", { name: "Begin from a handout" });
  await dialog.getByLabel("Name of the system").fill("Lantern bearer's bodice");
  await dialog.getByText("inches", { exact: true }).click();
  await dialog.getByLabel("Handout", { exact: true }).fill(GARMENT_HANDOUT);
  await dialog.getByRole("button", { name: "Begin", exact: true }).click();
  await expect(handout(page)).toBeVisible();
  await expect(page.getByText("Preview of what is understood so far.")).toBeVisible();
  await expect(page.getByText("Reading …")).toHaveCount(0);
  await page.getByRole("button", { name: /Insert all \d+ that are understood/ }).click();
  await expect(page.getByText(/No errors/)).toBeVisible();
  await expect(page.getByText("Preview of what is understood so far.")).toHaveCount(0);
  const { problems, plan } = loadSystem(await keptText(page));
  expect(problems).toEqual([]);
  expect(run(plan, sampleBody(plan)).pieces).toHaveLength(5);
  await page.getByRole("button", { name: "Publish", exact: true }).click();
  await page.getByLabel("What changed").fill("The first, from the handout.");
  await page.getByRole("button", { name: "Publish version 1" }).click();
  await expect(page.getByText("Version 1 is on the shelf.")).toBeVisible();

  await page.getByRole("button", { name: "Print, files" }).click();
  const reply = page.waitForResponse((one) => one.url().includes("booklet"));
  await page.getByRole("button", { name: "Make the booklet (PDF)" }).click();
  const printed = await reply;
  expect([printed.status(), printed.headers()["content-type"]]).toEqual([200, "application/pdf"]);
});

test("after the page is loaded again a half-typed sentence is still there, and what was done is taken back", async ({ page }) => {
  await begin(page);
  const first = await keptText(page);
  await quick(page).fill("Out from 0, 3 cm");
  await quick(page).press("Enter");
  await expect(row(page, "Out from 0, 3 cm")).toBeVisible();
  await quick(page).fill("Square down from 1 by");
  await expect(page.getByText(/^Saved/)).toBeVisible();
  await page.reload();
  await expect(quick(page)).toContainText("Square down from 1 by");
  await page.getByRole("button", { name: "Undo (Ctrl Z)" }).click();
  await expect(row(page, "Out from 0, 3 cm")).toHaveCount(0);
  await expect.poll(() => keptText(page)).toBe(first);
  await page.getByRole("button", { name: "Redo (Ctrl Y)" }).click();
  await expect(row(page, "Out from 0, 3 cm")).toBeVisible();
});

test("a rule that is picked on the paper gets its sentence, which is said again when the rule is pulled", async ({ page }) => {
  await begin(page);
  await quick(page).fill("down 3 from #0");
  await quick(page).press("Enter");
  await expect(row(page, "Square down from 0, 3 cm")).toBeVisible();
  await row(page, "Square down from 0, 3 cm").getByRole("button").first().click();
  const far = page.getByRole("textbox", { name: "How far" });
  await far.fill("4");
  await far.press("Enter");
  await expect(row(page, "Square down from 0, 4 cm")).toBeVisible();
});

test("steps are edited where they stand: moved, named, picked on the paper, deleted; one undo takes back any of it", async ({ page }) => {
  await begin(page);
  const first = await keptText(page);

  await test.step("a gap of the sentence is a field", async () => {
    await row(page, "Down from 0 the back waist").getByRole("button").first().click();
    const far = page.getByRole("textbox", { name: "How far" });
    await far.click();
    await page.keyboard.press("End");
    await page.keyboard.type(" + 1");
    await page.keyboard.press("Escape");
    await expect(row(page, "Down from 0 the back waist")).toContainText("down back_waist + 1 from #0");
  });

  await test.step("what would break is told before it happens, with the way that breaks nothing", async () => {
    await row(page, "Square out from 0").getByRole("button").first().click();
    const ask = page.getByRole("alertdialog", { name: "What this would break" });
    await page.keyboard.press("Alt+ArrowUp");
    await expect(handout(page).locator(".row.open")).toContainText("Square out from 0");
    await page.keyboard.press("Alt+ArrowUp");
    await expect(ask).toContainText("Moving 2 there would use what is not there yet.");
    await ask.getByRole("button", { name: "Leave it as it is" }).click();
    await row(page, "The nape.").getByRole("button").first().click();
    await page.keyboard.press("Alt+ArrowDown");
    await expect(ask).toContainText("#0");
    await ask.getByRole("button", { name: "Leave it as it is" }).click();
    await page.keyboard.press("Alt+Delete");
    await expect(ask.getByRole("button", { name: /Delete all \d+: / })).toBeVisible();
    await page.keyboard.press("Escape");
  });

  await test.step("a name is given everywhere it is used, in sentences too", async () => {
    await row(page, "A quarter of the chest").getByRole("button").first().click();
    await page.getByRole("textbox", { name: "Name" }).fill("quarter");
    await page.keyboard.press("Enter");
    await expect(row(page, "Square out from 0")).toContainText("out quarter from #0");
  });

  await test.step("a point picked on the paper begins a sentence, the next one fills its gap", async () => {
    await page.keyboard.press("Escape");
    await page.getByRole("button", { name: "Last step (End)" }).click();
    await page.locator(".numbers").getByText("1", { exact: true }).waitFor();
    const at = async (name: string): Promise<void> => {
      const box = await page
        .locator(".number")
        .filter({ hasText: new RegExp(`^${name}$`) })
        .boundingBox();
      if (!box) throw new Error(`no ${name}`);
      await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2);
    };
    await at("1");
    await page.getByRole("toolbar", { name: "From 1" }).getByRole("button", { name: "Point" }).click();
    await page.getByRole("menuitem", { name: "midway", exact: true }).click();
    const sentence = page.getByRole("form", { name: "midway" });
    await expect(sentence).toContainText("Press a point on the paper, or type its number.");
    await at("2");
    await sentence.getByRole("button", { name: "Back" }).click();
    await expect(sentence.getByRole("button", { name: "Insert" })).toBeDisabled();
    await at("2");
    await sentence.getByRole("button", { name: "Insert" }).click();
    await expect(handout(page)).toContainText("midway #1 to #2");
  });

  await test.step("a point pulled on the paper proposes another number in its rule, and says so before it is taken", async () => {
    await row(page, "Down from 0 the back waist").getByRole("button").first().click();
    const number = page.locator(".number.now");
    await expect(number).toHaveText("1");
    const halo = page.locator("circle.halo.now");
    const box = await halo.boundingBox();
    if (!box) throw new Error("no halo");
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x + 5, y - 40, { steps: 5 });
    await page.mouse.up();
    const says = page.getByRole("alertdialog", { name: "The rule would be" });
    await expect(says).toContainText("instead of down back_waist + 1 from #0");
    await says.getByRole("button", { name: "Take it" }).click();
    await expect(row(page, "Down from 0 the back waist")).not.toContainText("back_waist + 1 from");
    await expect(page.getByText(/No errors/)).toBeVisible();
  });

  await test.step("everything of it is one history", async () => {
    await page.locator("h1").click();
    const undo = page.getByRole("button", { name: "Undo (Ctrl Z)" });
    for (let i = 0; i < 40 && (await undo.isEnabled()); i++) await undo.click();
    await page.waitForTimeout(800);
    expect(await keptText(page)).toBe(first);
  });
});

test("over a range of sizes the first that breaks is named; what is unsound leads to its line", async ({ page }) => {
  await begin(page);
  await quick(page).click();
  await page.keyboard.type('check "Wide enough": dist(#0, #2) >= 29');
  await page.keyboard.press("Enter");
  await page.locator("h1").click();
  await page.keyboard.press("r");
  const range = page.getByRole("region", { name: "Over a range of sizes" });
  await expect(range.getByText("is the first size that breaks:")).toBeVisible();
  await range.getByRole("button", { name: "Show the rule" }).click();
  await expect(row(page, "Wide enough")).toHaveClass(/open/);
  await page.getByRole("button", { name: /^Problems/ }).click();
  const panel = page.getByRole("complementary", { name: "Problems" });
  await expect(panel).toContainText(/“Wide enough” does not hold (?:on this body and )?at sizes? 1/);
  // What is asked before it is published is the same list, and leads to the same line.
  await page.getByRole("button", { name: "Publish" }).click();
  const asked = page.getByRole("dialog", { name: "Publish this text" });
  await asked.getByRole("button", { name: /“Wide enough” does not hold/ }).click();
  await expect(asked).toBeHidden();
  await expect(row(page, "Wide enough")).toHaveClass(/open/);
  await range.getByRole("button", { name: "Open this size" }).click();
  await expect(page.getByText(/checks want a look on this body|of \d+ checks want a look/).first()).toBeVisible();
  // A chart of the workshop, laid on the nape.
  await page.locator("h1").click();
  await page.keyboard.press("r");
  await page.getByRole("button", { name: "Close the drawer (Esc)" }).click();
  await range.locator(".which").click();
  await page.getByRole("option", { name: "Workshop women: 8 sizes" }).click();
  await expect(range.getByText(/^8 sizes, worked out in/)).toBeVisible();
  // Between two bodies of one's own choice.
  await range.locator(".which").click();
  await page.getByRole("option", { name: "between two bodies of your choice" }).click();
  await range.locator(".end").last().click();
  await page.getByRole("option", { name: "to Oda Marrick" }).click();
  await expect(range.getByText(/^7 sizes, worked out in/)).toBeVisible();
  await sound(page, "the builder");
});

test("led round in ten stops to a drawn back neck", async ({ page }) => {
  await signIn(page, "ottoline");
  await page.goto("/builder");
  await page.getByRole("button", { name: "Show me how" }).click();
  await expect(page.getByText("1. The handout")).toBeVisible();
  for (let n = 2; n <= 10; n++) {
    const stop = page.getByText(new RegExp(`^${n}\\. `));
    // A press while the stop before is still sliding in is taken by nobody.
    await expect(async () => {
      if (!(await stop.isVisible())) await page.getByRole("button", { name: "Next", exact: true }).click();
      await expect(stop).toBeVisible({ timeout: 3_000 });
    }).toPass();
  }
  await page.getByRole("button", { name: "Finish", exact: true }).click();
  await expect(handout(page)).toContainText("Draw the back neck.");
  await expect(page.getByText(/No errors/)).toBeVisible();

  // A line has its parts as fields, and its lines one by one beside them when more of it is asked for.
  const line = row(page, "Draw the back neck.");
  await line.getByRole("button").first().click();
  await expect(line.getByRole("textbox", { name: "Through" })).not.toHaveValue("");
  await line.getByRole("button", { name: "Notes and conditions" }).click();
  await line.getByRole("button", { name: "why", exact: true }).click();
  await expect(page.getByRole("textbox", { name: "Line 2 of it" })).toContainText("What it is good for.");
  await page.getByRole("button", { name: "Take line 2 away" }).click();
  await expect(page.getByRole("textbox", { name: "Line 2 of it" })).toHaveCount(0);
});

test("the help opens at the word under the hand, and its example goes into the text", async ({ page }) => {
  await begin(page);
  await row(page, "Down from 0 the back waist").getByRole("button").first().click();
  await page.locator("h1").click();
  await page.keyboard.press("h");
  const help = page.getByRole("complementary", { name: "Help" });
  await expect(help.getByLabel("Search the help")).toHaveValue("down");
  await expect(help.getByText("Straight down the paper.", { exact: true })).toBeVisible();
  await help.getByLabel("Search the help").fill("dart");
  await help.getByRole("button", { name: "Put this into the text" }).first().click();
  await expect(page.getByRole("button", { name: "Undo (Ctrl Z)" })).toBeEnabled();
  await page.getByRole("button", { name: "Undo (Ctrl Z)" }).click();
});

test("a student is shown what a newer version does otherwise, over their own draft, and goes over", async ({ page }) => {
  await signIn(page, "jory");
  const drafts = (await (await page.request.get("/api/drafts")).json()) as { id: string; slug: string }[];
  await page.goto(`/drafts/${drafts.find((d) => d.slug.includes("cape"))?.id ?? ""}`);
  const newer = page.getByRole("complementary", { name: "A newer version" });
  await expect(newer).toContainText("Version 2 of this system is out.");
  await newer.getByRole("button", { name: "What is otherwise?" }).click();
  await expect(newer).toContainText("The setting below waist is new");
  await expect(page.locator("path.ghost")).toBeVisible();
  await newer.getByRole("button", { name: "Go over to version 2" }).click();
  await expect(page.getByText("version 2", { exact: true })).toBeVisible();
  await expect(newer).toHaveCount(0);
});

test("a chart of sizes is typed, pasted and asked about; a system is drafted on a size", async ({ page }) => {
  await signIn(page, "ottoline");
  await page.goto("/sizes");
  await page.getByRole("link", { name: /Workshop women/ }).click();
  await page.getByRole("button", { name: "New chart" }).click();
  await expect(page.getByLabel("Name of the chart")).toHaveValue("New chart");
  await page.getByLabel("Name of the chart").fill("Stilts");
  const cell = page.getByLabel("Bust, size 10");
  await cell.click();
  await cell.evaluate((field) => {
    const data = new DataTransfer();
    data.setData("text/plain", "84\n88\n92\n112\n100");
    field.dispatchEvent(new ClipboardEvent("paste", { clipboardData: data, bubbles: true, cancelable: true }));
  });
  await expect(page.getByText(/the others step 4.0/)).toBeVisible();
  await page.getByLabel("Bust, size 4").fill("96");
  await expect(page.getByText(/the others step/)).toHaveCount(0);
  await expect(page.getByText(/^Saved/)).toBeVisible();
  await sound(page, "the builder");

  await page.goto("/shelf/08-menswear-flat-shirt-block");
  await page.getByPlaceholder("chart and size").click();
  await page.getByText("Band men", { exact: true }).click();
  await page
    .getByRole("menuitem", { name: "42" })
    .or(page.locator(".el-cascader-node").filter({ hasText: /^42$/ }))
    .first()
    .click();
  await page.getByRole("button", { name: "Draft it on this size" }).click();
  await expect(page.getByRole("heading", { name: /Band men, 42/ })).toBeVisible();
  await page.goto("/bodies");
  await expect(page.getByRole("button", { name: /Nearest size/ }).first()).toBeVisible();
});

test("the writing table is worked by touch on a tablet", async ({ browser, lodrin }) => {
  const context = await browser.newContext({ baseURL: lodrin.url, viewport: { width: 820, height: 1180 }, hasTouch: true });
  const page = await context.newPage();
  await begin(page);
  await row(page, "Square out from 1").getByRole("button").first().tap();
  await expect(page.getByRole("textbox", { name: "Sentence", exact: true })).toBeVisible();
  await quick(page).tap();
  await page.keyboard.type("Midway between 1 and 2");
  await page.getByRole("button", { name: "Insert" }).tap();
  await expect(handout(page)).toContainText("midway #1 to #2");
  expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
  await context.close();
});
