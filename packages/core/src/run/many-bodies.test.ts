import { describe, expect, it } from "vitest";
import type { CheckResult } from "../check/result.js";
import { distanceToRing, insideRing, selfIntersection } from "../geometry/ring/ring.js";
import { run } from "./run.js";
import { bodiesFor } from "../test/bodies.js";
import { readShelf } from "../test/shelf.js";

const HOW_MANY = 60;

interface Tally {
  pass: number;
  warn: number;
  fail: number;
  cause: string | undefined;
}

const library = readShelf().map(({ slug, plan, examples: [{ measurements, settings }] }) => {
  const runs = bodiesFor(plan, measurements, HOW_MANY).map((body) => run(plan, body, settings));
  const tallies = new Map<string, Tally>();
  const count = (check: CheckResult): void => {
    const tally = tallies.get(check.name) ?? { pass: 0, warn: 0, fail: 0, cause: check.cause };
    tally[check.status] += 1;
    tallies.set(check.name, tally);
  };
  for (const drafted of runs) drafted.checks.forEach(count);
  return { slug, title: plan.system.title, runs, tallies };
});

const missed = (tallies: ReadonlyMap<string, Tally>): [string, Tally][] => [...tallies].filter(([, t]) => t.warn + t.fail > 0);

describe.each(library)("$slug on sixty bodies", ({ runs, tallies }) => {
  it("draws every step on every one of them", () => {
    const failed = runs.flatMap((r) => r.outcomes.flatMap((o) => (o.status === "failed" ? [o.why] : [])));
    expect(failed).toEqual([]);
  });

  it("closes every piece", () => {
    for (const drafted of runs) for (const piece of drafted.pieces) expect(piece.gap.mm, piece.title).toBeLessThan(0.05);
  });

  it("no check cries on every body", () => {
    const always = [...tallies].filter(([, t]) => t.pass === 0 && t.warn + t.fail >= HOW_MANY);
    expect(always.map(([name]) => name)).toEqual([]);
  });

  it("no cutting line crosses itself, and none runs inside its net line", () => {
    const bad = runs.flatMap((drafted) =>
      drafted.pieces.flatMap((piece) => {
        // A net that crosses itself on this body is told by its own check.
        if (selfIntersection(piece.net)) return [];
        if (selfIntersection(piece.cutting)) return [`${piece.title}: the cutting line crosses itself`];
        const inside = piece.cutting.some((p) => insideRing(p, piece.net) && distanceToRing(p, piece.net) > 0.1);
        return inside ? [`${piece.title}: the cutting line runs inside the net line`] : [];
      }),
    );
    expect([...new Set(bad)]).toEqual([]);
  });

  it("has a reason for every check that does not hold on some body", () => {
    expect(missed(tallies).flatMap(([name, { cause }]) => (cause ? [] : [name]))).toEqual([]);
  });
});

describe("facts that hold on every body (common practice, no source)", () => {
  const named = (pattern: RegExp): [string, Tally][] =>
    library.flatMap(({ slug, tallies }) =>
      [...tallies].filter(([name]) => pattern.test(name)).map(([name, t]): [string, Tally] => [`${slug}: ${name}`, t]),
    );

  it.each([
    ["the waist with its darts closed is the body's and its ease", /\bwaist\b(?!.*(order|edge|half|high|line|legs|darts closed$))/i, 12],
    ["shoulders of front and back agree", /^shoulders? (seams?|agree|match)|shoulder edges agree/i, 14],
    ["dart legs are equal", /dart legs equal|^Back dart legs$/i, 12],
  ])("%s", (_, pattern, least) => {
    const found = named(pattern);
    expect(found.length).toBeGreaterThanOrEqual(least);
    expect(found.filter(([, t]) => t.fail > 0).map(([name]) => name)).toEqual([]);
  });
});

it("the table in docs says the same", async () => {
  const part = ({ slug, title, tallies }: (typeof library)[number]): string => {
    const rows = missed(tallies).map(([name, t]) => `| ${name} | ${t.pass} | ${t.warn} | ${t.fail} | ${t.cause ?? ""} |`);
    const held = [...tallies].length - rows.length;
    const table = ["| check | holds | to look at | does not hold | why |", "| --- | --: | --: | --: | --- |", ...rows].join("\n");
    return `## ${slug.slice(0, 2)} ${title}\n\n${held} of ${tallies.size} checks hold on all ${HOW_MANY} bodies${rows.length === 0 ? "." : `; the others:\n\n${table}`}`;
  };
  const text = `# Every system on sixty bodies

Each system of the library is drafted on sixty made-up bodies round its worked example, from slight to stout and from short to tall, with
its settings as they stand. A check that does not hold is the program doing its work: the last column says what the teacher would.
This page is written by \`packages/core/src/run/many-bodies.test.ts\` and held to it.

${library.map(part).join("\n\n")}
`;
  await expect(text).toMatchFileSnapshot("../../../../docs/bodies.md");
});
