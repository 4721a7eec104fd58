import { definitionsOf } from "../system/references.js";
import { inWords } from "../formula/in-words.js";
import type { HomeUnit } from "../quantity/units.js";
import type { Statement, System } from "../system/model.js";
import { partsOf } from "../edit/renumber.js";

/** What a plain sentence may speak of: the points, figures and lines that are there already. */
export interface Known {
  readonly unit: HomeUnit;
  readonly points: ReadonlySet<string>;
  /** The letters that points of the board being drawn begin with. */
  readonly letters: string;
  /** The first point of the board: its corner. */
  readonly corner: string | undefined;
  /** Figures by the words they are read as. */
  readonly figures: ReadonlyMap<string, string>;
  readonly paths: ReadonlyMap<string, string>;
  readonly boards: ReadonlySet<string>;
}

/** What is known where a line stands: before the statement of that number, or at the end. */
export function knownAt(system: System, before = system.statements.length): Known {
  const statements: readonly Statement[] = system.statements.slice(0, before);
  const points = new Set<string>();
  const figures = new Map<string, string>();
  const paths = new Map<string, string>();
  const boards = new Set<string>();
  let here: string[] = [];
  for (const statement of statements) {
    if (statement.is === "board") here = [];
    for (const { kind, name } of definitionsOf(statement)) {
      if (kind === "point") {
        points.add(name);
        here.push(name);
      }
      if (kind === "name") figures.set(inWords(name).toLowerCase(), name);
      if (kind === "path") paths.set(inWords(name).toLowerCase(), name);
      if (kind === "board") boards.add(name);
    }
  }
  const letters = partsOf(here[0] ?? [...points][0] ?? "0")?.letters ?? "";
  return { unit: system.unit, points, letters, corner: here[0], figures, paths, boards };
}
