import { FormulaError } from "./error.js";
import type { EdgeVersion, NameEntry, Scope } from "./scope.js";
import { suggest } from "./suggest.js";
import type { Tree } from "./tree.js";

/** The entry of a name, or an error that tells a later name from one that is nowhere. */
export function lookUp(name: string, scope: Scope, tree: Tree): NameEntry {
  scope.reading.names.add(name);
  const entry = scope.names.get(name);
  if (entry) return entry;
  if (scope.making === name)
    throw new FormulaError(`${name} is made from itself.`, "Give it a figure of its own, or name another value here.", tree.at);
  const table = scope.tableMeasures.get(name);
  if (table !== undefined) throw new FormulaError(`${name} is a table: it is read with a figure.`, "", tree.at, `${name}(${table})`);
  if (scope.anywhere.has(name) && !scope.paths.has(name)) {
    if (scope.making !== undefined && comesFrom(name, scope.making, scope))
      throw new FormulaError(
        `${scope.making} is made from ${name}, and ${name} from ${scope.making}.`,
        "That goes round in a circle: give one of the two a rule without the other.",
        tree.at,
      );
    throw new FormulaError(`${name} stands further below.`, "A step may use only what stands above it: move one of the two.", tree.at);
  }
  if (scope.paths.has(name))
    throw new FormulaError(`${name} is a line, not a figure.`, "Its length is asked for like this.", tree.at, `len(${name})`);
  const near = suggest(name, scope.names.keys()) ?? suggest(name.toLowerCase(), scope.names.keys());
  throw new FormulaError(
    `Nothing here is called ${name}.`,
    near ? `Did you mean ${near}?` : "Add it as a measurement, a setting or a value above.",
    tree.at,
    near,
  );
}

/** A circle of more values is not looked for: every one of them is told to stand further below. */
const LARGEST_CIRCLE = 50;

/** Whether the rule of a value further below names another, itself or by those it names. */
function comesFrom(name: string, other: string, scope: Scope, seen = new Set<string>()): boolean {
  if (seen.has(name) || seen.size === LARGEST_CIRCLE) return false;
  seen.add(name);
  return scope.namesBelow(name).some((named) => named === other || comesFrom(named, other, scope, seen));
}

/** Index of a point, or an error that tells a later point from one that is nowhere. */
export function pointIndex(id: string, scope: Scope, at: Tree["at"]): number {
  scope.reading.points.add(id);
  const index = scope.points.get(id);
  if (index !== undefined) return index;
  if (scope.making === `#${id}`)
    throw new FormulaError(`#${id} is measured from itself.`, "Name the point it is measured from, one placed above.", at);
  if (scope.anywhere.has(`#${id}`))
    throw new FormulaError(`#${id} stands further below.`, "A step may use only points placed before it: move one of the two.", at);
  throw new FormulaError(`There is no point #${id}.`, "Use a point placed above.", at);
}

/** Index of a path by name, an edge of a piece as it is sewn; or an error that tells a later path from one that is nowhere. */
export function pathIndex(name: string, scope: Scope, at: Tree["at"]): number {
  if (name.includes(".")) return edgeIndex(name, scope, at, "sewn");
  scope.reading.names.add(name);
  const index = scope.paths.get(name);
  if (index !== undefined) return index;
  if (scope.anywhere.has(name)) throw new FormulaError(`${name} stands further below.`, "Use only lines drawn above.", at);
  const near = suggest(name, scope.paths.keys()) ?? suggest(name.toLowerCase(), scope.paths.keys());
  throw new FormulaError(`No line or curve is called ${name}.`, near ? `Did you mean ${near}?` : "Draw it above first.", at, near);
}

/** Index of a path to draw from: an edge of a piece as it is cut. */
export const drawnPathIndex = (name: string, scope: Scope, at: Tree["at"]): number =>
  name.includes(".") ? edgeIndex(name, scope, at, "cut") : pathIndex(name, scope, at);

/** Index of an edge of a piece, `Front.side`, as it lies by now. Which edges a shaped piece has is known only when it is made. */
function edgeIndex(name: string, scope: Scope, at: Tree["at"], as: EdgeVersion["as"]): number {
  scope.reading.names.add(name);
  const dot = name.indexOf(".");
  const key = name.slice(0, dot);
  const piece = scope.pieces.get(key);
  if (!piece) {
    const end = at[0] + key.length;
    if (scope.anywhere.has(key))
      throw new FormulaError(`The piece ${key} is taken further below.`, "Use only pieces that stand above.", [at[0], end]);
    const near =
      suggest(key, scope.pieces.keys()) ??
      suggest(
        key.replace(/^./, (letter) => letter.toUpperCase()),
        scope.pieces.keys(),
      );
    throw new FormulaError(
      `There is no piece ${key}.`,
      near ? `Did you mean ${near}?` : "Take it off the board above first.",
      [at[0], end],
      near,
    );
  }
  const role = name.slice(dot + 1);
  if (!piece.settled || piece.roles.has(role)) return scope.edge(name, key, as);
  const near = suggest(role, piece.roles);
  throw new FormulaError(
    `${key} has no edge ${role}.`,
    near ? `Did you mean ${near}?` : `It has: ${[...piece.roles].join(", ")}.`,
    [at[0] + dot + 1, at[0] + name.length],
    near,
  );
}
