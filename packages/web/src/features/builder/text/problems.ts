import type { Action, Diagnostic } from "@codemirror/lint";
import type { Text } from "@codemirror/state";
import type { NotationProblem } from "@lodrin/core";

/** A problem as the editor marks it: under its words, with the line as it should stand to be taken by a press. */
export function diagnosticOf(problem: NotationProblem, doc: Text): Diagnostic {
  const line = doc.line(Math.min(Math.max(1, problem.line), doc.lines));
  const from = Math.min(line.from + Math.max(0, problem.column - 1), line.to);
  const to = Math.min(Math.max(from + problem.length, from), line.to);
  const { instead } = problem;
  const actions: Action[] =
    instead === undefined
      ? []
      : [
          {
            name: `Write: ${instead}`,
            apply: (view, at) => {
              const now = view.state.doc.lineAt(at);
              const indent = /^\s*/.exec(now.text)?.[0] ?? "";
              view.dispatch({ changes: { from: now.from, to: now.to, insert: `${indent}${instead}` } });
            },
          },
        ];
  return { from, to, severity: "error", message: `${problem.why} ${problem.fix}`.trim(), actions };
}
