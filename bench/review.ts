import { performance } from "node:perf_hooks";
import { loadSystem, review, run, sampleBody } from "@lodrin/core";
import { ownReadings } from "../packages/core/src/review/reading.js";
import { redraw, redrawing } from "../packages/core/src/review/redraw.js";
import { slipsOf } from "../packages/core/src/review/slips.js";

const READINGS = 12;
const ROUNDS = 40;

/** Twelve readings of a draft in which one slip was made, judged; another slip each round. The 95th of a hundred, ms. */
export function twelveReadings(text: string, library: Readonly<Record<string, string>>): number {
  const { plan } = loadSystem(text, library);
  const drafted = run(plan, sampleBody(plan));
  const drawing = redrawing(plan, drafted);
  const own = ownReadings(drawing);
  const slips = plan.steps.flatMap((_, i) => slipsOf(drawing, i, plan.system.unit).slice(0, 1));
  const taken: number[] = [];
  for (let n = 0; n < ROUNDS; n++) {
    const slip = slips[(n * 7) % slips.length];
    if (!slip) continue;
    const wrong = redraw(drawing, slip.step, slip.draw).environment;
    const hanging = own.filter(({ measured }) => measured.dependencies.has(slip.step));
    const others = own.filter((_, i) => i % Math.ceil(own.length / READINGS) === 0);
    const readings = [...hanging, ...others].slice(0, READINGS).map(({ name, measured }) => [name, `${measured.on(wrong)} mm`]);
    const from = performance.now();
    review(plan, drafted, Object.fromEntries(readings) as Record<string, string>);
    taken.push(performance.now() - from);
  }
  return taken.sort((a, b) => a - b)[Math.floor(taken.length * 0.95)] ?? Number.NaN;
}
