import { POINT_ID } from "../formula/point-id.js";

/** What may fill a gap in a verb's form. */
export type ParameterType = "length" | "number" | "angle" | "point" | "line" | "path" | "paths" | "names" | "piece" | "edge";

/** A gap in a form: `{distance:length}`. */
export interface FormParameter {
  readonly name: string;
  readonly type: ParameterType;
}

/** A verb's form read once: how its sentence is matched, and the gaps in it. */
export interface Form {
  readonly text: string;
  readonly pattern: RegExp;
  readonly parameters: readonly FormParameter[];
}

/** Where an argument stands in the text it was matched in, and how long it is there. */
export interface Matched {
  readonly text: string;
  readonly at: number;
  readonly typed: number;
}

/** A formula never begins with one of the small words that join a sentence. */
const FORMULA_GAP = "((?!\\s*(?:from|to|of|back|beyond)\\s).+?)";

const GAP: Record<ParameterType, string> = {
  length: FORMULA_GAP,
  number: FORMULA_GAP,
  angle: FORMULA_GAP,
  line: "(.+?)",
  point: `(#(?:${POINT_ID})|[A-Za-z]*[0-9]+[a-z0-9']*)`,
  path: "((?:[A-Z][A-Za-z0-9_]*\\.)?[a-z_][A-Za-z0-9_]*)",
  names: "([#A-Za-z_][A-Za-z0-9_']*(?:(?:\\s*,\\s*|\\s+and\\s+)[#A-Za-z_][A-Za-z0-9_']*)*)",
  paths: "([a-z_][A-Za-z0-9_]*(?:(?:\\s*,\\s*|\\s+and\\s+)[a-z_][A-Za-z0-9_]*)+)",
  piece: "([A-Z][A-Za-z0-9_]*)",
  edge: "([A-Z][A-Za-z0-9_]*\\.[a-z_][A-Za-z0-9_]*)",
};

/** A comma parts two gaps unless it is a decimal comma, between figures with no blank behind it. */
const COMMA = "\\s*,(?:\\s+|(?![0-9])|(?<![0-9],))";

/** Reads a form like `{distance:length} from {from:point}`. Words stand for themselves; gaps are filled by the author. */
export function form(text: string): Form {
  const parameters: FormParameter[] = [];
  const pattern = text
    .replace(/,\s+/g, COMMA)
    .replace(/ +/g, "\\s+")
    .replace(/\{(\w+):(\w+)\}/g, (_, name: string, type: string) => {
      parameters.push({ name, type: type as ParameterType });
      return GAP[type as ParameterType];
    });
  return { text, parameters, pattern: new RegExp(`^\\s*${pattern}\\s*$`, "d") };
}

/** What stands in brackets, blanked out: no word and no comma in there parts the sentence. */
function blankBrackets(sentence: string): string {
  if (!sentence.includes("(")) return sentence;
  let depth = 0;
  let out = "";
  for (const c of sentence) {
    if (c === ")") depth = Math.max(0, depth - 1);
    out += depth > 0 ? "_" : c;
    if (c === "(") depth++;
  }
  return depth === 0 ? out : sentence;
}

/** The arguments of a sentence as they were typed, or undefined when it does not have this form. */
export function matchForm(f: Form, sentence: string): Record<string, Matched> | undefined {
  const match = f.pattern.exec(blankBrackets(sentence));
  if (!match?.indices) return undefined;
  const found: Record<string, Matched> = {};
  f.parameters.forEach((parameter, i) => {
    const [at, end] = match.indices?.[i + 1] as [number, number];
    const text = sentence.slice(at, end);
    found[parameter.name] = { text: parameter.type === "point" ? text.replace(/^#/, "") : text, at, typed: end - at };
  });
  return found;
}

/** The form with its gaps filled. Points are written so that they cannot be mistaken for numbers. */
export function printForm(f: Form, args: Readonly<Record<string, string>>): string {
  const types = new Map(f.parameters.map((s) => [s.name, s.type]));
  return f.text.replace(/\{(\w+):\w+\}/g, (_, name: string) => {
    const value = args[name] ?? "";
    return types.get(name) === "point" ? pointText(value) : value;
  });
}

/** `#12` for a bare number and `#A` for a bare letter, `B12` as it is. */
export const pointText = (id: string): string => (/^[A-Z]+[0-9]/.test(id) ? id : `#${id}`);
