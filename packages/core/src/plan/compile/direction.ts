import { compileAs } from "../../formula/compile.js";
import { FormulaError } from "../../formula/error.js";
import { parseFormula, parseLineRef } from "../../formula/parse.js";
import type { Environment, Scope } from "../../formula/scope.js";
import { direction } from "../../geometry/line.js";
import { headingAtEnd, headingAtStart } from "../../geometry/path/path.js";
import type { Point } from "../../geometry/point.js";
import { DraftError } from "../../verb/draft-error.js";
import { lineReader } from "./lines.js";

/** What a direction is read in: the names it may use, and those it does use. */
interface Around {
  readonly scope: Scope;
}

/** Which way a curve runs through a point: `chord` is roughly where it is going, to choose between a direction and its opposite. */
export type Heading = (f: Environment, chord: Point) => number;

const WORDS: Readonly<Record<string, Point>> = { plumb: { x: 0, y: 1 }, level: { x: 1, y: 0 } };

/**
 * Compiles a direction: `square to L`, `along L`, `plumb`, `level`, or `at A` (angle from straight across, clockwise).
 * Throws FormulaError.
 */
export function headingOf(text: string, { scope }: Around): Heading {
  const word = WORDS[text];
  if (word) return (_, chord) => towards(word, chord);
  const square = /^square\s+to\s+/.exec(text);
  const along = /^along\s+/.exec(text);
  const lead = square ?? along;
  if (lead) return alongLine(text, lead[0].length, square !== null, scope);
  const angle = /^at\s+/.exec(text);
  if (!angle)
    throw new FormulaError(`“${text}” is not a direction.`, "Write square to #1-#2, along #1-#2, plumb, level, or at 45°.", [
      0,
      text.length,
    ]);
  const tree = parseFormula(text.slice(angle[0].length));
  return compileAs(tree, scope, "angle").run;
}

function alongLine(text: string, lead: number, square: boolean, scope: Scope): Heading {
  const tree = parseLineRef(text.slice(lead));
  const read = lineReader(tree, scope);
  return (f, chord) => {
    const target = read(f);
    const u = target.line ? direction(target.line) : towardsEnd(target.path, chord);
    if (!u)
      throw new DraftError(
        "The line that gives the direction has no length.",
        "Its two points fall on each other: check the measurements.",
      );
    return towards(square ? { x: -u.y, y: u.x } : u, chord);
  };
}

/** A curve has two ends: the heading nearer to the chord counts. */
function towardsEnd(path: Parameters<typeof headingAtStart>[0], chord: Point): Point {
  const a = headingAtStart(path);
  const b = headingAtEnd(path);
  return Math.abs(a.x * chord.x + a.y * chord.y) >= Math.abs(b.x * chord.x + b.y * chord.y) ? a : b;
}

/** Of a direction and its opposite, the one nearer to the chord, as an angle. */
function towards(u: Point, chord: Point): number {
  const sign = u.x * chord.x + u.y * chord.y < 0 ? -1 : 1;
  return Math.atan2(sign * u.y, sign * u.x);
}
