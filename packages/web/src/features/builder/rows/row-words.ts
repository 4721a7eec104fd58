import { fillingOfStatement, inWords, pointText, printStatement, sayFilling, type Statement } from "@lodrin/core";

/** A row of the handout: what it is called at the margin, what it says to people, and its rule. */
export interface RowWords {
  readonly margin: string;
  readonly says: string;
  readonly rule: string;
}

const cap = (text: string): string => text.replace(/^./, (c) => c.toUpperCase());
/** The rule of a printed line: without what stands in front of it and without its sentence. */
const ruleOf = (line: string): string => line.replace(/\s*"[^"]*"\s*$/, "").trim();

/** What a statement without words of its author's says, by the sentence it could have been made by. */
function inSentence(statement: Statement): string {
  const filling = fillingOfStatement(statement);
  return filling ? sayFilling(filling) : "";
}

type Words = Pick<RowWords, "margin" | "says"> & { readonly rule?: string };
type Kind = Statement["is"];
const named = (margin: string, key: string, text: string): Words => ({
  margin,
  says: `${cap(inWords(key))}${text === "" ? "" : `. ${text}`}`,
});

/** What each kind of line says; one that is not here is shown by its rule alone. */
const BY_KIND: { readonly [K in Kind]?: (s: Extract<Statement, { is: K }>, rule: string) => Words } = {
  measure: (s) => named("tape", s.key, s.how),
  set: (s) => named("setting", `${s.key}: ${s.default}`, s.decides),
  choose: (s) => named("choice", s.key, s.decides),
  table: (s) => named("table", s.key, ""),
  value: (s) => ({ margin: "sum", says: s.text ?? `Work out the ${inWords(s.key)}.` }),
  // The number stands at the margin: the rule is shown without it.
  point: (s, rule) => ({ margin: pointText(s.id).replace("#", ""), says: s.text ?? inSentence(s), rule: rule.replace(/^\S+\s+/, "") }),
  path: (s) => ({ margin: "line", says: s.text ?? s.label ?? cap(inWords(s.key)) }),
  shape: (s) => ({ margin: "shape", says: s.text ?? inSentence(s) }),
  sew: (s) => ({ margin: "sew", says: inSentence(s) }),
  closes: (s) => ({ margin: "closes", says: s.text, rule: "" }),
  evenly: (s) => ({ margin: "points", says: s.text ?? "" }),
  piece: (s) => ({ margin: "piece", says: s.title }),
  pieceFrom: (s) => ({ margin: "piece", says: s.title ?? inWords(s.key) }),
  check: (s) => ({ margin: "check", says: s.title }),
  passes: (s) => ({ margin: "check", says: s.title }),
  caution: (s) => ({ margin: "caution", says: s.text, rule: "" }),
  control: (s) => ({ margin: "control", says: s.text ?? inSentence(s), rule: s.reads }),
  lesson: (s) => ({ margin: "lesson", says: s.text, rule: "" }),
};
const MARGINS: { readonly [K in Kind]?: string } = { amend: "piece", leaveOut: "piece" };

/** A statement as the handout shows it. */
export function rowWords(statement: Statement): RowWords {
  const [line = ""] = statement.is === "unread" ? [statement.text] : printStatement(statement);
  const rule = ruleOf(line);
  const words = BY_KIND[statement.is] as ((s: Statement, rule: string) => Words) | undefined;
  return { rule, ...(words?.(statement, rule) ?? { margin: MARGINS[statement.is] ?? statement.is, says: "" }) };
}

/** The word of the language a line is about, for its page in the help. */
export function helpWord(statement: Statement | undefined): string {
  if (statement === undefined || statement.is === "unread") return "";
  if (statement.is === "point" || statement.is === "shape") return statement.verb;
  return statement.is === "path" ? statement.type : statement.is;
}
