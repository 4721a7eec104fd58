import { type Static, Type } from "@sinclair/typebox";

/**
 * A drafting system as plain data: a heading and its statements in the order they are read. Formulas, points and lines
 * stay as the author's text; `draft/compile.ts` gives them meaning. The JSON form is this tree as it is.
 */
const Text = Type.String({ maxLength: 4_000 });
const Key = Type.String({ pattern: "^[a-z_][A-Za-z0-9_]*$", maxLength: 60 });
const FormulaText = Type.String({ minLength: 1, maxLength: 2_000 });
const PointId = Type.String({ pattern: "^[A-Za-z]*[0-9]+[a-z0-9']*$", maxLength: 20 });
const Comments = Type.Optional(Type.Array(Text));

/** What stands indented under a step: why it is done, what to watch, when it applies, what can hurt. */
const Notes = {
  why: Type.Optional(Type.Array(Text)),
  watch: Type.Optional(Type.Array(Text)),
  caution: Type.Optional(Type.Array(Text)),
  when: Type.Optional(FormulaText),
};

const closed = { additionalProperties: false } as const;

export const Measure = Type.Object(
  {
    is: Type.Literal("measure"),
    key: Key,
    kind: Type.Union([Type.Literal("girth"), Type.Literal("length"), Type.Literal("width"), Type.Literal("depth"), Type.Literal("number")]),
    from: FormulaText,
    to: FormulaText,
    how: Text,
    iso: Type.Optional(Text),
    /** Asked for, but the draft can do without: only a check reads it. */
    checkOnly: Type.Optional(Type.Boolean()),
    when: Type.Optional(FormulaText),
    fallback: Type.Optional(FormulaText),
    comments: Comments,
  },
  closed,
);

export const Setting = Type.Object(
  {
    is: Type.Literal("set"),
    key: Key,
    kind: Type.Union([Type.Literal("length"), Type.Literal("number"), Type.Literal("angle"), Type.Literal("yesno")]),
    default: FormulaText,
    /** Words the setting may hold instead of a figure, like auto. */
    words: Type.Optional(Type.Array(Type.String({ minLength: 1, maxLength: 40 }))),
    from: Type.Optional(FormulaText),
    to: Type.Optional(FormulaText),
    decides: Text,
    comments: Comments,
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
  { is: Type.Literal("choose"), key: Key, decides: Text, options: Type.Array(Option, { minItems: 1 }), comments: Comments },
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
    comments: Comments,
  },
  closed,
);

export const Value = Type.Object(
  {
    is: Type.Literal("value"),
    key: Key,
    kind: Type.Union([Type.Literal("length"), Type.Literal("number"), Type.Literal("angle"), Type.Literal("yesno")]),
    formula: FormulaText,
    says: Type.Optional(Text),
    ...Notes,
    comments: Comments,
  },
  closed,
);

export const Board = Type.Object(
  {
    is: Type.Literal("board"),
    key: Type.String({ pattern: "^[A-Z]$" }),
    title: Text,
    centre: Type.Union([Type.Literal("fold"), Type.Literal("edge")]),
    room: Type.Optional(
      Type.Object(
        {
          above: Type.Optional(FormulaText),
          beyond: Type.Optional(FormulaText),
          below: Type.Optional(FormulaText),
          aside: Type.Optional(FormulaText),
        },
        closed,
      ),
    ),
    comments: Comments,
  },
  closed,
);

export const Part = Type.Object({ is: Type.Literal("part"), title: Text, comments: Comments }, closed);

/** Grading: the same shift laid on points as many times as wanted. Makes `F7g1`, `F7g2` … and, for the last step, `F7gn`. */
export const Grade = Type.Object(
  {
    is: Type.Literal("grade"),
    /** The setting or value that says how many steps. */
    by: Key,
    most: Type.Integer({ minimum: 1, maximum: 20 }),
    shifts: Type.Array(
      Type.Object(
        {
          points: Type.Array(PointId, { minItems: 1 }),
          moves: Type.Array(
            Type.Object(
              { by: FormulaText, way: Type.Union([Type.Literal("out"), Type.Literal("in"), Type.Literal("up"), Type.Literal("down")]) },
              closed,
            ),
            { minItems: 1, maxItems: 2 },
          ),
        },
        closed,
      ),
    ),
    says: Type.Optional(Text),
    comments: Comments,
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
    says: Type.Optional(Text),
    comments: Comments,
  },
  closed,
);

/** A verb in one of its forms, with what fills it: how a point is placed, or pieces are shaped. */
const VerbUse = {
  verb: Type.String({ pattern: "^[a-z]+$" }),
  /** Which of the verb's forms, from 0. */
  form: Type.Integer({ minimum: 0 }),
  args: Type.Record(Key, FormulaText),
  says: Type.Optional(Text),
  ...Notes,
  comments: Comments,
};

export const PointStep = Type.Object(
  {
    is: Type.Literal("point"),
    id: PointId,
    ...VerbUse,
  },
  closed,
);

/** Points and path names in order; a path may be travelled backwards. */
const Along = Type.Array(
  Type.Union([
    Type.Object({ point: PointId }, closed),
    Type.Object(
      { path: Key, from: Type.Optional(PointId), to: Type.Optional(PointId), reversed: Type.Optional(Type.Boolean()) },
      { ...closed, description: "A drawn path, or the part of it between two points on it, in the order they are named." },
    ),
  ]),
  { minItems: 1 },
);

/** How a dart lies: its legs, or the middle of its mouth and what it takes in; its point or points; how it is pressed. */
export const DartText = Type.Object(
  {
    /** The points its legs end in, in the order of the outline. */
    legs: Type.Optional(Type.Array(PointId, { minItems: 2, maxItems: 2 })),
    /** The middle of its mouth; the legs are then laid out from it, as `P` + `a` and `P` + `b`. */
    at: Type.Optional(PointId),
    intake: Type.Optional(FormulaText),
    to: Type.Array(PointId, { minItems: 1, maxItems: 2 }),
    /** The way its fold is pressed. */
    pressed: Type.Optional(Type.Union([Type.Literal("in"), Type.Literal("out"), Type.Literal("up"), Type.Literal("down")])),
    /** The point of the body it must stop short of. */
    shortOf: Type.Optional(PointId),
    /** How far its legs may differ; an eighth of an inch when not said. */
    within: Type.Optional(FormulaText),
  },
  closed,
);

export const PathStep = Type.Object(
  {
    is: Type.Literal("path"),
    key: Key,
    shape: Type.Union([
      Type.Literal("line"),
      Type.Literal("level"),
      Type.Literal("curve"),
      Type.Literal("trace"),
      Type.Literal("join"),
      Type.Literal("dart"),
      Type.Literal("arc"),
      Type.Literal("blend"),
    ]),
    /** Points the line runs through, in order. */
    through: Type.Array(PointId),
    /** What the paper calls a level line. */
    label: Type.Optional(Text),
    leaving: Type.Optional(FormulaText),
    arriving: Type.Optional(FormulaText),
    /** Directions fixed on the way. */
    passing: Type.Optional(Type.Array(Type.Object({ at: PointId, direction: FormulaText }, closed))),
    /** The kind of curve whose directions it takes where none are given, like `neck`. */
    like: Type.Optional(Key),
    /** How far a curve bows out; 1 when not said. */
    fullness: Type.Optional(FormulaText),
    /** For an arc between two points: its centre. */
    about: Type.Optional(PointId),
    /** For a blend: the two lines, and over how much of each their corner is rounded. */
    blend: Type.Optional(Type.Object({ first: Key, second: Key, before: FormulaText, after: FormulaText }, closed)),
    /** For a join: points and paths, end to end. */
    along: Type.Optional(Along),
    /** For a trace: the path it is traced from, and the line it is mirrored in. */
    of: Type.Optional(Key),
    mirroredIn: Type.Optional(FormulaText),
    /** For a trace laid elsewhere: how far it is moved. */
    moved: Type.Optional(Type.Object({ out: FormulaText, down: FormulaText }, closed)),
    /** For a trace turned about a point: clockwise. */
    turned: Type.Optional(Type.Object({ about: PointId, by: FormulaText }, closed)),
    dart: Type.Optional(DartText),
    dashed: Type.Optional(Type.Boolean()),
    says: Type.Optional(Text),
    ...Notes,
    comments: Comments,
  },
  closed,
);

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
    notches: Type.Optional(Type.Array(Type.Object({ at: PointId, marks: Type.Integer({ minimum: 1, maximum: 3 }) }, closed))),
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
    /** A miss is something to look at, not a fault. */
    lookOnly: Type.Optional(Type.Boolean()),
    at: Type.Optional(PointId),
    cause: Type.Optional(Text),
    when: Type.Optional(FormulaText),
    comments: Comments,
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
    /** A miss is something to look at, not a fault. */
    lookOnly: Type.Optional(Type.Boolean()),
    at: Type.Optional(PointId),
    cause: Type.Optional(Text),
    when: Type.Optional(FormulaText),
    comments: Comments,
  },
  closed,
);

/** How the garment is opened to be put on. */
export const Closes = Type.Object({ is: Type.Literal("closes"), says: Text, when: Type.Optional(FormulaText), comments: Comments }, closed);

/** How far the cloth stretches across, as a share of its width; a garment without it is cut in cloth that does not. */
export const Cloth = Type.Object({ is: Type.Literal("cloth"), stretches: FormulaText, comments: Comments }, closed);

export const Caution = Type.Object({ is: Type.Literal("caution"), says: Text, comments: Comments }, closed);
export const Lesson = Type.Object({ is: Type.Literal("lesson"), text: Text, comments: Comments }, closed);

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
  ShapeStep,
  Sew,
  Check,
  Passes,
  Closes,
  Cloth,
  Caution,
  Lesson,
  Grade,
]);

export const SystemSchema = Type.Object(
  {
    title: Text,
    garment: Type.String({ minLength: 1, maxLength: 40 }),
    unit: Type.Union([Type.Literal("in"), Type.Literal("cm")]),
    tape: Type.Union([Type.Literal("1/8in"), Type.Literal("1/16in"), Type.Literal("1mm")]),
    about: Type.Optional(Text),
    suits: Type.Optional(Text),
    comments: Comments,
    statements: Type.Array(Statement, { maxItems: 2_000 }),
  },
  { ...closed, $id: "https://lodrin.invalid/schema/system.json", title: "A Lodrin drafting system" },
);

export type System = Static<typeof SystemSchema>;
export type Statement = Static<typeof Statement>;
export type Uses = Static<typeof Uses>;
export type Measure = Static<typeof Measure>;
export type Setting = Static<typeof Setting>;
export type Choice = Static<typeof Choice>;
export type Option = Static<typeof Option>;
export type Table = Static<typeof Table>;
export type Value = Static<typeof Value>;
export type Board = Static<typeof Board>;
export type Part = Static<typeof Part>;
export type Grade = Static<typeof Grade>;
export type PointStep = Static<typeof PointStep>;
export type DartText = Static<typeof DartText>;
export type PathStep = Static<typeof PathStep>;
export type Edge = Static<typeof Edge>;
export type Piece = Static<typeof Piece>;
export type ShapeStep = Static<typeof ShapeStep>;
export type Sew = Static<typeof Sew>;
export type Check = Static<typeof Check>;
export type Passes = Static<typeof Passes>;
export type Closes = Static<typeof Closes>;
export type Cloth = Static<typeof Cloth>;
export type Caution = Static<typeof Caution>;
export type Lesson = Static<typeof Lesson>;

/** The statements of one sort, in order. */
export function statementsOf<K extends Statement["is"]>(system: System, is: K): Extract<Statement, { is: K }>[] {
  return system.statements.filter((s): s is Extract<Statement, { is: K }> => s.is === is);
}
