import type { HandIn } from "@lodrin/contract";
import { type Camera, homographyOf, type Point, toPaper } from "@lodrin/core";

/** What is said of a marked point. */
interface MarkVerdict {
  readonly verdict: "sure" | "right" | "off";
  readonly says: string;
}

export interface JudgedMarks {
  readonly camera: Camera | undefined;
  readonly leftMm: number;
  /** How far a point may be off on a photograph and still be right (mm). */
  readonly toleranceMm: number;
  readonly verdicts: ReadonlyMap<string, MarkVerdict>;
}

/** The perspective is found from so many points at least. */
export const LEAST_SURE = 4;
/** A hand on a photograph is right within this (mm; common practice, no source), and more where the sure points do not agree. */
const PHOTOGRAPH_MM = 5;

/** Four points at the corners of a draft, in the order they are easiest to find; no three of them in one line where it can be had. */
export function cornerPoints(points: readonly { readonly name: string; readonly at: Point }[]): string[] {
  const by: readonly ((p: Point) => number)[] = [(p) => -p.x - p.y, (p) => p.x - p.y, (p) => p.x + p.y, (p) => p.y - p.x];
  const found: string[] = [];
  for (const reach of by) {
    const left = points.filter((p) => !found.includes(p.name));
    const first = left.reduce<(typeof left)[number] | undefined>(
      (best, p) => (!best || reach(p.at) > reach(best.at) ? p : best),
      undefined,
    );
    if (first) found.push(first.name);
  }
  return found;
}

/** Finds how the picture was taken from the points that are sure, by least squares, and judges the others by it. */
export function judgeMarks(points: readonly { readonly name: string; readonly at: Point }[], marks: HandIn["marksOnPicture"]): JudgedMarks {
  const placed = marks.flatMap((m) => {
    const at = points.find((p) => p.name === m.point)?.at;
    return at ? [{ ...m, at }] : [];
  });
  const camera = homographyOf(placed.filter((m) => m.sure).map((m) => ({ paper: m.at, picture: m })));
  const leftMm = Math.max(0, ...(camera?.left ?? []));
  const toleranceMm = PHOTOGRAPH_MM + leftMm;
  const verdicts = new Map(
    placed.map((m): [string, MarkVerdict] => {
      const there = camera && toPaper(camera, m);
      if (m.sure || !there) return [m.point, { verdict: "sure", says: "taken for sure" }];
      const [dx, dy] = [there.x - m.at.x, there.y - m.at.y];
      const by = Math.hypot(dx, dy);
      if (by <= toleranceMm) return [m.point, { verdict: "right", says: "right, as far as a photograph tells" }];
      return [m.point, { verdict: "off", says: `about ${Math.round(by)} mm off, ${wayOf(dx, dy)}` }];
    }),
  );
  return { camera, leftMm, toleranceMm, verdicts };
}

/** A way on the paper in words. */
function wayOf(dx: number, dy: number): string {
  const across = Math.abs(dx) > Math.abs(dy) / 2 ? (dx > 0 ? "too far right" : "too far left") : "";
  const down = Math.abs(dy) > Math.abs(dx) / 2 ? (dy > 0 ? "too low" : "too high") : "";
  return [down, across].filter(Boolean).join(" and ");
}
