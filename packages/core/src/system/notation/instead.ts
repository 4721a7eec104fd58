import { isPointText } from "../../formula/point-id.js";
import { type Form, pointText, type FormParameter } from "../../verb/form.js";

const LINE = /^(#?\w+'?)\s*[-–]\s*(#?\w+'?)$/;
const LEFT_OPEN = "…";

/** What stands in a rule, told apart: points, lines, edges and pieces, and what is left for figures, in order. */
interface Typed {
  readonly points: string[];
  readonly lines: string[];
  readonly edges: string[];
  readonly figures: string[];
}

/**
 * The rule as it should stand: the form of the verb that what was typed fits best, its gaps filled in order with what was
 * typed, and what is missing left open. `rest` is what stands behind the verb, without its sentence.
 */
export function ruleInstead(word: string, forms: readonly Form[], rest: string): string | undefined {
  const words = new Set(forms.flatMap((f) => f.text.replace(/\{\w+:\w+\}/g, " ").match(/[a-z]+/g) ?? []));
  let best: { text: string; score: number } | undefined;
  for (const form of forms) {
    const typed = sortOut(rest, words);
    const kept = new Set(form.text.replace(/\{\w+:\w+\}/g, " ").match(/[a-z]+/g) ?? []);
    let score = 0;
    for (const w of rest.match(/[a-z]+/g) ?? []) if (words.has(w)) score += kept.has(w) ? 1 : -1;
    const text = form.text.replace(/\{(\w+):\w+\}/g, (_, name: string) => {
      const found = fill(form.parameters.find((s) => s.name === name) as FormParameter, typed);
      score += found === undefined ? -2 : 2;
      return found ?? LEFT_OPEN;
    });
    score -= typed.points.length + typed.lines.length + typed.edges.length + typed.figures.length;
    if (!best || score > best.score) best = { text: `${word} ${text}`.trim(), score };
  }
  return best?.text;
}

function sortOut(rest: string, words: ReadonlySet<string>): Typed {
  const typed: Typed = { points: [], lines: [], edges: [], figures: [] };
  let figure: string[] = [];
  const close = (): void => {
    if (figure.length > 0) typed.figures.push(figure.join(" "));
    figure = [];
  };
  for (const token of rest.match(/(?:\([^()]*\)|[^\s,]|,(?=\S))+/g) ?? []) {
    const list = listFor(token, typed);
    if (list || words.has(token)) close();
    if (list) list.push(token);
    else if (!words.has(token)) figure.push(token);
  }
  close();
  return typed;
}

/** Which of the lists a word belongs to; none for a part of a figure. */
function listFor(token: string, typed: Typed): string[] | undefined {
  const line = LINE.exec(token);
  if (isPointText(token)) return typed.points;
  if (line && isPointText(line[1] ?? "") && isPointText(line[2] ?? "")) return typed.lines;
  return /^[A-Z]\w*(?:\.\w+)?$/.test(token) ? typed.edges : undefined;
}

function fill(parameter: FormParameter, typed: Typed): string | undefined {
  switch (parameter.type) {
    case "point": {
      const point = typed.points.shift();
      return point && pointText(point.replace(/^#/, ""));
    }
    case "line":
    case "path": {
      const name = typed.figures.findIndex((f) => /^[a-z_]\w*$/.test(f));
      if (parameter.type === "line" && typed.lines.length > 0) return typed.lines.shift();
      return name >= 0 ? typed.figures.splice(name, 1)[0] : undefined;
    }
    case "piece":
    case "edge":
      return typed.edges.shift();
    default:
      return typed.figures.shift();
  }
}
