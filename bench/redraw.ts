import { readFileSync } from "node:fs";
import { ADDRESS, openBrowser } from "./browser.js";

/** What is drafted: the system, its body in its home unit, and the setting that is dragged. */
export interface RedrawDraft {
  readonly slug: string;
  readonly unit: "in" | "cm";
  readonly setting: string;
}

export const SHIRT_DRAFT: RedrawDraft = { slug: "08-menswear-flat-shirt-block", unit: "cm", setting: "Chest ease" };
export const LARGEST: RedrawDraft = { slug: "21-long-lapel-jacket", unit: "in", setting: "Waist dart" };

/**
 * Scripting and layout of one change of a setting, in Chromium at 1280 by 800: from the slider's move to the end of the
 * forced layout, without the wait for the screen. The first sixty changes warm the engine up and are not counted.
 * Undefined when no Lodrin answers or there is no Chromium.
 */
export async function measureRedraw({
  slug,
  unit,
  setting,
}: RedrawDraft): Promise<{ p95: number; median: number; changes: number } | undefined> {
  const browser = await openBrowser();
  if (!browser) return undefined;
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${ADDRESS}/sign-in`);
  await page.getByLabel("E-mail").fill("pim@quillmoor.example");
  await page.getByLabel("Password").fill("lantern-night");
  await page.getByRole("button", { name: "Sign in" }).click();
  await page.getByRole("heading", { name: /Good to see you/ }).waitFor();
  const made = await page.request.post(`${ADDRESS}/api/drafts`, {
    headers: { origin: ADDRESS },
    data: {
      name: "Bench",
      note: "",
      slug,
      personId: null,
      personName: "",
      setId: null,
      unit,
      measurements: bodyOf(slug),
      settings: {},
      step: 0,
    },
  });
  const { id } = (await made.json()) as { id: string };
  await page.goto(`${ADDRESS}/drafts/${id}`);
  await page.getByRole("region", { name: "Handout" }).waitFor();
  await page.keyboard.press("End");
  await page.keyboard.press("s");
  const slider = page.getByRole("slider", { name: `${setting}, slider` });
  await slider.focus();
  const taken = await slider.evaluate(async (element) => {
    const times: number[] = [];
    let up = true;
    let stood: string | null = "";
    while (times.length < 360) {
      const at = element.getAttribute("aria-valuenow");
      if (at === stood) up = !up;
      stood = at;
      const from = performance.now();
      element.dispatchEvent(new KeyboardEvent("keydown", { code: up ? "ArrowRight" : "ArrowLeft", bubbles: true, cancelable: true }));
      // Vue renders in a microtask, and the slider passes its figure on in another; reading a box forces the layout they cause.
      for (let i = 0; i < 6; i++) await new Promise((done) => queueMicrotask(() => done(undefined)));
      document.body.getBoundingClientRect();
      times.push(performance.now() - from);
      await new Promise((done) => requestAnimationFrame(done));
    }
    return times;
  });
  await page.request.delete(`${ADDRESS}/api/drafts/${id}`, { headers: { origin: ADDRESS } });
  await browser.close();
  const sorted = taken.slice(60).sort((a, b) => a - b);
  return {
    p95: sorted[Math.floor(sorted.length * 0.95)] ?? Number.NaN,
    median: sorted[Math.floor(sorted.length / 2)] ?? Number.NaN,
    changes: sorted.length,
  };
}

function bodyOf(slug: string): Record<string, string> {
  const { examples } = JSON.parse(readFileSync(`systems/worked/${slug}.json`, "utf8")) as {
    examples: [{ measurements: Record<string, number> }];
  };
  return Object.fromEntries(Object.entries(examples[0].measurements).map(([key, value]) => [key, String(value)]));
}
