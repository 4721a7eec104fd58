// Runs the static checks, the unit, API and browser tests, and counts them all; with files, those alone. Called by ./lodrin test.
import { spawn } from "node:child_process";
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";

const RESULTS = "test-results";
rmSync(RESULTS, { recursive: true, force: true });
mkdirSync(RESULTS, { recursive: true });

/** Runs a command; what it says is shown when it has ended, so that two at once do not mix. */
function run(name, command, args) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { stdio: ["ignore", "pipe", "pipe"], env: process.env });
    const said = [];
    for (const stream of [child.stdout, child.stderr]) stream.on("data", (text) => said.push(text));
    child.on("close", (code) => {
      process.stdout.write(`\n== ${name}\n${Buffer.concat(said).toString()}`);
      resolve(code === 0);
    });
  });
}

/** A check that passes or fails as one. */
async function check(name, command, args) {
  const ok = await run(name, command, args);
  return { passed: ok ? 1 : 0, failed: ok ? 0 : 1 };
}

/** A test runner that leaves its counts in a file; one that leaves none counts as one failure. */
async function suite(name, command, args, file, count) {
  const ok = await run(name, command, args);
  const counts = existsSync(file) ? count(JSON.parse(readFileSync(file, "utf8"))) : { passed: 0, failed: 1 };
  return ok || counts.failed > 0 ? counts : { ...counts, failed: 1 };
}

const countVitest = (r) => ({
  passed: r.numPassedTests,
  failed: r.numFailedTests + (r.numFailedTestSuites > 0 && r.numFailedTests === 0 ? 1 : 0),
});
const vitest = (name, projects, files) => {
  const file = `${RESULTS}/${projects.join("-")}.json`;
  const args = ["--reporter=default", "--reporter=json", `--outputFile.json=${file}`, ...projects.map((p) => `--project=${p}`)];
  return suite(name, "npx", ["vitest", "run", ...args, ...files], file, countVitest);
};
const browserTests = (files) =>
  suite("Browser tests", "npx", ["playwright", "test", "-c", "e2e/playwright.config.ts", ...files], `${RESULTS}/e2e.json`, (r) => ({
    passed: r.stats.expected + r.stats.flaky,
    failed: r.stats.unexpected,
  }));

async function staticChecks() {
  return [
    await check("Types", "npx", ["vue-tsc", "-p", "tsconfig.json", "--noEmit"]),
    await check("Types of the core alone: no DOM, no Node", "npx", ["tsc", "-p", "packages/core/tsconfig.json"]),
    await check("ESLint", "npx", ["eslint", ".", "--max-warnings", "0"]),
    await check("Prettier", "npx", ["prettier", "--check", "--log-level", "warn", "."]),
    await check("Boundaries", "npx", ["depcruise", "--config", ".dependency-cruiser.cjs", "packages"]),
  ];
}

const files = process.argv.slice(2);
const browser = files.filter((file) => /\.spec\.ts$|^e2e\b/.test(file));
const units = files.filter((file) => !browser.includes(file));
const counts = [];
if (files.length === 0) {
  counts.push(...(await Promise.all([staticChecks(), vitest("Unit tests", ["unit", "web"], [])])).flat());
  // By themselves: together with others they would want more processors than there are.
  counts.push(await vitest("API tests", ["api"], []));
} else if (units.length > 0) counts.push(await vitest("Unit and API tests", ["unit", "web", "api"], units));
if (files.length === 0 || browser.length > 0) counts.push(await browserTests(browser));

const sum = (key) => counts.reduce((total, one) => total + one[key], 0);
mkdirSync(RESULTS, { recursive: true });
writeFileSync(`${RESULTS}/summary.txt`, `${sum("passed")} passed, ${sum("failed")} failed\n`);
process.exit(sum("failed") === 0 ? 0 : 1);
