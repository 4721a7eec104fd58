import { FIGURE, MEASURED, SHARE } from "../grammar/figures.js";
import { AMOUNT, LINE } from "../grammar/main-rules.js";
import { on, oneOf, p, saying } from "../grammar/rules.js";
import type { Amount, Line } from "../meaning.js";
import { NOT_SO } from "../sheet/unclear.js";
import { act, type Act } from "../clause.js";
import { BY_STEPS } from "./by-steps.js";
import { BOTH, sameOn } from "./edge-pairs.js";
import { MEASURES } from "./measuring.js";
import { keyFrom, pathOf } from "./said.js";
import { SEWN } from "./sewing.js";
import { laidOff } from "./laid-off.js";
import { EDGE, PIECE, roleOf } from "./shaping.js";

const title = (words: string): string => words.replace(/_/g, " ").replace(/^./, (c) => c.toUpperCase());

const SHOULD = saying<true>("should be").said(
  on(
    p`(must|should|have to|has to|need to|needs to|are to|is to|shall|will|ought to)? (be|measure|come out|is|are|become|match|agree|equal|equals|come to)`,
    () => true,
  ),
);
const CHECKED = saying<true>("check").said(
  on(
    p`(check|check that|make sure|make sure that|see that|see to it that|be sure|be sure that|see whether|test that|verify|verify that|ensure|ensure that|check whether|check if) (:)?`,
    () => true,
  ),
);
const ALIKE = saying<true>("alike").said(
  on(
    p`(exactly)? (equal|same|same length|alike|equally long|of same length|equal in length|same in length|identical|identical in length|match|in length|equal length|of equal length|as long as each other)?`,
    () => true,
  ),
  { starts: (_, at) => [{ value: true, to: at, cost: 0 }] },
);
const WITHIN = saying<string>("within").said(
  on(p`(to)? (within|give or take) ${MEASURED}`, ([by]) => by),
  on(p`(to)? (within|give or take) (a|an|one) ${SHARE}`, ([share]) => share && `${share.top}/${share.under}`),
  on(p`(to)? (within|give or take) ${FIGURE}`, ([by]) => by, 0.2),
);
const EQUALS = saying<Act>("equal").said(
  on(p`${CHECKED}? ${BOTH} ${SHOULD} ${ALIKE} (to)? ${WITHIN}?`, ([, both, , , within]) => equal(both, within), 0.1),
  on(
    p`${CHECKED}? ${EDGE} ${SHOULD} ${ALIKE} (to|as|as long as|with)? ${EDGE} (in length)? ${WITHIN}?`,
    ([, a, , , b, within]) => (a !== undefined && b !== undefined ? equal([a, b], within) : undefined),
    0.1,
  ),
  on(
    p`(check|check that|make sure|see that|be sure)? (:)? ${BOTH} ${SHOULD} (equal|same|same length|alike|equally long|of same length|equal in length|same in length) (to)? within ${MEASURED}`,
    ([both, , within]) => equal(both, within),
  ),
  on(
    p`(check|check that|make sure|see that|be sure)? (:)? ${BOTH} ${SHOULD} (equal|same|same length|alike|equally long|of same length|equal in length|same in length)`,
    ([both]) => equal(both, undefined),
  ),
  on(
    p`(check|check that|make sure|make sure that|see that) (:)? ${AMOUNT} (=|is|equals|measures|is equal to|is same as|should be|must be|comes to) ${AMOUNT}`,
    ([a, b]) => equalAmounts(a, b),
  ),
  on(p`(is|are|does|do) ${AMOUNT} (equal to|equal|as long as|same as|same length as|match) ${AMOUNT}`, ([a, b]) => equalAmounts(a, b), 0.2),
  on(
    p`${CHECKED}? ${EDGE} (plus|and|+) ${EDGE} (together|added|added together)? ${SHOULD} ${AMOUNT} ${WITHIN}?`,
    ([, a, b, , by, within]) =>
      a !== undefined && b !== undefined && by
        ? act(`sum ${a} ${b}`, (bag, sheet) => {
            if (!bag.holds({ act: 1 })) throw NOT_SO;
            return sheet.put(
              "end",
              `check "${title(roleOf(a))}": len(${a}) + len(${b}) = ${laidOff(by, sheet).formula} within ${within ?? tolerance(sheet.ground.unit)}`,
            );
          })
        : undefined,
  ),
  on(p`(check|compare|measure|test) (:)? ${AMOUNT} (against|with|to) ${AMOUNT}`, ([a, b]) => equalAmounts(a, b), 0.2),
  on(p`(check|check that) (:)? ${BOTH} (equal|same|same length|of same length|alike) (to)? (within ${MEASURED})?`, ([both, within]) =>
    equal(both, within),
  ),
  on(p`${EDGE} ${SHOULD} (as long as|same length as|equal to) ${EDGE}`, ([a, , b]) =>
    a !== undefined && b !== undefined ? equal([a, b], undefined) : undefined,
  ),
  on(p`${CHECKED}? ${EDGE} ${SHOULD} ${AMOUNT} (longer|more) than ${EDGE}`, ([, a, , by, b]) =>
    a !== undefined && b !== undefined && by ? longer(a, b, by) : undefined,
  ),
  on(p`${CHECKED}? ${EDGE} ${SHOULD} ${AMOUNT} (shorter|less) than ${EDGE}`, ([, a, , by, b]) =>
    a !== undefined && b !== undefined && by ? longer(b, a, by) : undefined,
  ),
  on(
    p`(does|do|is|are|will) ${EDGE} (equal|match|same as|as long as|agree with|fit) ${EDGE}`,
    ([a, b]) => (a !== undefined && b !== undefined ? equal([a, b], undefined) : undefined),
    0.2,
  ),
  on(
    p`${CHECKED}? ${LINE} (is|should be|must be|be|may be|measures|should measure|must measure) (no|not)? ${oneOf<"<=" | ">=">("at most or at least", { longer: "<=", shorter: ">=" })} than ${AMOUNT}`,
    ([, line, than, by]) => (line && than && by ? bounded(line, than, by) : undefined),
    0.2,
  ),
  on(
    p`${CHECKED}? ${LINE} (is|should be|must be|be|measures|should measure|must measure) at ${oneOf<"<=" | ">=">("most or least", { most: "<=", least: ">=" })} ${AMOUNT}`,
    ([, line, than, by]) => (line && than && by ? bounded(line, than, by) : undefined),
    0.2,
  ),
  // "Than the front one": the edge of the same role.
  on(p`${CHECKED}? ${EDGE} ${SHOULD} ${AMOUNT} (longer|more) than (that of)? ${PIECE} (one|edge|seam)?`, ([, a, , by, piece], g) => {
    const b = a !== undefined && piece ? sameOn(piece, a, g) : undefined;
    return a !== undefined && b !== undefined && by ? longer(a, b, by) : undefined;
  }),
  on(
    p`${CHECKED}? ${EDGE} ${SHOULD} ${ALIKE} (as|to|with)? (that of)? ${PIECE} (one|edge|seam)?`,
    ([, a, , , piece], g) => {
      const b = a !== undefined && piece ? sameOn(piece, a, g) : undefined;
      return a !== undefined && b !== undefined ? equal([a, b], undefined) : undefined;
    },
    0.4,
  ),
);
/** A line that may be no longer than a figure, or no shorter. */
const bounded = (line: Line, than: "<=" | ">=", by: Amount): Act =>
  act(`bounded ${line.text}`, (bag, sheet) => {
    if (!bag.holds({ act: 1 })) throw NOT_SO;
    return sheet.put("end", `check "${title(keyFrom(line))}": len(${pathOf(line)}) ${than} ${laidOff(by, sheet).formula}`);
  });

/** A line of the front and one of the back together. */
const TOTAL = saying<Act>("check of a sum").said(
  on(
    p`${CHECKED}? ${LINE} (:|,)? (front plus back|back plus front|front and back|back and front|both) (together)? ${SHOULD} ${AMOUNT} ${WITHIN}?`,
    ([, line, , by, within], g) => {
      const role = line?.role ?? line?.text;
      const both =
        role === undefined ? [] : g.pieces.filter((q) => q.edges.some((e) => e.role === role)).map((q) => `len(${q.key}.${role})`);
      if (both.length < 2 || !by || role === undefined) return undefined;
      return act(`sum ${role}`, (bag, sheet) => {
        if (!bag.holds({ act: 1 })) throw NOT_SO;
        return sheet.put(
          "end",
          `check "${title(role)}": ${both.join(" + ")} = ${laidOff(by, sheet).formula} within ${within ?? tolerance(sheet.ground.unit)}`,
        );
      });
    },
  ),
);
function equal(both: readonly [string, string] | undefined, within: string | undefined): Act | undefined {
  if (!both) return undefined;
  return act(`equal ${both.join()}`, (bag, sheet) => {
    if (!bag.holds({ act: 1 })) throw NOT_SO;
    return sheet.put(
      "end",
      `check "${title(roleOf(both[0]))}": len(${both[0]}) = len(${both[1]}) within ${within ?? tolerance(sheet.ground.unit)}`,
    );
  });
}
const tolerance = (unit: string): string => (unit === "in" ? "1/8" : "3mm");
function longer(a: string, b: string, by: Amount): Act {
  return act(`longer ${a} ${b}`, (bag, sheet) => {
    if (!bag.holds({ act: 1 })) throw NOT_SO;
    return sheet.put(
      "end",
      `check "${title(roleOf(a))}": len(${a}) = len(${b}) + ${laidOff(by, sheet).formula} within ${tolerance(sheet.ground.unit)}`,
    );
  });
}
function equalAmounts(a: Amount | undefined, b: Amount | undefined): Act | undefined {
  if (!a || !b) return undefined;
  return act(`check ${a.formula} ${b.formula}`, (bag, sheet) => {
    if (!bag.holds({ act: 1 })) throw NOT_SO;
    return sheet.put(
      "end",
      `check "${title(b.formula.replace(/\W+/g, " ").trim() || "Length")}": ${laidOff(a, sheet).formula} = ${laidOff(b, sheet).formula} within ${tolerance(sheet.ground.unit)}`,
    );
  });
}

export const CHECKING = [EQUALS, TOTAL, ...MEASURES, SEWN, BY_STEPS];
