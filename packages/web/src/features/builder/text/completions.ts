import type { Completion, CompletionContext, CompletionResult } from "@codemirror/autocomplete";
import { FUNCTIONS, inWords, type LoadedSystem, pointText, VERBS } from "@lodrin/core";
import { LINE_WORDS } from "./line-words.js";

/** What may stand at a place of the text: words that begin a line, verbs behind a point, else the system's own names and points. */
export function completionsAt(before: string, loaded: LoadedSystem): Completion[] {
  if (/^\s*[a-z]*$/.test(before)) return LINE_WORDS.map((label) => ({ label, type: "keyword" }));
  if (/^\s*(#\w+|[A-Z]+\d+)\s+[a-z]*$/.test(before))
    return [...VERBS.values()].map(({ word, description }) => ({ label: word, type: "keyword", info: description }));
  return namesOf(loaded);
}

/** What a formula or a slot may name: points, figures, lines and functions. */
function namesOf(loaded: LoadedSystem): Completion[] {
  const { scope } = loaded.plan;
  return [
    ...[...scope.points.keys()].map((id) => ({ label: pointText(id), type: "variable" })),
    ...[...scope.names.entries()].map(([label, { what }]) => ({ label, type: "variable", detail: inWords(what) })),
    ...[...scope.paths.keys()].map((label) => ({ label, type: "property", detail: "a line or curve" })),
    ...[...FUNCTIONS.values()]
      .filter(({ name }) => !name.includes("_between"))
      .map(({ name, description }) => ({ label: name, type: "function", info: description })),
  ];
}

/** Completion for the text face; `loaded` gives the system as it stands. */
export function completeWith(loaded: () => LoadedSystem) {
  return (context: CompletionContext): CompletionResult | null => {
    const word = context.matchBefore(/[#\w]+/);
    if (!word && !context.explicit) return null;
    const line = context.state.doc.lineAt(context.pos);
    const before = line.text.slice(0, context.pos - line.from);
    // Inside a sentence nothing is completed.
    if ((before.match(/["“”]/g)?.length ?? 0) % 2 === 1) return null;
    return { from: word?.from ?? context.pos, options: completionsAt(before, loaded()), validFor: /^[#\w]*$/ };
  };
}

/** Completion for a field that holds a formula, or the name of a point or line. */
export function completeFormula(loaded: () => LoadedSystem) {
  return (context: CompletionContext): CompletionResult | null => {
    const word = context.matchBefore(/[#\w]+/);
    if (!word && !context.explicit) return null;
    return { from: word?.from ?? context.pos, options: namesOf(loaded()), validFor: /^[#\w]*$/ };
  };
}
