import { act, type Act } from "../clause.js";
import { AMOUNT, LINE, SPOT } from "../grammar/main-rules.js";
import { on, oneOf, p, saying } from "../grammar/rules.js";
import type { Amount, Line, Spot } from "../meaning.js";
import { keyOf } from "../../formula/key-of.js";
import { laidOff } from "./laid-off.js";
import { CALLED_LINE } from "./called-line.js";
import { only, startIn } from "./said.js";
import { NOT_SO } from "../sheet/unclear.js";

/** The name that is given to a line as it is drawn. */
const CALL = saying<string>("naming a line").said(
  on(p`,? (and|we|i)? (call|name|label|mark) (it|this|that|this line)? (as)? ${CALLED_LINE} (line|guide|level)?`, ([name]) => name),
  on(p`,? (for|as|called|named) ${CALLED_LINE} (line|guide|level)?`, ([name]) => name),
  on(p`,? (this|that|it) (is|becomes|will be) ${CALLED_LINE} (line|guide|level)`, ([name]) => name),
);

const WAY = oneOf<"across" | "down">("way of a guideline", {
  across: "across",
  level: "across",
  horizontally: "across",
  sideways: "across",
  out: "across",
  down: "down",
  up: "down",
  plumb: "down",
  vertically: "down",
});

/** A line that only guides: it has no ends, for nothing is said of how far it goes. */
function guideline(way: "across" | "down", spot: Spot | undefined, name: string | undefined): Act | undefined {
  if (!spot) return undefined;
  return act(`guideline ${way} ${name ?? ""}`, (bag, sheet) => {
    only(bag);
    const [at, id] = sheet.spot(spot);
    const key = keyOf(name === undefined ? `guide ${id.replace("#", "")}` : `${name} line`);
    return at.draw("line", key, `: line ${way} from ${id}`, at.boardOf(id));
  });
}

const GUIDELINE = saying<Act>("guideline").said(
  on(
    p`(draw|rule|square|put in|run|make|pencil in|mark in) (a|an)? (long|light|faint|straight|construction)? line (straight|square|squared)? ${WAY} (from|through|at) ${SPOT} ${CALL}?`,
    ([way, spot, name]) => way && guideline(way, spot, name),
    1,
  ),
  on(
    p`(draw|rule|put in|run) (a|an)? (long)? (level|horizontal|level line|horizontal line) (from|through|at) ${SPOT} ${CALL}?`,
    ([spot, name]) => guideline("across", spot, name),
    1,
  ),
  on(
    p`(draw|rule|put in|run|drop) (a|an)? (long)? (plumb|vertical|upright|plumb line|vertical line|upright line) (from|through|at) ${SPOT} ${CALL}?`,
    ([spot, name]) => guideline("down", spot, name),
    1,
  ),
  on(
    p`(square|draw|rule) (straight)? ${WAY} from ${SPOT} ,? (a|an)? (long|light|faint|straight)? line ${CALL}?`,
    ([way, spot, name]) => way && guideline(way, spot, name),
    1,
  ),
);

/** The name of a level line: also one that says across what it goes. */
const LEVEL_NAME = saying<string>("name of a level line").said(
  on(p`${CALLED_LINE}`, ([name]) => name),
  on(p`(across|cross) ${oneOf("across what", { back: "across back", chest: "across chest", front: "across front" })}`, ([name]) => name),
);
/** A level line with a name, so far below or above a point or another level line. */
const LEVEL_AT = saying<Act>("level line so far below").said(
  on(
    p`(draw|rule|put in|mark|square) ${LEVEL_NAME} (line)? ,? ${AMOUNT} ${oneOf<"down" | "up">("below or above", { below: "down", under: "down", beneath: "down", above: "up" })} ${SPOT}`,
    ([name, by, way, spot]) =>
      name !== undefined && by && way && spot
        ? act(`level ${name}`, (bag, sheet) => {
            only(bag);
            const [at, id] = sheet.spot(spot);
            const placed = at.place(`${way} ${laidOff(by, at).formula} from ${id}`, at.boardOf(id));
            return placed.draw("line", keyOf(`${name} line`), `: line across from ${placed.it ?? ""}`, at.boardOf(id));
          })
        : undefined,
    0.4,
  ),
  on(
    p`(draw|rule|put in|mark|square) ${LEVEL_NAME} (line)? ,? ${AMOUNT} ${oneOf<"down" | "up">("below or above a line", { below: "down", under: "down", beneath: "down", above: "up" })} ${LINE}`,
    ([name, by, way, line]) =>
      name === undefined || !way ? undefined : beside(line, by, way === "down" ? "lower" : "upper", `${name} line`),
    0.4,
  ),
);

/** The half of a circle by the side where it is. */
const HALF = saying<string>("half of a circle").said(
  on(
    p`,? (to|toward|towards)? (the)? ${oneOf("side of a circle", {
      down: "lower",
      downwards: "lower",
      downward: "lower",
      below: "lower",
      up: "upper",
      upwards: "upper",
      upward: "upper",
      above: "upper",
      out: "outer",
      outwards: "outer",
      right: "outer",
      side: "outer",
      in: "inner",
      inwards: "inner",
      left: "inner",
    })}`,
    ([half]) => half,
  ),
);

/** An arc that is swung and meets nothing yet. */
const freeArc = (from: Spot | undefined, by: Amount | undefined, half: string | undefined): Act =>
  act(`free arc ${half ?? ""}`, (bag, sheet) => {
    only(bag, { from: 1, at: 1 });
    const start = from ?? startIn(bag);
    if (!start || !by || (from && startIn(bag))) throw NOT_SO;
    const [at, id] = sheet.spot(start);
    const radius = laidOff(by, at);
    return at.draw("arc", "arc", `: ${radius.formula} about ${id}${half === undefined ? "" : `, the ${half}`}`, at.boardOf(id));
  });

const SWEEP = saying<true>("sweep").said(on(p`(swing|draw|strike|describe|sweep|make) (an|a)? (arc|circle|part of circle)`, () => true));
const ARC = saying<Act>("free arc").said(
  on(
    p`${SWEEP} (of|by|with radius|with a radius of|with radius of|with)? ${AMOUNT} (radius)? (from|about|round|around) ${SPOT} ${HALF}?`,
    ([, by, from, half]) => freeArc(from, by, half),
    0.2,
  ),
  on(
    p`(with|using)? (compass at|compass on|centre at|centre)? ${SPOT} (as|for)? (a|an)? (centre)? (and|,)? ${SWEEP} (of|by|with radius|with a radius of|with radius of|with)? ${AMOUNT} (radius)? ${HALF}?`,
    ([from, , by, half]) => freeArc(from, by, half),
    0.3,
  ),
  on(
    p`${SWEEP} (of|by|with radius|with a radius of|with radius of|with)? ${AMOUNT} (radius)? ${HALF}?`,
    ([, by, half]) => freeArc(undefined, by, half),
    0.3,
  ),
  on(
    p`${SWEEP} (from|about|round|around) ${SPOT} (of|by|with radius|with a radius of|with radius of|with) ${AMOUNT} ${HALF}?`,
    ([, from, by, half]) => freeArc(from, by, half),
    0.2,
  ),
);

/** A line beside another that has no ends. */
const BESIDE = saying<Act>("guideline beside a line").said(
  on(
    p`(draw|rule) (a)? (long|light|faint|construction) line parallel (to|with) ${LINE} ,? ${AMOUNT} (away|off|from it)? ${HALF}`,
    ([line, by, side]) => beside(line, by, side),
  ),
);
const SIDES: Readonly<Record<string, string>> = { lower: "down", upper: "up", outer: "out", inner: "in" };
function beside(line: Line | undefined, by: Amount | undefined, side: string | undefined, name = "guide"): Act | undefined {
  if (!line?.straight || !line.ends || !by || side === undefined) return undefined;
  const [a, b] = line.ends;
  return act(`guideline beside ${line.text} ${side}`, (bag, sheet) => {
    only(bag);
    const [one, from] = sheet.spot({ id: a });
    const [at, to] = one.spot({ id: b });
    return at.draw("line", keyOf(name), `: parallel to ${from}-${to}, ${laidOff(by, at).formula} ${SIDES[side] ?? ""}`, line.board);
  });
}

export const GUIDES = [GUIDELINE, LEVEL_AT, ARC, BESIDE];
