import { newProblems } from "../edit/consequences.js";
import { loadSystem, type LoadedSystem } from "../plan/load.js";
import type { Library } from "../plan/uses.js";
import type { Point } from "../geometry/point.js";
import type { PlannedStep, StepStatement } from "../plan/plan.js";
import type { Evaluation } from "../run/evaluation.js";
import { draftsOf } from "../run/sample-drafts.js";
import { type Ground, groundOf } from "./ground/ground.js";
import { definitionSaid } from "./definitions.js";
import { putInto } from "./place-puts.js";
import { quoted } from "./quoted.js";
import { type Put, withMeasures } from "./sheet/sheet.js";
import { type Taken, takenFor } from "./taken-for.js";
import { type Sense, understand } from "./understand.js";
import { tokensOf } from "./words/tokens.js";

/** What became of a sentence. */
export interface SentenceReading {
  readonly sentence: string;
  /** Read: it means one thing. Ask: something is missing, or it can be meant in two ways. Refused: it cannot be drawn here. */
  readonly status: "read" | "ask" | "refused";
  /** What it means, likeliest first: several only when she is asked which. */
  readonly readings: readonly Reading[];
  /** Words that were not understood. */
  readonly leftover: readonly Leftover[];
  /** What is missing, or why it cannot be; empty when it was read. */
  readonly said: string;
  /** Ways to say it that are understood. */
  readonly offers: readonly string[];
}

/** A word that was not understood, and where it stands. */
export interface Leftover {
  readonly text: string;
  readonly from: number;
  readonly to: number;
}

export interface Reading {
  /** What each group of words was taken for. */
  readonly taken: readonly Taken[];
  readonly puts: readonly Put[];
  /** How far-fetched it is, to compare two ways to take a sentence. */
  readonly cost: number;
  /** The system with it, and its text. */
  readonly loaded: LoadedSystem;
  /** The point that `it` means in the sentence behind it. */
  readonly it: string | undefined;
}

/** Where a sentence stands. */
export interface Place {
  /** The board that is drawn; the first when it is not said. */
  readonly board?: string | undefined;
  /** The point said or placed before. */
  readonly it?: string | undefined;
  /** What is known of the system already. */
  readonly ground?: Ground | undefined;
}

/** How much likelier a reading must be than the next one, so that it is not asked about. */
const CLEARLY = 0.75;

/** How much likelier a question must be than what was understood whole, so that it is asked. */
export const RATHER_ASKED = 3;

/**
 * Reads a sentence as a teacher says it into a system: what it means is drafted on three bodies before it is offered.
 *
 * @example readSentence("Square down from 3 three inches.", loadSystem(text)).readings[0]?.puts // "#13 down 3 from #3"
 */
export function readSentence(sentence: string, into: LoadedSystem, library: Library = {}, place: Place = {}): SentenceReading {
  const beside = saidBeside(sentence, into, library, place);
  if (beside) return beside;
  const ground = place.ground ?? groundOf(into, place.board);
  const defined = definitionSaid(sentence.trim(), ground);
  const definition = defined && noted(sentence, defined, into, library);
  if (definition?.status === "read") return definition;
  const whole = understand(sentence, ground, place.it);
  const aside = whole.understood.length > 0 ? undefined : asideOf(sentence);
  const sense = aside ? understand(aside.rest, ground, place.it) : whole;
  const { proved, broken } = provedOf(sense, sentence, aside?.line, into, library);
  // What words are left over is told of a sentence as it stands.
  return judged(sentence, proved, broken, aside ? { ...sense, left: [] } : sense);
}

/** A sentence of which nothing can be put in, and why. */
const refused = (sentence: string, said: string): SentenceReading => ({
  sentence,
  status: "refused",
  readings: [],
  leftover: [],
  said,
  offers: [],
});

/** Which of the meanings stands: one that is clearly the likeliest, else a question; else why there is none. */
function judged(
  sentence: string,
  proved: Proved["proved"],
  broken: string | undefined,
  { unclear, understood, left }: Sense,
): SentenceReading {
  const [first] = proved;
  const [open] = unclear;
  const nothing = refused(sentence, "");
  const rather = open?.unclear.status === "ask" && first !== undefined && open.cost < first.cost - RATHER_ASKED;
  if (first && !rather) {
    if (proved.length === 1) return { ...nothing, status: "read", readings: proved };
    return { ...nothing, status: "ask", readings: proved, said: "It can be meant in more than one way." };
  }
  if (broken !== undefined && !(open && open.cost < (understood[0]?.cost ?? 0))) return refused(sentence, broken);
  if (open) return { ...nothing, status: open.unclear.status, said: open.unclear.said, offers: open.unclear.offers };
  const leftover = left.map(({ from, to }) => ({ text: sentence.slice(from, to), from, to }));
  return { ...refused(sentence, "It is not understood."), leftover };
}

/** So many ways to understand a sentence are drafted. */
const DRAFTED = 6;

interface Proved {
  readonly proved: readonly (Reading & { readonly draws: Drawn })[];
  /** Why the likeliest that could not be drafted cannot be. */
  readonly broken: string | undefined;
}

/** Those ways to understand a sentence that can be drafted, the likeliest and those that are hardly less so, each that draws something else. */
function provedOf(sense: Sense, sentence: string, aside: string | undefined, into: LoadedSystem, library: Library): Proved {
  const proved: (Reading & { draws: Drawn })[] = [];
  let broken: string | undefined;
  const seen = new Set<string>();
  for (const understood of sense.understood) {
    const { sheet, cost } = understood;
    const [best] = proved;
    if ((best && cost > best.cost + CLEARLY) || seen.size > DRAFTED) break;
    const wrote = sheet.written();
    const key = JSON.stringify(wrote);
    if (seen.has(key)) continue;
    seen.add(key);
    const puts = withAside(withSentence(wrote, sentence), aside);
    const proof = prove(into, putInto(into, puts), sentence, library);
    if (proof.fault !== undefined) broken ??= proof.fault;
    else if (!proved.some(({ draws, puts: others }) => sameBut(draws, proof.draws) && figuresOf(others) === figuresOf(puts)))
      proved.push({
        taken: aside === undefined ? takenFor(understood) : [],
        puts,
        loaded: proof.loaded,
        it: sheet.lastPoint(),
        cost,
        draws: proof.draws,
      });
  }
  return { proved, broken };
}

function noted(sentence: string, note: Put, into: LoadedSystem, library: Library): SentenceReading {
  const puts = withMeasures([note], into.read.system.unit);
  const text = putInto(into, puts);
  const loaded = loadSystem(text, library, into);
  const [problem] = newProblems(into, loaded);
  if (problem) return refused(sentence, `${problem.why} ${problem.fix}`.trim());
  return { ...refused(sentence, ""), status: "read", readings: [{ taken: [], puts, cost: 0, loaded, it: undefined }] };
}

/** Statements that keep a sentence: points and what is drawn, figures and shapings. */
const KEEPS_SENTENCE = /^(?:#|[A-Z]{1,2}\d|(?:line|level|curve|arc|blend|trace|join|dart|value|shape)\b)/;

/** Her sentence stays with the first of the statements that can keep it; the points that only help to find others say nothing. */
function withSentence(puts: readonly Put[], sentence: string): readonly Put[] {
  const keeps = ({ lines, helps }: Put): boolean =>
    helps !== true && lines.length === 1 && KEEPS_SENTENCE.test(lines[0] ?? "") && !/"\s*$/.test(lines[0] ?? "");
  const at = puts.findIndex(keeps);
  return puts.map((put, i) => (i === at ? { ...put, lines: [`${put.lines[0] ?? ""}  "${quoted(sentence)}"`] } : put));
}

/** What becomes of a sentence that draws nothing: a note, a caution, or what cannot be done. */
function saidBeside(sentence: string, into: LoadedSystem, library: Library, place: Place): SentenceReading | undefined {
  const impossible = notDone(sentence);
  if (impossible !== undefined) return refused(sentence, impossible);
  for (const note of notesOf(sentence, place.board ?? place.ground?.board ?? "")) {
    const reading = noted(sentence, note, into, library);
    if (reading.status === "read") return reading;
  }
  return undefined;
}

/** A sentence for the people at the table, which places nothing: where it may stand, the best place first. */
function notesOf(sentence: string, board: string): readonly Put[] {
  const [begin = ""] = /^[a-z. ]{2,22}[:!,.] /i.exec(sentence.trimStart().slice(0, 40)) ?? [];
  const word = begin.slice(0, -2).trim();
  const said = begin === "" ? undefined : sentence.trimStart().slice(begin.length).trim();
  // "Remember, square down 3 inches" is something to do.
  if (MIND.test(sentence.trim()) && !/\d|\b[A-Z]\b/.test(sentence))
    return [
      { sort: "step", board, lines: [`  watch "${quoted(sentence.trim())}"`] },
      { sort: "end", board: "", lines: [`lesson "${quoted(sentence)}"`] },
    ];
  if (said === undefined || (begin.endsWith(", ") && /\d|\b[A-Z]\b/.test(said))) return [];
  const stands = (line: string): Put => ({ sort: "end", board: "", lines: [line] });
  if (CAUTIONS.test(word)) return [stands(`caution "${quoted(said)}"`)];
  if (READY.test(word)) return [stands(`lesson "${quoted(sentence)}"`)];
  const [kind] = [...BESIDE].find(([, words]) => words.test(word)) ?? [];
  if (kind === undefined) return [];
  // Beside the step before it; where there is none, with what is said about the whole.
  return [{ sort: "step", board, lines: [`  ${kind} "${quoted(said)}"`] }, stands(`lesson "${quoted(sentence)}"`)];
}

/** What must not happen is watched for; nothing is drawn by it. */
const MIND = /^(?:be careful|careful|take care|mind|do not|don['’]t|never|avoid|try not) (?!is\b)/i;
const CAUTIONS = /^(?:careful|caution|warning|danger|take care|safety)$/i;
const READY = /^(?:materials?|tools?|equipment|you need|you will need|have ready|get ready)$/i;
/** What is said beside a step, by the words it begins with. */
const BESIDE: ReadonlyMap<"why" | "watch", RegExp> = new Map([
  ["why", /^(?:note|nb|n\.b|tip|hint|why|reason)$/i],
  ["watch", /^(?:watch out|remember|mind|important|attention|watch)$/i],
]);

const AGAIN = /^(?:now |then )?(?:repeat|do)(?: (?:all|this|it|of|the|these|same|steps)){0,4} (?:for|on|with) the (\w+(?: \w+)?) ?\.?$/;

const REMOVED = /^(?:now |then )?(?:remove|delete|erase|rub out|get rid of) the ((?:[a-z]+ ?){1,4}) ?\.?$/;
/** A placed point moved, without a name for where it goes. */
const MOVED =
  /^(?:now |then )?(?:move|shift) (?:point )?([a-z]{0,2}\d+[a-z]?) (?:up|down|in|out|left|right)\b(?!.* (?:to|and|is|call|mark|label|for|->|=) )/;

/** What is understood and cannot be done: why, and what to do. */
function notDone(sentence: string): string | undefined {
  const words = tokensOf(sentence.slice(0, 80))
    .map(({ text }) => text)
    .join(" ");
  const [, again] = AGAIN.exec(words) ?? [];
  const [, removed] = REMOVED.exec(words) ?? [];
  if (removed !== undefined) return `What is drawn is taken away at its own line: choose the ${removed.trim()} there, and remove it.`;
  const [, moved] = MOVED.exec(words) ?? [];
  if (moved !== undefined)
    return `${moved} stays where its step puts it. Change that step, or place a new point from it: “From ${moved} up 1/4 inch.”`;
  return again === undefined
    ? undefined
    : `Steps cannot be repeated for another board. Say them for the ${again}, or begin a board “${again}” and trace the points that stay: “The same place as 5.”`;
}

/** What stands in brackets is said beside the rule: a warning, or a reason. */
function asideOf(sentence: string): { readonly rest: string; readonly line: string } | undefined {
  const match = /\(([^()]*[a-z]{3}[^()]*)\)/i.exec(sentence);
  if (!match) return undefined;
  const said = (match[1] ?? "").replace(/[.!]+$/, "");
  const kind = /\b(?:never|not|don't|mind|careful|watch|avoid|beware|no )\b/i.test(said) ? "watch" : "why";
  return {
    rest: `${sentence.slice(0, match.index)} ${sentence.slice(match.index + match[0].length)}`,
    line: `  ${kind} "${quoted(said)}"`,
  };
}

function withAside(puts: readonly Put[], line: string | undefined): readonly Put[] {
  if (line === undefined) return puts;
  const at = puts.findLastIndex(({ sort }) => sort === "step");
  return puts.map((put, i) => (i === at ? { ...put, lines: [...put.lines, line] } : put));
}

type Proof = { readonly fault: string } | { readonly fault?: undefined; readonly draws: Drawn; readonly loaded: LoadedSystem };

/**
 * Drafts what is new in a text on three bodies: why it cannot be, or what it draws, to tell readings apart that only say it
 * otherwise. What was there before is not drafted again unless the new reads it.
 */
function prove(before: LoadedSystem, text: string, sentence: string, library: Library): Proof {
  const after = loadSystem(text, library, before);
  const [problem] = newProblems(before, after);
  if (problem) return { fault: `${problem.why} ${problem.fix}`.trim() };
  const draws: string[] = [];
  const steps = newSteps(before, after, sentence);
  for (const { evaluation } of draftsOf(after.plan)) {
    const fault = drawnNew(steps, evaluation, draws) ?? shapedNew(before, after, evaluation);
    if (fault !== undefined) return { fault };
  }
  const known = new Set(before.system.statements);
  const others = after.system.statements.filter((s) => !known.has(s) && !["point", "path", "measure"].includes(s.is));
  return { loaded: after, draws: { places: new Set(draws), others: JSON.stringify(others) } };
}

/** The figures that are laid off: a number that one meaning takes for a name and another for a length tells them apart. */
const figuresOf = (puts: readonly Put[]): string =>
  puts
    .filter(({ sort }) => sort === "step")
    .flatMap(
      ({ lines }) =>
        lines[0]
          ?.replace(/"[^"]*"/g, "")
          .replace(/^#?\w+/, "")
          .match(/(?<![#\w.])-?\d[\d./ ]*/g) ?? [],
    )
    .map((figure) => figure.replace("-", "").trim())
    .sort()
    .join();

/** What new statements draw. */
interface Drawn {
  /** Points and lines on three bodies. */
  readonly places: ReadonlySet<string>;
  readonly others: string;
}

/** Two meanings are the same when one of them only draws something more, as a line to a place or a place on the way. */
function sameBut(a: Drawn, b: Drawn): boolean {
  if (a.others !== b.others) return false;
  const [less, more] = a.places.size <= b.places.size ? [a, b] : [b, a];
  return less.places.size > 0 ? [...less.places].every((place) => more.places.has(place)) : more.places.size === 0;
}

interface NewStep {
  readonly index: number;
  readonly step: PlannedStep;
  /** A name that was said tells readings apart; one that was only free is empty. */
  readonly said: string;
}

/** The steps that are new in a text. */
function newSteps(before: LoadedSystem, { plan }: LoadedSystem, sentence: string): NewStep[] {
  const known = new Set(before.plan.steps.map(({ source }) => nameOf(source)));
  const isSaid = (id: string): boolean => new RegExp(`(?<![\\w/.])${id}(?![\\w/.])`, "i").test(sentence);
  return plan.steps.flatMap((step, index) => {
    const { source } = step;
    return known.has(nameOf(source)) ? [] : [{ index, step, said: source.is === "point" && isSaid(source.id) ? source.id : "" }];
  });
}

/** Adds what new steps draw on a body, to a twentieth of a millimetre; why one of them cannot be drawn. */
function drawnNew(steps: readonly NewStep[], evaluation: Evaluation, draws: string[]): string | undefined {
  const near = ({ x, y }: Point): number[] => [Math.round(x * 20), Math.round(y * 20)];
  for (const { index, step, said } of steps) {
    const { node, makes, target } = step;
    evaluation.need(node);
    const outcome = evaluation.outcomes[index];
    if (outcome?.status === "failed") return `${outcome.why} ${outcome.fix}`.trim();
    const { points, paths } = evaluation.environment;
    const [point, path] = [makes === "point" ? points[target] : undefined, makes === "path" ? paths[target] : undefined];
    if (point) draws.push(`${said} ${near(point).join()}`);
    if (path) draws.push(JSON.stringify(path.segments.map((c) => [c.p0, c.p1, c.p2, c.p3].map(near))));
  }
  return undefined;
}

const nameOf = (source: StepStatement): string => `${source.is} ${source.is === "point" ? source.id : source.key}`;

/** Why a new piece or shaping cannot be made on a draft. */
function shapedNew(before: LoadedSystem, { plan }: LoadedSystem, evaluation: Evaluation): string | undefined {
  for (const [node, { kind, index }] of plan.graph.nodes.entries()) {
    if (kind !== "shaping" || index < before.plan.shapings.length) continue;
    evaluation.need(node);
    const outcome = evaluation.shapedAt(index)?.outcome;
    if (outcome?.status === "failed") return `${outcome.why} ${outcome.fix}`;
  }
  return undefined;
}
