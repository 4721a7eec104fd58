import type { Plan } from "../../plan/plan.js";
import type { Run } from "../../run/run.js";
import { layBoards } from "../boards.js";

/** The sheet a board is drafted on, mm. */
export interface SheetNeeded {
  readonly board: string;
  readonly width: number;
  readonly height: number;
}

/** Room left round a draft for the hand, for allowances and for slips (mm; common practice, no source). */
const MARGIN_MM = 60;

/** The sheets a draft needs, one a board, with margins. */
export function sheetsFor(plan: Plan, run: Run): SheetNeeded[] {
  return [...layBoards(plan, run).values()].map(({ title, bounds }) => ({
    board: title,
    width: bounds.maxX - bounds.minX + 2 * MARGIN_MM,
    height: bounds.maxY - bounds.minY + 2 * MARGIN_MM,
  }));
}

/** Which verbs want which tool in the hand. */
const TOOLS: readonly { readonly tool: string; readonly verbs: readonly string[] }[] = [
  { tool: "set square", verbs: ["down", "up", "out", "in", "across", "square", "off"] },
  { tool: "compasses, or a pin and string", verbs: ["swing"] },
  { tool: "protractor", verbs: ["at", "turn"] },
  { tool: "tracing wheel", verbs: ["trace", "copy", "mirror"] },
];

/** What a hand wants beside it for this draft: pencil, rule and tape always, the rest as its steps ask (common practice, no source). */
export function toolsFor(plan: Plan, run: Run): string[] {
  const drawn = plan.steps.filter((_, i) => run.outcomes[i]?.status === "drawn");
  const verbs = new Set(drawn.flatMap(({ source }) => (source.is === "point" ? [source.verb] : [])));
  const curved = drawn.some(({ makes, target }) => makes === "path" && run.board.paths[target]?.segments.some((s) => !s.straight));
  return [
    "sharp pencil and eraser",
    "long rule",
    "tape measure",
    ...TOOLS.filter((t) => t.verbs.some((verb) => verbs.has(verb))).map((t) => t.tool),
    ...(curved ? ["French curve, or a flexible one"] : []),
    ...(run.pieces.length > 0 ? ["paper shears"] : []),
  ];
}
