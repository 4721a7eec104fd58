import { pointText } from "../../verb/form.js";
import { act, type Act } from "../clause.js";
import { DEGREES } from "../grammar/figures.js";
import { AMOUNT, LINE, PLACED, SPOT } from "../grammar/main-rules.js";
import { on, oneOf, p, saying, wordsRow } from "../grammar/rules.js";
import type { Amount, Direction, Line, Spot } from "../meaning.js";
import { ask, NOT_SO } from "../sheet/unclear.js";
import { laidOff } from "./laid-off.js";
import { fromPlaceAndLine, nameOf, only, oneAmount, headingOf, sideOf, straightOf, pathOf, keyFrom } from "./said.js";

const IN_LINE = saying<true>("mirrored in").said(on(p`(mirrored|reflected|flipped)? (in|over|across|about|on|along|through)`, () => true));
const mirror = fromPlaceAndLine((id, line) => `mirror ${id} in ${line}`);
/** Without a line, a half that is cut on the fold is mirrored in its fold. */
const mirrorInFold = (spot: Spot): Act =>
  act("mirror", (bag, sheet) => {
    only(bag);
    const [at, id] = sheet.spot(spot);
    const board = at.boardOf(id);
    const first = [...at.ground.points.values()].find((point) => point.board === board);
    if (!first || !at.ground.folded.has(board)) throw ask("Mirrored in which line?");
    return at.place(`mirror ${id} in line down from ${pointText(first.id)}`, board, nameOf(bag));
  });
const mirrorLine = (of: Line | undefined, line: Line | undefined): Act | undefined =>
  of && line
    ? act(`trace ${of.text}`, (bag, sheet) => {
        only(bag);
        const [first] = sheet.line(of);
        const [then, text] = first.line(line);
        return then.draw("trace", `${keyFrom(of)}_other`, `: ${pathOf(of)} mirrored in ${straightOf(line, text)}`, of.board);
      })
    : undefined;
const MIRROR = saying<Act>("mirror").said(
  on(p`(mirror|reflect|flip|turn over|copy|prick) ${SPOT} ${IN_LINE} ${LINE}`, ([spot, , line]) => mirror(spot, line)),
  on(p`(copy|trace|transfer|prick|mark|mirror) ${SPOT} (through)? (to|on|onto) (other|opposite) side of ${LINE}`, ([spot, line]) =>
    mirror(spot, line),
  ),
  on(p`(mirror|reflect) ${SPOT}`, ([spot]) => spot && mirrorInFold(spot), 0.5),
  on(p`${SPOT} (mirrored|reflected|flipped) (in|over|across|about|on|along) ${LINE}`, ([spot, line]) => mirror(spot, line)),
  on(p`(mirror image|reflection|mirror) of ${SPOT} ${IN_LINE} ${LINE}`, ([spot, , line]) => mirror(spot, line)),
  on(
    p`fold (paper|it|sheet)? (on|along|at|over) ${LINE} (and|,) (prick|trace|mark|copy|pin|pierce) ${SPOT} (through)? ((to|onto|on) other side)?`,
    ([line, spot]) => mirror(spot, line),
  ),
  on(
    p`(trace|copy|mirror|reflect|prick|flip|turn|turn over|fold|fold over) ${LINE} (through fold|through|over fold|mirrored in|reflected in|in|over|across|about|on|along|to other side of|on other side of) ${LINE}`,
    ([of, line]) => mirrorLine(of, line),
  ),
);

/** A line traced elsewhere: shifted by so much. */
const shifted = (of: Line | undefined, by: Amount | undefined, way: Direction | undefined): Act | undefined =>
  of && by && way
    ? act(`shift ${of.text}`, (bag, sheet) => {
        only(bag);
        if (of.path === undefined && !/^[a-z_]\w*$/.test(of.text)) throw NOT_SO;
        const { formula } = laidOff(by, sheet);
        const signed = way === "in" || way === "up" ? `-(${formula})` : formula;
        const moved = way === "in" || way === "out" ? `${signed} out, 0 down` : `0 out, ${signed} down`;
        return sheet.draw("trace", `${keyFrom(of)}_moved`, `: ${pathOf(of)} moved ${moved}`, of.board);
      })
    : undefined;
const WAYS: Readonly<Record<string, Direction>> = {
  up: "up",
  higher: "up",
  down: "down",
  lower: "down",
  in: "in",
  out: "out",
  inwards: "in",
  outwards: "out",
};
const SHIFTED = saying<Act>("shift a line").said(
  on(p`(shift|move|trace|redraw|copy) ${LINE} (by)? ${AMOUNT} ${oneOf<Direction>("way of a shift", WAYS)}`, ([line, by, way]) =>
    shifted(line, by, way),
  ),
  on(p`(shift|move|trace|redraw|copy) ${LINE} ${oneOf<Direction>("way of a shift", WAYS)} (by)? ${AMOUNT}`, ([line, way, by]) =>
    shifted(line, by, way),
  ),
  on(
    p`(make|draw|trace) (a)? (copy|second|duplicate) of ${LINE} ,? ${AMOUNT} ${oneOf<Direction>("way of a shift", WAYS)}`,
    ([line, by, way]) => shifted(line, by, way),
  ),
);

/** A line beside another. */
const parallel = (line: Line | undefined, by?: Amount, way?: Direction): Act | undefined =>
  line &&
  act(`parallel ${line.text}`, (bag, sheet) => {
    only(bag, { amount: 1, heading: 2 });
    sheet.line(line);
    const amount = by ? laidOff(by, sheet) : oneAmount(bag, sheet);
    if (!amount) throw ask("How far beside it?");
    const side = way ?? sideOf(headingOf(bag));
    if (side === undefined) throw ask("On which side of it?");
    if (/^[a-z_]\w*$/.test(line.text) || !line.ends)
      return sheet
        .draw("trace", `${keyFrom(line)}_parallel`, `: ${pathOf(line)} offset ${amount.formula} ${side}`, line.board)
        .measuring(amount);
    const [first, one] = sheet
      .place(`off ${line.text} at ${pointText(line.ends[0])}, ${amount.formula} ${side}`, line.board)
      .spot({ before: "it" });
    const [second, two] = first
      .place(`off ${line.text} at ${pointText(line.ends[1])}, ${amount.formula} ${side}`, line.board)
      .spot({ before: "it" });
    return second.draw("line", "parallel", `: ${one} > ${two}`, line.board).measuring(amount);
  });
const SIDE = saying<Direction>("side of a line").said(
  on(p`(inside|in|inward|inwards|to inside|to left|left)`, () => "in" as const),
  on(p`(outside|out|outward|outwards|beyond|to outside|to right|right)`, () => "out" as const),
  on(p`(below|under|down|beneath)`, () => "down" as const),
  on(p`(above|over|up)`, () => "up" as const),
);
const PARALLEL = saying<Act>("parallel").said(
  on(p`(draw|rule) (a|another)? parallel (line)? ,? ${AMOUNT} ${SIDE} (of|from)? ${LINE}`, ([by, side, line]) => parallel(line, by, side)),
  on(
    p`(draw|rule)? (a|another)? (line|curve)? ${AMOUNT} ${SIDE} (of|from)? ${LINE} ,? (and)? (running)? parallel (to it|with it)?`,
    ([by, side, line]) => parallel(line, by, side),
  ),
  on(
    p`(draw|rule)? (a|another)? (line|curve)? (parallel|running parallel) (line)? (to|with) ${LINE} (,|and|at|, at)? (a distance of)? ${AMOUNT} ${SIDE} (of|from)? (it)? (,? (draw|rule) (a)? line)?`,
    ([line, by, side]) => parallel(line, by, side),
  ),
  on(p`(draw|rule)? (a|another)? (line|curve)? (parallel|running parallel) (line)? (to|with) ${LINE}`, ([line]) => parallel(line), 0.2),
  on(
    p`(draw|rule)? (a)? (line|curve|seam line)? ${AMOUNT} ${SIDE} (of|from)? ${LINE} (, whole way along it|all way along|all way|parallel to it|and parallel to it)`,
    ([by, side, line]) => parallel(line, by, side),
  ),
  on(p`(draw|rule)? (a|another) (line|curve) ${AMOUNT} ${SIDE} (of|from)? ${LINE}`, ([by, side, line]) => parallel(line, by, side)),
  on(p`beside ${LINE} ,? ${AMOUNT} ${SIDE} (of)? (it)? ,?`, ([line, by, side]) => parallel(line, by, side)),
);

/** A point of another board, traced through. */
const TRACE = saying<Act>("trace a point").said(
  on(p`(trace|prick through|copy|transfer) ${PLACED}`, ([id]) => traced(id)),
  on(
    p`(is|lies|is on|at|lies on|stands at)? (same place as|same point as|same spot as|place of|where) ${PLACED} (is|lies)?`,
    ([id]) => lyingOn(id),
    0.2,
  ),
  on(p`(trace|copy|transfer) ${PLACED} (from|of|off) (front|back|sleeve|other board|other sheet|first sheet)`, ([id]) => traced(id)),
);
/** A point in the place of another, on its own board too. */
function lyingOn(id: string | undefined): Act | undefined {
  if (id === undefined) return undefined;
  return act(`trace ${id}`, (bag, sheet) => {
    only(bag, { board: 1 });
    return sheet.place(`trace ${pointText(id)}`, bag.first("board")?.board ?? sheet.board, nameOf(bag));
  });
}

function traced(id: string | undefined): Act | undefined {
  if (id === undefined) return undefined;
  return act(`trace ${id}`, (bag, sheet) => {
    only(bag, { board: 1 });
    const board = bag.first("board")?.board ?? sheet.board;
    if (sheet.ground.points.get(id)?.board === board) throw ask("It is on this board already. Traced to which board?");
    return sheet.place(`trace ${pointText(id)}`, board, nameOf(bag));
  });
}

const ANGLE_NAME = wordsRow<string>("angle by name", 4, (words, { angles }) => angles.get(words));
/** An angle: in degrees, or by the name of a figure that is one. */
const ANGLE = saying<string>("angle").said(
  on(p`${DEGREES}`, ([degrees]) => (degrees === undefined ? undefined : `${degrees}°`)),
  on(p`${ANGLE_NAME}`, ([key]) => key),
);
const TURNED_WAY = saying<1 | -1>("way of turning").said(
  on(p`(clockwise)`, () => 1 as const),
  on(p`(anticlockwise|counterclockwise|counter-clockwise|anti-clockwise|other way|other way round)`, () => -1 as const),
);

/** A point turned about another by an angle, as its part of the paper is. */
const TURN = saying<Act>("turn a point").said(
  on(
    p`(turn|rotate|pivot|swing) ${PLACED} (about|around|round|on) ${PLACED} (by|through) ${ANGLE} ,? ${TURNED_WAY}?`,
    ([id, centre, angle, way]) => turned(id, centre, angle, way),
  ),
  on(
    p`${PLACED} (turned|rotated|swung|pivoted) (about|around|round|on) ${PLACED} (by|through) ${ANGLE} ,? ${TURNED_WAY}?`,
    ([id, centre, angle, way]) => turned(id, centre, angle, way),
  ),
);
function turned(id: string | undefined, centre: string | undefined, angle: string | undefined, way: 1 | -1 | undefined): Act | undefined {
  if (id === undefined || centre === undefined || angle === undefined) return undefined;
  return act(`turn ${id}`, (bag, sheet) => {
    only(bag);
    const board = sheet.ground.points.get(id)?.board ?? sheet.board;
    return sheet.place(`turn ${pointText(id)} about ${pointText(centre)} by ${way === -1 ? "-" : ""}${angle}`, board, nameOf(bag));
  });
}

export const COPIES = [SHIFTED, MIRROR, PARALLEL, TRACE, TURN];
