import { sound } from "./axe.js";
import { expect, signIn, startShirt, test } from "./lodrin.js";

test.describe.configure({ timeout: 120_000 });

test("an instructor writes a system as text, sees it drawn, mends it and publishes it; a student drafts it", async ({
  page,
  browser,
  lodrin,
}) => {
  await signIn(page, "ottoline");
  await page.getByRole("link", { name: "Builder" }).click();
  await expect(page.getByRole("listitem").filter({ hasText: "Lantern bearer's cape" })).toContainText("version 2");
  await page.getByRole("button", { name: "Begin a new one" }).click();
  await page.getByRole("button", { name: "Begin", exact: true }).click();
  const text = page.getByRole("textbox", { name: "The text of the system" });
  await page.getByText("Text", { exact: true }).click();
  const paper = page.locator(".numbers");

  await test.step("what is typed is drawn, and worked out for the body", async () => {
    await text.click();
    await page.keyboard.press("ControlOrMeta+End");
    await page.keyboard.type('#4 down 3 from #2  "Down from 2: the slope."');
    await expect(paper.getByText("4", { exact: true })).toBeVisible();
    await expect(page.getByRole("region", { name: "The text" })).toContainText("Down from 2: the slope.");
    await expect(page.getByText(/No errors. 7 steps/)).toBeVisible();
  });

  await test.step("a point on the paper leads to its line, a line to its step", async () => {
    await page.getByRole("button", { name: "First step (Home)" }).click();
    await expect(page.locator(".cm-activeLine")).toContainText("value width");
    await page.getByRole("button", { name: "Last step (End)" }).click();
    await expect(page.locator(".cm-activeLine")).toContainText("#4 down 3");
  });

  await test.step("a line that cannot be read is told, kept, and offered mended", async () => {
    await page.keyboard.press("ControlOrMeta+End");
    await page.keyboard.type("\n#5 down widht from #4");
    await expect(page.getByText("1 line needs fixing.")).toBeVisible();
    await expect(page.getByRole("button", { name: "Publish", exact: true })).toBeDisabled();
    await page.getByRole("button", { name: /widht/ }).click();
    await page.keyboard.press("ControlOrMeta+z");
    for (let i = 0; i < 8; i++) {
      if (await page.getByText(/No errors/).isVisible()) break;
      await page.keyboard.press("ControlOrMeta+z");
    }
    await expect(page.getByText(/No errors/)).toBeVisible();
  });

  await test.step("it saves itself, and is there after a reload", async () => {
    await expect(page.getByText(/^Saved/)).toBeVisible();
    await page.reload();
    await expect(text).toContainText("Down from 2: the slope.");
  });

  await sound(page, "the builder");

  await test.step("published, it is on the shelf as a version", async () => {
    await page.getByRole("button", { name: "Publish", exact: true }).click();
    await page.getByLabel("What changed").fill("The first.");
    await page.getByRole("button", { name: "Publish version 1" }).click();
    await expect(page.getByText("Version 1 is on the shelf.")).toBeVisible();
  });

  const student = await browser.newPage({ baseURL: lodrin.url });
  await signIn(student, "pim");
  await expect(student.getByRole("link", { name: "Builder" })).toBeHidden();
  await student.goto("/shelf");
  await student.getByLabel("Search the shelf").fill("A new system");
  await student.getByRole("article").getByRole("link", { name: "Draft it" }).click();
  await student
    .getByRole("main")
    .getByRole("button", { name: /Nobody yet/ })
    .click();
  const body = student.getByRole("complementary", { name: "Body" });
  await body.getByLabel(/^Chest/).fill("96 cm");
  await body.getByLabel(/^Back waist/).fill("42 cm");
  await student.keyboard.press("Escape");
  await student.keyboard.press("End");
  await expect(student.getByText("7 / 7")).toBeVisible();

  await test.step("the next version leaves the student's draft as it was begun, and says there is a newer one", async () => {
    await text.click();
    await page.keyboard.press("ControlOrMeta+End");
    await page.keyboard.type('\n#5 down 1 from #4  "Lower still."');
    await expect(page.getByText(/^Saved/)).toBeVisible();
    await page.getByRole("button", { name: "Publish", exact: true }).click();
    await page.getByRole("button", { name: "Publish version 2" }).click();
    await expect(page.getByText("Version 2 is on the shelf.")).toBeVisible();
    await student.reload();
    await expect(student.getByText("7 / 7")).toBeVisible();
    await student.goto("/shelf");
    await student.getByLabel("Search the shelf").fill("A new system");
    await expect(student.getByText("newer than 1 of your drafts")).toBeVisible();
  });
  await student.close();
});

test("two hands on one system: the later is shown the lines that differ, and chooses", async ({ page, context }) => {
  await signIn(page, "ottoline");
  await page.goto("/builder");
  await page.getByRole("button", { name: "Begin a new one" }).click();
  await page.getByRole("button", { name: "Begin", exact: true }).click();
  await page.getByText("Text", { exact: true }).click();
  const mine = page.getByRole("textbox", { name: "The text of the system" });
  await expect(mine).toBeVisible();
  const other = await context.newPage();
  await other.goto(page.url());
  const theirs = other.getByRole("textbox", { name: "The text of the system" });
  await theirs.click();
  await other.keyboard.press("ControlOrMeta+End");
  await other.keyboard.type("# from the other tab");
  await expect(other.getByText(/^Saved/)).toBeVisible();
  await mine.click();
  await page.keyboard.press("ControlOrMeta+End");
  await page.keyboard.type("# from this tab");
  const notice = page.getByRole("alertdialog");
  await expect(notice).toContainText("from the other tab");
  await expect(notice).toContainText("from this tab");
  await notice.getByRole("button", { name: "Take what was saved elsewhere" }).click();
  await expect(mine).toContainText("from the other tab");
  // A tab that is closed is open no more.
  await expect(page.getByText("also open elsewhere")).toBeVisible();
  await other.close({ runBeforeUnload: true });
  await expect(page.getByText("also open elsewhere")).toBeHidden();
});

test("two hands, and the server gone in between: what each wrote apart from the other is merged, and nothing of either is lost", async ({
  page,
  context,
  lodrin,
}) => {
  await signIn(page, "ottoline");
  await page.goto("/builder");
  await page.getByRole("button", { name: "Begin a new one" }).click();
  await page.getByRole("button", { name: "Begin", exact: true }).click();
  await page.getByText("Text", { exact: true }).click();
  const mine = page.getByRole("textbox", { name: "The text of the system" });
  await expect(mine).toBeVisible();
  const other = await context.newPage();
  await other.goto(page.url());
  const theirs = other.getByRole("textbox", { name: "The text of the system" });
  await expect(theirs).toBeVisible();
  // The second is told at once, the first when it next looks.
  await expect(other.getByText("also open elsewhere")).toBeVisible();
  await expect(page.getByText("also open elsewhere")).toBeVisible();

  await lodrin.stop();
  await mine.click();
  await page.keyboard.press("ControlOrMeta+End");
  await page.keyboard.type("# from this hand, at the end");
  await expect(page.getByText("Not yet saved: no connection.")).toBeVisible();
  await theirs.click();
  await other.keyboard.press("ControlOrMeta+Home");
  await other.keyboard.type("# from the other hand, at the top\n");
  await lodrin.start();
  // One of them comes first; into the later one its lines are merged, and it is told.
  const told = async (): Promise<number> => {
    const counts = [page, other].map((one) => one.getByText("was merged into this text").count());
    return (await Promise.all(counts)).reduce((a, b) => a + b);
  };
  await expect.poll(told, { timeout: 30_000 }).toBe(1);
  await expect(other.getByText(/^Saved/)).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText(/^Saved/)).toBeVisible({ timeout: 30_000 });
  await expect(page.getByRole("alertdialog")).toHaveCount(0);
  await expect(other.getByRole("alertdialog")).toHaveCount(0);
  await page.reload();
  await expect(mine).toContainText("from this hand, at the end");
  await page.keyboard.press("ControlOrMeta+Home");
  await expect(mine).toContainText("from the other hand, at the top");
  await other.close();
});

test("a student is told that the builder is for instructors", async ({ page }) => {
  await signIn(page, "pim");
  await page.goto("/builder");
  await expect(page.getByText("Only instructors may do this.")).toBeVisible();
  await startShirt(page, /Nobody yet/);
});
