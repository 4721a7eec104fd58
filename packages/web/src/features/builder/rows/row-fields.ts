import { pointText, SHAPINGS, type Statement, VERBS } from "@lodrin/core";

/** A field of a statement's form: the part of it that is edited, what it is called, and how it is typed. */
export interface RowField {
  readonly path: string;
  readonly label: string;
  readonly type: "formula" | "text" | "long" | "one of" | "points";
  readonly options?: readonly string[];
  /** Empty, it is left out of the statement. */
  readonly optional?: boolean;
}

const formula = (path: string, label: string, optional = false): RowField => ({ path, label, type: "formula", optional });
const long = (path: string, label: string, optional = false): RowField => ({ path, label, type: "long", optional });
const oneOf = (path: string, label: string, options: readonly string[]): RowField => ({ path, label, type: "one of", options });

const NOTES: readonly RowField[] = [
  long("why.0", "Why", true),
  long("watch.0", "Watch out", true),
  long("caution.0", "Caution", true),
  formula("when", "Only when", true),
];

const BY_KIND: Partial<Record<Statement["is"], readonly RowField[]>> = {
  measure: [
    oneOf("kind", "How the tape runs", ["girth", "length", "width", "depth", "number"]),
    formula("from", "From"),
    formula("to", "To"),
    long("how", "How it is taken"),
    formula("when", "Asked only when", true),
    formula("fallback", "Without it", true),
  ],
  set: [formula("default", "As a rule"), formula("from", "From", true), formula("to", "To", true), long("decides", "What it decides")],
  choose: [long("decides", "What is chosen")],
  table: [formula("by", "Looked up by")],
  value: [formula("formula", "Formula"), long("text", "Sentence", true), ...NOTES],
  board: [{ path: "title", label: "Title", type: "text" }, oneOf("centre", "Centre", ["fold", "edge"])],
  part: [{ path: "title", label: "Heading", type: "text" }],
  check: [
    long("title", "What it says"),
    oneOf("test", "How they stand", ["equals", "between", "holds"]),
    formula("got", "What it comes to"),
    formula("expected", "Against", true),
    formula("upper", "At most", true),
    formula("within", "Within", true),
    long("cause", "What usually causes a miss", true),
  ],
  caution: [long("text", "Caution")],
  closes: [long("text", "How it closes"), formula("when", "Only when", true)],
  cloth: [formula("stretches", "Stretches across by")],
  passes: [
    long("title", "What it says"),
    formula("garment", "Of the garment"),
    formula("body", "Over"),
    long("cause", "What usually causes a miss", true),
  ],
  sew: [formula("eased", "The first longer by", true), formula("within", "May differ by", true)],
  leaveOut: [formula("when", "Only when", true)],
  control: [formula("reads", "Read on the paper"), long("text", "What it keeps watch over", true)],
  lesson: [long("text", "Lesson, in Markdown")],
};

const THROUGH: RowField = { path: "through", label: "Through", type: "points" };
const SAID: readonly RowField[] = [long("text", "Sentence", true), ...NOTES];
/** Lines that run through points; what is traced, joined or rounded is edited as its line. */
const LINES: Partial<Record<Extract<Statement, { is: "path" }>["type"], readonly RowField[]>> = {
  line: [THROUGH, ...SAID],
  level: [THROUGH, { path: "label", label: "What the paper calls it", type: "text", optional: true }, ...SAID],
  curve: [
    THROUGH,
    formula("leaving", "Leaving", true),
    formula("arriving", "Arriving", true),
    formula("fullness", "Fullness", true),
    formula("asLongAs", "As long as", true),
    ...SAID,
  ],
};

/** The fields a statement is edited by; none for one that is edited as text alone. A point or a shaping has one for each gap of its sentence. */
export function rowFields(statement: Statement): readonly RowField[] {
  if (statement.is === "path") return LINES[statement.type] ?? [];
  if (statement.is === "point" || statement.is === "shape") {
    const forms = statement.is === "point" ? VERBS.get(statement.verb)?.forms : SHAPINGS.get(statement.verb)?.forms;
    const gaps = forms?.[statement.form]?.parameters ?? [];
    return [...gaps.map(({ name }) => formula(`args.${name}`, GAPS[name] ?? name.replace(/_/g, " "))), ...SAID];
  }
  return BY_KIND[statement.is] ?? [];
}

/** What a gap of a verb's sentence asks for. */
const GAPS: Readonly<Record<string, string>> = {
  distance: "How far",
  from: "From",
  to: "To",
  line: "Line",
  at: "At",
  share: "Share",
  angle: "Angle",
  point: "Point",
  a: "Between",
  b: "And",
  piece: "Piece",
  dart: "Dart",
  about: "About",
  by: "By",
  first: "Upper part",
  second: "Lower part",
  allow: "Allowance",
};

/** The text of a field; empty where the statement has none. */
export function fieldText(statement: Statement, path: string): string {
  let value: unknown = statement;
  for (const step of path.split("."))
    value = typeof value === "object" && value !== null ? (value as Record<string, unknown>)[step] : undefined;
  if (path === "through" && Array.isArray(value)) return value.map((id) => pointText(String(id))).join(" > ");
  return typeof value === "string" ? value : "";
}

/** Points as they are typed, one behind the other. */
const pointsIn = (text: string): string[] =>
  text
    .split(/[\s>,]+/)
    .map((id) => id.replace(/^#/, ""))
    .filter((id) => id !== "");

/** The statement with another text in a field; one that may be empty is left out then. Undefined where it may not. */
export function withField(statement: Statement, { path, optional, type }: RowField, text: string): Statement | undefined {
  const empty = text.trim() === "";
  if (type === "points") return pointsIn(text).length < 2 ? undefined : ({ ...statement, [path]: pointsIn(text) } as Statement);
  if (empty && !optional && !/text|title|how|decides/.test(path)) return undefined;
  const [first = "", second] = path.split(".");
  const { [first]: before, ...others } = statement as unknown as Record<string, unknown>;
  const put = (value: unknown): Statement => (value === undefined ? others : { ...statement, [first]: value }) as Statement;
  if (second === undefined) return put(empty && optional ? undefined : text);
  if (!/^\d+$/.test(second)) return put({ ...(before as object), [second]: text });
  const list = [...((before as string[] | undefined) ?? [])];
  if (empty) list.splice(Number(second), 1);
  else list[Number(second)] = text;
  return put(list.length === 0 ? undefined : list);
}

/** A sentence stands in quotation marks, on one line. */
export const unquoted = (text: string): string => text.replace(/["“”]/g, "’").replace(/\n/g, " ");
