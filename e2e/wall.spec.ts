import { randomUUID } from "node:crypto";
import { readFile } from "node:fs/promises";
import type { Assignment, Draft, SchoolClass } from "@lodrin/contract";
import { request } from "@playwright/test";
import { expect, signIn, test } from "./lodrin.js";
import { sound } from "./axe.js";

test.describe.configure({ timeout: 120_000 });

// The largest of the library, on the body it is worked for, each student a little larger than the one before.
const SYSTEM = "21-long-lapel-jacket";
const WORKED = JSON.parse(await readFile(new URL(`../systems/worked/${SYSTEM}.json`, import.meta.url), "utf8")) as {
  examples: { measurements: Record<string, number> }[];
};
const bodyOf = (i: number): Record<string, string> =>
  Object.fromEntries(Object.entries(WORKED.examples[0]?.measurements ?? {}).map(([key, inches]) => [key, `${inches * (1 + i / 500)}`]));
const STUDENTS = 30;

test("a class of thirty opens as a wall at once, and its assignment is changed where it stands", async ({ page, lodrin }) => {
  await signIn(page, "ottoline");
  const post = async <T>(path: string, data: object): Promise<T> => (await (await page.request.post(path, { data })).json()) as T;
  const klass = await post<SchoolClass>("/api/classes", { name: "Thirty", term: "", meets: "", note: "", classmatesAnswer: false });
  await page.goto(`/classes/${klass.id}/assignments`);
  await page.getByRole("button", { name: "Set an assignment" }).click();
  await page.getByRole("combobox", { name: "System" }).click();
  await page
    .getByRole("option", { name: /^Long jacket/ })
    .first()
    .click();
  await page.getByRole("textbox", { name: "What it is called" }).fill("Thirty jackets");
  // A reading that this system has not is told, and nothing is sent.
  const readings = page.getByRole("combobox", { name: /^Readings/ });
  await readings.focus();
  await page.keyboard.type("Q99");
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: "Set it" }).click();
  await expect(page.getByText("“Q99”: There is no step Q99 on this draft.", { exact: false })).toBeVisible();
  await page.locator(".el-tag").filter({ hasText: "Q99" }).locator(".el-tag__close").click();
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Set it" }).click();
  await expect(page.getByRole("heading", { name: "Thirty jackets" })).toBeVisible();
  const [made] = (await (await page.request.get(`/api/classes/${klass.id}/assignments`)).json()) as [Assignment];
  await Promise.all(
    Array.from({ length: STUDENTS }, async (_, i) => {
      const student = await request.newContext({ baseURL: lodrin.url });
      await student.post("/api/accounts", { data: { email: `s${i}@thirty.example`, name: `Student ${i}`, password: "long enough 1" } });
      await student.post(`/api/class-codes/${klass.code}`, { data: {} });
      const draft = (await (
        await student.post("/api/drafts", {
          data: {
            ...{ id: randomUUID(), name: "Mine", note: "", slug: SYSTEM, personId: null, personName: "", setId: null, step: 0 },
            ...{ unit: "in", measurements: bodyOf(i), settings: {} },
          },
        })
      ).json()) as Draft;
      const handed = await student.post(`/api/assignments/${made.id}/hand-ins`, {
        data: { draftId: draft.id, note: "", picture: null, marksOnPicture: [] },
      });
      expect(handed.status()).toBe(201);
      await student.dispose();
    }),
  );
  await page.goto(`/assignments/${klass.id}/${made.id}`);
  await expect(page.getByText(`${STUDENTS} of ${STUDENTS} handed in`)).toBeVisible();
  await page.evaluate(async (many) => {
    [...document.querySelectorAll<HTMLElement>(".el-segmented__item-label")].find((l) => l.textContent.trim() === "Wall")?.click();
    while (document.querySelectorAll(".through li svg path").length < many) await new Promise(requestAnimationFrame);
  }, STUDENTS);
  await sound(page, "the wall");
  // The teacher changes what was asked, and takes nothing out from under marks.
  await page.getByRole("button", { name: "Edit", exact: true }).click();
  await page.getByRole("textbox", { name: "What it is called" }).fill("Thirty long jackets");
  await expect(page.getByRole("button", { name: "Take point 1 out" })).toHaveCount(0);
  await page.getByRole("button", { name: "Another point" }).click();
  await page.getByRole("textbox", { name: "Point 2" }).fill("Words beside it");
  await sound(page, "changing an assignment");
  await page.getByRole("button", { name: "Keep it so" }).click();
  await expect(page.getByRole("heading", { name: "Thirty long jackets" })).toBeVisible();
  await page.reload();
  await expect(page.getByRole("heading", { name: "Thirty long jackets" })).toBeVisible();
  await page.getByRole("button", { name: "Delete", exact: true }).click();
  // It was handed in for: what goes with it is said before.
  const question = page.getByRole("dialog");
  await expect(question).toContainText("hand-in");
  await question.getByRole("button", { name: "Delete" }).click();
  await page.getByRole("button", { name: "Restore" }).click();
  await expect(page.getByRole("heading", { name: "Thirty long jackets" })).toBeVisible();
});
