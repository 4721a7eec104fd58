import { type Notch, type Path, type PieceResult, type Point, polyline } from "@lodrin/core";

/** How far a notch reaches into a piece that is net, and how far apart its ticks stand, mm. */
const REACH_MM = 5;
const APART_MM = 3;

/** A notch carried straight out from the sewing line to the cutting line, where it is snipped. */
export function onCuttingLine({ at, outward }: Pick<Notch, "at" | "outward">, cutting: readonly Point[]): Point {
  let best = Infinity;
  cutting.forEach((a, i) => {
    const b = cutting[(i + 1) % cutting.length] as Point;
    const ex = b.x - a.x;
    const ey = b.y - a.y;
    const det = ex * outward.y - ey * outward.x;
    if (Math.abs(det) < 1e-12) return;
    const wx = a.x - at.x;
    const wy = a.y - at.y;
    const out = (ex * wy - ey * wx) / det;
    const along = (outward.x * wy - outward.y * wx) / det;
    if (out > -1e-6 && out < best && along >= -1e-9 && along <= 1 + 1e-9) best = out;
  });
  return best === Infinity ? at : { x: at.x + outward.x * best, y: at.y + outward.y * best };
}

/** The ticks of a notch: across the allowance, from the cutting line to the sewing line; on a net piece a short way in. */
export function notchTicks(notch: Notch, piece: Pick<PieceResult, "cutting" | "net">): Path[] {
  const { at, outward, ticks } = notch;
  return Array.from({ length: ticks }, (_, i) => {
    const aside = (i - (ticks - 1) / 2) * APART_MM;
    const foot = { x: at.x - outward.y * aside, y: at.y + outward.x * aside };
    const edge = onCuttingLine({ at: foot, outward }, piece.cutting);
    const deep = Math.hypot(edge.x - foot.x, edge.y - foot.y);
    const end = deep > 0.5 ? foot : { x: foot.x - outward.x * REACH_MM, y: foot.y - outward.y * REACH_MM };
    return polyline([deep > 0.5 ? edge : foot, end]);
  });
}
