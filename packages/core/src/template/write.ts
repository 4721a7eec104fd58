import { keyOf } from "../formula/key-of.js";
import { pointText } from "../verb/form.js";
import { type Filled, type Gap, type GapKind, gapsOf, isWhole } from "./gaps.js";
import type { Template } from "./template.js";

/** What is not filled in but generated: the letter of a new board. */
export interface Made {
  readonly board: string;
}

const quoted = (text: string): string => text.replace(/["“”]/g, "’").replace(/\n/g, " ").trim();
/** Pieces begin with a capital: "Front facing" is Front_facing. */
const pieceKey = (title: string): string => keyOf(title).replace(/^./, (c) => c.toUpperCase());
const halves = (edge: string): { piece: string; role: string } => {
  const [piece = "", role = ""] = edge.split(".");
  return { piece, role };
};
const isPoint = (name: string): boolean => /^[A-Z]*\d|^[A-Z]{1,2}$/.test(name);

type Write = (values: readonly string[], gap: Gap) => string;
const joined =
  (by: string): Write =>
  (values) =>
    values.join(by);
const WRITE: Partial<Record<GapKind, Write>> = {
  "one of": ([one], { options }) => options.find(({ says }) => says === one)?.writes ?? "",
  point: ([one = ""]) => pointText(one),
  points: (values) => values.map(pointText).join(" > "),
  places: (values) => values.map((name) => (isPoint(name) ? pointText(name) : name)).join(", "),
  walk: joined(" > "),
  paths: joined(", "),
  edges: joined(" + "),
  newKey: ([one = ""]) => keyOf(one),
  text: ([one = ""]) => quoted(one),
  newPiece: ([one = ""]) => quoted(one),
};

/** What stands in a gap, as the notation writes it; `half` is the part of it that is meant. */
function written(gap: Gap, values: readonly string[], half: string | undefined): string {
  const [one = ""] = values;
  if (half === "piece") return halves(one).piece;
  if (half === "role") return values.map((edge) => halves(edge).role).join(", ");
  if (half === "key") return gap.kind === "newPiece" ? pieceKey(one) : keyOf(one);
  return WRITE[gap.kind]?.(values, gap) ?? values.join(" ").trim();
}

const HOLE = /\{(\w+)(?:\.(\w+))?\}/g;

/**
 * The lines of a template, without the number of its point; undefined until every gap that must be filled is.
 *
 * @example writeTemplate(down, { from: ["B0"], distance: ["bust/4"] }, { board: "A" }) // ["down bust/4 from B0"]
 */
export function writeTemplate({ parts, writes }: Template, filled: Filled, made: Made): readonly string[] | undefined {
  const gaps = gapsOf(parts);
  if (gaps.some(({ gap, must }) => must && !isWhole(gap, filled[gap.name]))) return undefined;
  const byName = new Map(gaps.map(({ gap }) => [gap.name, gap]));
  const fill = (line: string): string =>
    line.replace(HOLE, (_, name: string, half: string | undefined) => {
      const gap = byName.get(name);
      return name === "board" ? made.board : gap ? written(gap, filled[name] ?? [], half) : "";
    });
  const isFilled = (optional: string): boolean =>
    [...optional.matchAll(HOLE)].every(([, name = ""]) => {
      const gap = byName.get(name);
      return gap !== undefined && isWhole(gap, filled[name]);
    });
  return writes.map((line) => fill(line.replace(/\[([^\]]*)\]/g, (_, optional: string) => (isFilled(optional) ? optional : ""))));
}
