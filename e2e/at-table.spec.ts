import { expect, signIn, test } from "./lodrin.js";
import { sleeveOf } from "./school.js";

test("the screen stays awake at the table, and a voice reads the step only when it is wanted", async ({ page }) => {
  // What the browser is asked for is written down: this one has neither a lamp nor a voice.
  await page.addInitScript(() => {
    const asked: string[] = [];
    Object.assign(window, { asked });
    const sentinel = {
      released: false,
      release: () => Promise.resolve(),
      addEventListener: () => undefined,
      removeEventListener: () => undefined,
    };
    Object.defineProperty(navigator, "wakeLock", {
      value: { request: (kind: string) => (asked.push(`awake: ${kind}`), Promise.resolve(sentinel)) },
    });
    Object.defineProperty(window, "speechSynthesis", {
      value: { cancel: () => undefined, speak: ({ text }: { text: string }) => void asked.push(`said: ${text}`) },
    });
  });
  const asked = (): Promise<string[]> => page.evaluate(() => (window as unknown as { asked: string[] }).asked);
  await signIn(page, "jory");
  const { id } = await sleeveOf(page);
  await page.goto(`/drafts/${id}/table`);
  await page.getByText("Go along with the class").click();
  await expect.poll(asked).toContain("awake: screen");
  await page.keyboard.press("ArrowRight");
  expect((await asked()).filter((a) => a.startsWith("said: "))).toEqual([]);
  await page.keyboard.press("v");
  await page.keyboard.press("ArrowLeft");
  await expect.poll(async () => (await asked()).filter((a) => a.startsWith("said: ")).length).toBeGreaterThan(0);
  const said = (await asked()).filter((a) => a.startsWith("said: ")).length;
  await page.keyboard.press("v");
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("ArrowLeft");
  expect((await asked()).filter((a) => a.startsWith("said: ")).length).toBe(said);
});
