import { type Library, type LineToMend, linesToMend, loadSystem } from "@lodrin/core";
import { serve } from "../../../workers/serve.js";

/** What the page asks: a text with lines that are no notation, and what it builds on. */
export interface MendQuestion {
  readonly notation: string;
  readonly bases: Library;
}
export type MendAnswer = readonly LineToMend[];

// Each sentence is drafted on three bodies before it is offered: done here, the page goes on drawing.
serve<MendQuestion, MendAnswer>(({ notation, bases }, give) => give(linesToMend(loadSystem(notation, bases), bases)));
