import type { PlannedDart, PlannedEdge } from "./blueprint.js";
import type { Environment } from "../formula/scope.js";
import { chain, type Link } from "../geometry/path/chain.js";
import { closedEdge, type Dart, dartOf, mouthBetween, otherWay } from "../geometry/dart.js";
import { endOf, joinPaths, type Path, pathLength, reversePath } from "../geometry/path/path.js";
import { pathBetween } from "../geometry/path/path-between.js";
import { distance } from "../geometry/point.js";
import { pressedWay } from "../piece/dart-result.js";

/** An edge as it is cut, over the shaped mouths of its darts, and as it is sewn, with its darts closed. */
export interface EdgePath {
  readonly cut: Path;
  readonly sewn: Path;
  /** The mouth of each dart in the edge. */
  readonly mouths: ReadonlyMap<PlannedDart, Path>;
}

type Items = PlannedEdge["items"];

/** Points joined straight, paths as drawn and darts by their mouths, as one path. Undefined when a part of it is not on the draft. */
export function edgePath(items: Items, environment: Environment): EdgePath | undefined {
  const plain: Link[] = [];
  for (const item of items) {
    if ("dart" in item) return edgeWithDarts(items, environment);
    const link = linkOf(item, environment);
    if (!link) return undefined;
    plain.push(link);
  }
  const path = chain(plain);
  return path && { cut: path, sewn: path, mouths: NO_MOUTHS };
}

function edgeWithDarts(items: Items, environment: Environment): EdgePath | undefined {
  const stretches: Link[][] = [[]];
  const darts: { planned: PlannedDart; dart: Dart }[] = [];
  for (const item of items) {
    const before = stretches[stretches.length - 1] as Link[];
    if ("dart" in item) {
      const path = environment.paths[item.dart.path];
      const dart = path && dartOf(path);
      if (!dart) return undefined;
      const met = asMet(item.reversed ? otherWay(dart) : dart, chain(before));
      darts.push({ planned: item.dart, dart: met });
      before.push({ point: met.a });
      stretches.push([{ point: met.b }]);
    } else {
      const link = linkOf(item, environment);
      if (!link) return undefined;
      before.push(link);
    }
  }
  return throughDarts(
    stretches.map((links) => solid(chain(links))),
    darts,
  );
}

const NO_MOUTHS: EdgePath["mouths"] = new Map();

/** The dart with the leg first that the edge meets first. */
function asMet(dart: Dart, before: Path | undefined): Dart {
  const from = before && endOf(before);
  return from && distance(from, dart.b) < distance(from, dart.a) ? otherWay(dart) : dart;
}

/** A path that leads somewhere. */
const solid = (path: Path | undefined): Path | undefined => (path && pathLength(path) > 1e-6 ? path : undefined);

function throughDarts(parts: readonly (Path | undefined)[], darts: readonly { planned: PlannedDart; dart: Dart }[]): EdgePath {
  const mouths = new Map<PlannedDart, Path>();
  const cut: Path[] = [];
  let sewn = parts[parts.length - 1];
  darts.forEach(({ planned, dart }, i) => {
    const [before, after] = [parts[i], parts[i + 1]];
    const mouth = mouthBetween(dart, before, after, pressedWay(dart, planned.pressed));
    mouths.set(planned, mouth);
    if (before) cut.push(before);
    cut.push(mouth);
    if (i === darts.length - 1 && after) cut.push(after);
  });
  for (let i = darts.length - 1; i >= 0; i--) sewn = closedEdge(parts[i], (darts[i] as { dart: Dart }).dart, sewn);
  return { cut: joinPaths(cut), sewn: sewn ?? joinPaths(cut), mouths };
}

function linkOf(item: Exclude<Items[number], { dart: PlannedDart }>, environment: Environment): Link | undefined {
  if ("point" in item) {
    const point = environment.points[item.point];
    return point && { point };
  }
  const whole = environment.paths[item.path];
  if (!whole) return undefined;
  if (!item.between) return { path: item.reversed ? reversePath(whole) : whole };
  const [from, to] = [environment.points[item.between[0]], environment.points[item.between[1]]];
  const path = from && to && pathBetween(whole, from, to);
  return path && { path };
}
