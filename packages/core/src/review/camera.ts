import { type Homography, throughHomography } from "../geometry/homography.js";
import type { Point } from "../geometry/point.js";

/** How the simulated camera stands over a paper: its tilts and its turn in radians, the size of its picture in pixels. */
export interface CameraStand {
  readonly pitch: number;
  readonly yaw: number;
  readonly roll: number;
  readonly width: number;
  readonly height: number;
}

/** What of the picture the paper fills. */
const FILLS = 0.8;
/** How far off the camera stands, in paper sizes: nearer tilts more. */
const DISTANCE = 1.6;

/** A pinhole camera over a paper that spans `min` to `max` (mm): the perspective from the paper to its picture. */
export function cameraOver(min: Point, max: Point, { pitch, yaw, roll, width, height }: CameraStand): Homography {
  const size = Math.max(max.x - min.x, max.y - min.y);
  const [cx, cy] = [(min.x + max.x) / 2, (min.y + max.y) / 2];
  const [sp, cp, sy, cyw, sr, cr] = [Math.sin(pitch), Math.cos(pitch), Math.sin(yaw), Math.cos(yaw), Math.sin(roll), Math.cos(roll)];
  // The paper turned about its middle: its two axes as the camera sees them, then seen from DISTANCE sizes away.
  const ex: Triple = [cyw * cr + sy * sp * sr, cp * sr, -sy * cr + cyw * sp * sr];
  const ey: Triple = [-cyw * sr + sy * sp * cr, cp * cr, sy * sr + cyw * sp * cr];
  const away = DISTANCE * size;
  const focal = FILLS * Math.min(width, height) * DISTANCE;
  const column = (v: Triple): Triple => [focal * v[0] + (width / 2) * v[2], focal * v[1] + (height / 2) * v[2], v[2]];
  const a = column(ex);
  const b = column(ey);
  const t: Triple = [(width / 2) * away, (height / 2) * away, away];
  const c = t.map((n, i) => n - cx * (a[i] as number) - cy * (b[i] as number)) as unknown as Triple;
  return [a[0], b[0], c[0], a[1], b[1], c[1], a[2], b[2], c[2]].map((n) => n / c[2]) as unknown as Homography;
}

type Triple = readonly [number, number, number];

/** A line as the camera sees it: its places in the picture. */
export const seenLine = (camera: Homography, line: readonly Point[]): Point[] => line.map((p) => throughHomography(camera, p));
