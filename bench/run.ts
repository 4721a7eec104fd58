// Prints the figures Lodrin is held to, as medians and as ratios taken in one run. Start it with: npm run bench
import { readFileSync } from "node:fs";
import { performance } from "node:perf_hooks";
import { gzipSync } from "node:zlib";
import { readdirSync } from "node:fs";
import { compile as mathjsCompile } from "mathjs";
import { loadSystem, run } from "@lodrin/core";
import { drawPieces } from "@lodrin/formats";
import { writeTiledPdf } from "@lodrin/formats/pdf";
import { measureRedraw } from "./redraw.js";

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
function time(calls: number, act: () => void, rounds = 15): number {
  for (let i = 0; i < calls; i++) act();
  const taken: number[] = [];
  for (let r = 0; r < rounds; r++) {
    const from = performance.now();
    for (let i = 0; i < calls; i++) act();
    taken.push((performance.now() - from) / calls);
  }
  return median(taken);
}

const tell = (what: string, got: string, aim: string): void =>
  void process.stdout.write(`${what.padEnd(52)} ${got.padStart(14)}   (${aim})\n`);

const { plan } = loadSystem(readFileSync(SHIRT, "utf8"));

function draftFigure(): void {
  tell("Draft of the flat shirt block, pieces and checks", `${time(1500, () => run(plan, BODY)).toFixed(3)} ms`, "at most 0.3 ms");
}

/** The same formulas with the same numbers: our closures against mathjs's compiled evaluation. */
function formulaFigure(): void {
  const drafted = run(plan, BODY);
  const { slots } = drafted.frame;
  const scope = new Map<string, number>();
  for (const [key, entry] of plan.scope.names) scope.set(key, slots[entry.slot] as number);
  const formulas = plan.steps.flatMap((s) => s.formulas).filter((f) => !/==|if\(/.test(f.text));
  const ours = formulas.map((f) => f.typed.run);
  const theirs = formulas.map((f) => mathjsCompile(f.text.replace(/(\d) (\d+\/\d+)/g, "($1+$2)")));
  let sink = 0;
  const mine = time(20_000, () => {
    for (const f of ours) sink += f(drafted.frame);
  });
  const other = time(2_000, () => {
    for (const f of theirs) sink += f.evaluate(scope) as number;
  });
  tell(
    `Evaluating its ${formulas.length} formulas, against mathjs compiled`,
    `${(other / mine).toFixed(1)} × faster`,
    `at least 6, aim 10; ${sink > 0 ? "same numbers" : "nothing"}`,
  );
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

async function redrawFigure(): Promise<void> {
  const frames = await measureRedraw();
  if (frames === undefined) tell("Redraw while a setting is dragged", "not measured", "start Lodrin first: ./lodrin start");
  else
    tell(
      "Redraw while a setting is dragged, p95 of one change",
      `${frames.p95.toFixed(1)} ms`,
      `below 16 ms; median ${frames.median.toFixed(1)} ms over ${frames.changes} changes`,
    );
}

draftFigure();
formulaFigure();
await pdfFigure();
sizeFigure();
await redrawFigure();
