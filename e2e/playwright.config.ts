import { defineConfig } from "@playwright/test";

export default defineConfig({
  testDir: ".",
  outputDir: "../test-results",
  // Each worker has a Lodrin of its own.
  workers: 2,
  fullyParallel: false,
  timeout: 60_000,
  expect: { timeout: 15_000 },
  reporter: [["list"], ["json", { outputFile: "../test-results/e2e.json" }]],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: "en-GB",
    // Nothing is waited for that only moves.
    contextOptions: { reducedMotion: "reduce" },
    launchOptions: {
      executablePath: process.env["LODRIN_CHROMIUM"] ?? "/usr/bin/chromium",
      args: [
        "--no-sandbox",
        "--disable-gpu",
        "--disable-quic",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
      ],
    },
  },
});
