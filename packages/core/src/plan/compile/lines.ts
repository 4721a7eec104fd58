import { compileAs } from "../../formula/compile.js";
import { evaluated } from "../../formula/evaluated.js";
import { drawnPathIndex, pointIndex } from "../../formula/look-up.js";
import type { Environment, Scope } from "../../formula/scope.js";
import type { LineTree, Way } from "../../formula/tree.js";
import { endOf, type Path, startOf } from "../../geometry/path/path.js";
import type { Point } from "../../geometry/point.js";
import { direction } from "../../geometry/line.js";
import { DraftError } from "../../verb/draft-error.js";
import { pointText } from "../../verb/form.js";
import type { LineOrPath } from "../../verb/verb.js";
import { MissingPart } from "../missing.js";

const WAYS: Record<Way, Point> = {
  up: { x: 0, y: -1 },
  down: { x: 0, y: 1 },
  out: { x: 1, y: 0 },
  in: { x: -1, y: 0 },
  left: { x: -1, y: 0 },
  right: { x: 1, y: 0 },
  across: { x: 1, y: 0 },
};

/** Reads a point from the environment; throws MissingPart when its step was skipped or failed. */
export function pointReader(id: string, scope: Scope, at: readonly [number, number]): (f: Environment) => Point {
  const index = pointIndex(id, scope, at);
  return (f) => f.points[index] ?? missing(pointText(id));
}

/** Reads a path from the environment, an edge of a piece as it is cut; throws MissingPart when its step was skipped or failed. */
export function pathReader(name: string, scope: Scope, at: readonly [number, number]): (f: Environment) => Path {
  const index = drawnPathIndex(name, scope, at);
  return (f) => f.paths[index] ?? missing(name);
}

function missing(what: string): never {
  throw new MissingPart(what);
}

/** The line beside one through two points: square off it by a length, to the side that is named. */
function parallelReader(tree: Extract<LineTree, { type: "parallel" }>, scope: Scope): (f: Environment) => LineOrPath {
  const a = pointReader(tree.a, scope, tree.at);
  const b = pointReader(tree.b, scope, tree.at);
  const by = compileAs(tree.by, scope, "length");
  const way = WAYS[tree.side];
  return (f) => {
    const [p, q] = [a(f), b(f)];
    const u = direction({ a: p, b: q });
    if (!u)
      throw new DraftError("The line has no length, so none lies beside it.", "Its two points fall on each other: check the measurements.");
    const square = { x: -u.y, y: u.x };
    const across = square.x * way.x + square.y * way.y;
    if (Math.abs(across) < 1e-9)
      throw new DraftError(`That line runs ${tree.side} itself, so it has no such side.`, "Name the side that lies beside it.");
    const d = evaluated(by, f) * Math.sign(across);
    const beside = (at: Point): Point => ({ x: at.x + square.x * d, y: at.y + square.y * d });
    return { line: { a: beside(p), b: beside(q) } };
  };
}

/** Compiles a line. A named path that is one straight stretch counts as a straight line. */
export function lineReader(tree: LineTree, scope: Scope): (f: Environment) => LineOrPath {
  if (tree.type === "through") {
    const a = pointReader(tree.a, scope, tree.at);
    const b = pointReader(tree.b, scope, tree.at);
    return (f) => ({ line: { a: a(f), b: b(f) } });
  }
  if (tree.type === "ray") {
    const from = pointReader(tree.from, scope, tree.at);
    const way = WAYS[tree.dir];
    return (f) => {
      const a = from(f);
      return { line: { a, b: { x: a.x + way.x, y: a.y + way.y } } };
    };
  }
  if (tree.type === "parallel") return parallelReader(tree, scope);
  const read = pathReader(tree.name, scope, tree.at);
  return (f) => {
    const path = read(f);
    return path.segments.length === 1 && path.segments[0]?.straight ? { line: { a: startOf(path), b: endOf(path) } } : { path };
  };
}
