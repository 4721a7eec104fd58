import { listOf } from "../chart/pattern.js";
import { act, type Act } from "../clause.js";
import { COUNT } from "../grammar/figures.js";
import { AMOUNT, SPOT } from "../grammar/main-rules.js";
import { on, oneOf, p, saying } from "../grammar/rules.js";
import type { Amount, Spot } from "../meaning.js";
import { ask, NOT_SO } from "../sheet/unclear.js";
import { laidOff } from "./laid-off.js";
import { pieceOn } from "./piece-parts.js";

export const DRILL = saying<Act>("drill hole").said(
  on(
    p`(mark|put|make|drill|punch)? (a)? (drill hole|hole|awl hole|drill|punch hole) ,? ${AMOUNT} (below|under|beneath) ${SPOT}`,
    ([by, spot]) => drill(spot, by),
  ),
  on(
    p`(see)? ${SPOT} ,? ${AMOUNT} (below|under|beneath) (it|that|there) (goes|is|comes|put) (a)? (drill hole|hole|awl hole)`,
    ([spot, by]) => drill(spot, by),
  ),
  on(
    p`(mark|put|make|drill|punch|pierce|bore)? (a)? (drill hole|awl hole|drill|punch hole|hole|drill mark|small hole|little hole) (at|on|for|in) ${SPOT}`,
    ([spot]) => drill(spot, undefined),
  ),
);
function drill(spot: Spot | undefined, by: Amount | undefined): Act | undefined {
  if (!spot) return undefined;
  return act("drill", (bag, sheet) => {
    if (!bag.holds({ act: 1, name: 1 })) throw NOT_SO;
    const [at, id] = sheet.spot(spot);
    const board = at.boardOf(id);
    const piece = pieceOn(board, at.ground);
    if (!piece) throw ask("On which piece?");
    if (!by) return at.put("end", `piece ${piece.key} also: drill at ${id}`);
    const placed = at.place(`down ${laidOff(by, at).formula} from ${id}`, board, bag.first("name")?.names[0]);
    return placed.put("end", `piece ${piece.key} also: drill at ${placed.it ?? ""}`);
  });
}

export const BUTTONS = saying<Act>("buttons").said(
  on(
    p`(buttons|button) (:)? ${COUNT} ,? (evenly|equally spaced|spaced evenly|evenly spaced|even)? ,? (from|between)? ${SPOT} (to|-|and) ${SPOT}`,
    ([n, a, b]) => buttons(n, a, b),
  ),
  on(
    p`(mark|place|put|space|sew)? ${COUNT} (evenly|equally)? (spaced)? buttons ,? (are)? (placed|spaced)? (evenly|equally)? (spaced)? ,? (from|between)? ${SPOT} (to|-|and) ${SPOT} ,? (evenly|equally|evenly spaced|equally spaced|spaced evenly|spaced equally|with even spaces)?`,
    ([n, a, b]) => buttons(n, a, b),
  ),
);
function buttons(n: number | undefined, a: Spot | undefined, b: Spot | undefined): Act | undefined {
  if (n === undefined || !a || !b) return undefined;
  return act(`buttons ${n}`, (bag, sheet) => {
    if (!bag.holds({ act: 1 })) throw NOT_SO;
    const [at, [from = "", to = ""]] = sheet.spots([a, b]);
    const piece = pieceOn(at.boardOf(from), at.ground);
    if (!piece) throw ask("On which piece?");
    const taken = [...at.ground.points.keys()];
    const letter = [..."PBKLMNQRSTUVWXYZ"].find((l) => !taken.some((id) => id.startsWith(l))) ?? "P";
    return at
      .put("step", `${letter}1..${letter}${n} evenly from ${from} to ${to}`)
      .put("end", `piece ${piece.key} also: button at ${letter}1..${letter}${n}`);
  });
}

const AT = saying<Spot>("at a place").said(
  on(p`(another|one|one more|third|second|last|first)? (one|button|buttonhole)? (at|on)? ${SPOT}`, ([spot]) => spot),
);
const PLACES = listOf("places", AT, saying<true>("and").said(on(p`(,|and|, and)`, () => true)));
export const BUTTONS_AT = saying<Act>("buttons at places").said(
  on(p`(mark|put|sew|place)? (a)? (button|buttons) (at|on) ${PLACES}`, ([spots = []]) =>
    act("buttons at", (bag, sheet) => {
      if (!bag.holds({ act: 1 })) throw NOT_SO;
      const [at, ids] = sheet.spots(spots);
      const piece = pieceOn(at.boardOf(ids[0] ?? ""), at.ground);
      if (!piece) throw ask("On which piece?");
      return at.put("end", `piece ${piece.key} also: button at ${ids.join(", ")}`);
    }),
  ),
);
const HOLE_WAY = oneOf<string>("way of a buttonhole", {
  horizontal: "across",
  level: "across",
  across: "across",
  horizontally: "across",
  vertical: "down",
  upright: "down",
  vertically: "down",
  down: "down",
});
export const HOLES = saying<Act>("buttonholes").said(
  on(
    p`(make|mark|put|cut|work|place)? (a)? ${HOLE_WAY}? (buttonholes|buttonhole) (of)? ${AMOUNT} (long|wide)? ,? ${HOLE_WAY}? ,? ${PLACES} ,? ${HOLE_WAY}?`,
    ([before, by, between, spots = [], after]) => holesOr(by, spots, before ?? between ?? after),
    0.1,
  ),
  on(
    p`(make|mark|put|cut|work|place)? (a)? ${AMOUNT} (long)? ${HOLE_WAY}? (buttonholes|buttonhole) ,? ${PLACES} ,? ${HOLE_WAY}?`,
    ([by, before, spots = [], after]) => holesOr(by, spots, before ?? after),
    0.1,
  ),
  on(
    p`(make|mark|put|cut|work|place)? (a)? ${HOLE_WAY}? (buttonholes|buttonhole) ,? ${PLACES} ,? ${AMOUNT} (long|wide) ,? ${HOLE_WAY}?`,
    ([before, spots = [], by, after]) => holesOr(by, spots, before ?? after),
    0.1,
  ),
  on(p`(buttonholes|buttonhole) ,? ${PLACES} ,? ${AMOUNT} (long|wide)? ,? ${HOLE_WAY}`, ([spots = [], by, way]) => holesOr(by, spots, way)),
  on(p`(buttonholes|buttonhole) ,? ${HOLE_WAY} ,? ${AMOUNT} (long|wide)? ,? ${PLACES}`, ([way, by, spots = []]) => holesOr(by, spots, way)),
  on(p`(horizontal|level) (buttonholes|buttonhole) ,? ${AMOUNT} (long|wide) ,? ${PLACES}`, ([by, spots = []]) =>
    holes(by, spots, "across"),
  ),
  on(p`(vertical|upright) (buttonholes|buttonhole) ,? ${AMOUNT} (long|wide) ,? ${PLACES}`, ([by, spots = []]) => holes(by, spots, "down")),
);
function holesOr(by: Amount | undefined, spots: readonly Spot[], way: string | undefined): Act | undefined {
  if (way !== undefined) return holes(by, spots, way);
  return act("holes?", () => {
    throw ask("Is the buttonhole level or upright?");
  });
}
function holes(by: Amount | undefined, spots: readonly Spot[], way: string): Act | undefined {
  if (!by) return undefined;
  return act("holes", (bag, sheet) => {
    if (!bag.holds({ act: 1 })) throw NOT_SO;
    const [at, ids] = sheet.spots(spots);
    const piece = pieceOn(at.boardOf(ids[0] ?? ""), at.ground);
    if (!piece) throw ask("On which piece?");
    return at.put("end", `piece ${piece.key} also: buttonhole at ${ids.join(", ")}, length ${laidOff(by, at).formula} ${way}`);
  });
}
