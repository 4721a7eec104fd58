import { type Given, type Library, loadSystem, type LoadedSystem, type RangeBody } from "@lodrin/core";
import { type NestedRow, nestedRow } from "./range-rows.js";

/** What the page asks: a text, the bodies to run it on, and the point their drafts are laid on each other by. */
export interface RangeQuestion {
  readonly id: number;
  readonly notation: string;
  readonly library: Library;
  readonly bodies: readonly RangeBody[];
  readonly settings: Given;
  readonly anchor: string | undefined;
}

export interface RangeAnswer {
  readonly id: number;
  readonly rows: readonly NestedRow[];
  readonly ms: number;
}

let before: LoadedSystem | undefined;
let library: Library = {};
// Twenty drafts take longer than a picture may: done here, the page goes on drawing.
self.addEventListener("message", ({ data }: MessageEvent<RangeQuestion>) => {
  const began = performance.now();
  const same = JSON.stringify(Object.keys(data.library)) === JSON.stringify(Object.keys(library));
  if (!same) library = data.library;
  before = loadSystem(data.notation, library, same ? before : undefined);
  const { plan } = before;
  const rows = data.bodies.map((body) => nestedRow(plan, body, data.settings, data.anchor));
  self.postMessage({ id: data.id, rows, ms: performance.now() - began } satisfies RangeAnswer);
});
