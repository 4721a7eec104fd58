import { type Static, Type } from "@sinclair/typebox";
import { Text, FormulaText, PointId, Margin, closed } from "./words.js";

/** How a miss is told: how hard, where, and what usually causes it; and when it is judged at all. */
const Judging = {
  /** A miss is something to look at, not a fault. */
  warnOnly: Type.Optional(Type.Boolean()),
  at: Type.Optional(PointId),
  cause: Type.Optional(Text),
  when: Type.Optional(FormulaText),
  ...Margin,
};

export const Check = Type.Object(
  {
    is: Type.Literal("check"),
    title: Text,
    /** One of: a = b within t; x between a and b; a condition. */
    got: FormulaText,
    test: Type.Union([Type.Literal("equals"), Type.Literal("between"), Type.Literal("holds")]),
    expected: Type.Optional(FormulaText),
    upper: Type.Optional(FormulaText),
    within: Type.Optional(FormulaText),
    ...Judging,
  },
  closed,
);

/** An opening, or a girth of the garment, that must pass over a girth of the body. */
export const Passes = Type.Object(
  {
    is: Type.Literal("passes"),
    title: Text,
    garment: FormulaText,
    body: FormulaText,
    ...Judging,
  },
  closed,
);

/** How the garment is opened to be put on. */
export const Closes = Type.Object({ is: Type.Literal("closes"), text: Text, when: Type.Optional(FormulaText), ...Margin }, closed);

/** How far the cloth stretches across, as a share of its width; a garment without it is cut in cloth that does not. */
export const Cloth = Type.Object({ is: Type.Literal("cloth"), stretches: FormulaText, ...Margin }, closed);

export const Caution = Type.Object({ is: Type.Literal("caution"), text: Text, ...Margin }, closed);
/** A length that is read on the paper on the way: it shows slips before they are carried on. */
export const Control = Type.Object({ is: Type.Literal("control"), reads: FormulaText, text: Type.Optional(Text), ...Margin }, closed);
export const Lesson = Type.Object({ is: Type.Literal("lesson"), text: Text, ...Margin }, closed);

export type Check = Static<typeof Check>;
export type Passes = Static<typeof Passes>;
export type Closes = Static<typeof Closes>;
export type Cloth = Static<typeof Cloth>;
export type Caution = Static<typeof Caution>;
export type Control = Static<typeof Control>;
export type Lesson = Static<typeof Lesson>;
