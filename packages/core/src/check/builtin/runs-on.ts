import { headingAtEnd, headingAtStart, endOf } from "../../geometry/path.js";
import { turnOf } from "../../geometry/point.js";
import { pairText, roleText } from "../../piece/piece.js";
import { type SeamCorner, seamEnds } from "../../piece/walk.js";
import type { CheckResult } from "../result.js";
import type { BuiltinCheck } from "./builtin.js";

// Common practice, no source: what three degrees are at a fold, six are over a seam, where both sides may stray.
const FLOWS_RAD = (6 * Math.PI) / 180;

/** Edges of one kind run on over a seam without a corner: the neck over the shoulder, the armhole over the side, the hem over every seam. */
export const runsOn: BuiltinCheck = ({ plan, pieces }) =>
  plan.sews.flatMap(({ first, second }) => {
    const names = [`${first.piece}.${first.role}`, `${second.piece}.${second.role}`] as const;
    return seamEnds(pieces, ...names).flatMap((end): CheckResult[] => {
      const [a, b] = [end.first, end.second];
      if (a.neighbour.role !== b.neighbour.role || a.neighbour.pointed || b.neighbour.pointed) return [];
      const got = insideAngle(a) + insideAngle(b);
      return [
        {
          name: `${pairText(a.piece, b.piece)}: ${roleText(a.neighbour)} runs on over the ${roleText(first)}`,
          status: Math.abs(got - Math.PI) <= FLOWS_RAD ? "pass" : "look",
          kind: "angle",
          got,
          expected: Math.PI,
          tolerance: FLOWS_RAD,
          at: endOf(a.before.path),
          board: a.piece.board,
          // The seam itself: walked, it shows the corner at its end.
          edges: names,
          cause:
            "Sewn together the two make a corner or a dip there. Lay the pieces seam on seam and draw the edge on through as one line.",
        },
      ];
    });
  });

/** The angle inside the piece at a corner. Outlines run clockwise, so a turn to the right is less than straight. */
const insideAngle = ({ before, after }: SeamCorner): number => Math.PI - turnOf(headingAtEnd(before.path), headingAtStart(after.path));
