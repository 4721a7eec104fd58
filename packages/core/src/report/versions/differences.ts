import { inWords } from "../../formula/in-words.js";
import type { Statement, System } from "../../system/model.js";
import { printStatement } from "../../system/notation/print.js";
import { definitionsOf } from "../../system/references.js";
import { pointText } from "../../verb/form.js";

/** One thing that is otherwise in another version of a system, as a sentence. `statement` counts in the version it is in: the newer, or the older for what is gone. */
export interface Difference {
  readonly what: "new" | "gone" | "changed" | "order";
  readonly says: string;
  readonly statement: number | undefined;
  /** The step it is about, by its name, where it is one. */
  readonly step: string | undefined;
}

/** What a later version of a system has otherwise than an earlier one, in the order of the later. */
export function differencesOf(before: System, after: System): Difference[] {
  const was = keyed(before.statements);
  const is = keyed(after.statements);
  const gone = [...was].filter(([key]) => !is.has(key));
  return [
    ...heading(before, after),
    ...[...is].flatMap(([key, { statement, index }]): Difference[] => {
      const old = was.get(key)?.statement;
      const step = stepOf(statement);
      if (!old) return [{ what: "new", says: `${title(statement)} is new: ${spoken(statement)}`, statement: index, step }];
      return changes(old, statement).map((says) => ({ what: "changed", says, statement: index, step }));
    }),
    ...gone.map(([, { statement, index }]): Difference => ({
      what: "gone",
      says: `${title(statement)} is gone: ${spoken(statement)}`,
      statement: index,
      step: undefined,
    })),
    ...ordered(was, is),
  ];
}

type Keyed = Map<string, { readonly statement: Statement; readonly index: number }>;

/** Statements by what they are called; those without a name by what they say. A second of the same name counts as the next. */
function keyed(statements: readonly Statement[]): Keyed {
  const out: Keyed = new Map();
  statements.forEach((statement, index) => {
    const [own] = definitionsOf(statement);
    const base = own
      ? `${own.kind} ${own.name}`
      : `${statement.is} ${"title" in statement ? statement.title : (printStatement(statement)[0] ?? "")}`;
    let key = base;
    for (let n = 2; out.has(key); n++) key = `${base} ${n}`;
    out.set(key, { statement, index });
  });
  return out;
}

function heading(before: System, after: System): Difference[] {
  const parts = [
    ["title", "The title"],
    ["garment", "The garment"],
    ["unit", "The unit"],
    ["tape", "The tape"],
    ["about", "What it is about"],
    ["suits", "Whom it suits"],
  ] as const;
  return parts.flatMap(([key, name]): Difference[] =>
    before[key] === after[key]
      ? []
      : [
          {
            what: "changed",
            says: `${name} is now “${after[key] ?? ""}”; before: “${before[key] ?? ""}”.`,
            statement: undefined,
            step: undefined,
          },
        ],
  );
}

/** Steps that stand in another order than before, told once. */
function ordered(was: Keyed, is: Keyed): Difference[] {
  const both = (a: Keyed, b: Keyed): string[] => [...a.keys()].filter((key) => b.has(key));
  const [old, now] = [both(was, is), both(is, was)];
  const at = now.findIndex((key, i) => key !== old[i]);
  const first = is.get(now[at] ?? "");
  return at < 0 || !first
    ? []
    : [
        {
          what: "order",
          says: `From ${title(first.statement).toLowerCase()} on, lines stand in another order.`,
          statement: first.index,
          step: stepOf(first.statement),
        },
      ];
}

/** What changed in one statement: its rule, its sentence, its notes. */
function changes(old: Statement, now: Statement): string[] {
  const [was = "", ...detailsWere] = printStatement(bare(old));
  const [is = "", ...detailsAre] = printStatement(bare(now));
  const [saidBefore, saidNow] = [sentence(old), sentence(now)];
  const out: string[] = [];
  if (ruleOf(was) !== ruleOf(is)) out.push(`${title(now)}: ${inWords(ruleOf(is))}; before: ${inWords(ruleOf(was))}.`);
  if (saidBefore !== saidNow) out.push(`${title(now)} says now: “${saidNow}”`);
  const put = detailsAre.filter((line) => !detailsWere.includes(line)).map((line) => inWords(line.trim()));
  const taken = detailsWere.filter((line) => !detailsAre.includes(line)).map((line) => inWords(line.trim()));
  if (put.length > 0) out.push(`${title(now)} has now: ${put.join("; ")}.`);
  if (taken.length > 0) out.push(`${title(now)} has no more: ${taken.join("; ")}.`);
  return out;
}

/** A statement without what stands beside it: comments change nothing. */
const bare = (statement: Statement): Statement => {
  const { comments: _, ...rest } = statement as Statement & { comments?: unknown };
  return rest as Statement;
};

/** The rule of a printed line: a figure’s without its own name, which is said before it. */
const ruleOf = (line: string): string =>
  line
    .trim()
    .replace(/\s*"[^"]*"\s*$/, "")
    .replace(/^value \w+(?: (?:number|angle|boolean))? = /, "");
const sentence = (s: Statement): string => ("text" in s ? (s.text ?? "") : s.is === "measure" ? s.how : "decides" in s ? s.decides : "");
const stepOf = (s: Statement): string | undefined => (s.is === "point" ? s.id : s.is === "path" || s.is === "value" ? s.key : undefined);
/** What a new or a lost line says: its sentence, or else its rule. */
const spoken = (s: Statement): string =>
  sentence(s) === "" ? `${inWords(ruleOf(printStatement(bare(s))[0] ?? ""))}.` : `“${sentence(s)}”`;

const KINDS: { readonly [K in Statement["is"]]?: string } = {
  measure: "The measurement",
  set: "The setting",
  choose: "The choice",
  table: "The table",
  value: "The figure",
  path: "The line",
  piece: "The piece",
  pieceFrom: "The piece",
  board: "The board",
  part: "The heading",
  check: "The check",
  passes: "The check",
  caution: "A caution",
  lesson: "A lesson",
  sew: "A seam",
  shape: "A shaping",
};

function title(s: Statement): string {
  const kind = KINDS[s.is] ?? "A line";
  if (s.is === "point") return `Step ${pointText(s.id).replace("#", "")}`;
  if ("title" in s && s.title) return `${kind} “${s.title}”`;
  return "key" in s && typeof s.key === "string" ? `${kind} ${inWords(s.key)}` : kind;
}
