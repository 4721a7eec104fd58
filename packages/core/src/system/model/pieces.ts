import { type Static, Type } from "@sinclair/typebox";
import { Text, Key, FormulaText, PointId, PieceKey, EdgeName, Margin, closed, VerbUse, Along } from "./words.js";

export const Edge = Type.Object(
  {
    role: Key,
    along: Along,
    finish: Type.Optional(Type.Union([Type.Literal("fold"), Type.Literal("finished")])),
    allow: Type.Optional(FormulaText),
    /** Meets the fold, or its like over a seam, in a point on purpose: a sweetheart, a V neck, a shirt tail. */
    pointed: Type.Optional(Type.Boolean()),
    corner: Type.Optional(Type.Union([Type.Literal("mitre"), Type.Literal("square"), Type.Literal("mirrored")])),
    /** What becomes of an edge that is sewn to no other: turned up, faced or bound, holding the closure, or left to what is set to it elsewhere. */
    treatment: Type.Optional(Type.Union([Type.Literal("hemmed"), Type.Literal("faced"), Type.Literal("zip"), Type.Literal("open")])),
  },
  closed,
);

const Ticks = Type.Integer({ minimum: 1, maximum: 3 });

const Notch = Type.Union([
  Type.Object({ at: PointId, ticks: Ticks }, closed),
  Type.Object(
    { on: Key, by: FormulaText, fromEnd: Type.Optional(Type.Boolean()), from: Type.Optional(PointId), ticks: Ticks },
    { ...closed, description: "So far along an edge: from where it begins, back from its end, or from a point of it." },
  ),
]);

/** Something marked on the piece: buttons, buttonholes by their length and the way they lie, holes to drill. */
const Mark = Type.Object(
  {
    kind: Type.Union([Type.Literal("button"), Type.Literal("buttonhole"), Type.Literal("drill")]),
    at: Type.Array(PointId, { minItems: 1 }),
    length: Type.Optional(FormulaText),
    way: Type.Optional(Type.Union([Type.Literal("across"), Type.Literal("down")])),
  },
  closed,
);

/** What is drawn on a piece, and when it is there at all. */
const Drawn = {
  when: Type.Optional(FormulaText),
  grain: Type.Optional(FormulaText),
  /** How far the grain is turned from that line, clockwise. */
  grainTurned: Type.Optional(FormulaText),
  /** Darts that lie inside it; those in its edges are named there. */
  darts: Type.Optional(Type.Array(Key)),
  /** Lines drawn inside the piece. */
  inside: Type.Optional(Type.Array(Type.Object({ label: Text, along: Along }, closed))),
  levels: Type.Optional(Type.Array(Type.Object({ label: Text, line: FormulaText }, closed))),
  notches: Type.Optional(Type.Array(Notch)),
  marks: Type.Optional(Type.Array(Mark)),
  notes: Type.Optional(Type.Array(Text)),
  ...Margin,
};

/** How often it is cut, and how it lies. */
const Cut = {
  onFold: Type.Optional(Type.Boolean()),
  mirrored: Type.Optional(Type.Boolean()),
  /** Taken off the board turned over, so that its centre lies on the left. */
  turned: Type.Optional(Type.Boolean()),
};

const CutCount = Type.Integer({ minimum: 1, maximum: 20 });

export const Piece = Type.Object(
  {
    is: Type.Literal("piece"),
    key: PieceKey,
    title: Text,
    board: Type.String({ pattern: "^[A-Z]$" }),
    cut: CutCount,
    ...Cut,
    edges: Type.Optional(Type.Array(Edge)),
    ...Drawn,
  },
  closed,
);

/** What is changed on a piece taken from another or brought along. */
const Changes = {
  pleats: Type.Optional(Type.Array(Type.Object({ depth: FormulaText, at: Key }, closed))),
  allowances: Type.Optional(Type.Array(Type.Object({ allow: FormulaText, on: Type.Array(Key, { minItems: 1 }) }, closed))),
};

/** A piece made from another as it lies by then: the same shape, a strip of it along some of its edges, or what such a strip leaves of it. */
export const PieceFrom = Type.Object(
  {
    is: Type.Literal("pieceFrom"),
    key: PieceKey,
    title: Type.Optional(Text),
    of: PieceKey,
    strip: Type.Optional(
      Type.Object({ width: FormulaText, along: Type.Array(Key, { minItems: 1 }), less: Type.Optional(Type.Literal(true)) }, closed),
    ),
    cut: Type.Optional(CutCount),
    ...Cut,
    ...Changes,
    ...Drawn,
    text: Type.Optional(Text),
  },
  closed,
);

/** More said of a piece that stands above, one's own or brought along: edges of the same name are drawn again. */
export const Amend = Type.Object(
  {
    is: Type.Literal("amend"),
    key: PieceKey,
    /** How it is cut from then on, where that is said again. */
    cut: Type.Optional(CutCount),
    onFold: Type.Optional(Type.Boolean()),
    mirrored: Type.Optional(Type.Boolean()),
    edges: Type.Optional(Type.Array(Edge)),
    ...Changes,
    ...Drawn,
  },
  closed,
);

/** A piece that is not cut. */
export const LeaveOut = Type.Object({ is: Type.Literal("leaveOut"), key: PieceKey, when: Type.Optional(FormulaText), ...Margin }, closed);

/** A shaping of pieces, in order after they are taken off the board. */
export const ShapeStep = Type.Object(
  {
    is: Type.Literal("shape"),
    ...VerbUse,
  },
  closed,
);

/** Edges that are sewn to each other, on either side one or several in the order they are sewn; `eased`: how much longer the first is. */
export const Sew = Type.Object(
  {
    is: Type.Literal("sew"),
    first: Type.Array(EdgeName, { minItems: 1 }),
    second: Type.Array(EdgeName, { minItems: 1 }),
    eased: Type.Optional(FormulaText),
    within: Type.Optional(FormulaText),
    /** Balance notches on both sides, so far from where the first edge begins. */
    notches: Type.Optional(Type.Array(Type.Object({ after: FormulaText, ticks: Ticks }, closed))),
    ...Margin,
  },
  closed,
);

export type Edge = Static<typeof Edge>;
export type Piece = Static<typeof Piece>;
export type ShapeStep = Static<typeof ShapeStep>;
export type PieceFrom = Static<typeof PieceFrom>;
export type Amend = Static<typeof Amend>;
export type LeaveOut = Static<typeof LeaveOut>;
export type Sew = Static<typeof Sew>;
