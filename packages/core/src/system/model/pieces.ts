import { type Static, Type } from "@sinclair/typebox";
import { Text, Key, FormulaText, PointId, Comments, closed, VerbUse, Along } from "./words.js";

export const Edge = Type.Object(
  {
    role: Key,
    along: Along,
    finish: Type.Optional(Type.Union([Type.Literal("fold"), Type.Literal("finished")])),
    allow: Type.Optional(FormulaText),
    /** Meets the fold, or its like over a seam, in a point on purpose: a sweetheart, a V neck, a shirt tail. */
    pointed: Type.Optional(Type.Boolean()),
    corner: Type.Optional(Type.Union([Type.Literal("mitre"), Type.Literal("square"), Type.Literal("mirrored")])),
  },
  closed,
);

const Marks = Type.Integer({ minimum: 1, maximum: 3 });

export const Piece = Type.Object(
  {
    is: Type.Literal("piece"),
    key: Type.String({ pattern: "^[A-Z][A-Za-z0-9_]*$", maxLength: 60 }),
    title: Text,
    board: Type.String({ pattern: "^[A-Z]$" }),
    cut: Type.Integer({ minimum: 1, maximum: 20 }),
    onFold: Type.Optional(Type.Boolean()),
    mirrored: Type.Optional(Type.Boolean()),
    /** Taken off the board turned over, so that its centre lies on the left. */
    turned: Type.Optional(Type.Boolean()),
    when: Type.Optional(FormulaText),
    edges: Type.Array(Edge, { minItems: 1 }),
    grain: Type.Optional(FormulaText),
    /** Darts that lie inside it; those in its edges are named there. */
    darts: Type.Optional(Type.Array(Key)),
    /** Lines drawn inside the piece. */
    inside: Type.Optional(Type.Array(Type.Object({ label: Text, along: Along }, closed))),
    levels: Type.Optional(Type.Array(Type.Object({ label: Text, line: FormulaText }, closed))),
    notches: Type.Optional(
      Type.Array(
        Type.Union([
          Type.Object({ at: PointId, marks: Marks }, closed),
          Type.Object(
            { on: Key, by: FormulaText, marks: Marks },
            { ...closed, description: "So far along an edge, from where it begins." },
          ),
        ]),
      ),
    ),
    notes: Type.Optional(Type.Array(Text)),
    comments: Comments,
  },
  closed,
);

/** A shaping of pieces, in order after they are taken off the board. */
export const ShapeStep = Type.Object(
  {
    is: Type.Literal("shape"),
    ...VerbUse,
  },
  closed,
);

export const Sew = Type.Object(
  { is: Type.Literal("sew"), first: FormulaText, second: FormulaText, within: Type.Optional(FormulaText), comments: Comments },
  closed,
);

export type Edge = Static<typeof Edge>;
export type Piece = Static<typeof Piece>;
export type ShapeStep = Static<typeof ShapeStep>;
export type Sew = Static<typeof Sew>;
