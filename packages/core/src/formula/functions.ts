import { dartOf, intakeOf } from "../geometry/dart.js";
import { nearestOnPath } from "../geometry/path/nearest-on-path.js";
import { type Path, pathLength } from "../geometry/path/path.js";
import { bearing, distance, type Point } from "../geometry/point.js";
import type { Kind } from "../quantity/kind.js";
import type { Environment } from "./scope.js";

/** What one argument of a function may be. */
export type Parameter = "any" | "number" | "angle" | "length" | "same" | "boolean" | "point" | "path";

/**
 * A function of the formula language. `same` arguments must share one kind, which is also the result when `gives` is
 * `same`. `run` gets numbers, points or paths as the parameters say.
 */
export interface FormulaFunction {
  readonly name: string;
  readonly parameters: readonly Parameter[];
  /** More arguments like the last parameter may follow. */
  readonly more?: boolean;
  readonly gives: Kind | "same";
  readonly description: string;
  readonly run: (args: readonly never[], environment: Environment) => number;
}

const of = <A extends readonly unknown[]>(
  name: string,
  parameters: readonly Parameter[],
  gives: FormulaFunction["gives"],
  description: string,
  run: (...args: A) => number,
  more = false,
): FormulaFunction => ({ name, parameters, gives, description, more, run: (args) => run(...(args as unknown as A)) });

/** Rounding to a step, halves upward; a hair (1e-9 of a step) is not allowed to tip the balance. */
const steps = (x: number, to: number, how: (n: number) => number): number => (to > 0 ? how(x / to) * to : Number.NaN);

/** The function meant by a name with so many values: the length of a path may be asked between two points of it. */
export const functionFor = (name: string, values: number): FormulaFunction | undefined =>
  FUNCTIONS.get(name === "len" && values === 3 ? "len_between" : name);

export const FUNCTIONS: ReadonlyMap<string, FormulaFunction> = new Map(
  [
    of("min", ["same"], "same", "the smallest", (...n: number[]) => Math.min(...n), true),
    of("max", ["same"], "same", "the largest", (...n: number[]) => Math.max(...n), true),
    of("abs", ["same"], "same", "without its sign", (n: number) => Math.abs(n)),
    of("sqrt", ["number"], "number", "the square root", (n: number) => Math.sqrt(n)),
    of("leg", ["length", "length"], "length", "the other side of a right angle: √(slant² − side²)", (slant: number, side: number) =>
      Math.sqrt(slant * slant - side * side),
    ),
    of("round", ["same", "same"], "same", "to the nearest step, halves upward", (x: number, to: number) =>
      steps(x, to, (n) => Math.floor(n + 0.5 + 1e-9)),
    ),
    of("up", ["same", "same"], "same", "up to the next step", (x: number, to: number) => steps(x, to, (n) => Math.ceil(n - 1e-9))),
    of("down", ["same", "same"], "same", "down to the step below", (x: number, to: number) => steps(x, to, (n) => Math.floor(n + 1e-9))),
    of("sin", ["angle"], "number", "sine", (a: number) => Math.sin(a)),
    of("cos", ["angle"], "number", "cosine", (a: number) => Math.cos(a)),
    of("tan", ["angle"], "number", "tangent", (a: number) => Math.tan(a)),
    of("atan2", ["same", "same"], "angle", "the angle whose tangent is the first by the second", (y: number, x: number) =>
      Math.atan2(y, x),
    ),
    of("dist", ["point", "point"], "length", "straight distance", (a: Point, b: Point) => distance(a, b)),
    of(
      "across",
      ["point", "point"],
      "length",
      "level distance from the first to the second, to the right",
      (a: Point, b: Point) => b.x - a.x,
    ),
    of("drop", ["point", "point"], "length", "plumb distance from the first down to the second", (a: Point, b: Point) => b.y - a.y),
    of("out", ["point"], "length", "how far out a point lies from the board's first upright", (p: Point) => p.x),
    of("depth", ["point"], "length", "how far down a point lies below the board's first level", (p: Point) => p.y),
    of(
      "out_at",
      ["point", "point", "length"],
      "length",
      "how far out the straight line through two points lies at a depth",
      (a: Point, b: Point, y: number) => a.x + ((b.x - a.x) * (y - a.y)) / (b.y - a.y),
    ),
    of(
      "depth_at",
      ["point", "point", "length"],
      "length",
      "how deep the straight line through two points lies at a distance out",
      (a: Point, b: Point, x: number) => a.y + ((b.y - a.y) * (x - a.x)) / (b.x - a.x),
    ),
    of(
      "angle",
      ["point", "point"],
      "angle",
      "direction from the first point to the second, clockwise from straight across",
      (a: Point, b: Point) => bearing(a, b),
    ),
    of(
      "len_between",
      ["path", "point", "point"],
      "length",
      "length along a path between two points on it",
      (path: Path, a: Point, b: Point) => Math.abs(nearestOnPath(path, b).along - nearestOnPath(path, a).along),
    ),
    of("asin", ["number"], "angle", "the angle whose sine this is", (n: number) => Math.asin(n)),
    of("intake", ["path"], "length", "what a dart takes in at its mouth", (path: Path) => {
      const dart = dartOf(path);
      return dart ? intakeOf(dart) : Number.NaN;
    }),
    of("len", ["path"], "length", "length along the path", (path: Path) => pathLength(path)),
  ].map((f) => [f.name, f]),
);
