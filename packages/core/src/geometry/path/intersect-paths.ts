import { type Bounds, boundsOf } from "../bounds.js";
import { flatten } from "./flatten.js";
import type { Path } from "./path.js";
import { distance, type Point } from "../point.js";
import { intersectSegments } from "../ring/ring.js";

/** Stretches that touch at their ends count as meeting. */
const TOUCH = 1e-9;

const FINE_MM = 0.002;

/** Stretches are looked at in blocks, so that most of a long curve is passed over by the box round it. */
const BLOCK = 24;

interface Block {
  readonly places: readonly Point[];
  readonly box: Bounds;
}

/** A path is often crossed with several others: its blocks are kept while it lives. */
const kept = new WeakMap<Path, readonly Block[]>();

function finely(path: Path): readonly Block[] {
  const known = kept.get(path);
  if (known) return known;
  const blocks = blocksOf(flatten(path, FINE_MM));
  kept.set(path, blocks);
  return blocks;
}

/** Places where two paths meet, in the order of travel of the first; good to a few thousandths of a millimetre. */
export function intersectPaths(first: Path, second: Path): Point[] {
  const others = finely(second);
  const found: Point[] = [];
  for (const block of finely(first)) {
    const near = others.filter((other) => overlap(block.box, other.box));
    if (near.length > 0) meetBlock(block.places, near, found);
  }
  return found;
}

function meetBlock(places: readonly Point[], near: readonly Block[], found: Point[]): void {
  for (let i = 1; i < places.length; i++) {
    for (const { places: others } of near) {
      for (let j = 1; j < others.length; j++) {
        const at = intersectSegments(places[i - 1] as Point, places[i] as Point, others[j - 1] as Point, others[j] as Point, TOUCH);
        if (at && !found.some((p) => distance(p, at) < 0.01)) found.push(at);
      }
    }
  }
}

/** Runs of stretches, each beginning where the one before it ends. */
function blocksOf(places: readonly Point[]): Block[] {
  const blocks: Block[] = [];
  for (let from = 0; from < places.length - 1; from += BLOCK) {
    const run = places.slice(from, from + BLOCK + 1);
    const box = boundsOf(run);
    if (box) blocks.push({ places: run, box });
  }
  return blocks;
}

/** True when two boxes share a place, their borders and what a touch allows included. */
function overlap(a: Bounds, b: Bounds): boolean {
  const slack = 1e-6;
  return a.minX <= b.maxX + slack && b.minX <= a.maxX + slack && a.minY <= b.maxY + slack && b.minY <= a.maxY + slack;
}
