import { type Filled, type Gap, type GapKind, gapsOf } from "./gaps.js";
import type { Filling } from "./press.js";
import type { Template } from "./template.js";
import { TEMPLATES } from "./templates.js";
import { writeTemplate } from "./write.js";

/** Groups whose statements are one line that says all of them. */
const ONE_LINE: ReadonlySet<Template["group"]> = new Set(["point", "line", "dart", "shape", "sew", "check"]);

const POINT = "#?[A-Z]*\\d+[a-z0-9]*|#[A-Z]{1,2}";
/** What may stand in a gap of a line; anything is a formula. */
const STANDS: Partial<Record<GapKind, string>> = {
  point: POINT,
  points: `(?:${POINT})(?: > (?:${POINT}))+`,
  ends: `(?:${POINT})-(?:${POINT})`,
  path: "[A-Za-z_][\\w.]*",
  dart: "[a-z_]\\w*",
  paths: "[a-z_]\\w*(?:, [a-z_]\\w*)+",
  piece: "[A-Z]\\w*",
  edge: "[A-Z]\\w*\\.\\w+",
  edges: "[A-Z]\\w*\\.\\w+(?: \\+ [A-Z]\\w*\\.\\w+)*",
  newKey: "[A-Za-z_]\\w*",
  newPiece: "[A-Z]\\w*",
  text: '[^"]*',
};
const HOLE = /\{(\w+)(?:\.(\w+))?\}/g;
const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, "\\$&");

interface LinePattern {
  readonly template: Template;
  readonly pattern: RegExp;
  readonly gaps: readonly Gap[];
}

/** The pattern of a template's line: what stands in each gap is caught under its name. */
function patternOf(template: Template): LinePattern {
  const gaps = gapsOf(template.parts).map(({ gap }) => gap);
  const byName = new Map(gaps.map((gap) => [gap.name, gap]));
  const caught = new Set<string>();
  const part = (text: string): string => {
    let out = "";
    let from = 0;
    for (const match of text.matchAll(HOLE)) {
      out += escaped(text.slice(from, match.index));
      from = match.index + match[0].length;
      const gap = byName.get(match[1] ?? "");
      // The name a label makes may be another by now: it stays as it is.
      const name = match[2] === "key" && gap?.kind === "text" ? `${match[1] ?? ""}_key` : (match[1] ?? "");
      const stands =
        name !== match[1]
          ? "\\w+"
          : gap?.kind === "one of"
            ? gap.options.map(({ writes }) => escaped(writes)).join("|")
            : (STANDS[gap?.kind ?? "text"] ?? ".+?");
      out += caught.has(name) ? `\\k<${name}>` : `(?<${name}>${stands})`;
      caught.add(name);
    }
    return out + escaped(text.slice(from));
  };
  const [line = ""] = template.writes;
  const source = line
    .split(/(\[[^\]]*\])/)
    .map((stretch) => (stretch.startsWith("[") ? `(?:${part(stretch.slice(1, -1))})?` : part(stretch)))
    .join("");
  return { template, pattern: new RegExp(`^${source}$`), gaps };
}

let patterns: readonly LinePattern[] | undefined;
const linePatterns = (): readonly LinePattern[] =>
  (patterns ??= TEMPLATES.filter((t) => ONE_LINE.has(t.group) && t.writes.length === 1).map(patternOf));

/** What was caught in a gap, as it is filled. */
function valuesOf({ kind, options }: Gap, text: string): readonly string[] {
  switch (kind) {
    case "point":
      return [text.replace("#", "")];
    case "points":
      return text.split(" > ").map((id) => id.replace("#", ""));
    case "places":
      return text.split(/, | and /).map((id) => id.replace("#", ""));
    case "walk":
      return text.split(" > ");
    case "paths":
      return text.split(", ");
    case "edges":
      return text.split(" + ");
    case "direction":
      return /^(?:square to|along|at) /.test(text)
        ? [/^(?:square to|along|at)/.exec(text)?.[0] ?? "", text.replace(/^(?:square to|along|at) /, "")]
        : [text];
    case "newKey":
      return [text.replace(/_/g, " ")];
    case "newPiece":
      return [text.replace(/_/g, " ")];
    case "one of":
      return [options.find(({ writes }) => writes === text)?.says ?? ""];
    default:
      return [text];
  }
}

/**
 * The template that a line of the notation was made by or could have been, with its gaps filled: filled like that it writes the same
 * line. Undefined where none does. The line is without its number and without its sentence.
 *
 * @example fillingOf("down bust/4 from B0", true)?.filled // { distance: ["bust/4"], from: ["B0"] }
 */
export function fillingOf(line: string, numbered: boolean): Filling | undefined {
  for (const { template, pattern, gaps } of linePatterns()) {
    if (template.numbered !== numbered) continue;
    const match = pattern.exec(line);
    if (!match) continue;
    const caught: Readonly<Record<string, string | undefined>> = match.groups ?? {};
    const filled: Filled = Object.fromEntries(
      gaps.flatMap((gap) => {
        const text = caught[gap.name];
        return text === undefined ? [] : [[gap.name, valuesOf(gap, text)] as const];
      }),
    );
    const key = Object.entries(caught).find(([name]) => name.endsWith("_key"))?.[1];
    const [again = ""] = writeTemplate(template, filled, { board: "" }) ?? [];
    if (listed(again) === listed(line) || (key !== undefined && withKey(again, key) === line))
      return { template, filled, asked: undefined };
  }
  return undefined;
}

/** Places are listed with commas or with and. */
const listed = (line: string): string => (line.startsWith("shape smooth") ? line.replace(/ and /g, ", ") : line);

/** A line of the notation under another name: its second word. */
export const withKey = (line: string, key: string): string => line.replace(/^(\S+) \w+/, `$1 ${key}`);
