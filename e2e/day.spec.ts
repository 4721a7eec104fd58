import { expect, signIn, test } from "./lodrin.js";
import { sound } from "./axe.js";
import { get, sleeveOf, theClass, two } from "./school.js";
import type { SchoolClass } from "@lodrin/contract";

test.describe.configure({ timeout: 120_000 });

test("a student asks at a step, the teacher answers there; students are put into groups", async ({ page, lodrin }) => {
  const student = await two(page, lodrin);
  await signIn(page, "ottoline");
  await signIn(student, "jory");
  const klass = await theClass(page);
  const { id } = await sleeveOf(student);
  await student.goto(`/drafts/${id}/table`);
  await student.getByText("Go along with the class").click();
  await student.getByRole("button", { name: "Ask at this step" }).click();
  await student.getByRole("textbox", { name: /^Your question at/ }).fill("Which way does the tape lie here?");
  await student.getByRole("button", { name: /^Ask in/ }).click();
  await expect(student.getByText("Which way does the tape lie here?")).toBeVisible();
  await page.goto(`/classes/${klass.id}/questions`);
  const thread = page.locator("article").filter({ hasText: "Which way does the tape lie here?" });
  await thread.getByRole("textbox", { name: "Your answer" }).fill("Along the line, from the end that is pinned.");
  await thread.getByRole("button", { name: "Answer" }).click();
  await expect(thread.getByText("Along the line, from the end that is pinned.")).toBeVisible();
  await sound(page, "the questions");
  await student.reload();
  await expect(student.getByText("Along the line, from the end that is pinned.")).toBeVisible();
  // Groups.
  await page.goto(`/classes/${klass.id}/students`);
  const group = page.getByRole("textbox", { name: "Group of Jory Mallow" });
  const before = await group.inputValue();
  await group.fill("Hats");
  await group.press("Enter");
  await expect
    .poll(async () => (await get<SchoolClass>(page, `/api/classes/${klass.id}`)).members.find((m) => m.name === "Jory Mallow")?.group)
    .toBe("Hats");
  await expect(group).toHaveValue("Hats");
  await group.fill(before);
  await group.press("Tab");
  await student.context().close();
});
