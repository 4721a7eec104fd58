/** Kinds that take one thing after the other. */
export const MANY_KINDS: ReadonlySet<GapKind> = new Set(["points", "paths", "walk", "edges", "places"]);
/** Kinds that are typed as a formula, and those that are typed as words. */
export const FORMULA_KINDS: ReadonlySet<GapKind> = new Set(["length", "number", "angle", "condition"]);
export const WORD_KINDS: ReadonlySet<GapKind> = new Set(["text", "newKey", "newPiece"]);

/** What may stand in a gap of a template. `ends` is a line by its two ends. `newKey` and `newPiece` name what the template makes. */
export type GapKind =
  | "length"
  | "number"
  | "angle"
  | "condition"
  | "direction"
  | "point"
  | "points"
  | "line"
  | "ends"
  | "path"
  | "paths"
  | "walk"
  | "dart"
  | "piece"
  | "edge"
  | "edges"
  | "places"
  | "newKey"
  | "newPiece"
  | "text"
  | "one of";

/** A gap of a template: `{from:point}`, or `{way:left|right}` where one of some words is meant; `{cut:once=1|twice=2}` writes another. */
export interface Gap {
  readonly name: string;
  readonly kind: GapKind;
  /** For one of some words: those words, and what each is in the notation. */
  readonly options: readonly { readonly says: string; readonly writes: string }[];
}

/** A stretch of a template's sentence: words as they stand, a gap, or a part that may be left out. */
export type SentencePart =
  | { readonly words: string }
  | { readonly gap: Gap }
  | { readonly optional: readonly Exclude<SentencePart, { readonly optional: unknown }>[] };

/** What fills the gaps, by their names. Where several places are pressed they stand in the order they were. */
export type Filled = Readonly<Record<string, readonly string[]>>;

const TOKEN = /\[([^\]]*)\]|\{(\w+):([^}]+)\}|([^[{]+)/g;

/** Reads a template's sentence: gaps in braces, what may be left out in square brackets. */
export function partsOf(says: string): SentencePart[] {
  return [...says.matchAll(TOKEN)].map(([, optional, name, kind, words]): SentencePart => {
    if (optional !== undefined) return { optional: partsOf(optional) as Exclude<SentencePart, { readonly optional: unknown }>[] };
    return name !== undefined && kind !== undefined ? { gap: gapOf(name, kind) } : { words: words ?? "" };
  });
}

function gapOf(name: string, kind: string): Gap {
  if (!kind.includes("|")) return { name, kind: kind as GapKind, options: [] };
  const options = kind.split("|").map((option) => {
    const [says = "", writes = says] = option.split("=");
    return { says, writes };
  });
  return { name, kind: "one of", options };
}

export interface TemplateGap {
  readonly gap: Gap;
  readonly must: boolean;
}

/** The gaps of a sentence in their order; `must` are those that cannot be left out. */
export function gapsOf(parts: readonly SentencePart[]): TemplateGap[] {
  return parts.flatMap((part): TemplateGap[] => {
    if ("gap" in part) return [{ gap: part.gap, must: true }];
    return "optional" in part ? gapsOf(part.optional).map(({ gap }) => ({ gap, must: false })) : [];
  });
}

/** Two points are the fewest a line runs through. */
const FEWEST: Partial<Record<GapKind, number>> = { points: 2, paths: 2 };

/** Whether what stands in a gap is all that belongs there: a line of which one end was pressed is not. */
export function isWhole({ kind }: Gap, values: readonly string[] = []): boolean {
  if (kind === "one of") return values.length === 1;
  if (values.length < (FEWEST[kind] ?? 1) || values.some((v) => v.trim() === "")) return false;
  const text = values.join(" ");
  if (kind === "direction" && /^(?:square to|along|at)$/.test(text)) return false;
  return !/-$|dist\(\S+, $/.test(text);
}
