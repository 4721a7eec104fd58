import { pointText } from "../../verb/form.js";
import { FIGURE, MEASURED, SHARE } from "../grammar/figures.js";
import { AMOUNT, LINE, SPOT } from "../grammar/main-rules.js";
import { on, oneOf, p, saying, wordsRow } from "../grammar/rules.js";
import type { Ground, KnownPiece } from "../ground/ground.js";
import type { Amount, Line, Spot } from "../meaning.js";
import { ask, NOT_SO, refuse } from "../sheet/unclear.js";
import { act, type Act } from "../clause.js";
import { keyFrom, pathOf } from "./said.js";
import { laidOff } from "./laid-off.js";
import { EDGE, PIECE, pieceOf, roleOf } from "./shaping.js";

const title = (words: string): string => words.replace(/_/g, " ").replace(/^./, (c) => c.toUpperCase());

/** Two pieces' edges of one role, as `the back and front side seams`. */
const BOTH = saying<readonly [string, string]>("edges of two pieces").said(
  on(p`${wordsRole()} (seams|edges|lines)? of ${PIECE} and (of)? ${PIECE}`, ([role = "", a, b]) =>
    a && b && a !== b && [a, b].every((piece) => piece.edges.some((e) => e.role === role))
      ? [`${a.key}.${role}`, `${b.key}.${role}`]
      : undefined,
  ),
  on(p`${EDGE} (seam|edge)? and ${EDGE} (seam|edge)?`, ([a, b]) => (a !== undefined && b !== undefined && a !== b ? [a, b] : undefined)),
  {
    starts: (chart, at) => {
      const words = [chart.tokens[at]?.text, chart.tokens[at + 2]?.text];
      const pieces = words.map((word) => chart.ground.pieces.find((piece) => piece.words === word));
      const [a, b] = pieces;
      if (!a || !b || chart.tokens[at + 1]?.text !== "and") return [];
      return chart.parse(ROLE, at + 3).flatMap((got) => {
        const has = [a, b].every((piece) => piece.edges.some((e) => e.role === got.value));
        return has ? [{ value: [`${a.key}.${got.value}`, `${b.key}.${got.value}`] as const, to: got.to, cost: got.cost }] : [];
      });
    },
  },
  on(p`(both|two) ${wordsRole()} (seams|edges|lines)?`, ([role = ""], { pieces }) => {
    const with_ = pieces.filter((piece) => piece.edges.some((e) => e.role === role));
    const [a, b] = with_;
    return a && b && with_.length === 2 ? [`${a.key}.${role}`, `${b.key}.${role}`] : undefined;
  }),
  on(p`${wordsRole()} seams`, ([role = ""], { pieces }) => {
    const with_ = pieces.filter((piece) => piece.edges.some((e) => e.role === role));
    const [a, b] = with_;
    return a && b && with_.length === 2 ? [`${a.key}.${role}`, `${b.key}.${role}`] : undefined;
  }),
);
const ROLE = saying<string>("role of an edge").said(on(p`${wordsRole()} (seam|seams|edge|edges|line|lines)?`, ([role]) => role));
function wordsRole() {
  return wordsRow<string>("role", 2, (words, { pieces }) => {
    const role = words.replace(/s$/, "").replace(/ /g, "_");
    return pieces.some((piece) => piece.edges.some((e) => e.role === role)) ? role : undefined;
  });
}

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

/** The edge of the same role on another piece. */
const sameOn = (piece: KnownPiece, edge: string, { lines }: Ground): string | undefined =>
  lines.find((line) => line.path === `${piece.key}.${roleOf(edge)}` && line.path !== edge)?.path;

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

const DOWN = saying<true>("write it down").said(
  on(
    p`,? (and)? (write|note|keep|jot|put|record|remember) (it|that|that number|this number|number|figure|that figure|result|length|this)? (down)?`,
    () => true,
  ),
);
const TOGETHER = saying<true>("both together").said(
  on(p`,? (back and front|front and back|both) (together|added|added together)? ,?`, () => true),
);
const MEASURE_IT = saying<Act>("measure and write down").said(
  on(p`(measure|take|add up) (whole)? ${LINE} ${DOWN}`, ([line]) => written([line])),
  on(
    p`(note|write down|record|keep|note down|jot down) (length|measure|measurement) of (whole)? ${LINE}`,
    ([line]) => written([line]),
    -0.3,
  ),
  on(p`(measure|take|add up) (whole)? ${LINE} (again|once)? ${TOGETHER} ${DOWN}`, ([line], g) => {
    if (!line) return undefined;
    const role = line.role ?? line.text;
    const both = g.pieces.flatMap((piece) => g.lines.find((l) => l.path === `${piece.key}.${role}`) ?? []);
    return written(
      both.map((l): Line => ({
        text: l.text,
        board: l.board,
        straight: l.straight,
        role,
        ...(l.path === undefined ? {} : { path: l.path }),
        ...(l.piece === undefined ? {} : { piece: l.piece }),
      })),
    );
  }),
  on(p`(measure|add up) ${LINE} and ${LINE} (together)? ${DOWN}`, ([a, b]) => written([a, b])),
);
const FIGURE_NAME = wordsRow<string>("name of a figure", 3, (words) =>
  /^[a-z]+(?: [a-z]+){0,2}$/.test(words) && !/\b(?:it|down|as|the|that|this|length|number|figure|result|measurement|measure)\b/.test(words)
    ? words
    : undefined,
);
const NOTED_AS = saying<string>("what a figure is called").said(
  on(p`,? (and)? (write|note|keep|jot|put|record|remember|call|name) (it|that|this)? (down)? (as|under)? ${FIGURE_NAME}`, ([name]) => name),
);
const MEASURE_AS = saying<Act>("measure under a name").said(
  on(p`(measure|take) (measurement|length)? (from ${SPOT} to ${SPOT})? (along|round|around)? ${LINE} ${NOTED_AS}`, ([a, b, line, name]) =>
    line && (!a || sameEnds(line, [a, b])) && name !== undefined ? written([line], name) : undefined,
  ),
  on(
    p`(measure|take) (distance|way|length)? from ${SPOT} to ${SPOT} ${NOTED_AS}`,
    ([a, b, name]) =>
      a && b && name !== undefined
        ? act(`distance ${name}`, (bag, sheet) => {
            if (!bag.holds({ act: 1 })) throw NOT_SO;
            const [at, [from = "", to = ""]] = sheet.spots([a, b]);
            const key = at.key(name);
            return at.put("step", `value ${key} = dist(${from}, ${to})`).keep(key);
          })
        : undefined,
    0.2,
  ),
);
const sameEnds = ({ ends }: Line, spots: readonly (Spot | undefined)[]): boolean =>
  ends !== undefined && spots.every((spot) => spot !== undefined && "id" in spot && ends.includes(spot.id));

function written(lines: readonly (Line | undefined)[], name?: string): Act | undefined {
  const known = lines.flatMap((line) => line ?? []);
  if (known.length === 0 || known.length < lines.length) return undefined;
  return act(`value ${known.map((l) => l.text).join()}`, (bag, sheet) => {
    if (!bag.holds({ act: 1 })) throw NOT_SO;
    for (const line of known) if (line.unknown !== undefined) throw refuse(`There is no ${line.unknown} here.`);
    const key = sheet.key(name ?? `${keyFrom(known[0] as Line)}_length`);
    const lengths = known.map((line) => `len(${pathOf(line)})`).join(" + ");
    // The figure can be worked out where the last of its lines is drawn.
    const boards = sheet.ground.boards.map((b) => b.key);
    const last = [...known].sort((a, b) => boards.indexOf(b.board) - boards.indexOf(a.board))[0];
    return sheet
      .on(last?.board ?? sheet.board)
      .put("step", `value ${key} = ${lengths}`)
      .keep(key);
  });
}

const SEWN = saying<Act>("sew").said(
  on(
    p`${EDGE} (is|are|to be|must be)? (sewn|joined|set|stitched) (to|with|into|onto) ${EDGE} ,? (with)? ${AMOUNT} (of)? (ease|eased in|eased|easing) (in)?`,
    ([a, b, by]) => sewn(a, b, by),
  ),
  on(
    p`(sew|join|set|stitch|ease) ${EDGE} (to|with|into|onto) ${EDGE} ,? (with|easing in|easing)? ${AMOUNT} (of)? (ease|eased in|eased|easing)? (in)?`,
    ([a, b, by]) => sewn(a, b, by),
    0.1,
  ),
  on(p`(gather|gather up|shirr) ${EDGE} (to fit|to match|into|to|onto) ${EDGE}`, ([a, b]) =>
    a !== undefined && b !== undefined && pieceOf(a) !== pieceOf(b)
      ? act(`gather ${a} ${b}`, (bag, sheet) => {
          if (!bag.holds({ act: 1 })) throw NOT_SO;
          return sheet.put("end", `sew ${a} with ${b}, eased len(${a}) - len(${b})`);
        })
      : undefined,
  ),
  on(p`(ease|work|shrink) ${AMOUNT} of ${EDGE} (in|into|onto|to) ${EDGE}`, ([by, a, b]) => sewn(a, b, by), 0.1),
  on(
    p`(ease|work|shrink) ${AMOUNT} of ${EDGE} (in|into|onto|to) (that of)? ${PIECE} (one|edge|seam)?`,
    ([by, a, piece], g) => (a !== undefined && piece ? sewn(a, sameOn(piece, a, g), by) : undefined),
    0.3,
  ),
  on(p`ease ${EDGE} (to|with|onto|into) ${EDGE}`, ([a, b]) =>
    a !== undefined && b !== undefined
      ? act("ease?", () => {
          throw ask("How much is eased in?");
        })
      : undefined,
  ),
  on(p`(sew|stitch|seam|join) ${BOTH} (together)?`, ([both]) => both && sewn(both[0], both[1], undefined), 0.1),
  on(
    p`(sew|join|set|stitch|ease) ${EDGE} (to|with|into|onto) (that of)? ${PIECE} (one|edge|seam)? ,? (with|easing in|easing) ${AMOUNT} (of)? (ease|eased in|eased|easing)? (in)?`,
    ([a, piece, by], g) => (a !== undefined && piece ? sewn(a, sameOn(piece, a, g), by) : undefined),
    0.2,
  ),
  on(
    p`(sew|join|set|stitch) ${EDGE} (to|with|into|onto) (that of)? ${PIECE} (one|edge|seam)?`,
    ([a, piece], g) => (a !== undefined && piece ? sewn(a, sameOn(piece, a, g), undefined) : undefined),
    0.3,
  ),
  on(p`(sew|stitch|seam) ${EDGE} (to|with|onto) ${EDGE} (together)?`, ([a, b]) => sewn(a, b, undefined), 0.1),
  on(p`${EDGE} (is|are|to be|must be)? (sewn|joined|stitched) (to|with|into|onto) ${EDGE}`, ([a, b]) => sewn(a, b, undefined), 0.1),
);
function sewn(a: string | undefined, b: string | undefined, by: Amount | undefined): Act | undefined {
  if (a === undefined || b === undefined || pieceOf(a) === pieceOf(b)) return undefined;
  return act(`sew ${a} ${b}`, (bag, sheet) => {
    if (!bag.holds({ act: 1 })) throw NOT_SO;
    return sheet.put("end", `sew ${a} with ${b}${by ? `, eased ${laidOff(by, sheet).formula}` : ""}`);
  });
}

/** A measurement by steps: one figure for each size of it. */
interface Row {
  readonly bound: "under" | "up to" | "above";
  readonly at: string;
}
const BOUND = oneOf<"under" | "up to" | "above">("bound", { under: "under", below: "under", above: "above", over: "above" });
const FIRST = saying<Row & { readonly by: string }>("first row").said(
  on(p`(for)? (a)? ${AMOUNT} ${BOUND} ${MEASURED} ,?`, ([of, bound, at]) => first(of, bound, at)),
  on(p`(for)? (a)? ${AMOUNT} ${BOUND} ${AMOUNT} ,`, ([of, bound, at]) => first(of, bound, at?.formula)),
  on(p`(for)? (a)? ${AMOUNT} (up to) ${AMOUNT} ,`, ([of, at]) => first(of, "up to", at?.formula)),
);
function first(of: Amount | undefined, bound: Row["bound"] | undefined, at: string | undefined): (Row & { by: string }) | undefined {
  return of && bound && at !== undefined && /^[a-z_]+$/.test(of.formula) && /^\d/.test(at) ? { by: of.formula, bound, at } : undefined;
}
const NEXT = saying<Row>("next row").said(
  on(p`(;|,|.|and) (up to) ${AMOUNT} ,?`, ([at]) => at && { bound: "up to" as const, at: at.formula }),
  on(p`(;|,|.|and) ${BOUND} ${AMOUNT} ,?`, ([bound, at]) => at && bound && { bound, at: at.formula }, 0.1),
  on(p`(;|,|.|and)? ,? (above that|over that|above|more|otherwise|for rest|beyond that|larger) ,?`, () => ({
    bound: "above" as const,
    at: "",
  })),
);

/** Rows of a table, with the step they belong to: `Bust under 34, half an inch out from 8; up to 40, 3/4; above that, 1`. */
const PLACE = saying<readonly [string, Amount]>("what is laid off").said(
  on(p`${AMOUNT} ${oneOf("way", { out: "out", in: "in", up: "up", down: "down" })} from ${pointRule()}`, ([by, way, from]) =>
    by && way !== undefined && from !== undefined ? [`${way} ⟨by⟩ from ${from}`, by] : undefined,
  ),
  on(
    p`(go|come|measure|square)? ${oneOf("way", { out: "out", in: "in", up: "up", down: "down" })} ${AMOUNT} from ${pointRule()}`,
    ([way, by, from]) => (by && way !== undefined && from !== undefined ? [`${way} ⟨by⟩ from ${from}`, by] : undefined),
  ),
);
function pointRule() {
  return saying<string>("point").said({
    starts: ({ tokens, ground }, at) => {
      const value = tokens[at]?.value ?? "";
      return ground.points.has(value) ? [{ value: pointText(value), to: at + 1, cost: 0 }] : [];
    },
  });
}
const BY_STEPS = saying<Act>("by steps").said(
  on(p`${FIRST} ${PLACE} ${NEXT} ${AMOUNT} ${NEXT} ${AMOUNT}`, ([one, place, two, b, three, c]) =>
    steps(one, place, [
      [two, b],
      [three, c],
    ]),
  ),
  on(p`${FIRST} ${PLACE} ${NEXT} ${AMOUNT} ${NEXT} ${AMOUNT} ${NEXT} ${AMOUNT}`, ([one, place, two, b, three, c, four, d]) =>
    steps(one, place, [
      [two, b],
      [three, c],
      [four, d],
    ]),
  ),
);
function steps(
  one: (Row & { by: string }) | undefined,
  place: readonly [string, Amount] | undefined,
  more: readonly (readonly [Row | undefined, Amount | undefined])[],
): Act | undefined {
  if (!one || !place || more.some(([row, by]) => !row || !by)) return undefined;
  return act(`table ${one.by} ${more.length}`, (bag, sheet) => {
    if (!bag.holds({ act: 1, name: 1 })) throw NOT_SO;
    const rows = [[one, place[1]] as const, ...more.map(([row, by]) => [row as Row, by as Amount] as const)];
    const last = rows.at(-1)?.[0];
    if (last?.bound !== "above") throw ask("And above that?");
    const key = sheet.key(`by_${one.by}`);
    const text = rows
      .map(([row, by]) => `${row.bound}${row.bound === "above" ? "" : ` ${row.at}`} -> ${laidOff(by, sheet).formula}`)
      .join(" · ");
    const from = /from (\S+)$/.exec(place[0])?.[1] ?? "";
    return sheet
      .put("setting", `table ${key} by ${one.by}, steps: ${text}`)
      .keep(key)
      .place(place[0].replace("⟨by⟩", `${key}(${one.by})`), sheet.boardOf(from), bag.first("name")?.names[0]);
  });
}

export const CHECKING = [EQUALS, TOTAL, MEASURE_IT, MEASURE_AS, SEWN, BY_STEPS];
