import { applyEdits } from "../edit/line-edit.js";
import { loadSystem, type LoadedSystem } from "../plan/load.js";
import type { Library } from "../plan/uses.js";
import type { PointStep, Statement } from "../system/model.js";
import { blockHolding } from "../system/notation/read.js";
import { pointText } from "../verb/form.js";
import { draftsOf } from "../run/sample-drafts.js";
import { groundAbove } from "./ground/ground.js";
import { RATHER_ASKED } from "./read-sentence.js";
import { understand } from "./understand.js";

/** What the sentence of a step says of the place that its rule gives the point. */
export interface SentenceVerdict {
  /** The same place, another one, a question, or nothing that is understood. */
  readonly verdict: "same" | "other" | "asked" | "not read";
  /** The rule that the sentence means, without the point, when it means another place. */
  readonly means?: string;
}

/** How far (mm) a point may be from where its rule places it. */
const NEAR_MM = 0.3;

/** The verdict of each point that has a sentence, by the place of its statement. Read where it stands, and held against its rule on three bodies. */
export function sentenceVerdicts(loaded: LoadedSystem, library: Library): ReadonlyMap<number, SentenceVerdict> {
  const verdicts = new Map<number, SentenceVerdict>();
  loaded.read.system.statements.forEach((statement, index) => {
    if (statement.is === "point" && statement.text !== undefined)
      verdicts.set(index, verdictAt(loaded, library, index, statement, statement.text));
  });
  return verdicts;
}

const known = new WeakMap<Statement, { readonly above: readonly Statement[]; readonly verdict: SentenceVerdict }>();

/** A verdict holds as long as nothing changes above its statement. */
function verdictAt(loaded: LoadedSystem, library: Library, index: number, statement: PointStep, sentence: string): SentenceVerdict {
  const above = loaded.read.system.statements.slice(0, index);
  const before = known.get(statement);
  if (before?.above.length === above.length && before.above.every((one, i) => one === above[i])) return before.verdict;
  const verdict = verdictOn(loaded, library, index, statement, sentence);
  known.set(statement, { above, verdict });
  return verdict;
}

/** What a sentence would say of the place of a point, read where its step stands: at `index`. */
export function verdictOn(loaded: LoadedSystem, library: Library, index: number, statement: PointStep, sentence: string): SentenceVerdict {
  const { understood, unclear } = understand(sentence, groundAbove(loaded, index));
  const [meant] = understood;
  const [open] = unclear;
  if (open?.unclear.status === "ask" && (!meant || open.cost < meant.cost - RATHER_ASKED)) return { verdict: "asked" };
  const lines = meant && placing(meant.sheet.written(), statement);
  if (!lines) return { verdict: "not read" };
  if (samePlace(loaded, library, index, lines, statement.id)) return { verdict: "same" };
  return { verdict: "other", means: (lines.at(-1) ?? "").replace(/^\S+ /, "") };
}

/** The steps that place what a sentence means, its point under the name the system gives it. */
function placing(
  puts: ReturnType<ReturnType<typeof understand>["understood"][number]["sheet"]["written"]>,
  { id }: PointStep,
): string[] | undefined {
  const steps = puts.filter(({ sort }) => sort === "step");
  const at = steps.findLastIndex(({ lines, helps }) => helps !== true && /^#?[A-Z]{0,2}\d/.test(lines[0] ?? ""));
  const made = steps[at]?.lines[0]?.split(" ")[0];
  if (made === undefined) return undefined;
  const own = new RegExp(`(?<![\\w#])${made}(?!\\w)`, "g");
  return steps.slice(0, at + 1).flatMap(({ lines }) => lines.map((line) => line.replace(own, pointText(id))));
}

function samePlace(loaded: LoadedSystem, library: Library, index: number, lines: readonly string[], id: string): boolean {
  const block = blockHolding(loaded.read, index);
  const row = block?.read.block.head?.row;
  if (!block || row === undefined) return false;
  const after = loadSystem(applyEdits(loaded.read.source, [{ from: block.from + row, count: 1, lines }]), library, loaded);
  const [was, is] = [loaded, after].map(({ plan }) => draftsOf(plan).map((drafted) => placeOf(drafted, id, plan)));
  return (was ?? []).every((from, i) => {
    const to = is?.[i];
    return !from || (to !== undefined && Math.hypot(from.x - to.x, from.y - to.y) < NEAR_MM);
  });
}

function placeOf({ evaluation }: ReturnType<typeof draftsOf>[number], id: string, plan: LoadedSystem["plan"]) {
  const at = plan.scope.points.get(id);
  for (const step of plan.steps) if (step.makes === "point" && step.target === at) evaluation.need(step.node);
  return at === undefined ? undefined : evaluation.environment.points[at];
}
