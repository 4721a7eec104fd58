import { type Static, Type } from "@sinclair/typebox";
import { Unread } from "./model/unread.js";
import { Choice, Measure, Setting, Table, Uses } from "./model/inputs.js";
import { Amend, LeaveOut, Piece, PieceFrom, Sew, ShapeStep } from "./model/pieces.js";
import { Board, Evenly, Grade, Part, PathStep, PointStep, Value } from "./model/construction.js";
import { Caution, Check, Closes, Cloth, Control, Lesson, Passes } from "./model/checks.js";
import { closed, Margin, Text } from "./model/words.js";

export * from "./model/inputs.js";
export * from "./model/pieces.js";
export * from "./model/construction.js";
export * from "./model/checks.js";
export * from "./model/unread.js";

/**
 * A drafting system as plain data: a heading and its statements in the order they are read. Formulas, points and lines
 * stay as the author's text; `plan/compile.ts` gives them meaning. The JSON form is this tree as it is.
 */
export const Statement = Type.Union([
  Uses,
  Measure,
  Setting,
  Choice,
  Table,
  Value,
  Board,
  Part,
  PointStep,
  PathStep,
  Piece,
  PieceFrom,
  Amend,
  LeaveOut,
  ShapeStep,
  Sew,
  Check,
  Passes,
  Closes,
  Cloth,
  Caution,
  Control,
  Lesson,
  Grade,
  Evenly,
  Unread,
]);

export const SystemSchema = Type.Object(
  {
    title: Text,
    garment: Type.String({ minLength: 1, maxLength: 40 }),
    unit: Type.Union([Type.Literal("in"), Type.Literal("cm")]),
    tape: Type.Union([Type.Literal("1/8in"), Type.Literal("1/16in"), Type.Literal("1mm")]),
    about: Type.Optional(Text),
    suits: Type.Optional(Text),
    ...Margin,
    statements: Type.Array(Statement, { maxItems: 2_000 }),
  },
  { ...closed, $id: "https://lodrin.invalid/schema/system.json", title: "A Lodrin drafting system" },
);

export type System = Static<typeof SystemSchema>;
export type Statement = Static<typeof Statement>;
