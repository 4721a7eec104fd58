import { type Ground, lettersOf } from "../ground/ground.js";
import { DESCRIPTION } from "./spots.js";
import { CLOSE, OPEN, on, p, saying, wordsRow } from "./rules.js";
import { listOf } from "../chart/pattern.js";
import { NAME } from "./names.js";
import { isLetter, pointByLetter } from "./point-name.js";

/** One that is not placed yet: what stands without a word of naming is a name only then. */
export const NEW = saying<string>("free name").said({
  starts: (chart, at) =>
    chart
      .parse(NAME, at)
      .filter(({ value }) => isFree(value, chart.ground) && !isShared(chart.tokens[at]?.kind, value, chart.ground.points)),
});

/** A bare number that another board has is free on one whose points begin with letters. */
function isFree(name: string, ground: Ground): boolean {
  const other = ground.points.get(name);
  const letters = lettersOf(ground, ground.board);
  return other === undefined || (other.board !== ground.board && letters !== "" && !ground.points.has(`${letters}${name}`));
}

function isShared(kind: string | undefined, name: string, points: ReadonlyMap<string, unknown>): boolean {
  return (
    kind === "number" &&
    [...points.keys()].some((id) => id.replace(/^[A-Z]+/, "") === name && !points.has(name) && /^[A-Z]/.test(id) && allLettered(points))
  );
}
const allLettered = (points: ReadonlyMap<string, unknown>): boolean => [...points.keys()].every((id) => /^[A-Z]/.test(id));

/** From a point to one that is not placed yet, by their letters: `BK`. */
export const BY_LETTERS = saying<readonly [string, string]>("way by its letters").said({
  starts: ({ tokens, ground }, at) => {
    const [a, b, more] = tokens[at]?.value ?? "";
    if (a === undefined || b === undefined || more !== undefined || !isLetter(a) || !isLetter(b)) return [];
    const from = pointByLetter(a, ground);
    return from === undefined || pointByLetter(b, ground) !== undefined ? [] : [{ value: [from, b], to: at + 1, cost: 0 }];
  },
});

const NAME_GAP = saying<true>("between names").said(on(p`(, and|,|and|-|&|then)`, () => true));
const NAMES = listOf("names", NAME, NAME_GAP);
const NEWS = listOf("free names", NEW, NAME_GAP);

const THAT_IS = saying<true>("that is").said(
  on(p`(and|so)? (that|this|it|here|there) is (where)? (i|we|you)? (put|mark|have|get)?`, () => true),
  on(p`(and|so)? (that|this|it) is (going to be|then|now|called|our)`, () => true),
  on(p`(and|so)? (that|this) will be`, () => true),
  on(
    p`(and|so)? (point|place|spot)? (where|which) (it|that|line|they|you|this|two)? (lands|ends|meets|falls|stops|meet|cross|crosses|hits|cuts|is|touches|land|reaches|strikes|intersect|join) (it|line|there)? (is)?`,
    () => true,
  ),
  on(p`(and)? (its|whose)? (end|other end|far end|foot|result|crossing|place|crossing point|new point) is (at)?`, () => true),
  on(p`(and)? (i)? (put|make) (a)? (little)? (cross|mark|dot|tick|pencil mark|pin|pencil cross) (there|here)? ,?`, () => true),
);

/** What it is that is named: `this new point`, `the two marks`. */
const WHAT = wordsRow<true>("what is named", 4, (words) => (words.split(" ").every((word) => NAMED_THINGS.has(word)) ? true : undefined));
const NAMED_THINGS = new Set(
  "this that these those it them here there new point points place places spot spots mark marks cross crossing end foot corner two three tip notch dart bust apex hip waist shoulder neck its same little position dot".split(
    " ",
  ),
);

/** Words by which a point is named. */
export const NAMING = saying<readonly string[]>("naming").said(
  on(
    p`(and|then)? (mark|call|label|number|name|put|place) (point|it|that)? ${NAMES} where (it|that|line|they|this)? (lands|ends|meets|falls|stops|hits|cuts|touches|reaches|crosses|strikes|meet|cross) (it|line|there)?`,
    ([names]) => names,
  ),
  on(p`(new)? ${DESCRIPTION} (is|being|,)? ${NEWS}`, ([, names]) => names, 0.2),
  on(
    p`(and|then)? (mark|call|label|number|name|make|labelled|marked|numbered|called|named|write|marking|calling|labelling|numbering|naming) (that|it|this|them|these|cut|foot|its foot|its end|point|points|end|prick|mark|crossing|place|spot|new point|here|new shoulder tip|new neck point|two marks|marks)? (as|point|points|with|by)? ${NAMES}`,
    ([names]) => names,
  ),
  on(
    p`(and|then|which|so)? (i|we|you)? (mark|call|label|number|name|tag|mark off|prick|put down)? ${WHAT}? (as|with|by|point)? ${NEWS} (there|here|at this point|at that point|at it)`,
    ([, names]) => names,
    -0.2,
  ),
  on(
    p`(and|then|so|or)? (i|we|you)? (mark|call|label|number|name|tag|pin|prick|set|letter) ${WHAT}? (as|with|by|point)? ${NAMES}`,
    ([, names]) => names,
    0.1,
  ),
  on(
    p`(and|so)? (its|whose)? (middle|centre|foot|end|tip|crossing|intersection|result|other end|far end|landing place|lower end|upper end) (is|becomes|gives|makes|will be) (point)? ${NEWS}`,
    ([names]) => names,
    0.1,
  ),
  on(
    p`(which|and)? (we|i|you)? (shall|will|are going to|am going to|going to|can)? (mark|call|label|number|name) (that|it|this|here)? (as|point)? ${NAMES}`,
    ([names]) => names,
  ),
  on(p`${THAT_IS} (for)? (point)? ${NAMES}`, ([, names]) => names),
  on(p`${OPEN} (point|mark|to)? ${NEWS} ${CLOSE}`, ([, names]) => names),
  on(
    p`(and)? (meeting|hitting|touching|cutting|crossing|reaching|striking|ending|end|finishing|stopping|landing) (on)? (it|line|there)? (at|in)? (point)? ${NEWS}`,
    ([names]) => names,
  ),
  on(p`${THAT_IS} (point)? (middle|centre|end|place|mark|spot|cross|corner) ,? (point)? ${NEWS}`, ([, names]) => names),
  on(p`(this|that|it|here|there) (is|becomes|makes|gives) (us|you|me)? (our|new)? (point)? ${NAMES}`, ([names]) => names),
  on(
    p`(for|as|giving|at|ending at|gives|to give|to get|to make|to find|to locate|to place|to reach|locate|place|plot|put|find|->|=|is|:) ${WHAT}? ${NEWS}`,
    ([, names]) => names,
    0.1,
  ),
  on(p`(to) (point)? ${NEW}`, ([name]) => (name === undefined ? undefined : [name]), 0.2),
  on(p`(point|points|pt) ${NEWS}`, ([names]) => names, 0.1),
  on(p`${NEWS} (first|is|:|=|.)`, ([names]) => names, 0.1),
  on(p`(point|pt) ${NEWS} (is|:|=|.)`, ([names]) => names),
  on(p`${NEWS}`, ([names]) => names, 0.4),
);
