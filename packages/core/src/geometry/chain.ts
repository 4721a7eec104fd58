import { type Cubic, straightCubic } from "./cubic.js";
import { endOf, type Path, startOf } from "./path.js";
import { type Point, samePlace } from "./point.js";

/** A link of a chain: a place to go to straight, or a path to go along. */
export type Link = { readonly point: Point } | { readonly path: Path };

/** Links end to end as one path; gaps between them are closed straight. Undefined when there is no link at all. */
export function chain(links: readonly Link[]): Path | undefined {
  const parts: Cubic[] = [];
  let at: Point | undefined;
  const goTo = (p: Point): void => {
    if (at && !samePlace(at, p)) parts.push(straightCubic(at, p));
    at = p;
  };
  for (const link of links) {
    if ("point" in link) goTo(link.point);
    else {
      goTo(startOf(link.path));
      parts.push(...link.path.segments);
      at = endOf(link.path);
    }
  }
  if (parts.length === 0 && at) parts.push(straightCubic(at, at));
  return parts.length === 0 ? undefined : { segments: parts };
}
