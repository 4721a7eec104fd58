import type { Evaluate, Environment } from "../formula/scope.js";
import { amended, assemble, type EdgeParts } from "../piece/assemble.js";
import type { PlannedDrawing, PlannedEdge } from "../piece/blueprint.js";
import { drawOn } from "../piece/draw-on.js";
import { edgePath } from "../piece/edge-path.js";
import { edgeParts } from "../piece/take.js";
import type { PieceResult } from "../piece/piece.js";
import { DraftError } from "../verb/draft-error.js";
import { carriedOut } from "./extend.js";
import { exchange, indexOf, pieceOf } from "./outline/find.js";
import type { Shape } from "./shaping.js";

/** What is changed on a piece: pleats let in at an edge, other allowances, and what is drawn on it besides. */
export interface PieceChanges {
  readonly pleats: readonly { readonly depth: Evaluate; readonly at: string }[];
  readonly allowances: readonly { readonly allow: Evaluate; readonly on: readonly string[] }[];
  readonly drawing: PlannedDrawing;
}

/** More said of a piece: edges of the same name are drawn again, the rest is added. */
export const amendPiece =
  (key: string, changes: PieceChanges & Amendment): Shape =>
  (pieces, environment) => {
    const piece = pieceOf(pieces, key);
    const redrawn = changes.edges.reduce((now, edge) => withEdge(now, edge, environment), piece);
    const made = changed(redrawn, changes, environment);
    return exchange(pieces, piece, [changes.cut ? cutOtherwise(made, changes.cut) : made]);
  };

/** How a piece is cut: how often, on the fold, or left and right. */
type Cut = Pick<PieceResult, "cut" | "onFold" | "mirrored">;

interface Amendment {
  readonly edges: readonly Omit<PlannedEdge, "pathIndex">[];
  readonly cut?: Cut;
}

/** The same piece cut otherwise. An edge that is the fold and a cut on the fold go together. */
function cutOtherwise(piece: PieceResult, cut: Cut): PieceResult {
  const fold = piece.edges.find((e) => e.finish === "fold");
  if (fold && !cut.onFold)
    throw new DraftError(
      `${piece.title} has an edge on the fold (${fold.role}), so it cannot be cut without it.`,
      `Draw that edge again without the fold and with its allowance: edge ${fold.role}: …`,
    );
  if (!fold && cut.onFold)
    throw new DraftError(`${piece.title} has no edge on the fold.`, "Draw the edge again as the fold: edge centre: … · fold.");
  return amended(piece, cut);
}

function withEdge(piece: PieceResult, edge: Omit<PlannedEdge, "pathIndex">, environment: Environment): PieceResult {
  const index = indexOf(piece, edge.role);
  const drawn = edgePath(edge.items, environment);
  if (!drawn)
    throw new DraftError(
      `The new ${edge.role} of ${piece.title} is not on the draft.`,
      "One of its points was left out or could not be drawn.",
    );
  const made = edgeParts(edge, drawn, undefined, environment);
  return assemble({ ...piece, edges: piece.edges.map((e, i): EdgeParts => (i === index ? made : e)) });
}

/** An edge with another allowance, mm. One that was finished without any and is given some is there to be sewn; a fold has none. */
function withAllowance(edge: EdgeParts, mm: number): EdgeParts {
  if (edge.finish === "fold") return edge;
  if (edge.finish === "seam") return { ...edge, allowance: mm };
  return mm > 0 ? { ...edge, allowance: mm, finish: "seam", treatment: "open" } : edge;
}

/** `allow 1/2 on all`: every edge that is not the fold. */
const ALL_EDGES = "all";

/** A piece with its changes made and the rest drawn on it. */
export function changed(piece: PieceResult, changes: PieceChanges, environment: Environment): PieceResult {
  const pleated = changes.pleats.reduce((now, { depth, at }) => {
    const mm = depth(environment);
    if (!(mm >= 0)) throw new DraftError(`The pleat at ${at} comes to less than nothing.`, "Give a depth above nothing.");
    return mm === 0 ? now : carriedOut(now, indexOf(now, at), mm, false);
  }, piece);
  const edges = changes.allowances.reduce<readonly EdgeParts[]>((now, { allow, on }) => {
    const all = on.includes(ALL_EDGES);
    if (!all) for (const role of on) indexOf(pleated, role);
    return now.map((e) => (all || on.includes(e.role) ? withAllowance(e, Math.max(0, allow(environment))) : e));
  }, pleated.edges);
  const { turnedAt } = pleated.carried;
  const more = drawOn(changes.drawing, environment, {
    edgeOf: (role) => pleated.edges.find((e) => e.role === role)?.path,
    lift: (p) => (turnedAt === undefined ? p : { x: turnedAt - p.x, y: p.y }),
    mouthOf: () => undefined,
  });
  return assemble({
    ...pleated,
    edges,
    grain: more.grain ?? pleated.grain,
    levels: [...pleated.levels, ...more.levels],
    darts: [...pleated.darts, ...more.darts],
    inside: [...pleated.inside, ...more.inside],
    notches: [...pleated.notches, ...more.notches],
    marks: [...pleated.marks, ...more.marks],
    notes: [...pleated.notes, ...changes.drawing.notes],
    doubts: [...pleated.doubts, ...more.doubts],
  });
}
