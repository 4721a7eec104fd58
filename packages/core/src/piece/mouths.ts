import { placeOnPath } from "../geometry/path/nearest-on-path.js";
import { type Path, pathLength, startOf } from "../geometry/path/path.js";
import type { PieceResult } from "./piece.js";

/** How near (mm) a mark must lie to an edge to be on it. */
export const ON_THE_EDGE_MM = 1;

/** The mouths of darts that open on an edge as it is cut: how far along it each begins, and how long it is, mm. */
export function mouthsOn({ darts }: Pick<PieceResult, "darts">, path: Path): readonly { readonly from: number; readonly length: number }[] {
  return darts.flatMap(({ mouth }) => {
    const at = mouth && placeOnPath(path, startOf(mouth), ON_THE_EDGE_MM);
    return mouth && at ? [{ from: at.along, length: pathLength(mouth) }] : [];
  });
}
