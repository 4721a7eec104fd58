import { assemble, type EdgeParts } from "../../piece/assemble.js";
import type { DartResult } from "../../piece/dart-result.js";
import type { PieceResult } from "../../piece/piece.js";
import type { Point } from "../../geometry/point.js";
import { regionOf, hold, moveContents } from "./contents.js";
import { type Bridge, mapEdge, type RingPlace, stretch, joinRuns } from "./ring.js";

/** A part of a piece to be moved: the outline is opened at a mouth (two places, or one twice) and at the place `to`. */
export interface Part {
  /** Where the mouth begins and ends, in the order of the outline. */
  readonly mouth: readonly [RingPlace, RingPlace];
  readonly to: RingPlace;
  /** Where the region of a part is closed: the point it turns about. */
  readonly over: readonly Point[];
}

/** Which way round: `after` moves what follows the mouth, `before` what stands before it. The fold and the grain stay. */
type Side = "after" | "before";

export interface Sides {
  readonly side: Side;
  readonly moved: readonly EdgeParts[];
  readonly still: readonly EdgeParts[];
  readonly region: readonly Point[];
}

/** The two sides of a piece opened at a mouth and at another place: the one that moves and the one that stays. */
export function sidesOf(piece: PieceResult, { mouth, to, over }: Part): Sides {
  const after = stretch(piece, mouth[1], to);
  const before = stretch(piece, to, mouth[0]);
  const [afterRegion, beforeRegion] = [regionOf(after, over), regionOf(before, over)];
  return hold(piece, after, afterRegion) > hold(piece, before, beforeRegion)
    ? { side: "before", moved: before, still: after, region: beforeRegion }
    : { side: "after", moved: after, still: before, region: afterRegion };
}

/** The piece with one side moved by `map`; `atMouth` and `atTo` bridge what opens there, and `darts` says which darts it then has. */
export function movePart(
  piece: PieceResult,
  { side, moved, still, region }: Sides,
  map: (p: Point) => Point,
  change: {
    readonly atMouth?: Bridge | undefined;
    readonly atTo?: Bridge | undefined;
    readonly darts?: (darts: readonly DartResult[]) => readonly DartResult[];
  } = {},
): PieceResult {
  const turned = moved.map((edge) => mapEdge(edge, map));
  const edges =
    side === "after"
      ? joinRuns([
          { edges: still, bridge: change.atMouth },
          { edges: turned, bridge: change.atTo },
        ])
      : joinRuns([
          { edges: still, bridge: change.atTo },
          { edges: turned, bridge: change.atMouth },
        ]);
  const contents = moveContents(piece, region, map);
  return assemble({ ...piece, ...contents, edges, darts: change.darts?.(contents.darts) ?? contents.darts });
}
