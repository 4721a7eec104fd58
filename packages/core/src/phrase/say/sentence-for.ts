import type { LoadedSystem } from "../../plan/load.js";
import type { Library } from "../../plan/uses.js";
import type { PathStep, ShapeStep, Statement } from "../../system/model.js";
import { printStatement } from "../../system/notation/print.js";
import { groundAbove } from "../ground/ground.js";
import { verdictOn } from "../sentence-verdicts.js";
import { understand } from "../understand.js";
import { sayStep } from "./step.js";

/**
 * The sentence of the step that stands at `index`, when reading it where it stands gives the step back: the same place on three
 * bodies, the same line. Undefined for a step that is not said in one sentence, and where the sentence would say anything else.
 */
export function sentenceFor(loaded: LoadedSystem, library: Library, index: number): string | undefined {
  const { statements } = loaded.read.system;
  const statement = statements[index];
  if (!statement) return undefined;
  const said = sayStep(statement, loaded.system.unit, originOf(statements.slice(0, index)));
  if (said === undefined) return undefined;
  const gives =
    statement.is === "point"
      ? verdictOn(loaded, library, index, statement, said).verdict === "same"
      : (statement.is === "path" || statement.is === "shape") && drawsIt(loaded, index, statement, said);
  return gives ? said : undefined;
}

/** The point at which the board begins that is being drawn. */
function originOf(above: readonly Statement[]): string | undefined {
  const here = above.slice(above.findLastIndex((s) => s.is === "board") + 1);
  const origin = here.find((s) => s.is === "point" && s.verb === "start" && s.form === 0);
  return origin?.is === "point" ? origin.id : undefined;
}

/** Whether a sentence, read where a line or a shaping stands, says that and nothing else. */
function drawsIt(loaded: LoadedSystem, index: number, statement: PathStep | ShapeStep, said: string): boolean {
  const [meant] = understand(said, groundAbove(loaded, index)).understood;
  const puts = meant?.sheet.written() ?? [];
  const lines = puts.flatMap((put) => put.lines).map((line) => line.replace(/\s*"[^"]*"$/, ""));
  const { text: _, why: __, watch: ___, when: ____, ...bare } = statement;
  return lines.length === 1 && lines[0]?.replace(/#/g, "") === printStatement(bare)[0]?.replace(/#/g, "");
}
