import { headingAtEnd, headingAtStart, endOf } from "../../geometry/path/path.js";
import { turnOf } from "../../geometry/point.js";
import { pairText, roleText, seamText } from "../../piece/piece.js";
import { type SeamCorner, seamEnds } from "../../piece/walk.js";
import type { Plan } from "../../plan/plan.js";
import { type CheckResult, makeCheck } from "../result.js";
import type { BuiltinCheck } from "./builtin.js";

// Common practice, no source: what three degrees are at a fold, six are over a seam, where both sides may stray.
const FLOWS_RAD = (6 * Math.PI) / 180;

/** Edges of one kind run on over a seam without a corner: the neck over the shoulder, the armhole over the side, the hem over every seam. */
export const runsOn: BuiltinCheck = ({ plan, pieces }) =>
  plan.sews.flatMap((sew) =>
    seamEnds(pieces, sew, plan.sews).flatMap((end): CheckResult[] => {
      const [a, b] = [end.first, end.second];
      if (liesOn(plan, a.piece.key, b.piece.key) || liesOn(plan, b.piece.key, a.piece.key)) return [];
      if (a.neighbour.role !== b.neighbour.role || a.neighbour.pointed || b.neighbour.pointed) return [];
      const got = insideAngle(a) + insideAngle(b);
      // Two corners that fill more than the whole way round cannot lie beside each other: one of them is the tip of a spike.
      if (got > 2 * Math.PI) return [];
      return [
        makeCheck({
          id: `runs-on ${a.neighbour.name} ${b.neighbour.name} ${sew.first.join("+")}`,
          name: `${pairText([a.piece], [b.piece])}: ${roleText(a.neighbour)} runs on over the ${seamText(sew.first)}`,
          status: Math.abs(got - Math.PI) <= FLOWS_RAD ? "pass" : "warn",
          kind: "angle",
          got,
          expected: Math.PI,
          tolerance: FLOWS_RAD,
          at: endOf(a.before.path),
          board: a.piece.board,
          onPiece: true,
          // The seam itself: walked, it shows the corner at its end.
          edges: [...sew.first, ...sew.second],
          seam: { first: sew.first, second: sew.second },
          cause: "Sewn together the two make a corner or a dip. Lay the pieces seam on seam and draw the edge on through as one line.",
        }),
      ];
    }),
  );

/** A facing or a lining is turned in and lies on the piece it was made from: nothing runs on from one to the other. */
const liesOn = ({ shapings }: Plan, key: string, base: string): boolean =>
  shapings.some(({ source: s }) => s.is === "pieceFrom" && s.key === key && s.of === base);

/** The angle inside the piece at a corner. Outlines run clockwise, so a turn to the right is less than straight. */
const insideAngle = ({ before, after }: SeamCorner): number => Math.PI - turnOf(headingAtEnd(before.path), headingAtStart(after.path));
