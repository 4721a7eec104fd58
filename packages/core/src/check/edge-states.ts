import type { PieceEdge, PieceResult, Treatment } from "../piece/piece.js";
import type { Plan } from "../plan/plan.js";

/** What becomes of an edge: sewn to others, on the fold, finished, treated as its author says, or nothing that is said. */
export interface EdgeState {
  readonly piece: PieceResult;
  readonly edge: PieceEdge;
  readonly is: "sewn" | "fold" | "finished" | Treatment | "unsaid";
  /** The edges it is sewn to, by name. */
  readonly to: readonly string[];
  /** The statement that says so, where one does. */
  readonly statement: number | undefined;
}

/** A shorter edge (mm) is a step between two others, of which nothing is to be said. */
const STEP_MM = 3;

/** Of every edge of every piece what becomes of it, in their order; steps between two edges are left out. */
export function edgeStates({ sews, shapings }: Pick<Plan, "sews" | "shapings">, pieces: readonly PieceResult[]): EdgeState[] {
  const there = new Set(pieces.flatMap((p) => p.edges.map((e) => e.name)));
  const sewn = new Map<string, { to: readonly string[]; statement: number | undefined }>();
  for (const { first, second, statement } of sews) {
    if (![...first, ...second].every((name) => there.has(name))) continue;
    for (const name of first) sewn.set(name, { to: second, statement });
    for (const name of second) sewn.set(name, { to: first, statement });
  }
  // What is made along the edges of a piece is sewn to them, edge to edge.
  for (const { source } of shapings) {
    if (source.is !== "pieceFrom") continue;
    const rolesOf = (key: string): readonly string[] => pieces.find((p) => p.key === key)?.edges.map((e) => e.role) ?? [];
    const base = new Set(rolesOf(source.of));
    for (const role of rolesOf(source.key)) {
      const [name, of] = [`${source.key}.${role}`, `${source.of}.${role}`];
      sewn.set(name, sewn.get(name) ?? { to: base.has(role) ? [of] : [], statement: undefined });
      if (base.has(role) && (source.strip?.along.includes(role) ?? false))
        sewn.set(of, sewn.get(of) ?? { to: [name], statement: undefined });
    }
  }
  return pieces.flatMap((piece) =>
    piece.edges.flatMap((edge): EdgeState[] => {
      const partner = sewn.get(plain(edge.name));
      if (edge.finish !== "seam") return [{ piece, edge, is: edge.finish, to: [], statement: undefined }];
      if (partner) return [{ piece, edge, is: "sewn", ...partner }];
      if (edge.treatment === undefined && edge.length <= STEP_MM) return [];
      return [{ piece, edge, is: edge.treatment ?? "unsaid", to: [], statement: undefined }];
    }),
  );
}

/** The other half of a piece that was opened out is treated as the half it mirrors. */
const plain = (name: string): string => name.replace(/_other$/, "");
