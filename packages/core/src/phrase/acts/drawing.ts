import { listOf } from "../chart/pattern.js";
import { LINE, SPOT } from "../grammar/main-rules.js";
import { on, p, saying } from "../grammar/rules.js";
import type { Line, Manner, Spot } from "../meaning.js";
import { type Sheet } from "../sheet/sheet.js";
import { keyOf } from "../../formula/key-of.js";
import { NOT_SO, ask } from "../sheet/unclear.js";
import { act, type Act } from "../clause.js";
import { keyFrom } from "./said.js";
import { CALLED_LINE } from "./called-line.js";
import { KINDS, MANNER } from "./manner.js";
import { drawThrough, drawn, merge } from "./draw-between.js";
import { BEND, BRING, RAISE } from "./bending.js";
import { LEVEL } from "./level-line.js";
import { BLEND } from "./blending.js";

const GAP = saying<true>("from point to point").said(
  on(
    p`(, and then|, then|and then|, and|and|to|with|through to|on to|and on to|down to|up to|straight to|out to|then to|, to|,|-|then|across to|->|over)`,
    () => true,
  ),
  // From one point to another through a third: what is gone through may come last and lies between.
  on(p`into`, () => true, 0.4),
  on(p`(through|via|by way of)`, () => true, 1.5),
  on(p`(and)? (back|round) to`, () => true),
  on(p`(straight|down|up|out|in|across) (to)`, () => true),
);
const THROUGH = listOf("points to draw through", SPOT, GAP, 2);

const RULED = saying<true>("join").said(
  on(p`(join|connect|link|unite|joining|connecting) (up)?`, () => true),
  on(p`(draw|rule|make|run|put in|pencil in|mark in|sketch|blend|draw in|run in)`, () => true, 0.2),
  on(p`(straight)? (line|lines|guideline|guide line|guide) (connecting|joining|through|:)?`, () => true, 0.2),
  on(p`(draw|rule|make|put in|run) (a|an)? (new)? (straight)? (line|guideline|guide line|guide) (connecting|joining|through)?`, () => true),
);

/** The manners that stand before or behind the points. */
const PAIR = saying<readonly [Spot, Spot]>("from one to another").said(
  on(p`(from)? ${SPOT} (to|with|-|straight to|up to|down to|across to) ${SPOT}`, ([a, b]) => (a && b ? [a, b] : undefined)),
);
const PAIRS = listOf(
  "ways to join",
  PAIR,
  saying<true>("and").said(on(p`(,|and|, and|; and|and then|, then|, and then|then|;)`, () => true)),
  2,
);

/** Several ways at once: those that hang together are one line. */
function pairs(ways: readonly (readonly [Spot, Spot])[]): Act {
  return act("join pairs", (bag, sheet) => {
    if (!bag.holds({ act: 1, manner: 1 })) throw NOT_SO;
    const how = merge(bag.all("manner").map((m) => m.manner));
    const lines: Spot[][] = [];
    for (const [a, b] of ways) {
      const last = lines.at(-1);
      if (last && JSON.stringify(last.at(-1)) === JSON.stringify(a)) last.push(b);
      else lines.push([a, b]);
    }
    return lines.reduce((made, spots) => drawThrough(made, spots, how), sheet);
  });
}

const JOINED = saying<Act>("join").said(
  on(p`${MANNER} (joins|connects|runs through|goes through|passes through|runs from|goes from) ${THROUGH}`, ([manner = {}, spots = []]) =>
    drawn(spots, manner, undefined, undefined),
  ),
  on(
    p`${RULED} (from|between|points|point)? ${THROUGH} (:|,) ${CALLED_LINE} (line|seam|edge)?`,
    ([, spots = [], name = ""]) => drawn(spots, {}, keyOf(name), undefined),
    -0.2,
  ),
  on(p`${RULED} ${PAIRS}`, ([, ways = []]) => pairs(ways), -1.2),
  on(p`${RULED} (from|between|points|point)? ${THROUGH}`, ([, spots = []]) => drawn(spots, {}, undefined, undefined)),
  on(p`${RULED} ${MANNER} (from|between|through)? ${THROUGH}`, ([, manner = {}, spots = []]) => drawn(spots, manner, undefined, undefined)),
  on(
    p`(draw|make)? ${MANNER} (from|between|through|joining) ${THROUGH}`,
    ([manner = {}, spots = []]) => drawn(spots, manner, undefined, undefined),
    0.1,
  ),
  on(
    p`(draw|make)? ${MANNER} from ${SPOT} to ${SPOT} ,? (passing)? (through|via|by|touching) ${SPOT}`,
    ([manner = {}, a, b, c]) => (a && b && c ? drawn([a, c, b], manner, undefined, undefined) : undefined),
    -0.3,
  ),
  on(p`${SPOT} -> ${SPOT} (:|,)? (straight|straight line|line)`, ([a, b]) =>
    a && b ? drawn([a, b], {}, undefined, undefined) : undefined,
  ),
  on(
    p`(draw|rule|make|sketch) ${CALLED_LINE} ${MANNER} (from|between|through) ${THROUGH}`,
    ([name = "", manner = {}, spots = []]) =>
      drawn(spots, manner.curve === true ? { ...manner, ...kindIn(name) } : manner, keyOf(name), undefined),
    0.2,
  ),
  on(
    p`(shape|draw|curve|redraw|sketch) (in)? ${LINE} (,|from|through|between)? ${THROUGH}`,
    ([line, spots = []]) => redrawn(line, spots, { curve: true }),
    0.3,
  ),
  on(p`(shape|draw|curve) ${LINE} ${MANNER} (from|through|between) ${THROUGH}`, ([line, manner = {}, spots = []]) =>
    redrawn(line, spots, manner),
  ),
  on(p`(go|run|come|sweep) (from)? ${THROUGH} (in|with|as|on|by) ${MANNER}`, ([spots = [], manner = {}]) =>
    manner.curve === true ? drawn(spots, manner, undefined, undefined) : undefined,
  ),
  on(p`(curve|sweep) (from|between|through)? ${THROUGH}`, ([spots = []]) => drawn(spots, { curve: true }, undefined, undefined)),
  on(
    p`(curve|shape|sweep) ${CALLED_LINE} (from|between|through) ${THROUGH}`,
    ([name = "", spots = []]) => drawn(spots, { curve: true, ...kindIn(name) }, keyOf(name), undefined),
    0.2,
  ),
  on(p`(curve|sweep) ${LINE} (from|between|through) ${THROUGH}`, ([line, spots = []]) => redrawn(line, spots, { curve: true })),
  on(p`${RULED} (a)? (curve|smooth curve|nice curve|curved line) (from|between|through)? ${THROUGH}`, ([, spots = []]) =>
    drawn(spots, { curve: true }, undefined, undefined),
  ),
  on(
    p`${CALLED_LINE} (line|seam|edge) ${SPOT} - ${SPOT}`,
    ([name = "", a, b]) => (a && b ? drawn([a, b], {}, keyOf(name), undefined) : undefined),
    1.2,
  ),
  on(p`${THROUGH} (is|are) (joined|connected|drawn)`, ([spots = []]) => drawn(spots, {}, undefined, undefined)),
  on(
    p`${MANNER} (:|,|from)? ${THROUGH}`,
    ([manner = {}, spots = []]) => (manner.curve === true ? drawn(spots, manner, undefined, undefined) : undefined),
    1.6,
  ),
  on(p`give ${LINE} (a)? ${MANNER} (there)? (from|between)? ${THROUGH}`, ([line, manner = {}, spots = []]) => redrawn(line, spots, manner)),
  on(p`give it (a)? ${MANNER} (there)? (from|between)? ${THROUGH}`, ([manner = {}, spots = []]) =>
    drawn(spots, manner, undefined, undefined),
  ),
  on(
    p`(shape|draw|curve|redraw|sketch) (in)? ${LINE} ,? ${MANNER}`,
    ([line, manner = {}]) =>
      line?.ends && (manner.leaving ?? manner.arriving) !== undefined
        ? redrawn(
            line,
            line.ends.map((id) => ({ id })),
            manner,
          )
        : undefined,
    0.6,
  ),
  on(
    p`from ${SPOT} ,? (i|we|you)? (draw|sketch|rule|run|take|make) (in)? ${MANNER} (up|down|in|out|across|over|on)? to ${SPOT}`,
    ([a, manner = {}, b]) => (a && b ? drawn([a, b], manner, undefined, undefined) : undefined),
    0.1,
  ),
  on(
    p`${CALLED_LINE} (line)? (is|becomes|runs as|goes as) ${MANNER} (from|between|through) ${THROUGH}`,
    ([name = "", manner = {}, spots = []]) =>
      drawn(spots, manner.curve === true ? { ...manner, ...kindIn(name) } : manner, keyOf(name), undefined),
    0.2,
  ),
  on(
    p`(line)? ${SPOT} - ${SPOT} (is|makes|forms|gives|becomes) ${CALLED_LINE} (line|seam|edge)?`,
    ([a, b, name = ""]) => (a && b ? drawn([a, b], {}, keyOf(name), undefined) : undefined),
    0.6,
  ),
  on(
    p`${RULED} ${MANNER}? (from|between|through)? ${THROUGH} (for|as|to form|to make|to give|forming|making|giving|this is|that is|and call it|call it|and name it|, call it|, called|and label it|, this is|, that is) ${CALLED_LINE} (line|seam|edge|curve|guide)?`,
    ([, manner = {}, spots = [], name = ""]) =>
      drawn(spots, manner.curve === true ? { ...manner, ...kindIn(name) } : manner, keyOf(name), undefined),
    0.2,
  ),
  // A line that is there already is drawn again, in its own kind unless another is said.
  on(
    p`(draw|redraw|make) (new)? ${LINE} (again|anew|new|once more)? (from|between|through|:|,|=)? ${THROUGH}`,
    ([line, spots = []]) => redrawn(line, spots, {}),
    0.1,
  ),
  on(p`${LINE} (is|are) (drawn|made|drafted) ${MANNER} (from|between|through)? ${THROUGH}`, ([line, manner = {}, spots = []]) =>
    redrawn(line, spots, manner),
  ),
  on(p`${LINE} (is|are) (drawn|made|drafted) (from|between|through)? ${THROUGH}`, ([line, spots = []]) => redrawn(line, spots, {})),
  on(
    p`${CALLED_LINE} curve (from|through|:|=) (from|points)? ${THROUGH}`,
    ([name = "", spots = []]) => drawn(spots, { curve: true, ...kindIn(name) }, keyOf(name), undefined),
    0.3,
  ),
  on(
    p`(draw|make|sketch)? ${CALLED_LINE} (line|seam)? (from|through|:|=) (from|points)? ${THROUGH}`,
    ([name = "", spots = []]) => named(name, spots),
    0.3,
  ),
  on(
    p`(draw|make|rule|sketch) ${CALLED_LINE} (curve) (from|through)? ${THROUGH}`,
    ([name = "", spots = []]) => drawn(spots, { curve: true, ...kindIn(name) }, keyOf(name), undefined),
    0.3,
  ),
  on(
    p`(grab|take|use|pick up|with|lay) ${MANNER} (and)? (run|draw|lay|go|trace|follow)? (it|along it|with it)? (from)? ${THROUGH}`,
    ([manner = {}, spots = []]) => drawn(spots, { ...manner, curve: true }, undefined, undefined),
  ),
  on(p`(a)? (new)? (smooth|easy|gentle|soft)? (curve|line) ,? (from|through)? ${THROUGH}`, ([spots = []]) => smoothly(spots)),
  // It is the point or line said before.
  on(
    p`(draw|make|run|sketch) (new)? ${CALLED_LINE} ${MANNER} (up|down|on|across|over|round)? to ${SPOT}`,
    ([name = "", manner = {}, spot]) =>
      spot
        ? drawn(
            [{ before: "it" }, spot],
            { ...manner, ...(/hem|waist/.test(name) && manner.curve ? { leaving: "level" } : {}) },
            keyOf(name),
            undefined,
          )
        : undefined,
  ),
  on(p`${RULED} (it|that|this|them) (up)? (to|with) ${SPOT}`, ([, spot]) =>
    spot ? drawn([{ before: "it" }, spot], {}, undefined, undefined) : undefined,
  ),
  on(p`${RULED} (them|these|those|points|dots|it all) (up|together)?`, () =>
    act("join them", () => {
      throw ask("Which points are joined?");
    }),
  ),
);

function redrawn(line: Line | undefined, spots: readonly Spot[], manner: Manner): Act | undefined {
  if (!line) return undefined;
  if (line.unknown !== undefined) return drawn(spots, manner, keyOf(line.unknown), undefined);
  return act(`redraw ${line.text}`, (bag, sheet) => {
    if (!bag.holds({ act: 1, manner: 4, board: 1 })) throw NOT_SO;
    const how = merge([manner, ...bag.all("manner").map((m) => m.manner)]);
    const bends = !line.straight && how.straight !== true;
    return drawThrough(sheet, spots, bends ? { ...how, curve: true } : how, `new_${keyFrom(line)}`, likeOf(line, sheet));
  });
}

const likeOf = (line: Line, { ground }: Sheet): string | undefined =>
  ground.lines.find((l) => l.text === line.text && l.like !== undefined)?.like;

/** The kind of curve a name says: the back neck curve is drawn as a neck. */
function kindIn(name: string): Pick<Manner, "like"> {
  const like = Object.keys(KINDS).find((kind) => new RegExp(`\\b${kind}$`).test(name.replace(/ (?:curve|line)$/, "")));
  return like === undefined ? {} : { like };
}

function named(name: string, spots: readonly Spot[]): Act {
  const curve = /curve|neck|armhole|scye|crown|cap|head/.test(name);
  return drawn(spots, curve ? { curve: true, ...kindIn(name) } : {}, keyOf(name), undefined);
}

/** A new line through points in place of the one that was spoken of before. */
function smoothly(spots: readonly Spot[]): Act {
  return act("smooth", (bag, sheet) => {
    if (!bag.holds({ act: 1, manner: 2 })) throw NOT_SO;
    const line = sheet.lastLine === undefined ? undefined : sheet.ground.lines.find((l) => l.text === sheet.lastLine);
    return drawThrough(sheet, spots, { curve: true, ...merge(bag.all("manner").map((m) => m.manner)) }, undefined, line?.like);
  });
}

export const DRAWING = [JOINED, BEND, RAISE, BRING, LEVEL, BLEND];
