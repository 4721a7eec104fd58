import { type Cubic, straightCubic } from "../curve/cubic.js";
import { endOf, type Path, startOf } from "./path.js";
import { type Point, samePlace } from "../point.js";

/** A link of a chain: a place to go to straight, or a path to go along. */
export type Link = { readonly point: Point } | { readonly path: Path };

/** Links end to end as one path; gaps between them are closed straight. Undefined when there is no link at all. */
export function chain(links: readonly Link[]): Path | undefined {
  const segments: Cubic[] = [];
  let at: Point | undefined;
  const goTo = (p: Point): void => {
    if (at && !samePlace(at, p)) segments.push(straightCubic(at, p));
    at = p;
  };
  for (const link of links) {
    if ("point" in link) goTo(link.point);
    else {
      goTo(startOf(link.path));
      segments.push(...link.path.segments);
      at = endOf(link.path);
    }
  }
  if (segments.length === 0 && at) segments.push(straightCubic(at, at));
  return segments.length === 0 ? undefined : { segments };
}
