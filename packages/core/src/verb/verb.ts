import type { Evaluate, Environment } from "../formula/scope.js";
import type { Line } from "../geometry/line.js";
import type { Path } from "../geometry/path/path.js";
import type { Point } from "../geometry/point.js";
import type { Form } from "./form.js";

/** A straight line or a drawn path, as far as it is drawn. */
export type LineOrPath = { readonly line: Line; readonly path?: undefined } | { readonly path: Path; readonly line?: undefined };

/** A verb's gaps filled and compiled. Each accessor is called once, when the system is compiled. */
export interface Filled {
  readonly length: (name: string) => Evaluate;
  readonly number: (name: string) => Evaluate;
  readonly angle: (name: string) => Evaluate;
  readonly point: (name: string) => (f: Environment) => Point;
  readonly line: (name: string) => (f: Environment) => LineOrPath;
  readonly path: (name: string) => (f: Environment) => Path;
}

type Place = (f: Environment) => Point;

/** A way of placing a point. Adding one is a file here and a line in `index.ts`. */
export interface Verb {
  readonly word: string;
  readonly forms: readonly Form[];
  /** True when the way from its first point to the new one is a line on the paper. */
  readonly course: boolean;
  /** Gaps that are lengths laid off the way the verb says: less than nothing there goes the other way, which is doubted. */
  readonly lays?: readonly string[];
  /** What it does, in one line for the notation's pages. */
  readonly description: string;
  /** Compiles one use of the verb. The closure may throw DraftError. */
  readonly prepare: (form: number, filled: Filled) => Place;
}
