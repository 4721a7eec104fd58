import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cameraOver } from "../review/camera.js";
import { EXACT, SPREAD } from "../test/perspective-cases.js";
import { homographyOf, inverseOf, throughHomography, toPaper } from "./homography.js";
import type { Point } from "./point.js";

/**
 * The perspective of the unit square onto four corners in closed form: Heckbert, “Fundamentals of Texture Mapping and
 * Image Warping”, 1989, section 2.2.3 (from memory). `u` and `v` run along the square, corners in order round it.
 */
function squareTo([p0, p1, p2, p3]: readonly [Point, Point, Point, Point], u: number, v: number): Point {
  const [dx1, dx2, dx3] = [p1.x - p2.x, p3.x - p2.x, p0.x - p1.x + p2.x - p3.x];
  const [dy1, dy2, dy3] = [p1.y - p2.y, p3.y - p2.y, p0.y - p1.y + p2.y - p3.y];
  const under = dx1 * dy2 - dx2 * dy1;
  const g = (dx3 * dy2 - dx2 * dy3) / under;
  const h = (dx1 * dy3 - dx3 * dy1) / under;
  const [a, b] = [p1.x - p0.x + g * p1.x, p3.x - p0.x + h * p3.x];
  const [d, e] = [p1.y - p0.y + g * p1.y, p3.y - p0.y + h * p3.y];
  const w = g * u + h * v + 1;
  return { x: (a * u + b * v + p0.x) / w, y: (d * u + e * v + p0.y) / w };
}

const SQUARE: readonly [Point, Point, Point, Point] = [
  { x: 0, y: 0 },
  { x: 1, y: 0 },
  { x: 1, y: 1 },
  { x: 0, y: 1 },
];
const QUADS: readonly (readonly [Point, Point, Point, Point])[] = [
  [
    { x: 120, y: 80 },
    { x: 910, y: 140 },
    { x: 870, y: 650 },
    { x: 60, y: 590 },
  ],
  [
    { x: 300, y: 100 },
    { x: 700, y: 100 },
    { x: 980, y: 700 },
    { x: 20, y: 700 },
  ],
  [
    { x: 5, y: 7 },
    { x: 400, y: 30 },
    { x: 640, y: 470 },
    { x: 90, y: 300 },
  ],
];

const PLACES: readonly Point[] = [
  { x: 100, y: 100 },
  { x: 250, y: 333 },
  { x: 400, y: 60 },
  { x: 300, y: 600 },
];
const seenOf = ({ paper, picture }: (typeof EXACT)[number]): Parameters<typeof homographyOf>[0] =>
  paper.map((p, i) => ({ paper: p, picture: picture[i] as Point }));
const apart = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y);

describe("a perspective beside OpenCV's and scikit-image's", () => {
  it.each(EXACT.map((c) => [c.name, c] as const))("through four places: %s", (_, one) => {
    const found = homographyOf(seenOf(one));
    for (const place of PLACES)
      for (const theirs of [one.opencv, one.skimage])
        expect(apart(throughHomography(found?.toPicture ?? theirs, place), throughHomography(theirs, place))).toBeLessThan(1e-4);
    expect(found).toBeDefined();
  });

  it.each(SPREAD.map((c) => [c.name, c] as const))("by least squares: %s", (_, one) => {
    const found = homographyOf(seenOf(one));
    expect(found).toBeDefined();
    for (const place of PLACES) {
      const [ours, opencv, skimage] = [found?.toPicture ?? one.opencv, one.opencv, one.skimage].map((h) => throughHomography(h, place)) as [
        Point,
        Point,
        Point,
      ];
      // Theirs lie up to half a pixel from each other; ours lies no farther from the nearer one than they from each other, or a tenth of a pixel.
      expect(Math.min(apart(ours, opencv), apart(ours, skimage))).toBeLessThan(Math.max(0.1, apart(opencv, skimage)));
    }
  });
});

describe("a perspective through four places", () => {
  it.each(QUADS.map((quad) => [quad]))("is the one of the closed form: %j", (quad) => {
    const found = homographyOf(SQUARE.map((paper, i) => ({ paper, picture: quad[i] as Point })));
    for (const u of [0, 0.2, 0.5, 0.9])
      for (const v of [0.1, 0.5, 1]) {
        const at = found && throughHomography(found.toPicture, { x: u, y: v });
        const wanted = squareTo(quad, u, v);
        expect(Math.hypot((at?.x ?? Number.NaN) - wanted.x, (at?.y ?? Number.NaN) - wanted.y)).toBeLessThan(1e-6);
      }
  });

  it("is none through fewer than four, or with three of four in one line", () => {
    expect(homographyOf(SQUARE.slice(1).map((p) => ({ paper: p, picture: p })))).toBeUndefined();
    const bent = [SQUARE[0], SQUARE[1], { x: 2, y: 0 }, SQUARE[3]] as const;
    expect(homographyOf(bent.map((paper, i) => ({ paper, picture: QUADS[0]?.[i] as Point })))).toBeUndefined();
  });

  it("forth and back is where it began", () => {
    fc.assert(
      fc.property(fc.double({ min: -300, max: 900, noNaN: true }), fc.double({ min: -300, max: 900, noNaN: true }), (x, y) => {
        const camera = cameraOver({ x: 0, y: 0 }, { x: 600, y: 800 }, { pitch: 0.3, yaw: -0.2, roll: 0.1, width: 1600, height: 1200 });
        const back = inverseOf(camera);
        const there = back && throughHomography(back, throughHomography(camera, { x, y }));
        expect(Math.hypot((there?.x ?? 0) - x, (there?.y ?? 0) - y)).toBeLessThan(1e-6);
      }),
    );
  });
});

describe("against the simulated camera", () => {
  const corners = [0, 600].flatMap((x) => [0, 800].map((y) => ({ x, y })));
  const others = [120, 300, 510].flatMap((x) => [90, 400, 760].map((y) => ({ x, y })));

  it("places are found within half a millimetre without grain, whichever way it is tilted", () => {
    fc.assert(
      fc.property(tilt(), tilt(), tilt(), (pitch, yaw, roll) => {
        const camera = cameraOver({ x: 0, y: 0 }, { x: 600, y: 800 }, { pitch, yaw, roll, width: 1600, height: 1200 });
        const found = homographyOf(corners.map((paper) => ({ paper, picture: throughHomography(camera, paper) })));
        for (const p of others) {
          const at = found && toPaper(found, throughHomography(camera, p));
          expect(Math.hypot((at?.x ?? Number.NaN) - p.x, (at?.y ?? Number.NaN) - p.y)).toBeLessThan(0.5);
        }
      }),
    );
  });

  it("more places than four share out what each is off, and what is left over is told in mm", () => {
    const camera = cameraOver({ x: 0, y: 0 }, { x: 600, y: 800 }, { pitch: 0.35, yaw: 0.15, roll: 0.05, width: 1600, height: 1200 });
    const shaken = (p: Point, i: number): Point => ({ x: p.x + (i % 2 === 0 ? 1 : -1), y: p.y + (i % 3 === 0 ? 1 : -1) });
    const seen = [...corners, ...others].map((paper, i) => ({ paper, picture: shaken(throughHomography(camera, paper), i) }));
    const found = homographyOf(seen);
    // A pixel is about 600 / 720 mm here.
    expect(Math.max(...(found?.left ?? []))).toBeGreaterThan(0.3);
    expect(Math.max(...(found?.left ?? []))).toBeLessThan(4);
    const middle = found && toPaper(found, throughHomography(camera, { x: 300, y: 400 }));
    expect(Math.hypot((middle?.x ?? 0) - 300, (middle?.y ?? 0) - 400)).toBeLessThan(1);
  });
});

function tilt(): fc.Arbitrary<number> {
  return fc.double({ min: -0.4, max: 0.4, noNaN: true });
}
