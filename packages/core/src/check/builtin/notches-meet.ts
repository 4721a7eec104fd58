import { evaluated } from "../../formula/evaluated.js";
import { pairText, seamText } from "../../piece/piece.js";
import { type WalkMark, walkSeam } from "../../piece/walk.js";
import { easeOf } from "../../plan/ease-of.js";
import { type CheckResult, makeCheck } from "../result.js";
import type { BuiltinCheck } from "./builtin.js";

// Common practice, no source: notches that meet within an eighth of an inch are one.
const MEET_MM = 25.4 / 8;

/** The notches of a seam meet when it is walked, but for the ease and what the two sides may differ by; none stands alone. */
export const notchesMeet: BuiltinCheck = ({ plan, environment, pieces }) =>
  plan.sews.flatMap((sew): CheckResult[] => {
    const walk = walkSeam(pieces, sew, plan.sews);
    const marks = walk?.marks.slice(0, -1) ?? [];
    if (!walk || marks.length === 0) return [];
    const eased = Math.abs(easeOf(sew, environment));
    const within = sew.within ? evaluated(sew.within, environment) : 0;
    const tolerance = Math.max(MEET_MM, within) + eased;
    const worst = marks.reduce((a, b) => (apart(b) > apart(a) ? b : a));
    const uneven = marks.some((m) => m.ticks[0] !== m.ticks[1]);
    const [first] = walk.first.segments;
    return [
      makeCheck({
        id: `notches ${sew.first.join("+")} ${sew.second.join("+")}`,
        statement: sew.statement,
        name: `${pairText(
          walk.first.segments.map((s) => s.piece),
          walk.second.segments.map((s) => s.piece),
        )}: notches meet along the ${seamText(sew.first)}`,
        status: apart(worst) <= tolerance + 1e-6 && !uneven ? "pass" : "warn",
        kind: "length",
        relation: "at most",
        got: apart(worst),
        expected: tolerance,
        board: first?.piece.board,
        edges: [...sew.first, ...sew.second],
        seam: { first: sew.first, second: sew.second },
        cause: causeOf(worst, uneven),
      }),
    ];
  });

/** How far (mm) the two sides of a notch lie apart; one that stands alone, by all of its way from the start. */
const apart = ({ first, second }: WalkMark): number =>
  first === undefined || second === undefined ? (first ?? second ?? 0) : Math.abs(first - second);

function causeOf({ name, first, second }: WalkMark, uneven: boolean): string {
  if (first === undefined || second === undefined) return `The notch ${name} has no partner on the other side: give both one, or neither.`;
  return uneven
    ? "A single notch meets a double one: front to front and back to back."
    : "The two notches were measured from different ends or lines: give the seam its notches with notch after.";
}
