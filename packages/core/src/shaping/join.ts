import { flatten } from "../geometry/path/flatten.js";
import { nearestOnPath } from "../geometry/path/nearest-on-path.js";
import { endOf, startOf } from "../geometry/path/path.js";
import { bearing, type Point, turn } from "../geometry/point.js";
import { assemble, type EdgeParts } from "../piece/assemble.js";
import { type PieceEdge, type PieceResult, roleText } from "../piece/piece.js";
import { DraftError } from "../verb/draft-error.js";
import { joinForms } from "../system/shaping-forms.js";
import { mapContents } from "./outline/contents.js";
import { edgeOf } from "./outline/find.js";
import { mapEdge, joinRuns } from "./outline/ring.js";
import type { Shaping } from "./shaping.js";

/** Lay one piece to another along an edge of each, and take them as one: how a strip cut from the front joins the back. */
export const join: Shaping = {
  ...joinForms,
  gradual: false,
  prepare(which, filled) {
    const [first, second, name] = [filled.name("first"), filled.name("second"), filled.name("name")];
    return (pieces) => {
      const a = edgeOf(pieces, first);
      const laid = edgeOf(pieces, second);
      const b = which === 0 ? edgeOf([turnedOver(laid.piece)], second) : laid;
      if (a.piece === laid.piece) throw new DraftError("A piece cannot be joined to itself.", "Name edges of two pieces.");
      const joined = joinedAt(a, b, name);
      return pieces.flatMap((p) => (p === a.piece ? [joined] : p === laid.piece ? [] : [p]));
    };
  },
};

/** A piece with its right side down. */
function turnedOver(piece: PieceResult): PieceResult {
  const over = (p: Point): Point => ({ x: -p.x, y: p.y });
  return assemble({ ...piece, ...mapContents(piece, over), edges: piece.edges.map((e) => mapEdge(e, over)) });
}

type Named = ReturnType<typeof edgeOf>;

/** How far apart (mm) two edges may lie, laid on each other, before it is told. */
const APART_MM = 1;

/** Edges of unlike shape leave a gap or lie over each other where they are joined: how much, at the widest. */
function unlike(a: Named, laid: EdgeParts): string[] {
  const apart = Math.max(...flatten(laid.path, 0.5).map((p) => nearestOnPath(a.edge.path, p).off));
  if (apart <= APART_MM) return [];
  return [
    `Joined at ${roleText(a.edge)}, the two edges lie ${(apart / 10).toFixed(1)} cm apart at the widest: true one to the other first.`,
  ];
}

/** Two edges whose neighbours would meet if one piece were turned over, but cross as the pieces lie: the neck comes to the armhole. */
function crosswise(a: Named, b: Named): string[] {
  const beside = ({ piece: { edges }, index }: Named, step: 1 | -1): PieceEdge =>
    edges[(index + step + edges.length) % edges.length] as PieceEdge;
  const [before, after] = [beside(a, -1), beside(a, 1)];
  if (before.role === after.role || beside(b, -1).role !== before.role || beside(b, 1).role !== after.role) return [];
  return [`Joined as the pieces lie, the ${roleText(before)} of one comes to the ${roleText(after)} of the other: write turned over.`];
}

function joinedAt(a: Named, b: Named, key: string): PieceResult {
  // Outlines run the same way round, so edges laid on each other run against each other.
  const [from, to] = [startOf(b.edge.path), endOf(a.edge.path)];
  const by = bearing(startOf(a.edge.path), endOf(a.edge.path)) - bearing(endOf(b.edge.path), startOf(b.edge.path));
  const map = (p: Point): Point => turn({ x: p.x + to.x - from.x, y: p.y + to.y - from.y }, to, by);
  const rest = ({ piece, index }: Named): PieceResult["edges"] => [...piece.edges.slice(index + 1), ...piece.edges.slice(0, index)];
  const edges = joinRuns([{ edges: rest(a) }, { edges: rest(b).map((e) => mapEdge(e, map)) }]);
  const brought = mapContents(b.piece, map);
  return assemble({
    ...a.piece,
    key,
    title: key.replace(/_/g, " "),
    edges,
    levels: [...a.piece.levels, ...brought.levels],
    darts: [...a.piece.darts, ...brought.darts],
    inside: [...a.piece.inside, { label: roleText(b.edge), path: a.edge.path }, ...brought.inside],
    notches: [...a.piece.notches, ...brought.notches],
    marks: [...a.piece.marks, ...brought.marks],
    doubts: [...a.piece.doubts, ...b.piece.doubts, ...unlike(a, mapEdge(b.edge, map)), ...crosswise(a, b)],
    carried: {
      points: new Map([...brought.carried.points, ...a.piece.carried.points]),
      paths: new Map([...brought.carried.paths, ...a.piece.carried.paths]),
      laid: new Map([...brought.carried.laid, ...a.piece.carried.laid]),
      turnedAt: a.piece.carried.turnedAt,
    },
  });
}
