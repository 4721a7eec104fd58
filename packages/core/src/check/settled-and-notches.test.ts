import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { walkSeam } from "../piece/walk.js";
import { loadSystem } from "../plan/load.js";
import { run, type Run } from "../run/run.js";
import { readShelf } from "../test/shelf.js";
import type { CheckResult } from "./result.js";

/** A front and a back of one height; `lines` stand under their seam. */
const top = (sides: string, lines = "", front = "", back = ""): string => `system "Try"
  garment block · unit cm
board A "A" · centre fold
A0 start
A1 out 20 from A0
A2 down 30 from A0
A3 down 30 from A1
A4 down 10 from A1
A5 down 12 from A1
piece Front "Front" on A · cut 1 on fold
  edge neck: A0 > A1${front}
  edge side: A1 > A3
  edge hem: A3 > A2 · hemmed
  edge centre: A2 > A0 · fold
${sides}
piece Back "Back" on A · cut 2 mirrored
  edge neck: A0 > A1${back}
  edge side: A1 > A3
  edge hem: A3 > A2 · hemmed
  edge centre_back: A2 > A0
sew Front.side with Back.side${lines}
sew Back.centre_back with Back.centre_back
`;

function drafted(text: string): Run {
  const { plan, problems } = loadSystem(text);
  expect(problems).toEqual([]);
  return run(plan, {});
}
const found = (r: Run, part: string): CheckResult | undefined => r.checks.find((c) => c.name.includes(part));

describe("every edge is sewn or finished", () => {
  it("an edge nobody speaks of is named; one that is faced, sewn, folded or hemmed is not", () => {
    const r = drafted(top("", "", "", " · faced"));
    expect(found(r, "Front: every edge")).toMatchObject({ status: "warn", got: 1, edges: ["Front.neck"] });
    expect(found(r, "Front: every edge")?.cause).toContain("neck");
    expect(found(r, "Back: every edge")).toMatchObject({ status: "pass", got: 0 });
  });

  it("a pair is sewn to its own mirror image, a single piece is not", () => {
    const lone = top("").replace("cut 2 mirrored", "cut 2");
    expect(loadSystem(lone).problems.map((p) => p.why)).toEqual(["Back.centre_back would be sewn to itself."]);
  });

  it("an edge that a facing was made along is sewn to it", () => {
    const text = `${top("", "", "", " · faced")}piece Front_facing from Front, strip 4 along neck\n`;
    expect(found(drafted(text), "Front: every edge")?.status).toBe("pass");
  });
});

describe("balance notches", () => {
  it("those of a seam stand on both its sides, over the mouth of a dart as well", () => {
    const r = drafted(top("", "\n  double notch after 9", " · faced", " · faced"));
    for (const key of ["Front", "Back"]) {
      const [notch] = r.pieces.find((p) => p.key === key)?.notches ?? [];
      expect(notch).toMatchObject({ ticks: 2 });
      expect(notch?.at.x).toBeCloseTo(200, 6);
      expect(notch?.at.y).toBeCloseTo(90, 6);
    }
    expect(found(r, "notches meet along the side")?.status).toBe("pass");
  });

  it("one that lies apart, stands alone or is single against double is told", () => {
    const at = (front: string, back: string): CheckResult | undefined => {
      const text = top("");
      const put = (s: string, piece: string, line: string): string =>
        line === "" ? s : s.replace(new RegExp(`(piece ${piece} [\\s\\S]*?edge centre(_back)?: .*\\n)`), `$1  ${line}\n`);
      return found(drafted(put(put(text, "Front", front), "Back", back)), "notches meet");
    };
    expect(at("notch at A4", "notch at A4")?.status).toBe("pass");
    // By hand: 12 cm against 10.
    expect(at("notch at A4", "notch at A5")).toMatchObject({ status: "warn", got: expect.closeTo(20, 6) as number });
    expect(at("notch at A4", "")?.cause).toContain("A4 has no partner");
    expect(at("notch at A4", "double notch at A4")?.cause).toContain("single notch meets a double");
    expect(at("", "")).toBeUndefined();
  });

  it("one beyond the end of its seam is left out with a word", () => {
    const r = drafted(top("", "\n  notch after 31", " · faced", " · faced"));
    expect(r.warnings.map((w) => w.text).join()).toContain("A notch of side lies beyond its end");
    expect(r.pieces.flatMap((p) => p.notches)).toEqual([]);
  });

  it("what belongs under a seam, and what under a piece, is told apart", () => {
    const why = (text: string): string[] => loadSystem(text).problems.map((p) => p.why);
    expect(why(top("  notch after 3"))).toEqual(["A notch after so much stands under the seam it is on."]);
    expect(why(top("", "\n  notch at A4"))).toEqual(["A notch of a seam is told by how far along it lies."]);
  });

  it("ease is shared out: wherever the notch stands, both sides are walked to it by the same share", () => {
    fc.assert(
      fc.property(fc.integer({ min: 5, max: 95 }), fc.integer({ min: 0, max: 30 }), (hundredths, mm) => {
        const [share, ease] = [hundredths / 100, mm / 10];
        const longer = top("")
          .replace("A3 down 30 from A1\n", `A3 down 30 from A1\nA9 down ${30 + ease} from A1\n`)
          .replace(
            "edge side: A1 > A3\n  edge hem: A3 > A2 · hemmed\n  edge centre: A2",
            "edge side: A1 > A9\n  edge hem: A9 > A2 · hemmed\n  edge centre: A2",
          )
          .replace(
            "sew Front.side with Back.side",
            `sew Front.side with Back.side, eased ${ease}\n  notch after ${((30 + ease) * share).toFixed(4)}`,
          );
        const r = drafted(longer);
        const walk = walkSeam(r.pieces, { first: ["Front.side"], second: ["Back.side"] }, [], mm);
        const [mark] = walk?.marks ?? [];
        expect((mark?.first ?? 0) / (walk?.first.length ?? 1)).toBeCloseTo((mark?.second ?? 0) / (walk?.second.length ?? 1), 4);
      }),
      { numRuns: 30 },
    );
  });
});

describe.each(readShelf())("$slug", ({ plan, examples: [{ measurements, settings }] }) => {
  const r = run(plan, measurements, settings);

  it("every edge of its pieces is sewn or finished, and its notches meet", () => {
    const asked = r.checks.filter((c) => c.id.startsWith("settled ") || c.id.startsWith("notches "));
    expect(asked.filter((c) => c.status !== "pass").map((c) => `${c.name}: ${c.cause ?? ""}`)).toEqual([]);
    expect(asked.length).toBeGreaterThan(0);
  });

  it("every long seam has balance notches", () => {
    // Common practice, no source: over a hand's length two edges drift apart; a shoulder is short and is not notched.
    const bare = plan.sews.flatMap((sew) => {
      const walk = walkSeam(r.pieces, sew, plan.sews);
      const long = walk && Math.min(walk.first.length, walk.second.length) > 200 && !sew.first.some((name) => name.endsWith(".shoulder"));
      return long && walk.marks.length < 2 ? [sew.first.join(" + ")] : [];
    });
    expect(bare).toEqual([]);
  });

  it("no neck dips below its centre", () => {
    // Half a millimetre is what a neck square to a slanting centre makes.
    const dips = r.pieces.flatMap((p) =>
      p.edges.flatMap((e, i) => {
        // The neck of a raglan sleeve lies over the shoulder: only what ends at the centre has a lowest place there.
        const beside = [p.edges[i - 1] ?? p.edges.at(-1), p.edges[i + 1] ?? p.edges[0]];
        if (!beside.some((b) => b?.finish === "fold" || b?.role.startsWith("centre"))) return [];
        const [a, b] = [e.places[0]?.y ?? 0, e.places.at(-1)?.y ?? 0];
        const dip = Math.max(...e.places.map((q) => q.y)) - Math.max(a, b);
        return e.role === "neck" && dip > 0.5 ? [`${e.name} ${dip.toFixed(1)} mm`] : [];
      }),
    );
    expect(dips).toEqual([]);
  });
});
