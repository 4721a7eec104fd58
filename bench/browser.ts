import { existsSync } from "node:fs";
import { type Browser, chromium } from "@playwright/test";

/** Where Lodrin answers. */
export const ADDRESS = process.env["LODRIN_URL"] ?? "http://127.0.0.1:4150";

/** Chromium before a Lodrin that answers; undefined when none does or there is no Chromium. */
export async function openBrowser(): Promise<Browser | undefined> {
  const healthy = await fetch(`${ADDRESS}/api/health`).then(
    (r) => r.ok,
    () => false,
  );
  const executablePath = process.env["LODRIN_CHROMIUM"] ?? "/usr/bin/chromium";
  if (!healthy || !existsSync(executablePath)) return undefined;
  return chromium.launch({ executablePath, args: ["--no-sandbox", "--disable-gpu"] });
}
