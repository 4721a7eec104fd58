import { close } from "./close.js";
import { draw } from "./draw.js";
import { extend } from "./extend.js";
import { foldOut } from "./fold-out.js";
import { join } from "./join.js";
import { redraw } from "./redraw.js";
import { runOn } from "./run-on.js";
import type { Shaping } from "./shaping.js";
import { smooth } from "./smooth.js";
import { split } from "./split.js";
import { spread } from "./spread.js";
import { trueEdges } from "./true-edges.js";
import { unfold } from "./unfold.js";

/** Every way of shaping pieces, by its word. */
export const SHAPINGS: ReadonlyMap<string, Shaping> = new Map(
  [close, spread, foldOut, split, join, smooth, unfold, extend, trueEdges, runOn, redraw, draw].map((shaping) => [shaping.word, shaping]),
);
