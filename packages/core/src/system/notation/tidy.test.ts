import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { loadSystem } from "../../plan/load.js";
import { run } from "../../run/run.js";
import { sampleBody } from "../../run/sample.js";
import { NOTATIONS, readShelf } from "../../test/shelf.js";
import { tidyNotation } from "./tidy.js";

const shelf = readShelf();

describe.each(shelf)("tidy $slug", ({ source, plan }) => {
  const tidy = tidyNotation(source) ?? "";

  it("keeps what it means: the same points on the same body", () => {
    const again = loadSystem(tidy, NOTATIONS).plan;
    const body = sampleBody(plan);
    expect(run(again, body).environment.points).toEqual(run(plan, body).environment.points);
  });

  it("changes nothing that is tidy already", () => expect(tidyNotation(tidy)).toBe(tidy));
});

describe("a text that was typed anyhow", () => {
  const { source } = shelf.find(({ slug }) => slug.startsWith("08")) as (typeof shelf)[number];
  const lines = source.split("\n");

  it("loses no comment, and is left as it is while a line cannot be read", () => {
    const places = fc.array(fc.tuple(fc.nat(lines.length), fc.constantFrom("# so", "  # and so", "   # so too", "")), {
      maxLength: 6,
    });
    fc.assert(
      fc.property(places, (put) => {
        const typed = [...lines];
        put.forEach(([at, text], n) => typed.splice(Math.min(at, typed.length), 0, text === "" ? "" : `${text} ${n}`));
        const tidy = tidyNotation(typed.join("\n"));
        return put.every(([, text], n) => text === "" || tidy?.includes(`${text.trim()} ${n}`));
      }),
      { numRuns: 60 },
    );
    expect(tidyNotation(`tracing paper goes here\n${source}`)).toBeUndefined();
  });

  it("is laid out alike however its blanks and lines stand", () => {
    const loose = source
      .replace(/\n/g, "\n\n")
      .replace(/ +$/gm, "")
      .replace(/^board /gm, "board   ");
    expect(tidyNotation(loose)).toBe(tidyNotation(source));
  });
});
