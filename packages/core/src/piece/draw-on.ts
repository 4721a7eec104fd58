import { evaluated } from "../formula/evaluated.js";
import type { Environment } from "../formula/scope.js";
import { nearestOnPath } from "../geometry/path/nearest-on-path.js";
import { mapPath, type Path, pathLength, pointAtLength } from "../geometry/path/path.js";
import { type Point, turn } from "../geometry/point.js";
import type { PieceParts } from "./assemble.js";
import type { PlannedDart, PlannedDrawing, PlannedMark, PlannedNotch } from "./blueprint.js";
import { dartResult } from "./dart-result.js";
import { edgePath } from "./edge-path.js";
import type { Notch, PieceMark } from "./piece.js";

/** The piece that is drawn on: its edges, and how places of the board come to lie on it. */
export interface DrawnPiece {
  readonly edgeOf: (role: string) => Path | undefined;
  readonly lift: (p: Point) => Point;
  readonly mouthOf: (dart: PlannedDart) => Path | undefined;
}

export type Drawn = Pick<PieceParts, "grain" | "levels" | "darts" | "inside" | "notches" | "marks" | "doubts">;

/** How far (mm) a notch may lie off the outline. */
const OFF_MM = 1;

/** What is drawn on a piece, where its points are on the draft; what cannot be is left out with a word. */
export function drawOn(drawing: PlannedDrawing, environment: Environment, piece: DrawnPiece): Drawn {
  const { lift } = piece;
  const doubts: string[] = [];
  const place = (index: number): Point | undefined => {
    const p = environment.points[index];
    return p && lift(p);
  };
  const between = (ends: readonly [number, number]): [Point, Point] | undefined => {
    const [a, b] = [place(ends[0]), place(ends[1])];
    return a && b && [a, b];
  };
  return {
    grain: grainOf(drawing, environment, doubts, between),
    levels: drawing.levels.flatMap((l) => {
      const ends = between(l.ends);
      return ends ? [{ label: l.label, a: ends[0], b: ends[1] }] : [];
    }),
    darts: drawing.darts.flatMap((planned) => {
      const path = environment.paths[planned.path];
      const dart = path && dartResult(planned, path, piece.mouthOf(planned), lift);
      return dart ? [dart] : [];
    }),
    inside: drawing.inside.flatMap((line) => {
      const path = edgePath(line.items, environment)?.cut;
      return path ? [{ label: line.label, path: mapPath(path, lift) }] : [];
    }),
    notches: drawing.notches.flatMap((n) => {
      const at = notchAt(n, environment, piece, doubts, place);
      return at ? [{ id: n.id, at, ticks: n.ticks }] : [];
    }),
    marks: drawing.marks.flatMap((m) => marksOf(m, environment, doubts, place)),
    doubts,
  };
}

function grainOf(
  { grain }: PlannedDrawing,
  environment: Environment,
  doubts: string[],
  between: (ends: readonly [number, number]) => [Point, Point] | undefined,
): [Point, Point] | undefined {
  const ends = grain && between(grain.ends);
  const by = grain?.turned ? evaluated(grain.turned, environment) : 0;
  if (!ends || by === 0) return ends;
  if (!Number.isFinite(by)) {
    doubts.push("The grain cannot be turned: what its angle is worked out from is not on the draft. It lies along its line.");
    return ends;
  }
  const middle = { x: (ends[0].x + ends[1].x) / 2, y: (ends[0].y + ends[1].y) / 2 };
  return [turn(ends[0], middle, by), turn(ends[1], middle, by)];
}

function notchAt(
  n: PlannedNotch,
  environment: Environment,
  piece: DrawnPiece,
  doubts: string[],
  place: (index: number) => Point | undefined,
): Point | undefined {
  if ("point" in n) return place(n.point);
  const edge = piece.edgeOf(n.edge);
  if (!edge) return undefined;
  const mm = evaluated(n.along, environment);
  const length = pathLength(edge);
  if (!Number.isFinite(mm)) {
    doubts.push(`The notch on ${n.edge.replace(/_/g, " ")} is left out: what its place is worked out from is not on the draft.`);
    return undefined;
  }
  if (n.from !== undefined) return notchFrom(n.from, mm, edge, n.edge, doubts, place);
  if (mm < 0 || mm > length + 1e-6) {
    doubts.push(
      `The notch on ${n.edge.replace(/_/g, " ")} would stand at ${(mm / 10).toFixed(1)} cm, but that edge is ${(length / 10).toFixed(1)} cm long: it is left out.`,
    );
    return undefined;
  }
  return pointAtLength(edge, n.fromEnd ? length - mm : mm).at;
}

/** A notch so far from a point of an edge: from either end the only way there is, from between onward as the edge runs. */
function notchFrom(
  from: number,
  mm: number,
  edge: Path,
  role: string,
  doubts: string[],
  place: (index: number) => Point | undefined,
): Point | undefined {
  const point = place(from);
  if (!point) return undefined;
  const { along, off } = nearestOnPath(edge, point);
  const length = pathLength(edge);
  const at = along > length - OFF_MM ? along - mm : along + mm;
  if (off <= OFF_MM && at >= 0 && at <= length + 1e-6) return pointAtLength(edge, at).at;
  doubts.push(
    off > OFF_MM
      ? `The notch on ${role.replace(/_/g, " ")} is left out: the point it is measured from is not on that edge.`
      : `The notch on ${role.replace(/_/g, " ")} is left out: that edge is not so long.`,
  );
  return undefined;
}

/** What is said of notches that do not lie on the outline of their piece. */
export const notchesOff = (notches: readonly Notch[]): string[] =>
  notches.flatMap(({ id, off }) => (off > OFF_MM ? [`The notch at ${id} stands ${(off / 10).toFixed(1)} cm off the outline.`] : []));

function marksOf(m: PlannedMark, environment: Environment, doubts: string[], place: (index: number) => Point | undefined): PieceMark[] {
  const length = m.length && evaluated(m.length, environment);
  if (length !== undefined && !(length >= 0)) {
    doubts.push(`The ${m.kind} has no length on this draft: it is left out.`);
    return [];
  }
  return m.points.flatMap((index) => {
    const at = place(index);
    return at ? [{ kind: m.kind, at, length, way: m.way === "down" ? { x: 0, y: 1 } : { x: 1, y: 0 } }] : [];
  });
}
