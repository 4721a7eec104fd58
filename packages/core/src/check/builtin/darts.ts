import { evaluated } from "../../formula/evaluated.js";
import type { PlannedDart } from "../../piece/blueprint.js";
import type { Environment } from "../../formula/scope.js";
import { type Dart, dartOf, foldOf, intakeOf } from "../../geometry/dart.js";
import { lerp, distance } from "../../geometry/point.js";
import { type CheckResult, makeCheck } from "../result.js";
import type { BuiltinCheck } from "./builtin.js";

// Common practice, no source: legs agree within an eighth of an inch, and a dart is at most a third as wide as it is long.
const LEGS_MM = 25.4 / 8;
const WIDEST_SHARE = 1 / 3;

/** Every dart drawn has equal legs, is not too wide for its length, and stops short of the point of the body it is turned to. */
export const darts: BuiltinCheck = ({ plan, environment }) =>
  plan.darts.flatMap((planned) => {
    const path = environment.paths[planned.path];
    const dart = path && dartOf(path);
    return dart ? [legs(planned, dart, environment), slender(planned, dart), ...shortOf(planned, dart, environment)] : [];
  });

function legs(planned: PlannedDart, dart: Dart, environment: Environment): CheckResult {
  const within = evaluated(planned.within, environment);
  const tolerance = Number.isFinite(within) ? within : LEGS_MM;
  const pairs = dart.tips.map((tip) => [distance(tip, dart.a), distance(tip, dart.b)] as const);
  const [got, expected] = pairs.sort(([a, b], [c, d]) => Math.abs(c - d) - Math.abs(a - b))[0] as readonly [number, number];
  return makeCheck({
    kind: "length",
    at: dart.tips[0],
    board: planned.board,
    id: `legs-equal ${planned.key}`,
    name: `${planned.label}: legs equal`,
    status: Math.abs(got - expected) <= tolerance + 1e-6 ? "pass" : "fail",
    got,
    expected,
    tolerance,
    cause: "The middle of the mouth does not stand square under the point: the legs are sewn to each other.",
  });
}

function slender(planned: PlannedDart, dart: Dart): CheckResult {
  const [mouth] = dart.tips.length === 1 ? foldOf(dart) : [lerp(dart.a, dart.b, 0.5)];
  const length = Math.min(...dart.tips.map((tip) => distance(tip, mouth)));
  const most = length * WIDEST_SHARE;
  return makeCheck({
    kind: "length",
    at: dart.tips[0],
    board: planned.board,
    id: `dart-slender ${planned.key}`,
    relation: "at most",
    name: `${planned.label}: no wider than a third of its length`,
    status: intakeOf(dart) <= most + 1e-6 ? "pass" : "warn",
    got: intakeOf(dart),
    expected: most,
    cause: "A short wide dart stands up in a cone. Divide it between two darts, or let part of it go into a seam.",
  });
}

function shortOf(planned: PlannedDart, dart: Dart, environment: Environment): CheckResult[] {
  const point = planned.shortOf === undefined ? undefined : environment.points[planned.shortOf];
  if (!point) return [];
  const [tip] = dart.tips;
  const mouth = lerp(dart.a, dart.b, 0.5);
  const length = distance(mouth, tip);
  const reach = ((point.x - mouth.x) * (tip.x - mouth.x) + (point.y - mouth.y) * (tip.y - mouth.y)) / (length || 1);
  return [
    makeCheck({
      kind: "length",
      at: dart.tips[0],
      board: planned.board,
      id: `dart-short ${planned.key}`,
      relation: "at most",
      name: `${planned.label}: stops short of the bust point`,
      status: length <= reach + 1e-6 ? "pass" : "fail",
      got: length,
      expected: reach,
      cause: "Sewn up to the bust point or past it, a dart makes a spike.",
    }),
  ];
}
