import type { Plan } from "../plan/plan.js";
import type { HomeUnit } from "../quantity/units.js";
import { redrawn, type Run } from "../run/run.js";
import type { SlipCode } from "./codes.js";
import { redraw, redrawing } from "./redraw.js";
import { sameSlip, type Slip } from "./slip.js";
import { slipsOf } from "./slips.js";

/** A slip as it may be chosen: its step by its place in the plan, and what happens there in words. */
export interface ChosenSlip {
  readonly step: number;
  readonly code: SlipCode;
  readonly place: string;
  readonly says: string;
}

const plain = ({ step, code, place, says }: Slip): ChosenSlip => ({ step, code, place, says });

/** The slips a hand can make at one step of a draft, the most common first. */
export function slipsAt(plan: Plan, run: Run, step: number, unit: HomeUnit): ChosenSlip[] {
  return slipsOf(redrawing(plan, run), step, unit)
    .sort((a, b) => b.weight - a.weight)
    .map(plain);
}

/** A draft as a hand lays it that makes these slips, each carried on into what hangs on it. A slip that cannot be made here is left out. */
export function drawnWithSlips(plan: Plan, run: Run, chosen: readonly ChosenSlip[], unit: HomeUnit): Run {
  const drawing = redrawing(plan, run);
  const drawn = [...chosen]
    .sort((a, b) => a.step - b.step)
    .reduce((evaluation, wanted) => {
      const slip = slipsOf(drawing, wanted.step, unit).find((s) => sameSlip(s, wanted));
      return slip ? redraw({ ...drawing, evaluation }, slip.step, slip.draw) : evaluation;
    }, drawing.evaluation);
  return redrawn(run, drawn);
}
