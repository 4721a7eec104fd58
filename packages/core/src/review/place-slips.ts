import { FormulaError } from "../formula/error.js";
import type { Environment } from "../formula/scope.js";
import type { Point } from "../geometry/point.js";
import type { PlannedStep } from "../plan/plan.js";
import type { PointStep } from "../system/model.js";
import { pointText } from "../verb/form.js";
import { VERBS } from "../verb/index.js";
import type { SlipCode } from "./codes.js";
import { drawWith } from "./draw-with.js";
import type { Redrawing } from "./redraw.js";

/** A point put in the wrong place: measured from another point or line, or laid the wrong way. */
export interface PlaceSlip {
  readonly code: SlipCode;
  /** The gap of the verb, and what was taken instead. */
  readonly place: string;
  readonly says: string;
  readonly draw: (environment: Environment) => void;
}

/** So many of the points, or lines, drawn last on the board may be taken for another. */
const LAST_POINTS = 6;
const LAST_LINES = 3;

/** Gaps of a verb that a point is measured from; the others are where it goes to. */
const FROM = new Set(["from", "at", "point", "a", "centre"]);

/** The ways a point may be put in the wrong place with the right figure. */
export function placeSlips(drawing: Redrawing, index: number, source: PointStep): PlaceSlip[] {
  const step = drawing.plan.steps[index] as PlannedStep;
  const gaps = VERBS.get(source.verb)?.forms[source.form]?.parameters ?? [];
  const from = gaps.find(({ name, type }) => type === "point" && FROM.has(name));
  const measures = step.formulas.some((f) => f.kind === "length");
  return [
    ...gaps.flatMap(({ name, type }) =>
      type === "point" ? otherPoints(drawing, index, source, name) : type === "line" ? otherLines(drawing, index, source, name) : [],
    ),
    ...(from && measures ? otherWays(drawing, step, source.args[from.name] ?? "") : []),
  ];
}

/** The figure measured from, or toward, another of the points nearby. */
function otherPoints(drawing: Redrawing, index: number, source: PointStep, gap: string): PlaceSlip[] {
  const { plan, run } = drawing;
  const step = plan.steps[index] as PlannedStep;
  const right = source.args[gap] ?? "";
  const before = beforeOf(right, drawing, source.verb);
  const near = plan.steps
    .flatMap(({ source: s, board }, i) =>
      i < index && s.is === "point" && board === step.board && run.outcomes[i]?.status === "drawn" ? [s.id] : [],
    )
    .slice(-LAST_POINTS);
  return [...new Set([...(before === undefined ? [] : [before]), ...near])]
    .filter((id) => id !== right && id !== source.id)
    .flatMap((id): PlaceSlip[] => {
      const code = !FROM.has(gap) ? "to-other-point" : id === before ? "running-total" : "from-other-point";
      const says =
        code === "running-total"
          ? `the figure was taken as a running total: measured from ${pointText(id)}, where ${pointText(right)} is measured from`
          : code === "from-other-point"
            ? `it was measured from ${pointText(id)} in place of ${pointText(right)}`
            : `${pointText(id)} was taken in place of ${pointText(right)}`;
      return tried({ code, place: `${gap} ${id}`, says }, () => drawWith(plan, step, source, { args: { [gap]: id } }));
    });
}

/** The point that a point was itself measured from, in the same direction. */
function beforeOf(id: string, { plan, run }: Redrawing, verb: string): string | undefined {
  const step = plan.steps.find(({ source }, i) => source.is === "point" && source.id === id && run.outcomes[i]?.status === "drawn");
  return step?.source.is === "point" && step.source.verb === verb ? step.source.args["from"] : undefined;
}

/** Another of the lines drawn before in place of the one meant. */
function otherLines({ plan, run }: Redrawing, index: number, source: PointStep, gap: string): PlaceSlip[] {
  const step = plan.steps[index] as PlannedStep;
  const right = source.args[gap] ?? "";
  return plan.steps
    .flatMap(({ source: s, board }, i) =>
      i < index && s.is === "path" && board === step.board && run.outcomes[i]?.status === "drawn" ? [s] : [],
    )
    .filter(({ key }) => key !== right)
    .slice(-LAST_LINES)
    .flatMap(({ key, label }) =>
      tried(
        {
          code: "to-other-line",
          place: `${gap} ${key}`,
          says: `the ${label?.toLowerCase() ?? key.replace(/_/g, " ")} was taken in place of the line meant`,
        },
        () => drawWith(plan, step, source, { args: { [gap]: key } }),
      ),
    );
}

/** The figure laid the other way, or square to the way it goes. */
function otherWays({ plan }: Redrawing, step: PlannedStep, from: string): PlaceSlip[] {
  const origin = plan.scope.points.get(from) ?? -1;
  const turned = (code: SlipCode, place: string, says: string, turn: (by: Point) => Point): PlaceSlip => ({
    code,
    place,
    says,
    draw: (f) => {
      step.draw?.(f);
      const [a, b] = [f.points[origin], f.points[step.target]];
      const by = a && b && turn({ x: b.x - a.x, y: b.y - a.y });
      f.points[step.target] = a && by && { x: a.x + by.x, y: a.y + by.y };
    },
  });
  return [
    turned("other-direction", "", `it was laid off in the opposite direction from ${pointText(from)}`, (by) => ({ x: -by.x, y: -by.y })),
    turned("along-not-square", "right", `it was laid along in place of square, turned a quarter at ${pointText(from)}`, (by) => ({
      x: by.y,
      y: by.x,
    })),
    turned("along-not-square", "left", `it was laid along in place of square, turned a quarter back at ${pointText(from)}`, (by) => ({
      x: -by.y,
      y: -by.x,
    })),
  ];
}

function tried(slip: Omit<PlaceSlip, "draw">, make: () => PlaceSlip["draw"]): PlaceSlip[] {
  try {
    return [{ ...slip, draw: make() }];
  } catch (error) {
    if (error instanceof FormulaError) return [];
    throw error;
  }
}
