import { pointText } from "../../verb/form.js";
import { AMOUNT, LINE, PLACED, SPOT } from "../grammar/main-rules.js";
import { on, oneOf, p, saying } from "../grammar/rules.js";
import type { Direction, Line, Manner } from "../meaning.js";

export const KINDS: Readonly<Record<string, string>> = { hip: "hip", armhole: "armhole", neck: "neck" };
const KIND_WORD = oneOf("kind of curve", KINDS);
const STRAIGHTNESS = saying<Manner>("straight").said(
  on(
    p`(straight|straightly|in a straight line|by a straight line|with a straight line|with straight lines|by straight lines|in straight lines|with ruler|with a ruler)`,
    () => ({ straight: true }),
  ),
);

/** Directions of a curve at its ends. */
const DIRECTION = saying<string>("direction of a curve").said(
  on(p`(level|horizontally|horizontal|flat)`, () => "level"),
  on(p`(plumb|vertically|vertical|straight up and down|upright)`, () => "plumb"),
  on(p`(square|squarely|at right angles|at a right angle|perpendicular) (to|off|from|with|at) ${LINE}`, ([line]) =>
    line?.unknown === undefined && line ? `square to ${lineText(line)}` : undefined,
  ),
  on(p`${LINE} (square|at right angles|squarely)`, ([line]) =>
    line?.unknown === undefined && line ? `square to ${lineText(line)}` : undefined,
  ),
  on(p`(along|tangent to|touching|running into) ${LINE}`, ([line]) =>
    line?.unknown === undefined && line ? `along ${lineText(line)}` : undefined,
  ),
);
export const lineText = (line: Line): string =>
  line.straight && line.ends ? `${pointText(line.ends[0])}-${pointText(line.ends[1])}` : line.text;

const INTO = saying<true>("into a place").said(
  on(p`(into|to|at|on|towards) ${LINE}`, () => true),
  on(p`(into|to|at|on|towards) ${PLACED}`, () => true),
);

const SIDE: Readonly<Record<string, Direction>> = {
  in: "in",
  out: "out",
  up: "up",
  down: "down",
  inward: "in",
  inwards: "in",
  outward: "out",
  outwards: "out",
};
export const SIDE_WORD = oneOf("side", SIDE);
const BENDING = oneOf<"hollow" | "bow">("bending", {
  dipping: "hollow",
  hollowed: "hollow",
  hollowing: "hollow",
  hollow: "hollow",
  dip: "hollow",
  dipped: "hollow",
  sinking: "hollow",
  scooped: "hollow",
  bowed: "bow",
  bowing: "bow",
  bow: "bow",
  rising: "bow",
  raised: "bow",
  swelling: "bow",
  rounded: "bow",
  bulging: "bow",
});
const IN_MIDDLE = saying<true>("in the middle").said(
  on(p`(at|in|through) (its|their)? (middle|centre|mid point|half way|halfway|deepest point|highest point)`, () => true),
);

const ADJECTIVE = saying<true>("kind of curve").said(
  on(p`(smooth|smoothly|slightly|softly|gentle|easy|nice|flowing|soft|slight|good|even|shallow|clean|flat|long|graceful)`, () => true),
);

export const MANNER = saying<Manner>("manner of drawing").said(
  on(
    p`,? (and)? (going|passing|running)? (through|via|by way of|hitting|touching|passing) ${SPOT}`,
    ([spot]) => (spot ? { via: [spot] } : undefined),
    0.2,
  ),
  on(p`(,|with|by|in|as|using)? (a|an)? ${ADJECTIVE}? ,? (and)? ${ADJECTIVE}? (curve|curved line|curved|curve line|sweep)`, () => ({
    curve: true,
  })),
  on(
    p`(and|,)? (square|squarely|at right angles|at a right angle|perpendicular) (to|with|at) ${LINE}`,
    ([line]) => (line === undefined || line.unknown !== undefined ? undefined : { curve: true, squareTo: line }),
    0.3,
  ),
  on(p`,? (with)? (a)? ${BENDING} ${SIDE_WORD}? (by|of)? ${AMOUNT} ${SIDE_WORD}? ${IN_MIDDLE}?`, ([how, before, by, after]) => {
    const side = before ?? after;
    return how && by ? { curve: true, bend: { how, by, ...(side === undefined ? {} : { side }) } } : undefined;
  }),
  on(
    p`(by|with|in|as)? (a|an)? ${oneOf<"hollow" | "bow">("kind of bend", { inward: "hollow", inwards: "hollow", hollow: "hollow", concave: "hollow", outward: "bow", convex: "bow" })} curve ,? (of)? ${AMOUNT} (deep|high)? ${IN_MIDDLE}?`,
    ([how, by]) => how && by && { curve: true, bend: { how, by } },
  ),
  on(p`,? (with)? (a)? ${AMOUNT} ${BENDING} ${SIDE_WORD}? ${IN_MIDDLE}?`, ([by, how, side]) =>
    how && by ? { curve: true, bend: { how, by, ...(side === undefined ? {} : { side }) } } : undefined,
  ),
  on(p`(,|with|by|in|using|as|like) (a|an)? (smooth|gentle|easy)? ${KIND_WORD} curve`, ([like]) =>
    like === undefined ? undefined : { curve: true, like },
  ),
  on(p`(a|an)? (smooth|gentle|easy)? ${KIND_WORD} curve`, ([like]) => (like === undefined ? undefined : { curve: true, like }), 0.9),
  on(
    p`(and|,)? (leaving|starting|beginning|start|starts) ${PLACED}? (square|squarely|at right angles)`,
    () => ({ curve: true, squareStart: true }),
    0.5,
  ),
  on(p`(,|with|by|in|using)? (a|an)? (french|pistol|curved) (curve|ruler|rule)`, () => ({ curve: true })),
  on(p`(in|with|by|as) (a|an)? (firm|solid|heavy|full|continuous|bold|single|good) line`, () => ({}), 0.1),
  // "So that it leaves 6 square to the shoulder and arrives at 8 level."
  on(
    p`,? (and)? (so that it|so it|which|that|it)? (leaves|starts|begins) (at|from)? ${PLACED} ${DIRECTION} ,? (and)? (it)? (arrives|ends|finishes|comes) (at|in|into|to)? ${PLACED} ${DIRECTION}`,
    ([, leaving = "", , arriving = ""]) => ({ leaving, arriving }),
  ),
  on(p`(and|,)? (arrives|ends|finishes|comes|arriving|ending) (at|in|into|to) ${PLACED} ${DIRECTION}`, ([, arriving = ""]) => ({
    arriving,
  })),
  on(p`,? ${STRAIGHTNESS}`, ([manner]) => manner),
  on(p`(by|with|as|in)? (a|an)? (dotted|dashed|broken) (line)?`, () => ({ dashed: true })),
  on(p`(by|with|as|in)? (a)? (level|horizontal) line`, () => ({ straight: true })),
  on(
    p`(and|,)? (leaving|starting|beginning|start|starts|begins|leaves|begin) (it|out)? ${DIRECTION} (there|at first)?`,
    ([leaving = ""]) => ({ leaving }),
  ),
  on(p`(and|,)? (leaving|starting|beginning|start|starts|begins|leaves) ${PLACED} ${DIRECTION}`, ([, leaving = ""]) => ({ leaving })),
  on(
    p`(and|,|and running|running)? (arriving|ending|running|arrive|arrives|ends|end|runs|coming|finishing|meeting|finish|run) (in|out)? ${DIRECTION}`,
    ([arriving = ""]) => ({ arriving }),
  ),
  on(
    p`(and|,)? (arriving|ending|running|arrive|arrives|ends|end|runs|coming|finishing|run) (in|out)? ${DIRECTION} ${INTO}`,
    ([arriving = ""]) => ({ arriving }),
  ),
);
