import { readFileSync } from "node:fs";
import fc from "fast-check";
import { parser } from "peggy";
import { describe, expect, it } from "vitest";
import { runToJson } from "../report/json.js";
import { run } from "../run/run.js";
import { printNotation } from "../system/notation/print.js";
import { loadSystem } from "./load.js";

// Whatever the grammar allows, and much that means nothing, is read, answered and drafted: never an exception, never slowly.
// The generator walks the grammar itself, so that every kind of statement it has, or gets one day, is among what is tried.
const GRAMMAR = parser.parse(readFileSync(new URL("../system/notation/notation.peggy", import.meta.url), "utf8"));
const RULES = new Map(GRAMMAR.rules.map((r) => [r.name, r.expression as Node]));

/** The parts of peggy's tree that are walked here. */
interface Node {
  readonly type: string;
  readonly name?: string;
  readonly value?: string;
  readonly expression?: Node;
  readonly elements?: readonly Node[];
  readonly alternatives?: readonly Node[];
  readonly delimiter?: Node | null;
  readonly parts?: readonly (string | readonly [string, string])[];
  readonly inverted?: boolean;
}

const FIGURES = [
  ...[
    "1",
    "0",
    "-2",
    "7 1/8",
    "bust/4 + 1/2",
    "1/2in",
    "3 cm",
    "45°",
    "30%",
    "1e9",
    "99999999999",
    "1/0",
    "sqrt(-1)",
    "ease",
    "deep(bust)",
  ],
  ...["dist(#A0, #A2)", "len(neck)", "len(Front.side)", "Front", "neck", "A1", "A1-A2", "#A1", "style == plain", "bust < 40", "not bust"],
  ...[
    "max(2; 3)",
    "max(2,5, 3)",
    "((1)",
    "if(bust < 40, 1, 2)",
    "head",
    "intake(tuck)",
    "closed_width(waist)",
    "“x”",
    "line across from A1",
  ],
  ...["1 from A1", "from A1 to A1-A2", "2 from A0, 3 down", "A0 to A2", "neck from A0, 1", "A1-A2 with A0-A3", "Front along tuck", ""],
];
const NAMES = ["bust", "ease", "neck", "side", "tuck", "style", "waist", "deep", "plain", "hem", "centre", "if", "len", "x"];
const POINTS = ["A0", "A1", "A2", "A3", "A9", "#12", "A1'", "F7gn", "A999999999"];
const oneOf = (list: readonly string[]): fc.Arbitrary<string> => fc.constantFrom(...list);

/** Words for the rules that take nearly any text, so that what comes out has a meaning often enough. */
const WORDS: Readonly<Record<string, fc.Arbitrary<string>>> = {
  Key: oneOf(NAMES),
  PathName: oneOf([...NAMES, "Front.side", "Front.x", "Back.neck"]),
  EdgeName: oneOf(["Front.side", "Front.top", "Front.x", "Back.side"]),
  PieceKey: oneOf(["Front", "Back", "X"]),
  Capital: oneOf(["A", "B"]),
  PointId: oneOf(POINTS),
  StepId: oneOf([...POINTS, "A4", "A5", "B1"]),
  Word: oneOf(["down", "out", "midway", "along", "cross", "split", "close", "smooth", "spread", "join", "true", "run", "nothing"]),
  Quoted: oneOf(['"Words."', '""', '"§ {{x}} \\"']),
  Integer: oneOf(["0", "1", "6", "999999999"]),
  Gap: fc.constant(" "),
  _: oneOf(["", "", " "]),
  Ch: oneOf(["a", "1", " ", '"', "("]),
  Kindred: oneOf(["girth", "length", "number", "angle", "wide"]),
};

const takesAnyText = (node: Node): boolean =>
  node.type === "rule_ref"
    ? node.name === "Ch"
    : [node.expression, ...(node.elements ?? []), ...(node.alternatives ?? [])].some((n) => n !== undefined && takesAnyText(n));

const ENDS: Readonly<Record<string, fc.Arbitrary<string>>> = {
  ...Object.fromEntries(["simple_and", "simple_not", "semantic_and", "semantic_not"].map((type) => [type, fc.constant("")])),
  any: fc.constant("x"),
};

function generate(node: Node, deep: number): fc.Arbitrary<string> {
  const ends = ENDS[node.type];
  if (ends) return ends;
  const inner = (): fc.Arbitrary<string> => generate(node.expression as Node, deep);
  const all = (list: readonly Node[] = []): fc.Arbitrary<string>[] => list.map((n) => generate(n, deep));
  switch (node.type) {
    case "text":
      return takesAnyText(node.expression as Node) ? oneOf(FIGURES) : inner();
    case "choice":
      return fc.oneof(...all(node.alternatives));
    case "sequence":
      return fc.tuple(...all(node.elements)).map((parts) => parts.join(""));
    case "optional":
      return fc.oneof(fc.constant(""), inner());
    case "zero_or_more":
    case "one_or_more":
    case "repeated":
      return fc
        .array(inner(), { minLength: node.type === "zero_or_more" ? 0 : 1, maxLength: 3 })
        .map((parts) => parts.join(node.delimiter ? ", " : ""));
    case "rule_ref":
      return byName(node.name as string, deep);
    case "literal":
      return fc.constant(node.value as string);
    case "class":
      return oneOf(node.inverted ? ["a", "x", "1"] : (node.parts ?? []).map((part) => (typeof part === "string" ? part : part[0])));
    default:
      return inner();
  }
}

/** A rule by its name: from the words above, or as the grammar has it. Brackets in brackets end somewhere. */
function byName(name: string, deep: number): fc.Arbitrary<string> {
  return WORDS[name] ?? (deep > 12 ? fc.constant("") : generate(RULES.get(name) as Node, deep + 1));
}

/** The statements and the details of the grammar, each by the rule it is named with. */
function kinds(rule: "Statement" | "Detail"): string[] {
  const found: string[] = [];
  const walk = (n: Node): void => {
    if (n.type === "rule_ref" && n.name !== "_") found.push(n.name as string);
    for (const part of [n.expression, ...(n.elements ?? []), ...(n.alternatives ?? [])])
      if (part && !part.type.startsWith("simple_")) walk(part);
  };
  walk(RULES.get(rule) as Node);
  return found;
}

const HEAD = `system "Try"
  garment block · unit in · tape 1/8
measure bust girth 30..56 "Round."
measure head girth 20..25 "Round." 
set ease = 2 from 0 to 6 "Ease."
choose style "Which."
  plain
  full
table deep by bust, steps: under 33 -> 6 1/2 · above -> 8
board A "Front" · centre fold
A0 start
A1 out 8 from A0
A2 down 10 from A1
A3 down 10 from A0
level waist "Waist": A3 > A2
curve neck: A0 > A1, leaving level, arriving plumb
dart tuck "Tuck": at A1, intake 1 to A2, pressed in
piece Front "Front" on A · cut 1 on fold
  edge top: A0 > A1 · allow 1/2
  edge side: A1 > A2 · allow 1/2
  edge hem: A2 > A3 · allow 1
  edge centre: A3 > A0 · fold
`;

const detail = fc.oneof(...kinds("Detail").map((k) => generate(RULES.get(k) as Node, 0)));
const withDetails = (statement: fc.Arbitrary<string>): fc.Arbitrary<string> =>
  fc.tuple(statement, fc.array(detail, { maxLength: 4 })).map(([s, under]) => [s, ...under.map((d) => `  ${d}`)].join("\n"));

/** So many texts of each kind in every run; the long run tries eight times as many. */
const RUNS = 15 * Number(process.env["LODRIN_FUZZ"] ?? 1);
const MOST_POINTS = 20_000;

/** Reads, prints, drafts and reports. What it finds wrong is its answer; that it comes back, and soon, is what is tested. */
function everything(text: string): void {
  const { plan, problems } = loadSystem(text);
  printNotation(plan.system);
  const drafted = run(plan, { bust: "36", head: "22" });
  JSON.stringify(runToJson(plan, drafted, "try"));
  expect(drafted.environment.points.length, text).toBeLessThan(MOST_POINTS);
  for (const { why } of problems) expect(why, text).not.toMatch(/undefined|NaN|\[object|is not a function|Cannot read/);
}

describe("whatever the grammar allows", () => {
  const statements = kinds("Statement");

  it("the grammar's kinds are found", () => {
    expect(statements).toEqual(expect.arrayContaining(["Point", "Curve", "Piece", "Check", "Shape", "LeaveOut", "Evenly", "System"]));
    expect(statements.length).toBeGreaterThan(28);
  });

  it.each(statements)("%s: read, answered and drafted", (kind) => {
    const statement = withDetails(generate(RULES.get(kind) as Node, 0));
    fc.assert(
      fc.property(fc.array(statement, { minLength: 1, maxLength: 3 }), (list) => everything(`${HEAD}${list.join("\n")}\n`)),
      { numRuns: RUNS },
    );
  });

  it("all kinds in any order", () => {
    const any = fc.oneof(...statements.map((k) => withDetails(generate(RULES.get(k) as Node, 0))));
    fc.assert(
      fc.property(fc.array(any, { maxLength: 12 }), fc.boolean(), (list, head) => everything(`${head ? HEAD : ""}${list.join("\n")}\n`)),
      { numRuns: RUNS * 5 },
    );
  });
});
