import { type Path, pathLength, type Point } from "@lodrin/core";
// The curves themselves are the core's in both: what is compared is the drafting round them.
import { hobby } from "../packages/core/src/geometry/curve/hobby.js";
import { polyline } from "../packages/core/src/geometry/path/path.js";

/** The long jacket's body and settings, mm and radians. */
export interface JacketBody {
  readonly acrossShoulder: number;
  readonly armholeDepth: number;
  readonly toBust: number;
  readonly toWaist: number;
  readonly toHip: number;
  readonly fullLength: number;
  readonly bustSpan: number;
  readonly bust: number;
  readonly waist: number;
  readonly hip: number;
}

const IN = 25.4;
const at = (x: number, y: number): Point => ({ x, y });
const mid = (a: Point, b: Point): Point => at((a.x + b.x) / 2, (a.y + b.y) / 2);
const far = (a: Point, b: Point): number => Math.hypot(b.x - a.x, b.y - a.y);
const off = (a: Point, b: Point, p: Point, mm: number): Point => {
  const l = far(a, b);
  return at(p.x + ((b.y - a.y) / l) * mm, p.y - ((b.x - a.x) / l) * mm);
};
const along = (a: Point, b: Point, p: Point, mm: number): Point => {
  const l = far(a, b);
  return at(p.x + ((b.x - a.x) / l) * mm, p.y + ((b.y - a.y) / l) * mm);
};

/** The construction of system 21 with its settings as they stand, as a programmer would write it: points, lines, curves and values. */
export function longJacketByHand(m: JacketBody): { points: Record<string, Point>; paths: Path[]; values: number[] } {
  const halfShoulder = m.acrossShoulder / 2;
  const dartPlace = m.bustSpan / 2 + 0.5 * IN;
  const hem = m.fullLength + 2 * IN;
  const [bustWidth, waistWidth, hipWidth] = [m.bust / 4 + 2 * IN, m.waist / 4 + 2 * IN, m.hip / 4 + 2 * IN];
  const B0 = at(0, 0);
  const B1 = at(halfShoulder, 0);
  const B2 = at(0, m.armholeDepth);
  const B3 = at(B1.x, B2.y);
  const B4 = at(3 * IN, 0);
  const B5 = at(B1.x, 0.5 * IN);
  const B6 = at(0, IN);
  const B7 = mid(B5, B3);
  const B8 = at(B7.x - 0.5 * IN, B7.y);
  const B9 = at(0, m.toWaist);
  const B10 = at(0, m.toHip);
  const B11 = at(0, hem);
  const B12 = at(0, m.toBust);
  const B13 = at(dartPlace, B12.y);
  const B14 = at(dartPlace, B9.y);
  const B15 = at(dartPlace, B10.y);
  const B16 = at(dartPlace, B11.y);
  const B17 = at(B14.x - 0.5 * IN, B14.y);
  const B18 = at(B14.x + 0.5 * IN, B14.y);
  const B19 = at(B13.x, B13.y - IN);
  const B20 = at(B15.x, B15.y - 2 * IN);
  const B21 = mid(B4, B5);
  const B22 = at(bustWidth, B2.y);
  const B23 = at(bustWidth, B12.y);
  const B24 = at(waistWidth, B9.y);
  const B25 = at(hipWidth, B10.y);
  const B26 = at(B25.x, B11.y);
  const B27 = at(0, B2.y + 0.5 * IN);
  const B28 = at(0.5 * IN, B9.y);
  const B29 = at(0, B10.y - 2 * IN);
  const shoulder = Math.atan2(B5.y - B4.y, B5.x - B4.x);
  const backNeck = hobby([
    { at: B4, heading: shoulder + Math.PI / 2 },
    { at: B6, heading: Math.PI },
  ]);
  const backArmhole = hobby([
    { at: B8, heading: Math.atan2(B8.y - B5.y, B8.x - B5.x) },
    { at: B22, heading: 0 },
  ]);
  const armholeEdge: Path = { segments: [...polyline([B5, B8]).segments, ...backArmhole.segments] };
  const neckLength = pathLength(backNeck);
  const F0 = at(0, 0);
  const F1 = at(-4 * IN, 0);
  const F2 = at(0, -6 * IN);
  const [F3, F4, F5, F6, F7] = [B2, B12, B9, B10, B11];
  const [F8, F9, F10, F11, F12, F13, F14] = [B5, B8, B22, B23, B24, B25, B26];
  const F15 = at(0, F5.y);
  const F16 = at(-1.5 * IN, F15.y);
  const F17 = at(-1.5 * IN, F7.y);
  const F18 = at(3 * IN, 0);
  const F19 = at(0, 3 * IN);
  const F20 = at(F18.x, F19.y);
  const F21 = at(-3.5 * IN, F19.y);
  const F22 = mid(F21, F16);
  const F23 = off(F21, F16, F22, 0);
  const F24 = along(F16, F18, F18, neckLength);
  const F25 = at(-IN, F19.y);
  const turn = ((-180 + 60) * Math.PI) / 180;
  const F26 = at(F25.x + Math.cos(turn) * 2 * IN, F25.y + Math.sin(turn) * 2 * IN);
  const F27 = off(F16, F18, F24, -0.5 * IN);
  const F28 = along(F18, F27, F18, neckLength);
  const F29 = off(F18, F28, F28, 3.5 * IN);
  const F30 = mid(F18, F8);
  const F31 = at(dartPlace, F4.y);
  const F32 = at(F31.x, F31.y + IN);
  const F33 = at(F31.x, F5.y);
  const F34 = at(F33.x - 0.5 * IN, F33.y);
  const F35 = at(F33.x + 0.5 * IN, F33.y);
  const F36 = at(F31.x, F6.y);
  const F37 = at(F36.x, F36.y - 2 * IN);
  const F38 = at(F31.x, F7.y);
  const frontNeck = hobby([
    { at: F18, heading: Math.PI / 2 },
    { at: F19, heading: Math.PI },
  ]);
  const lapelEdge = hobby([{ at: F21 }, { at: F23 }, { at: F16 }]);
  const back = Math.atan2(F28.y - F29.y, F28.x - F29.x);
  const square = back + Math.PI / 2;
  const ahead = Math.cos(square) * (F26.x - F29.x) + Math.sin(square) * (F26.y - F29.y) >= 0 ? square : square + Math.PI;
  const collarOuter = hobby([{ at: F29, heading: ahead }, { at: F26 }]);
  const dartAtBust = IN * (IN / (m.toWaist - B19.y));
  const inAtBust = B28.x * (Math.max(0, m.toBust - B27.y) / (m.toWaist - B27.y));
  return {
    points: {
      B0, B1, B2, B3, B4, B5, B6, B7, B8, B9, B10, B11, B12, B13, B14, B15, B16, B17, B18, B19, B20, B21, B22, B23, B24, B25, B26, B27, B28, B29,
      F0, F1, F2, F3, F4, F5, F6, F7, F8, F9, F10, F11, F12, F13, F14, F15, F16, F17, F18, F19, F20, F21, F22, F23, F24, F25, F26, F27, F28, F29,
      F30, F31, F32, F33, F34, F35, F36, F37, F38,
    }, // prettier-ignore
    paths: [
      backNeck, backArmhole, armholeEdge, frontNeck, lapelEdge, collarOuter,
      polyline([B22, B23, B24, B25, B26]), polyline([B21, B19, B17, B20, B16]), polyline([B21, B19, B18, B20, B16]), polyline([B6, B27, B28, B29, B11]),
      polyline([B2, B22]), polyline([B12, B23]), polyline([B9, B24]), polyline([B10, B25]),
      backArmhole, armholeEdge, polyline([F10, F11, F12, F13, F14]), polyline([F30, F32, F34, F37, F38]), polyline([F30, F32, F35, F37, F38]),
      polyline([F16, F18, F24]), polyline([F21, F25, F26]), polyline([F19, F25]), polyline([F4, F11]), polyline([F5, F12]), polyline([F6, F13]),
    ], // prettier-ignore
    values: [
      halfShoulder, dartPlace, hem, bustWidth, waistWidth, hipWidth, m.armholeDepth - 0.5 * IN, neckLength, far(B4, B5), dartAtBust, inAtBust,
      4 * B23.x - 4 * 0.5 * IN - 2 * (dartAtBust + inAtBust), 4 * waistWidth - 2 * IN - 4 * IN - 2 * B28.x, 4 * hipWidth - 2 * IN, far(F16, F18),
    ], // prettier-ignore
  };
}
