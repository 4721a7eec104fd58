// Runs the static checks, the unit, API and browser tests, and counts them all; with files, those alone. Called by ./lodrin test.
import { spawnSync } from "node:child_process";
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";

const RESULTS = "test-results";
rmSync(RESULTS, { recursive: true, force: true });
mkdirSync(RESULTS, { recursive: true });

let passed = 0;
let failed = 0;

function announce(name) {
  process.stdout.write(`\n== ${name}\n`);
}

function run(command, args) {
  return spawnSync(command, args, { stdio: "inherit", env: process.env }).status === 0;
}

/** A check that passes or fails as one. */
function check(name, command, args) {
  announce(name);
  if (run(command, args)) passed += 1;
  else failed += 1;
}

/** A test runner that leaves its counts in a file; one that leaves none counts as one failure. */
function suite(name, command, args, file, count) {
  announce(name);
  const ok = run(command, args);
  const counts = existsSync(file) ? count(JSON.parse(readFileSync(file, "utf8"))) : { passed: 0, failed: 1 };
  passed += counts.passed;
  failed += counts.failed;
  if (!ok && counts.failed === 0) failed += 1;
}

const countVitest = (r) => ({
  passed: r.numPassedTests,
  failed: r.numFailedTests + (r.numFailedTestSuites > 0 && r.numFailedTests === 0 ? 1 : 0),
});
const unitTests = (files) =>
  suite(
    "Unit and API tests",
    "npx",
    ["vitest", "run", "--reporter=default", "--reporter=json", `--outputFile.json=${RESULTS}/vitest.json`, ...files],
    `${RESULTS}/vitest.json`,
    countVitest,
  );
const browserTests = (files) =>
  suite("Browser tests", "npx", ["playwright", "test", "-c", "e2e/playwright.config.ts", ...files], `${RESULTS}/e2e.json`, (r) => ({
    passed: r.stats.expected + r.stats.flaky,
    failed: r.stats.unexpected,
  }));

const files = process.argv.slice(2);
const browser = files.filter((file) => /\.spec\.ts$|^e2e\b/.test(file));
const units = files.filter((file) => !browser.includes(file));
if (files.length === 0) {
  check("Types", "npx", ["tsc", "-p", "tsconfig.json", "--noEmit"]);
  check("Types of the core alone: no DOM, no Node", "npx", ["tsc", "-p", "packages/core/tsconfig.json"]);
  check("Types of the views", "npx", ["vue-tsc", "-p", "packages/web/tsconfig.json", "--noEmit"]);
  check("ESLint", "npx", ["eslint", ".", "--max-warnings", "0"]);
  check("Prettier", "npx", ["prettier", "--check", "--log-level", "warn", "."]);
  check("Boundaries", "npx", ["depcruise", "--config", ".dependency-cruiser.cjs", "packages"]);
}
if (files.length === 0 || units.length > 0) unitTests(units);
if (files.length === 0 || browser.length > 0) browserTests(browser);

mkdirSync(RESULTS, { recursive: true });
writeFileSync(`${RESULTS}/summary.txt`, `${passed} passed, ${failed} failed\n`);
process.exit(failed === 0 ? 0 : 1);
