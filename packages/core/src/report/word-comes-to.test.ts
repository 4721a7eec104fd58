import { describe, expect, it } from "vitest";
import { run } from "../run/run.js";
import { sampleBody } from "../run/sample.js";
import { readShelf } from "../test/shelf.js";
import { wordComesTo } from "./word-comes-to.js";

const shelf = readShelf();

describe("a setting that stands on a word", () => {
  it("says what the word comes to on this body: half the bust span", () => {
    const { plan } = shelf.find(({ slug }) => slug.startsWith("01")) as (typeof shelf)[number];
    const body = { ...sampleBody(plan), bust_span: "7 1/2" };
    expect(wordComesTo(plan, run(plan, body), "dart_distance", "auto")).toBeCloseTo(3.75 * 25.4, 9);
    expect(wordComesTo(plan, run(plan, {}), "dart_distance", "auto")).toBeUndefined();
    expect(wordComesTo(plan, run(plan, body), "dart_distance", "never")).toBeUndefined();
  });

  const words = shelf.flatMap(({ slug, plan }) =>
    plan.settings.flatMap((s) => s.words.slice(1).map((word) => ({ slug, plan, key: s.key, word }))),
  );
  it.each(words)("$slug: $key at $word comes to the figure that gives the same draft", ({ plan, key, word }) => {
    const body = sampleBody(plan);
    const drafted = run(plan, body, { [key]: word });
    const mm = wordComesTo(plan, drafted, key, word);
    if (mm === undefined) return expect(plan.settings.find((s) => s.key === key)?.words).toContain(word);
    const same = run(plan, body, { [key]: `${mm} mm` });
    const places = (r: typeof drafted): unknown => r.environment.points.map((p) => p && [p.x.toFixed(3), p.y.toFixed(3)]);
    expect(places(same)).toEqual(places(drafted));
  });
});
