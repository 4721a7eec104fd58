import type { Amount, Line, Spot } from "../meaning.js";
import { saying } from "./rules.js";

// What the rules of amounts, places and lines say of each other: each is filled in where its name says.
export const AMOUNT = saying<Amount>("amount");
export const LINE = saying<Line>("line");
/** A point that is placed already. */
export const PLACED = saying<string>("point");
/** A place so far above or below a point. */
export const SPOT_BELOW = saying<Spot>("place below");
/** A place that a sentence speaks of. */
export const SPOT = saying<Spot>("place");
