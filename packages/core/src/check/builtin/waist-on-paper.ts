import type { Frame } from "../../formula/scope.js";
import type { Plan } from "../../draft/plan.js";
import { endOf, startOf } from "../../geometry/path.js";
import type { Point } from "../../geometry/point.js";
import { statementsOf } from "../../system/model.js";
import type { CheckResult } from "../result.js";
import type { BuiltinCheck } from "./builtin.js";

const WAIST = /\bwaist\b/i;

/** Levels are compared that begin where the waist does; a shaped centre moves it a little. */
const FROM_THE_CENTRE_MM = 60;

/** The paper is folded or cut by the widest of the other levels: the waist, with what its darts take, runs off it when it is wider still. */
export const waistOnPaper: BuiltinCheck = ({ plan, frame }) => {
  const levels = levelsOf(plan, frame);
  return statementsOf(plan.system, "board").flatMap(({ key, title }): CheckResult[] => {
    const here = levels.filter((l) => l.board === key);
    const waist = widest(here.filter((l) => WAIST.test(l.label)));
    const other = waist && widest(here.filter((l) => !WAIST.test(l.label) && Math.abs(l.inner - waist.inner) < FROM_THE_CENTRE_MM));
    if (!waist || !other) return [];
    return [
      {
        name: `${title}: waist on the paper`,
        status: waist.outer.x <= other.outer.x + 1e-6 ? "pass" : "look",
        kind: "length",
        got: waist.outer.x,
        expected: [0, other.outer.x],
        tolerance: 0,
        at: waist.outer,
        board: key,
        edges: [],
        cause: "With its dart the waist is wider than bust and hip: fold the paper by the waist, or take less into the dart.",
      },
    ];
  });
};

interface Level {
  readonly label: string;
  readonly board: string;
  /** Its end at the centre, across; and its end away from it. */
  readonly inner: number;
  readonly outer: Point;
}

const widest = (levels: readonly Level[]): Level | undefined => [...levels].sort((a, b) => b.outer.x - a.outer.x)[0];

function levelsOf(plan: Plan, frame: Frame): Level[] {
  return plan.steps.flatMap(({ source, target, board }): Level[] => {
    if (source.is !== "path" || source.shape !== "level") return [];
    const path = frame.paths[target];
    if (!path) return [];
    const [inner, outer] = [startOf(path), endOf(path)].sort((a, b) => a.x - b.x) as [Point, Point];
    return [{ label: source.label ?? source.key, board, inner: inner.x, outer }];
  });
}
