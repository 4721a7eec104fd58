import type { Point } from "../../geometry/point.js";
import { endOf, startOf } from "../../geometry/path/path.js";
import { distanceToRing, insideRing } from "../../geometry/ring/ring.js";
import type { PieceMark, PieceResult } from "../../piece/piece.js";
import { type CheckResult, makeCheck } from "../result.js";
import type { BuiltinCheck } from "./builtin.js";

/** A mark as near as this (mm) to the cutting line is on it. */
const EDGE_MM = 2;

/** Buttons, buttonholes, holes to drill and lines drawn inside are on their piece. Asked only of pieces that have one beside them. */
export const marksOnPiece: BuiltinCheck = ({ pieces }) =>
  pieces.flatMap((piece): CheckResult[] => {
    const all = [
      ...piece.marks.map((mark) => ({ what: WORDS[mark.kind], places: endsOf(mark) })),
      ...piece.inside.map(({ label, path }) => ({ what: `“${label}”`, places: [startOf(path), endOf(path)] })),
    ];
    const off = all.find(({ places }) => places.some((p) => !on(piece, p)));
    if (!off) return [];
    return [
      makeCheck({
        id: `marks ${piece.key}`,
        name: `${piece.title}: every mark is on it`,
        status: "fail",
        kind: "number",
        relation: "holds",
        got: 0,
        expected: 1,
        at: off.places.find((p) => !on(piece, p)),
        board: piece.board,
        onPiece: true,
        edges: piece.edges.slice(0, 1).map((edge) => edge.name),
        cause: `${off.what} lies beside the piece: the point it stands at is not on it, or it is longer than the room there.`,
      }),
    ];
  });

const WORDS: Readonly<Record<PieceMark["kind"], string>> = { button: "A button", buttonhole: "A buttonhole", drill: "A hole to drill" };

/** A buttonhole lies with its middle at its point. */
function endsOf({ at, length = 0, way }: PieceMark): readonly Point[] {
  const half = length / 2;
  return half === 0 ? [at] : [-half, half].map((by) => ({ x: at.x + way.x * by, y: at.y + way.y * by }));
}

const on = ({ cutting }: PieceResult, p: Point): boolean => insideRing(p, cutting) || distanceToRing(p, cutting) <= EDGE_MM;
