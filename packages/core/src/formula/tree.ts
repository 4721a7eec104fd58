import type { LengthUnit } from "../quantity/units.js";

/** First and last character (exclusive) of a part in the formula's text. */
export type Span = readonly [start: number, end: number];

type BinaryOp = "+" | "-" | "*" | "/" | "and" | "or";
export type CompareOp = "<" | "<=" | ">" | ">=" | "=" | "!=";

/** A formula as a tree. `text` of a number is as it was typed. */
export type Tree =
  | { type: "number"; value: number; unit: LengthUnit | "°" | "%" | null; text: string; at: Span }
  | { type: "name"; name: string; at: Span }
  | { type: "text"; value: string; at: Span }
  | { type: "point"; id: string; at: Span }
  | { type: "unary"; op: "-" | "not"; arg: Tree; at: Span }
  | { type: "binary"; op: BinaryOp; left: Tree; right: Tree; at: Span }
  | { type: "compare"; items: Tree[]; ops: CompareOp[]; at: Span }
  | { type: "call"; fn: string; args: Tree[]; at: Span }
  | { type: "bracket"; inner: Tree; at: Span };

/** A straight line named in a step. */
export type LineTree =
  | { type: "through"; a: string; b: string; at: Span }
  | { type: "ray"; dir: Way; from: string; at: Span }
  /** Beside the line through two points, so far to a side. */
  | { type: "parallel"; a: string; b: string; by: Tree; side: Way; at: Span }
  | { type: "named"; name: string; at: Span };

export type Way = "up" | "down" | "out" | "in" | "left" | "right" | "across";
