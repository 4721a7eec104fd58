import type { Environment } from "../formula/scope.js";
import { inWords } from "../formula/in-words.js";
import { stepName } from "../plan/step-name.js";
import type { PlannedFormula, PlannedStep } from "../plan/plan.js";
import type { HomeUnit } from "../quantity/units.js";
import { SLIPS, type SlipCode } from "./codes.js";
import { drawWith } from "./draw-with.js";
import { placeSlips } from "./place-slips.js";
import type { Redrawing } from "./redraw.js";
import { ruleSlips } from "./rule-slips.js";
import type { Slip } from "./slip.js";
import { tapeSlips } from "./tape-slips.js";

/** Every way a hand may go wrong at one step of a draft, one slip at a time; `unit` is that of the tape in the hand. */
export function slipsOf(drawing: Redrawing, index: number, unit: HomeUnit): Slip[] {
  const { run, environment } = drawing;
  const step = drawing.plan.steps[index] as PlannedStep;
  // Names mean what they mean where the step stands.
  const plan = { ...drawing.plan, scope: drawing.plan.scope.above(step.node) };
  const { source } = step;
  if (source.is === "path" || !step.draw || run.outcomes[index]?.status !== "drawn") return [];
  const name = inWords(stepName(step));
  const slip = (code: SlipCode, place: string, says: string, draw: (f: Environment) => void): Slip => ({
    code,
    step: index,
    place,
    says: `At ${name}, ${says}.`,
    weight: SLIPS[code],
    draw,
  });
  const with_ = (formula: PlannedFormula, figure: (f: Environment) => number): ((f: Environment) => void) =>
    source.is === "value"
      ? (f) => void (f.slots[step.target] = figure(f))
      : drawWith(plan, step, source, { figures: { [formula.name]: figure } });
  const found = step.formulas.flatMap((formula) => {
    const rules = ruleSlips(plan, environment, formula).map(({ code, place, says, run: figure }) =>
      slip(code, `${formula.name} ${place}`, says, with_(formula, figure)),
    );
    if (source.is === "value" || formula.kind !== "length") return rules;
    const right = formula.typed.run(environment);
    return [
      ...rules,
      ...tapeSlips(Math.abs(right), unit).map(({ code, mm, says }) =>
        slip(
          code,
          `${formula.name} ${mm.toFixed(3)}`,
          says,
          with_(formula, () => Math.sign(right) * mm),
        ),
      ),
    ];
  });
  if (source.is === "point")
    for (const { code, place, says, draw } of placeSlips({ ...drawing, plan }, index, source)) found.push(slip(code, place, says, draw));
  return found;
}
