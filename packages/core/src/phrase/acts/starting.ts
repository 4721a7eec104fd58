import { NAME } from "../grammar/names.js";
import { on, p, saying } from "../grammar/rules.js";
import type { Sheet } from "../sheet/sheet.js";
import { NOT_SO } from "../sheet/unclear.js";
import { act, type Act } from "../clause.js";

/** Where on the paper it lies, in whatever words: no figure is among them. */
const ANYTHING = saying<true>("where it starts").said({
  starts: ({ tokens }, at) =>
    tokens.length > at && tokens.slice(at).every(({ kind }) => kind === "word" || kind === "mark")
      ? [{ value: true, to: tokens.length, cost: 0 }]
      : [],
});

/** The first point of a board: it lies where the paper begins. */
const START = saying<Act>("start").said(
  on(
    p`(start|begin|starting|beginning) (drawing|drafting|with|at|from|by marking)? (a)? (point|mark|corner)? ${NAME} ((in|at|near|on) (top|upper)? (left|right)? (-)? (hand)? (corner|edge|top|of paper)?)? (of paper|of sheet|of your paper)?`,
    ([name]) => started(name),
  ),
  on(p`(mark|make|put|place) (a)? (starting|first|start) (point|mark) ${NAME}`, ([name]) => started(name)),
  on(p`${NAME} (:|=|.)? (start|begin) ${ANYTHING}`, ([name]) => started(name), 0.3),
  on(p`${NAME} (is|:|=|.)? (start|begin|starting point|beginning|start point|start here|begin here|first point)`, ([name]) =>
    started(name),
  ),
  on(
    p`(mark|put|place) (a)? (point|mark)? ${NAME} (in|at|near|on) (top|upper|left|right|corner|paper)? (left|right)? (-)? (hand)? (corner|edge)? (of paper|of sheet)?`,
    ([name]) => started(name),
  ),
);
/** Start without a name: the first point of a board has the next number. */
const BEGIN = saying<Act>("start without a name").said(
  on(p`(start|begin) ${ANYTHING}`, () => act("start", (_, sheet) => begun(sheet)), 0.5),
  on(p`(start|begin)`, () => act("start", (_, sheet) => begun(sheet)), 0.5),
);
function begun(sheet: Sheet): Sheet {
  const first = ![...sheet.ground.points.values()].some((point) => point.board === sheet.board);
  if (!first || !sheet.empty) throw NOT_SO;
  return sheet.place("start", sheet.board);
}
function started(name: string | undefined): Act | undefined {
  if (name === undefined) return undefined;
  return act(`start ${name}`, (bag, sheet) => {
    if (!bag.holds({ act: 1 })) throw NOT_SO;
    const first = ![...sheet.ground.points.values()].some((point) => point.board === sheet.board);
    if (!first) throw NOT_SO;
    return sheet.place("start", sheet.board, name);
  });
}

export const STARTING = [START, BEGIN];
