// Prints the figures Lodrin is held to, as medians and as ratios taken in one run. Start it with: npm run bench
import { spawnSync } from "node:child_process";
import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { performance } from "node:perf_hooks";
import { gzipSync } from "node:zlib";
import { Bezier } from "bezier-js";
import { compile as mathjsCompile } from "mathjs";
import { compileSystem, type Given, loadSystem, pathLength, type Plan, run } from "@lodrin/core";
import { Evaluation } from "../packages/core/src/run/evaluation.js";
import { emptyEnvironment, fillSlots } from "../packages/core/src/run/environment.js";
import { readInputs } from "../packages/core/src/run/inputs.js";
import { drawPieces } from "@lodrin/formats";
import { writeTiledPdf } from "@lodrin/formats/pdf";
import { readLibrary as readNotations } from "@lodrin/formats/library";
import { twelveReadings } from "./review.js";
import { fullLoad, keystroke, twentySizes } from "./builder.js";
import { fortyBodies, readLibrary } from "./library.js";
import { type JacketBody, longJacketByHand } from "./long-jacket.js";
import { measureKeystroke } from "./keystroke.js";
import { LARGEST, measureRedraw, SHIRT_DRAFT } from "./redraw.js";

const JACKET = "systems/21-long-lapel-jacket.lodrin";
const SHIRT = "systems/08-menswear-flat-shirt-block.lodrin";
const BODY: Record<string, number> = {
  chest: 104,
  neck: 41,
  scye_depth: 25,
  back_waist: 45,
  half_back: 20.6,
  garment_length: 77,
  shoulder_length: 16.2,
};

const median = (list: number[]): number => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)] ?? Number.NaN;

/** Median over `rounds` of the time of one call, in ms, after a warm-up. */
function time(calls: number, act: () => void, rounds = 15, warmUp = calls): number {
  for (let i = 0; i < warmUp; i++) act();
  const taken: number[] = [];
  for (let r = 0; r < rounds; r++) {
    const from = performance.now();
    for (let i = 0; i < calls; i++) act();
    taken.push((performance.now() - from) / calls);
  }
  return median(taken);
}

/** How many times as long the first takes as the second: the median over rounds that are taken by turns, so that what slows the machine slows both. */
function timesAsLong(first: () => void, calls: number, second: () => void, calls2 = calls, rounds = 25): number {
  time(calls, first, 3);
  time(calls2, second, 3);
  return median(Array.from({ length: rounds }, () => time(calls, first, 1, 0) / time(calls2, second, 1, 0)));
}

const tell = (what: string, got: string, aim: string): void =>
  void process.stdout.write(`${what.padEnd(52)} ${got.padStart(14)}   (${aim})\n`);

const { plan } = loadSystem(readFileSync(SHIRT, "utf8"));

/** A draft with its pieces, their cutting lines, the checks and warnings: a run works out nothing that nobody asks for. */
function wholeDraft(of: Plan, measurements: Given, settings: Given = {}): void {
  const drafted = run(of, measurements, settings);
  for (const piece of drafted.pieces) kept.push(piece.cutting.length);
  kept.push(drafted.checks.length + drafted.warnings.length);
  kept.length = 0;
}
const kept: number[] = [];

function draftFigure(): void {
  tell("Draft of the flat shirt block, pieces and checks", `${time(400, () => wholeDraft(plan, BODY)).toFixed(3)} ms`, "at most 0.3 ms");
}

/** The same formulas with the same numbers: our closures against mathjs's compiled evaluation. */
function formulaFigure(): void {
  const drafted = run(plan, BODY);
  const { slots } = drafted.environment;
  const scope = new Map<string, number>();
  for (const [key, entry] of plan.scope.names) scope.set(key, slots[entry.slot] as number);
  const formulas = plan.steps.flatMap((s) => s.formulas).filter((f) => !/==|if\(/.test(f.text));
  const ours = formulas.map((f) => f.typed.run);
  const theirs = formulas.map((f) => mathjsCompile(f.text.replace(/(\d) (\d+\/\d+)/g, "($1+$2)")));
  let sink = 0;
  const faster = timesAsLong(
    () => {
      for (const f of theirs) sink += f.evaluate(scope) as number;
    },
    2_000,
    () => {
      for (const f of ours) sink += f(drafted.environment);
    },
    20_000,
  );
  tell(
    `Evaluating its ${formulas.length} formulas, against mathjs compiled`,
    `${faster.toFixed(1)} × faster`,
    `at least 8, aim 10; ${sink > 0 ? "same numbers" : "nothing"}`,
  );
}

/** The construction of the largest system, against the same written out by hand in TypeScript; the two must agree to a thousandth of a millimetre. */
function byHandFigure(): void {
  const { system } = loadSystem(readFileSync(JACKET, "utf8"));
  const apart: ReadonlySet<string> = new Set(["piece", "sew", "check", "shape"]);
  const construction = compileSystem({ ...system, statements: system.statements.filter((s) => !apart.has(s.is)) });
  const { examples } = JSON.parse(readFileSync(`systems/worked/${LARGEST.slug}.json`, "utf8")) as {
    examples: [{ measurements: Record<string, number> }];
  };
  const [{ measurements: m }] = examples;
  const mm = (key: string): number => (m[key] ?? 0) * 25.4;
  const body: JacketBody = {
    acrossShoulder: mm("across_shoulder"),
    armholeDepth: mm("armhole_depth"),
    toBust: mm("shoulder_to_bust"),
    toWaist: mm("shoulder_to_waist"),
    toHip: mm("shoulder_to_hip"),
    fullLength: mm("full_length"),
    bustSpan: mm("bust_span"),
    bust: mm("bust"),
    waist: mm("waist"),
    hip: mm("hip"),
  };
  const drafted = run(construction, m);
  const wrong = Object.entries(longJacketByHand(body).points).filter(([id, p]) => {
    const ours = drafted.environment.points[construction.scope.points.get(id) ?? -1];
    return !ours || Math.hypot(ours.x - p.x, ours.y - p.y) > 1e-3;
  });
  // What comes out is kept: what nobody looks at would be left out by the compiler, on one side more than on the other.
  const kept: { drawn?: unknown } = {};
  const byHand = (): void => void (kept.drawn = longJacketByHand(body));
  const inputs = readInputs(construction, m, {});
  // By hand the measurements come as they are needed, and nothing is checked or warned of: the same is asked of ours.
  const drawn = timesAsLong(
    () => {
      const environment = emptyEnvironment(construction);
      fillSlots(construction, inputs, environment);
      const drawing = new Evaluation(construction, environment);
      construction.steps.forEach(({ node }) => drawing.need(node));
      kept.drawn = drawing.environment;
    },
    400,
    byHand,
  );
  tell(
    "Construction of the long jacket, against TypeScript",
    `${drawn.toFixed(1)} × the time`,
    `at most 2; ${wrong.length === 0 ? "same points" : `${wrong.map(([id]) => id).join(", ")} differ`}`,
  );
  tell(
    "… with measurements read, checks and warnings",
    `${timesAsLong(() => void (kept.drawn = run(construction, m)), 400, byHand).toFixed(1)} × the time`,
    "no aim",
  );
}

/** Reading and compiling the largest system, warm, and once more after one line was changed. */
function loadFigures(): void {
  const text = readFileSync(JACKET, "utf8");
  tell("Reading and compiling the long jacket", `${time(40, () => loadSystem(text), 15, 200).toFixed(1)} ms`, "at most 10 ms");
  const lines = text.split("\n");
  const changed = lines.findIndex((line) => /^[A-Z]\d+ /.test(line));
  let before = loadSystem(text);
  let n = 0;
  const one = time(
    100,
    () => {
      const again = [...lines];
      again[changed] = `${lines[changed] ?? ""}${" ".repeat(n++ % 7)}`;
      before = loadSystem(again.join("\n"), {}, before);
    },
    15,
    400,
  );
  tell("Reading and compiling it with one line changed", `${one.toFixed(2)} ms`, "at most 2 ms");
}

async function pdfFigure(): Promise<void> {
  const drawing = drawPieces(run(plan, BODY));
  const taken: number[] = [];
  for (let i = 0; i < 7; i++) {
    const from = performance.now();
    await writeTiledPdf(drawing, "A4", { title: "Bench", lines: [] });
    taken.push(performance.now() - from);
  }
  tell("Tiled A4 PDF", `${median(taken).toFixed(0)} ms`, "at most 500 ms");
}

/** JavaScript the first view loads: the entry, what it imports, and the view of the workroom. */
function sizeFigure(): void {
  const folder = "packages/web/dist/assets";
  const files = readdirSync(folder).filter((f) => f.endsWith(".js"));
  const needed = new Set<string>();
  const take = (name: string): void => {
    if (needed.has(name)) return;
    needed.add(name);
    const text = readFileSync(`${folder}/${name}`, "utf8");
    for (const [, other = ""] of text.matchAll(/(?:from|import)\s*"\.\/([^"]+\.js)"/g)) take(other);
  };
  for (const f of files) if (/^(index|WorkroomView|SignInView)-/.test(f)) take(f);
  const bytes = [...needed].reduce((sum, f) => sum + gzipSync(readFileSync(`${folder}/${f}`)).length, 0);
  tell("JavaScript of the first view, gzipped", `${(bytes / 1000).toFixed(0)} kB`, "at most 250 kB");
}

function libraryFigures(): void {
  const library = readLibrary();
  const largest = library.find((w) => w.slug.startsWith("21-"));
  if (largest)
    tell(
      "Draft of the long jacket, pieces and checks",
      `${time(150, () => wholeDraft(largest.plan, largest.measurements, largest.settings)).toFixed(3)} ms`,
      "at most 1.5 ms",
    );
  const bodies = library.map((worked) => ({ worked, bodies: fortyBodies(worked) }));
  const all = time(
    1,
    () => bodies.forEach(({ worked, bodies: list }) => list.forEach((b) => wholeDraft(worked.plan, b, worked.settings))),
    5,
  );
  tell(`All ${library.length} systems on forty bodies`, `${(all / 1000).toFixed(2)} s`, "at most 1.5 s");
}

/** Each length that may be set, in every system, moved over its range: the board drawn again. The best of twelve for each, so that what slows the machine does not count. */
function dragFigure(): void {
  const taken = readLibrary().flatMap(({ plan: of, measurements, settings }) =>
    of.settings.flatMap(({ key, from, to, source }) => {
      if (source.kind !== "length" || !Number.isFinite(from + to)) return [];
      let before = run(of, measurements, settings);
      const times = Array.from({ length: 12 }, (_, k) => {
        const start = performance.now();
        before = run(of, measurements, { ...settings, [key]: `${from + ((to - from) * (k % 5)) / 5} mm` }, undefined, before);
        kept.push(before.board.points.length);
        return performance.now() - start;
      });
      return [Math.min(...times)];
    }),
  );
  const p95 = taken.sort((a, b) => a - b)[Math.floor(taken.length * 0.95)] ?? Number.NaN;
  tell(`Board after one of ${taken.length} settings was dragged (p95)`, `${p95.toFixed(2)} ms`, "at most 0.3 ms");
}

/** The command as a whole process, from the shell on. */
function commandFigure(): void {
  const body = "build/bench-body.json";
  writeFileSync(body, JSON.stringify(BODY));
  const times = Array.from({ length: 7 }, () => {
    const from = performance.now();
    const { status } = spawnSync("./lodrin", ["draft", SHIRT, "--measurements", body, "--json"], { stdio: "ignore" });
    return status === 0 ? performance.now() - from : Number.NaN;
  });
  tell("./lodrin draft of one body, the whole process", `${(median(times) / 1000).toFixed(2)} s`, "at most 0.3 s");
}

/** Length of the armhole's cubics against bezier-js, whose own length is exact to about 1e-9 of it. */
function lengthFigure(): void {
  const drafted = run(plan, BODY);
  const armhole = drafted.environment.paths[plan.scope.paths.get("armhole") ?? -1];
  if (!armhole) return;
  const theirs = (): number =>
    armhole.segments.reduce((sum, c) => sum + new Bezier(c.p0.x, c.p0.y, c.p1.x, c.p1.y, c.p2.x, c.p2.y, c.p3.x, c.p3.y).length(), 0);
  // A fresh path each time: what was measured once is not measured again.
  const ours = (): number => pathLength({ segments: armhole.segments.map((c) => ({ ...c })) });
  const off = Math.abs(ours() - theirs()) / theirs();
  tell(
    "Path length, against bezier-js",
    `${timesAsLong(theirs, 3000, ours).toFixed(1)} × faster`,
    `at least 8; apart by ${off.toExponential(1)}`,
  );
}

async function redrawFigure(what: string, draft: typeof LARGEST | typeof SHIRT_DRAFT): Promise<void> {
  const frames = await measureRedraw(draft);
  if (frames === undefined)
    tell(`Redraw of ${what}`, "not measured", "start Lodrin first, with ./lodrin start; it needs Debian's chromium");
  else
    tell(
      `Redraw of ${what}, p95 of one change`,
      `${frames.p95.toFixed(1)} ms`,
      `below 16 ms; median ${frames.median.toFixed(1)} ms over ${frames.changes} changes`,
    );
}

/** What the writing table takes in the browser: the laying out is in it. */
async function writingFigure(what: string, slug: string, most: number): Promise<void> {
  const taken = await measureKeystroke(slug);
  if (taken === undefined) return tell(`Keystroke in ${what}`, "not measured", "start Lodrin first, with ./lodrin start");
  tell(`Keystroke to redraw in ${what}, p95`, `${taken.p95.toFixed(1)} ms`, `at most ${most} ms, scripting and layout`);
  tell(`Opening the builder with ${what}`, `${(taken.opening / 1_000).toFixed(2)} s`, "at most 1 s");
}

/** What the writing table waits for, but for the laying out by the browser. */
function builderFigures(): void {
  const library = readNotations("systems");
  const [shirt, jacket] = [library["08-menswear-flat-shirt-block"] ?? "", library["21-long-lapel-jacket"] ?? ""];
  tell("Keystroke to scene, the shirt block (p95)", `${keystroke(shirt, library).toFixed(1)} ms`, "no aim");
  tell("Keystroke to scene, the long jacket (p95)", `${keystroke(jacket, library).toFixed(1)} ms`, "no aim");
  tell("The long jacket's text read and compiled again", `${fullLoad(jacket, library).toFixed(1)} ms`, "at most 10 ms");
  tell("Twenty sizes of the long jacket laid on each other", `${twentySizes(jacket, library).toFixed(0)} ms`, "at most 150 ms");
}

/** What a student waits for who typed the last of twelve readings. */
function reviewFigure(): void {
  const library = readNotations("systems");
  const ms = twelveReadings(library["21-long-lapel-jacket"] ?? "", library);
  tell("Twelve readings of the long jacket judged (p95)", `${ms.toFixed(0)} ms`, "at most 100 ms");
}

/** Every figure, in the order they are printed. Each is taken in a process of its own: what one leaves in memory would slow the next. */
const FIGURES: Readonly<Record<string, () => unknown>> = {
  draft: draftFigure,
  library: libraryFigures,
  drag: dragFigure,
  command: commandFigure,
  formulas: formulaFigure,
  lengths: lengthFigure,
  "by-hand": byHandFigure,
  load: loadFigures,
  pdf: pdfFigure,
  size: sizeFigure,
  builder: builderFigures,
  review: reviewFigure,
  "redraw-shirt": () => redrawFigure("the shirt block while a setting is dragged", SHIRT_DRAFT),
  "writing-shirt": () => writingFigure("the shirt block", SHIRT_DRAFT.slug, 16),
  "writing-jacket": () => writingFigure("the long jacket", LARGEST.slug, 33),
  "redraw-jacket": () => redrawFigure("the long jacket while a setting is dragged", LARGEST),
};

const [, script = "", asked] = process.argv;
if (asked !== undefined) await FIGURES[asked]?.();
else for (const figure of Object.keys(FIGURES)) spawnSync(process.execPath, [script, figure], { stdio: "inherit" });
