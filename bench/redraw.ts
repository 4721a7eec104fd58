import { chromium } from "@playwright/test";

const ADDRESS = process.env["LODRIN_URL"] ?? "http://127.0.0.1:4150";

/**
 * Scripting and layout of one change of a setting, in Chromium at 1280 by 800: from the slider's move to the end of the
 * forced layout, without the wait for the screen. Undefined when no Lodrin answers.
 */
export async function measureRedraw(): Promise<{ p95: number; median: number; changes: number } | undefined> {
  const healthy = await fetch(`${ADDRESS}/api/health`).then(
    (r) => r.ok,
    () => false,
  );
  if (!healthy) return undefined;
  const browser = await chromium.launch({
    executablePath: process.env["LODRIN_CHROMIUM"] ?? "/usr/bin/chromium",
    args: ["--no-sandbox", "--disable-gpu"],
  });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${ADDRESS}/sign-in`);
  await page.getByLabel("E-mail").fill("pim@quillmoor.example");
  await page.getByLabel("Password").fill("lantern-night");
  await page.getByRole("button", { name: "Sign in" }).click();
  await page.getByRole("link", { name: "Go on" }).click();
  await page.getByRole("region", { name: "Handout" }).waitFor();
  await page.keyboard.press("End");
  await page.keyboard.press("s");
  const slider = page.getByRole("slider", { name: "Chest ease, slider" });
  await slider.focus();
  const taken = await slider.evaluate(async (element) => {
    const handle = element as HTMLInputElement;
    const times: number[] = [];
    for (let i = 0; i < 120; i++) {
      const from = performance.now();
      if (i % 40 < 20) handle.stepUp();
      else handle.stepDown();
      handle.dispatchEvent(new Event("input", { bubbles: true }));
      // Vue renders in a microtask; reading a box forces the layout it causes.
      await Promise.resolve();
      await new Promise((done) => queueMicrotask(() => done(undefined)));
      document.body.getBoundingClientRect();
      times.push(performance.now() - from);
      await new Promise((done) => requestAnimationFrame(done));
    }
    return times;
  });
  await browser.close();
  const sorted = taken.slice(20).sort((a, b) => a - b);
  return {
    p95: sorted[Math.floor(sorted.length * 0.95)] ?? Number.NaN,
    median: sorted[Math.floor(sorted.length / 2)] ?? Number.NaN,
    changes: sorted.length,
  };
}
