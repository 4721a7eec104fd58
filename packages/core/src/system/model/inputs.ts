import { type Static, Type } from "@sinclair/typebox";
import { Text, Key, FormulaText, Margin, closed } from "./words.js";

export const Measure = Type.Object(
  {
    is: Type.Literal("measure"),
    key: Key,
    kind: Type.Union([Type.Literal("girth"), Type.Literal("length"), Type.Literal("width"), Type.Literal("depth"), Type.Literal("number")]),
    from: FormulaText,
    to: FormulaText,
    how: Text,
    iso: Type.Optional(Text),
    /** Where the tape runs on the figure: round it at a level, or from a landmark to another. */
    course: Type.Optional(Type.Union([Type.Object({ round: Key }, closed), Type.Object({ from: Key, to: Key }, closed)])),
    /** Asked for, but the draft can do without: only a check reads it. */
    checkOnly: Type.Optional(Type.Boolean()),
    when: Type.Optional(FormulaText),
    fallback: Type.Optional(FormulaText),
    ...Margin,
  },
  closed,
);

export const Setting = Type.Object(
  {
    is: Type.Literal("set"),
    key: Key,
    kind: Type.Union([Type.Literal("length"), Type.Literal("number"), Type.Literal("angle"), Type.Literal("boolean")]),
    default: FormulaText,
    /** Words the setting may hold instead of a figure, like auto. */
    words: Type.Optional(Type.Array(Type.String({ minLength: 1, maxLength: 40 }))),
    from: Type.Optional(FormulaText),
    to: Type.Optional(FormulaText),
    decides: Text,
    ...Margin,
  },
  closed,
);

export const Option = Type.Object(
  {
    name: Type.String({ minLength: 1, maxLength: 60 }),
    formula: Type.Optional(FormulaText),
    reason: Type.Optional(Text),
    suits: Type.Optional(Text),
  },
  closed,
);

export const Choice = Type.Object(
  { is: Type.Literal("choose"), key: Key, decides: Text, options: Type.Array(Option, { minItems: 1 }), ...Margin },
  closed,
);

export const Row = Type.Object(
  {
    bound: Type.Union([Type.Literal("upTo"), Type.Literal("under"), Type.Literal("at"), Type.Literal("above")]),
    at: Type.Optional(FormulaText),
    gives: FormulaText,
  },
  closed,
);

export const Table = Type.Object(
  {
    is: Type.Literal("table"),
    key: Key,
    kind: Type.Union([Type.Literal("length"), Type.Literal("number")]),
    by: Key,
    mode: Type.Union([Type.Literal("steps"), Type.Literal("linear")]),
    rows: Type.Array(Row, { minItems: 1, maxItems: 200 }),
    ...Margin,
  },
  closed,
);

/** What a library system is called by others: the name of its file. */
const Slug = Type.String({ pattern: "^[a-z0-9][a-z0-9-]*$", maxLength: 80 });

/** Builds on another system: all that it asks for and draws stands above what follows here. */
export const Uses = Type.Object(
  {
    is: Type.Literal("uses"),
    base: Slug,
    /** Its pieces are cut as well, with their shaping and checks. */
    pieces: Type.Optional(Type.Boolean()),
    text: Type.Optional(Text),
    ...Margin,
  },
  closed,
);

export type Measure = Static<typeof Measure>;
export type Setting = Static<typeof Setting>;
export type Option = Static<typeof Option>;
export type Choice = Static<typeof Choice>;
export type Table = Static<typeof Table>;
export type Uses = Static<typeof Uses>;
