import { describe, expect, it } from "vitest";
import { run } from "../run/run.js";
import { sampleBody } from "../run/sample.js";
import { readShelf } from "../test/shelf.js";
import { traceOf } from "./trace.js";

/** A key, as formulas write it and no reader should meet it. */
const KEY = /[a-z0-9]_[a-z0-9]/;

describe.each(readShelf())("$slug", ({ plan }) => {
  it("tells a reader no key: steps, rules, checks, doubts and pieces read as words", () => {
    for (const measurements of [sampleBody(plan), {}]) {
      const drafted = run(plan, measurements);
      const steps = traceOf(plan, drafted, { mark: "1mm" }).flatMap(({ text, why, watch, caution, sums, outcome }) => [
        ...[text, ...why, ...watch, ...caution, ...Object.values(outcome)],
        ...sums.flatMap((s) => [s.said, ...s.because, ...s.sums]),
      ]);
      const checks = drafted.checks.flatMap(({ name, cause }) => [name, cause ?? ""]);
      const pieces = drafted.pieces.flatMap((p) => [p.title, ...p.notes]);
      const doubts = drafted.warnings.map((w) => w.text);
      expect([...steps, ...checks, ...pieces, ...doubts].filter((text) => KEY.test(text))).toEqual([]);
    }
  });
});
