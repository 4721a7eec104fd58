import { Type } from "@sinclair/typebox";
import { POINT_ID } from "../../formula/point-id.js";

/** What the statements of a system are written with. Formulas, points and lines stay as the author's text. */
export const Text = Type.String({ maxLength: 4_000 });
export const Key = Type.String({ pattern: "^[a-z_][A-Za-z0-9_]*$", maxLength: 60 });
/** A drawn line, or an edge of a piece. */
export const PathName = Type.String({ pattern: "^([A-Z][A-Za-z0-9_]*\\.)?[a-z_][A-Za-z0-9_]*$", maxLength: 120 });
export const PieceKey = Type.String({ pattern: "^[A-Z][A-Za-z0-9_]*$", maxLength: 60 });
export const EdgeName = Type.String({ pattern: "^[A-Z][A-Za-z0-9_]*\\.[a-z_][A-Za-z0-9_]*$", maxLength: 120 });
export const FormulaText = Type.String({ minLength: 1, maxLength: 2_000 });
export const PointId = Type.String({ pattern: `^(?:${POINT_ID})$`, maxLength: 20 });
export const Comments = Type.Optional(Type.Array(Text));
/** What stands beside a statement: its comments, and the lines under it that could not be read, as they were typed. */
export const Margin = { comments: Comments, unread: Type.Optional(Type.Array(Type.String({ maxLength: 4_000 }))) };

/** What stands indented under a step: why it is done, what to watch, when it applies, what can hurt. */
export const Notes = {
  why: Type.Optional(Type.Array(Text)),
  watch: Type.Optional(Type.Array(Text)),
  caution: Type.Optional(Type.Array(Text)),
  when: Type.Optional(FormulaText),
};

export const closed = { additionalProperties: false } as const;

/** A verb in one of its forms, with what fills it: how a point is placed, or pieces are shaped. */
export const VerbUse = {
  verb: Type.String({ pattern: "^[a-z]+$" }),
  /** Which of the verb's forms, from 0. */
  form: Type.Integer({ minimum: 0 }),
  args: Type.Record(Key, FormulaText),
  text: Type.Optional(Text),
  ...Notes,
  ...Margin,
};

/** Points and path names in order; a path may be travelled backwards. */
export const Along = Type.Array(
  Type.Union([
    Type.Object({ point: PointId }, closed),
    Type.Object(
      { path: PathName, from: Type.Optional(PointId), to: Type.Optional(PointId), reversed: Type.Optional(Type.Boolean()) },
      { ...closed, description: "A drawn path, or the part of it between two points on it, in the order they are named." },
    ),
  ]),
  { minItems: 1 },
);
