import { type Static, Type } from "@sinclair/typebox";
import { Text, Key, FormulaText, PointId, Margin, Notes, closed, VerbUse, Along, PathName } from "./words.js";

export const Value = Type.Object(
  {
    is: Type.Literal("value"),
    key: Key,
    kind: Type.Union([Type.Literal("length"), Type.Literal("number"), Type.Literal("angle"), Type.Literal("boolean")]),
    formula: FormulaText,
    text: Type.Optional(Text),
    ...Notes,
    ...Margin,
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
    ...Margin,
  },
  closed,
);

export const Part = Type.Object({ is: Type.Literal("part"), title: Text, ...Margin }, closed);

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
    text: Type.Optional(Text),
    ...Margin,
  },
  closed,
);

const Side = Type.Union([
  Type.Literal("out"),
  Type.Literal("in"),
  Type.Literal("up"),
  Type.Literal("down"),
  Type.Literal("left"),
  Type.Literal("right"),
]);

/** Levels of the body a level line may lie at. */
export const BODY_LEVELS = ["chest", "bust", "underbust", "waist", "high_hip", "hip", "knee", "hem"] as const;
export type BodyLevel = (typeof BODY_LEVELS)[number];
const BodyLevel = Type.Unsafe<BodyLevel>({ type: "string", enum: [...BODY_LEVELS] });

/** Points one after the other at equal distances, the first and the last in the places named. */
export const Evenly = Type.Object(
  {
    is: Type.Literal("evenly"),
    first: PointId,
    last: PointId,
    from: PointId,
    to: PointId,
    text: Type.Optional(Text),
    ...Notes,
    ...Margin,
  },
  closed,
);

export const PointStep = Type.Object(
  {
    is: Type.Literal("point"),
    id: PointId,
    ...VerbUse,
  },
  closed,
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
    /** The line its legs lie on, when they are laid off along it and not square off the fold. */
    legsAlong: Type.Optional(PathName),
    /** How far its legs may differ; an eighth of an inch when not said. */
    within: Type.Optional(FormulaText),
  },
  closed,
);

export const PathStep = Type.Object(
  {
    is: Type.Literal("path"),
    key: Key,
    type: Type.Union([
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
    /** For a guideline without ends: its line. */
    open: Type.Optional(FormulaText),
    /** What the paper calls a level line. */
    label: Type.Optional(Text),
    leaving: Type.Optional(FormulaText),
    arriving: Type.Optional(FormulaText),
    /** Directions fixed on the way. */
    passing: Type.Optional(Type.Array(Type.Object({ at: PointId, direction: FormulaText }, closed))),
    /** The kind of curve whose directions it takes where none are given, like `neck`. */
    like: Type.Optional(Key),
    /** For a level line: the level of the body it lies at, as one of a closed list. */
    bodyLevel: Type.Optional(BodyLevel),
    /** For a curve: how long it is to be; its fullness is fitted. */
    asLongAs: Type.Optional(FormulaText),
    /** How far a curve bows out; 1 when not said. */
    fullness: Type.Optional(FormulaText),
    /** For an arc between two points, or one swung free: its centre. */
    about: Type.Optional(PointId),
    /** For an arc swung free: its radius, and the half of the circle it is where not all of it is meant. */
    radius: Type.Optional(FormulaText),
    half: Type.Optional(Type.Union([Type.Literal("upper"), Type.Literal("lower"), Type.Literal("inner"), Type.Literal("outer")])),
    /** For a blend: the two lines, and over how much of each their corner is rounded. */
    blend: Type.Optional(Type.Object({ first: PathName, second: PathName, before: FormulaText, after: FormulaText }, closed)),
    /** For a join: points and paths, end to end. */
    along: Type.Optional(Along),
    /** For a trace: the path it is traced from, and the line it is mirrored in. */
    of: Type.Optional(PathName),
    mirroredIn: Type.Optional(FormulaText),
    /** For a trace laid elsewhere: how far it is moved. */
    moved: Type.Optional(Type.Object({ out: FormulaText, down: FormulaText }, closed)),
    /** For a trace beside its line: how far, and to which side. */
    offset: Type.Optional(Type.Object({ by: FormulaText, way: Side }, closed)),
    /** For a trace turned about a point: clockwise. */
    turned: Type.Optional(Type.Object({ about: PointId, by: FormulaText }, closed)),
    dart: Type.Optional(DartText),
    dashed: Type.Optional(Type.Boolean()),
    text: Type.Optional(Text),
    ...Notes,
    ...Margin,
  },
  closed,
);

export type Value = Static<typeof Value>;
export type Board = Static<typeof Board>;
export type Part = Static<typeof Part>;
export type Evenly = Static<typeof Evenly>;
export type Grade = Static<typeof Grade>;
export type PointStep = Static<typeof PointStep>;
export type DartText = Static<typeof DartText>;
export type PathStep = Static<typeof PathStep>;
