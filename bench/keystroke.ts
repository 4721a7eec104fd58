import { readFileSync } from "node:fs";
import type { CDPSession } from "@playwright/test";
import { ADDRESS, openBrowser } from "./browser.js";

const WARM = 60;
const KEYS = 120;
/** The redraw is over by then; what waits for the hand to rest has not begun. */
const DRAWN_MS = 70;
const RESTED_MS = 450;

/**
 * Scripting, style and layout of a keystroke in the text of a system, in Chromium at 1280 by 800: a digit is typed into a
 * length of a step and taken out again. Undefined when no Lodrin answers or there is no Chromium. Needs the demo's instructor.
 */
export async function measureKeystroke(slug: string): Promise<{ p95: number; opening: number } | undefined> {
  const browser = await openBrowser();
  if (!browser) return undefined;
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, baseURL: ADDRESS });
  await page.request.post("/api/session", { data: { email: "ottoline@quillmoor.example", password: "lantern-night" } });
  const notation = readFileSync(`systems/${slug}.lodrin`, "utf8");
  const { id } = (await (await page.request.post("/api/works", { data: { notation } })).json()) as { id: string };
  const opened: number[] = [];
  for (let n = 0; n < 5; n++) {
    const from = performance.now();
    await page.goto(`/builder/${id}`);
    await page.locator("[data-row='3']").waitFor();
    await page.locator("svg.drawing path[d^=M]").first().waitFor({ state: "attached" });
    opened.push(performance.now() - from);
  }
  await page.getByText("Text", { exact: true }).click();
  await page.locator(".cm-content").first().click();
  const lines = notation.split("\n");
  const at = lines.findIndex((line, i) => i > lines.length / 3 && /^#?\w+ (out|down|up) /.test(line));
  await page.keyboard.press("Control+Home");
  for (let i = 0; i < at; i++) await page.keyboard.press("ArrowDown");
  await page.keyboard.press("Home");
  for (const _ of /^(\S+ \w+ )/.exec(lines[at] ?? "")?.[1] ?? "") await page.keyboard.press("ArrowRight");
  await page.keyboard.type("0. + ");
  for (let i = 0; i < 3; i++) await page.keyboard.press("ArrowLeft");
  const cdp = await page.context().newCDPSession(page);
  await cdp.send("Performance.enable");
  const taken: number[] = [];
  for (let i = 0; i < WARM + KEYS; i++) {
    const before = await spent(cdp);
    await page.keyboard.press(i % 2 ? "Backspace" : "3");
    await page.waitForTimeout(DRAWN_MS);
    taken.push((await spent(cdp)) - before);
    await page.waitForTimeout(RESTED_MS);
  }
  await page.request.delete(`/api/works/${id}`);
  await browser.close();
  const sorted = taken.slice(WARM).sort((a, b) => a - b);
  return {
    p95: sorted[Math.floor(KEYS * 0.95)] ?? Number.NaN,
    // The first opening fetches what the browser keeps.
    opening: opened.slice(1).sort((a, b) => a - b)[1] ?? Number.NaN,
  };
}

/** What the page has spent on scripting, style and layout until now. ms. */
async function spent(cdp: CDPSession): Promise<number> {
  const { metrics } = await cdp.send("Performance.getMetrics");
  const of = (name: string): number => metrics.find((m) => m.name === name)?.value ?? 0;
  return (of("ScriptDuration") + of("RecalcStyleDuration") + of("LayoutDuration")) * 1_000;
}
