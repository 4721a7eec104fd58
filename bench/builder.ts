import { performance } from "node:perf_hooks";
import { loadSystem, type LoadedSystem, run, sampleBody } from "@lodrin/core";
import { nestedRow } from "../packages/web/src/features/builder/range/range-rows.js";
import { sceneOf } from "../packages/web/src/board/scene.js";

const ROUNDS = 60;
const p95 = (taken: number[]): number => [...taken].sort((a, b) => a - b)[Math.floor(taken.length * 0.95)] ?? Number.NaN;
const median = (taken: number[]): number => [...taken].sort((a, b) => a - b)[Math.floor(taken.length / 2)] ?? Number.NaN;

/** What follows a keystroke in the middle of a text, but for the laying out: read what changed, compile, draft, lay the scene. ms. */
export function keystroke(text: string, library: Readonly<Record<string, string>>): number {
  const lines = text.split("\n");
  const at = lines.findIndex((line, i) => i > lines.length / 2 && /^#?\w+ (?:down|out) /.test(line));
  const typed = (n: number): string =>
    [...lines.slice(0, at), (lines[at] ?? "").replace(/^(\S+ \w+) /, `$1 0.${n} + `), ...lines.slice(at + 1)].join("\n");
  let before: LoadedSystem = loadSystem(text, library);
  const taken: number[] = [];
  for (let n = 0; n < ROUNDS; n++) {
    const now = typed(n % 10);
    const from = performance.now();
    before = loadSystem(now, library, before);
    sceneOf(before.plan, run(before.plan, sampleBody(before.plan)));
    taken.push(performance.now() - from);
  }
  return p95(taken.slice(10));
}

/** So many readings until the engine has compiled what reads: a builder is open for an hour. */
const WARM = 150;

/** The whole text read and compiled again, warm. ms. */
export function fullLoad(text: string, library: Readonly<Record<string, string>>): number {
  const taken: number[] = [];
  for (let n = 0; n < WARM + ROUNDS; n++) {
    const from = performance.now();
    loadSystem(text, library);
    taken.push(performance.now() - from);
  }
  return median(taken.slice(WARM));
}

/** Twenty sizes drafted and laid on each other, as the range does it, after the text is read. ms. */
export function twentySizes(text: string, library: Readonly<Record<string, string>>): number {
  const { plan } = loadSystem(text, library);
  const taken: number[] = [];
  for (let n = 0; n < 8; n++) {
    const from = performance.now();
    for (let i = 0; i < 20; i++)
      nestedRow(plan, { size: String(i), measurements: sampleBody(plan, 0.2 + 0.03 * i), unit: plan.system.unit }, {}, undefined);
    taken.push(performance.now() - from);
  }
  return median(taken.slice(2));
}
