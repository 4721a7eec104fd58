import { type Library, type LineToMend, loadSystem, readLines } from "@lodrin/core";
import { serve } from "../../../workers/serve.js";

/** What the page asks: a text with lines that are no notation, and what it builds on. */
export interface MendQuestion {
  readonly notation: string;
  readonly bases: Library;
}
/** What was read since the part before. */
export type MendAnswer = readonly LineToMend[];

/** So many lines are shown at once. */
const TOGETHER = 10;

// Each sentence is drafted on three bodies before it is offered: done here, the page goes on drawing.
serve<MendQuestion, MendAnswer>(({ notation, bases }, give) => {
  let part: LineToMend[] = [];
  for (const line of readLines(loadSystem(notation, bases), bases)) {
    part.push(line);
    if (part.length < TOGETHER) continue;
    give(part);
    part = [];
  }
  if (part.length > 0) give(part);
});
