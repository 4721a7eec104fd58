import { nearestOnPath } from "../../geometry/path/nearest-on-path.js";
import type { Plan, PlannedStep } from "../../plan/plan.js";
import { BEYOND } from "../../verb/along.js";
import { pointText } from "../../verb/form.js";
import type { Environment } from "../../formula/scope.js";
import { type CheckResult, makeCheck } from "../result.js";
import type { BuiltinCheck } from "./builtin.js";

/** Half a millimetre is a pencil line. */
const OFF_MM = 0.5;

/** A place so far along a named line is on it. Asked only where it does not: a length went past the line's end. */
export const onTheLine: BuiltinCheck = ({ plan, environment }) =>
  plan.steps.flatMap((step) => {
    const off = beyondItsLine(plan, step, environment);
    return off ? [off] : [];
  });

function beyondItsLine(
  { scope }: Plan,
  { source, target, board, statement }: PlannedStep,
  environment: Environment,
): CheckResult | undefined {
  if (source.is !== "point" || source.verb !== "along" || source.form === BEYOND) return undefined;
  const name = source.args["line"] ?? source.args["path"] ?? "";
  const path = environment.paths[scope.paths.get(name) ?? -1];
  const at = environment.points[target];
  // What is one straight stretch may be carried on, as wherever it is named.
  if (!path || !at || (path.segments.length === 1 && path.segments[0]?.straight)) return undefined;
  const { off: mm } = nearestOnPath(path, at);
  if (mm <= OFF_MM) return undefined;
  return makeCheck({
    id: `on-its-line ${source.id}`,
    statement,
    name: `${pointText(source.id)} is on ${name}`,
    status: "warn",
    kind: "length",
    got: mm,
    expected: 0,
    tolerance: OFF_MM,
    at,
    board,
    cause: "The length goes past the end of the line. Take it shorter, or write “beyond” before it when that is meant.",
  });
}
