import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { nearestOnPath } from "../geometry/path/nearest-on-path.js";
import { endOf, headingAtEnd, headingAtStart, pathLength, startOf } from "../geometry/path/path.js";
import { distance, type Point, turnOf } from "../geometry/point.js";
import type { PieceEdge, PieceResult } from "../piece/piece.js";
import { walkedTo, walkSeam } from "../piece/walk.js";
import { loadSystem } from "../plan/load.js";
import { run, type Run } from "../run/run.js";

/** A front and a back whose shoulders slope differently at the armhole; `dart` puts a dart into the front's shoulder. */
const tops = (front: Point, back: Point, dart = false): string => `system "Two shoulders"
  garment block · unit cm
board A "Front" · centre fold
A0 start
A1 out 6 from A0
A2 start at ${front.x} across ${front.y} down
A3 start at 24 across 20 down
A4 down 20 from A0
A5 midway A1 to A2
A6 start at 12 across 12 down
curve front_armhole: A2 > A3, leaving plumb, arriving level
dart pleat "Pleat": at A5, intake 1 to A6, pressed in
board B "Back" · centre fold
B0 start
B1 out 6 from B0
B2 start at ${back.x} across ${back.y} down
B3 start at 24 across 20 down
B4 down 20 from B0
curve back_armhole: B2 > B3, leaving plumb, arriving level
piece Front "Front" on A · cut 1 on fold
  edge neck: A0 > A1 · allow 1
  edge shoulder: ${dart ? "A1 > pleat > A2" : "A1 > A2"} · allow 1
  edge armhole: front_armhole · allow 1
  edge hem: A3 > A4 · allow 1
  edge centre: A4 > A0 · fold
  grain along A0-A4
piece Back "Back" on B · cut 1 on fold
  edge neck: B0 > B1 · allow 1
  edge shoulder: B1 > B2 · allow 1
  edge armhole: back_armhole · allow 1
  edge hem: B3 > B4 · allow 1
  edge centre: B4 > B0 · fold
  grain along B0-B4
sew Front.shoulder with Back.shoulder within 10
`;
const RUN = "shape run Front.armhole into Back.armhole over Front.shoulder and Back.shoulder, 4 before, 3 after\n";

function drafted(text: string): Run {
  const loaded = loadSystem(text);
  expect(loaded.problems).toEqual([]);
  return run(loaded.plan, {});
}

const edgeOf = (r: Run, name: string): PieceEdge => r.pieces.flatMap((p) => p.edges).find((e) => e.name === name) as PieceEdge;
const failures = (r: Run): string[] => r.shapings.flatMap(({ outcome }) => (outcome.status === "failed" ? [outcome.why] : []));

/** Where the two armholes meet when the shoulders are walked to their ends, and the corner between them: the walk lays the pieces by itself. */
function meeting(pieces: readonly PieceResult[]): { gap: number; corner: number } {
  const seam = { first: ["Front.shoulder"], second: ["Back.shoulder"] };
  const walk = walkSeam(pieces, seam, [seam]);
  if (!walk) throw new Error("no seam");
  const { lay } = walkedTo(walk, walk.first.length);
  const [front, back] = ["Front.armhole", "Back.armhole"].map((name) => pieces.flatMap((p) => p.edges).find((e) => e.name === name)) as [
    PieceEdge,
    PieceEdge,
  ];
  const laid = lay(startOf(back.path));
  const ahead = lay({ x: startOf(back.path).x + headingAtStart(back.path).x, y: startOf(back.path).y + headingAtStart(back.path).y });
  const out = headingAtStart(front.path);
  return {
    gap: distance(startOf(front.path), laid),
    corner: Math.abs(turnOf({ x: -out.x, y: -out.y }, { x: ahead.x - laid.x, y: ahead.y - laid.y })),
  };
}

const place = fc.record({ x: fc.double({ min: 17, max: 21, noNaN: true }), y: fc.double({ min: 1, max: 5, noNaN: true }) });

describe("an edge run on over a seam", () => {
  it("has no corner there when the pieces are laid seam on seam, whatever the two were", () => {
    fc.assert(
      fc.property(place, fc.double({ min: 1, max: 5, noNaN: true }), (front, y) => {
        // The back's tip lies as far from the neck point as the front's, at another slope: the seam is as long on both.
        const length = Math.hypot(front.x - 6, front.y);
        const back = { x: 6 + Math.sqrt(length * length - y * y), y };
        const [before, after] = [drafted(tops(front, back)), drafted(tops(front, back) + RUN)];
        expect(failures(after)).toEqual([]);
        const { gap, corner } = meeting(after.pieces);
        expect(gap).toBeLessThan(0.01);
        expect(corner).toBeLessThan(0.01);
        // What is cut off one seam is cut off the other.
        const lost = (name: string): number => edgeOf(before, name).length - edgeOf(after, name).length;
        expect(lost("Front.shoulder")).toBeCloseTo(lost("Back.shoulder"), 3);
        expect(after.pieces.every((p) => p.gap.mm < 1e-6)).toBe(true);
      }),
      { numRuns: 60 },
    );
  });

  it("leaves the edge as it was further off than asked", () => {
    const [before, after] = [drafted(tops({ x: 19, y: 4 }, { x: 18.5, y: 2 })), drafted(tops({ x: 19, y: 4 }, { x: 18.5, y: 2 }) + RUN)];
    const [old, now] = [edgeOf(before, "Front.armhole"), edgeOf(after, "Front.armhole")];
    expect(distance(endOf(old.path), endOf(now.path))).toBeLessThan(1e-9);
    expect(turnOf(headingAtEnd(old.path), headingAtEnd(now.path))).toBeCloseTo(0, 9);
    const far = old.places.filter((p) => distance(p, startOf(old.path)) > 45);
    expect(far.length).toBeGreaterThan(3);
    for (const p of far) expect(nearestOnPath(now.path, p).off).toBeLessThan(1e-3);
  });

  it("a seam with a dart in it is cut off by as much as it is sewn shorter", () => {
    const text = tops({ x: 19, y: 4 }, { x: 18.5, y: 2 }, true);
    const [before, after] = [drafted(text), drafted(text + RUN)];
    expect(failures(after)).toEqual([]);
    const lost = (name: string): number => edgeOf(before, name).length - edgeOf(after, name).length;
    expect(lost("Front.shoulder")).toBeCloseTo(lost("Back.shoulder"), 1);
    const edge = edgeOf(after, "Front.shoulder");
    expect(pathLength(edge.path)).toBeGreaterThan(edge.length + 5);
  });

  it("says what cannot be: too long a stretch, edges that do not meet the seam", () => {
    const text = tops({ x: 19, y: 4 }, { x: 18.5, y: 2 });
    const why = (line: string): string | undefined => failures(drafted(`${text}${line}\n`))[0];
    expect(why(RUN.trim().replace("4 before", "60 before"))).toContain("Front.armhole is shorter");
    expect(why("shape run Front.hem into Back.armhole over Front.shoulder and Back.shoulder, 4 before, 3 after")).toContain(
      "Front.hem does not end at Front.shoulder",
    );
    expect(why("shape run Front.armhole into Back.armhole over Back.shoulder and Back.shoulder, 4 before, 3 after")).toContain(
      "not on the piece",
    );
    expect(why(RUN.trim().replace("4 before", "-1 before"))).toContain("lengths above nothing");
  });
});
