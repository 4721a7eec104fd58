import { distance, type Point, turn } from "../geometry/point.js";
import { assemble } from "../piece/assemble.js";
import type { PieceResult } from "../piece/piece.js";
import { DraftError } from "../verb/draft-error.js";
import { spreadForms } from "../system/shaping-forms.js";
import { pointText } from "../verb/form.js";
import { mapContents } from "./outline/contents.js";
import { exchange, pieceOf, pointOf } from "./outline/find.js";
import { movePart, sidesOf } from "./outline/move-part.js";
import { mapEdge, onOutline } from "./outline/ring.js";
import type { Shaping } from "./shaping.js";

/** Slash from one edge to another and spread: hinged at the far end, or the same all along. */
export const spread: Shaping = {
  ...spreadForms,
  gradual: true,
  prepare(which, filled) {
    const [key, from, to] = [filled.name("piece"), filled.name("from"), filled.name("to")];
    const by = filled.length("by");
    return (pieces, f, share) => {
      const piece = pieceOf(pieces, key);
      const mm = by(f) * share;
      if (mm < 0)
        throw new DraftError("A spread cannot be less than nothing.", "To take width away, fold it out: fold Sleeve from #1 to #2 by 1.");
      return exchange(pieces, piece, [spreadOpen(piece, from, to, mm, WAYS[which] ?? "hinged")]);
    };
  },
};

type Way = "all along" | "half to each side" | "hinged";
const WAYS: readonly Way[] = ["all along", "half to each side", "hinged"];

function spreadOpen(piece: PieceResult, from: string, to: string, mm: number, way: Way): PieceResult {
  const [p, q] = [pointOf(piece, from), pointOf(piece, to)];
  const length = distance(p, q);
  if (length < 1e-6) throw new DraftError(`${pointText(from)} and ${pointText(to)} fall on each other.`, "A slash runs from edge to edge.");
  const place = onOutline(piece, p, pointText(from));
  const sides = sidesOf(piece, { mouth: [place, place], to: onOutline(piece, q, pointText(to)), over: [] });
  const away = awayFrom(sides.region, p, q);
  if (way === "all along") return movePart(piece, sides, (r) => ({ x: r.x + away.x * mm, y: r.y + away.y * mm }));
  if (mm > 2 * length) throw new DraftError("The spread is wider than the slash can open.", "Spread less, or all along.");
  const angle = turnToward(p, q, away) * 2 * Math.asin(mm / (2 * length));
  const opened = movePart(piece, sides, (r) => turn(r, q, angle));
  return way === "hinged" ? opened : turnedBack(opened, q, -angle / 2, piece.grain);
}

/** The whole piece turned back by half the opening, so that the grain lies in the middle of it. */
function turnedBack(piece: PieceResult, about: Point, angle: number, grain: PieceResult["grain"]): PieceResult {
  const map = (r: Point): Point => turn(r, about, angle);
  const turned = mapContents(piece, map);
  // Lines of the board stay where they were drafted: edges are drawn again along them.
  const carried = { ...turned.carried, laid: piece.carried.laid };
  return assemble({ ...piece, ...turned, carried, grain, edges: piece.edges.map((e) => mapEdge(e, map)) });
}

/** Square off the slash, to the side where the moved part lies. */
function awayFrom(region: readonly Point[], p: Point, q: Point): Point {
  const length = distance(p, q);
  const n = { x: -(q.y - p.y) / length, y: (q.x - p.x) / length };
  const mid = region.reduce((sum, g) => ({ x: sum.x + g.x / region.length, y: sum.y + g.y / region.length }), { x: 0, y: 0 });
  return (mid.x - p.x) * n.x + (mid.y - p.y) * n.y >= 0 ? n : { x: -n.x, y: -n.y };
}

/** +1 when turning `p` clockwise about `q` moves it toward `away`, −1 otherwise. */
const turnToward = (p: Point, q: Point, away: Point): 1 | -1 => (-(p.y - q.y) * away.x + (p.x - q.x) * away.y >= 0 ? 1 : -1);
