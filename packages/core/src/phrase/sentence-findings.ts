import type { LoadedSystem } from "../plan/load.js";
import type { Library } from "../plan/uses.js";
import type { Finding } from "../report/diagnostics/diagnostics.js";
import { printStatement } from "../system/notation/print.js";
import { pointText } from "../verb/form.js";
import { sentenceVerdicts } from "./sentence-verdicts.js";

/** Sentences that mean another place than their rule: one of the two was changed, or a figure, a point or a way is wrong in it. */
export function sentenceFindings(loaded: LoadedSystem, library: Library): Finding[] {
  if (loaded.problems.length > 0) return [];
  return [...sentenceVerdicts(loaded, library)].flatMap(([statement, { verdict, means }]): Finding[] => {
    const step = loaded.read.system.statements[statement];
    if (verdict !== "other" || means === undefined || step?.is !== "point") return [];
    const rule = (printStatement(step)[0] ?? "").replace(/^\S+ /, "").replace(/\s+"[^"]*"$/, "");
    return [
      {
        code: "says-otherwise",
        statement,
        says: `${pointText(step.id)}: the sentence says “${means}”, and the rule is “${rule}”.`,
        fix: "Change the sentence or the rule, so that both place the same point.",
      },
    ];
  });
}
