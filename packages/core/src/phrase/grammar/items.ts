import { ACTS } from "../acts/acts.js";
import { PRESSING } from "../acts/darts.js";
import { WHICH } from "../acts/swinging.js";
import { MANNER } from "../acts/drawing.js";
import type { Item } from "../clause.js";
import type { Ground } from "../ground/ground.js";
import type { Amount, Direction, Hand, Heading } from "../meaning.js";
import { AMOUNTS as AMOUNT } from "./amounts.js";
import { LINES as LINE } from "./lines.js";
import { DESCRIBES, DESCRIPTION, midway, SPOTS as SPOT } from "./spots.js";
import { COUNT, SHARE } from "./figures.js";
import { PLACED } from "./main-rules.js";
import { CLOSE, on, oneOf, OPEN, p, saying, type Saying, wordsRow } from "./rules.js";
import { listOf } from "../chart/pattern.js";
import { NAME } from "./names.js";
import { wordOf } from "../words/word-of.js";

const GO = oneOf<true>(
  "go",
  Object.fromEntries(
    "go going come comes coming move measure measured measuring mark marks step lay set put place take make squared squaring count walk travel find rule draw bring run goes drawn laid off get use sits is need want we have got do say locate located plot plotted pop taking going measuring squaring setting laying marking lies stands sits falls lands equals equal measures gives"
      .split(" ")
      .map((word) => [word, true as const]),
  ),
);

const HAND = oneOf<Hand>("hand", { left: "left", right: "right", "left-hand": "left", "right-hand": "right" });

const HEADING_WORDS: Readonly<Record<string, Heading>> = {
  up: "up",
  upward: "up",
  upwards: "up",
  raise: "up",
  raised: "up",
  rise: "up",
  lift: "up",
  higher: "up",
  down: "down",
  downward: "down",
  downwards: "down",
  drop: "down",
  lower: "down",
  lowered: "down",
  dropped: "down",
  in: "in",
  inward: "in",
  inwards: "in",
  left: "in",
  out: "out",
  outward: "out",
  outwards: "out",
  right: "out",
  across: "level",
  level: "level",
  horizontal: "level",
  horizontally: "level",
  sideways: "level",
  over: "level",
  plumb: "plumb",
  vertically: "plumb",
  vertical: "plumb",
  back: "back",
  backward: "back",
  backwards: "back",
};
const HEADING_WORD = oneOf("way", HEADING_WORDS);

const UP_OR_DOWN = oneOf<Heading>("up or down", { up: "up", down: "down", back: "back" });

const HEADING: Saying<Heading> = saying<Heading>("heading").said(
  on(p`(straight|squarely|directly|square|plumb|vertically|vertical)? ${HEADING_WORD}`, ([way]) => way),
  on(
    p`(level|horizontally|straight|square)? (to|toward|towards) (left|centre|centre back|centre front|centre line|inside|fold|middle)`,
    () => "in" as const,
    0.1,
  ),
  on(p`(level|horizontally|straight|square)? (to|toward|towards) (right|outside)`, () => "out" as const, 0.1),
  on(p`(level|horizontally|straight|square)? (toward|towards) (side|side seam|sideseam)`, () => "out" as const, 0.1),
  // "To the side" is as far as the side, where there is one.
  on(p`(level|horizontally|straight|square)? to (side|side seam|sideseam)`, () => "out" as const, 2),
  on(p`(to)? (left|inside) (of)?`, () => "in" as const, 0.3),
  on(p`(to)? (right|outside) (of)?`, () => "out" as const, 0.3),
  on(p`(straight|directly|vertically|plumb)? (below|under|beneath|underneath)`, () => "down" as const, 0.2),
  on(p`(straight|directly|vertically|plumb)? above`, () => "up" as const, 0.2),
  {
    // Before a direction it only says that that is straight.
    firsts: () => new Set(["straight", "square"]),
    starts: ({ tokens }, at) =>
      /^(?:straight|square)$/.test(tokens[at]?.text ?? "") && wordOf(HEADING_WORDS, tokens[at + 1]?.text ?? "") === undefined
        ? [{ value: "level", to: at + 1, cost: 2.5 }]
        : [],
  },
  on(p`(drop|let fall|let drop)? (a)? (plumb line|plumb|vertical line|vertical)`, () => "plumb" as const),
  on(p`(a)? (level line|horizontal line|horizontal|line level|line across)`, () => "level" as const, 0.3),
  on(p`square (a)? line`, () => "level" as const, 0.3),
  on(p`(drop|let fall|let drop) (a)? (line|straight line|perpendicular)`, () => "plumb" as const, 0.3),
  on(p`(straight)? line down`, () => "down" as const, 0.3),
  on(p`(draw|rule) (a)? (level|line across|line level|line square across)`, () => "level" as const, 0.4),
);

/** One that is not placed yet: what stands without a word of naming is a name only then. */
const NEW = saying<string>("free name").said({
  starts: (chart, at) =>
    chart
      .parse(NAME, at)
      .filter(({ value }) => isFree(value, chart.ground) && !isShared(chart.tokens[at]?.kind, value, chart.ground.points)),
});

/** A bare number that another board has is free on one whose points begin with its letter. */
function isFree(name: string, { points, board }: Ground): boolean {
  const other = points.get(name);
  return other === undefined || (other.board !== board && board !== "" && points.has(`${board}1`) && !points.has(`${board}${name}`));
}

function isShared(kind: string | undefined, name: string, points: ReadonlyMap<string, unknown>): boolean {
  return (
    kind === "number" &&
    [...points.keys()].some((id) => id.replace(/^[A-Z]+/, "") === name && !points.has(name) && /^[A-Z]/.test(id) && allLettered(points))
  );
}
const allLettered = (points: ReadonlyMap<string, unknown>): boolean => [...points.keys()].every((id) => /^[A-Z]/.test(id));

const NAME_GAP = saying<true>("between names").said(on(p`(, and|,|and|-|&|then)`, () => true));
const NAMES = listOf("names", NAME, NAME_GAP);
const NEWS = listOf("free names", NEW, NAME_GAP);

const CHAIN_GAP = saying<true>("between points").said(
  on(
    p`(, and then|, then|and then|, and|, to|through to|on to|and on to|down to|up to|straight to|out to|then to|to|and|,|-|then|through|via|by way of|across to|straight|->)`,
    () => true,
  ),
  on(p`, (straight|down|up|out|in|across) (to)?`, () => true),
  on(p`and (back|round|on) to`, () => true),
);
const CHAIN = listOf("points in a row", SPOT, CHAIN_GAP, 2);
const UNTIL = saying<true>("until").said(
  on(
    p`(until|till|til|to where|where) (you|it|we|i|line|that)? (touch|touches|meet|meets|hit|hits|reach|reaches|cut|cuts|cross|crosses|strike|strikes|get to|come to|comes to)`,
    () => true,
  ),
);

const IT_AGAIN = saying<true>("it, once more").said(on(p`(it|there|this line|that line|line)`, () => true));

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

/** Words by which a point is named. */
const NAMING = saying<readonly string[]>("naming").said(
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
    p`(for|as|giving|at|ending at|gives|to give|to get|to make|to find|to locate|to place|to reach|locate|place|plot|put|find|->|=|is|:) (point)? ${NEWS}`,
    ([names]) => names,
    0.1,
  ),
  on(p`(to) (point)? ${NEW}`, ([name]) => (name === undefined ? undefined : [name]), 0.2),
  on(p`(point|points|pt) ${NEWS}`, ([names]) => names, 0.1),
  on(p`${NEWS} (first|is|:|=|.)`, ([names]) => names, 0.1),
  on(p`(point|pt) ${NEWS} (is|:|=|.)`, ([names]) => names),
  on(p`${NEWS}`, ([names]) => names, 0.4),
);

/** Why something is done: it places nothing. */
const PURPOSE = saying<true>("purpose").said({
  starts: ({ tokens }, at) => {
    let to = at;
    while (to < tokens.length && tokens[to]?.kind === "word" && to - at < 9) to++;
    const words = tokens.slice(at, to).map(({ text }) => text);
    return to - at < 2 ||
      !/^(?:it|we|you|they|that|this|i|nothing|nobody|there)$/.test(words[0] ?? "") ||
      (to < tokens.length && tokens[to]?.kind !== "mark") ||
      words[1] === "is"
      ? []
      : [{ value: true, to, cost: 0 }];
  },
});
/** What a point is called, at the end of its sentence: `: the shoulder tip`. */
const LABEL = saying<true>("label").said({
  starts: ({ tokens }, at) => {
    const rest = tokens.slice(at);
    const end = rest.at(-1)?.text === "." ? -1 : undefined;
    const words = rest.slice(0, end);
    const plain = words.length > 0 && words.length <= 4 && words.every(({ kind, text }) => kind === "word" && !LAYS.has(text));
    return plain ? [{ value: true, to: at + words.length, cost: 0 }] : [];
  },
});
/** Words that lay something off: what has one of them is no label. */
const LAYS = new Set(
  "down up in out across level square from to by at along join draw mark midway halfway between half quarter third and it is wide long inch inches cut dart curve".split(
    " ",
  ),
);
/** A longer name of the place, or what it is for: words only, up to the next stop. */
const LONG_LABEL = saying<true>("longer label").said({
  starts: ({ tokens }, at) => {
    let to = at;
    while (tokens[to] && (tokens[to]?.kind === "word" || tokens[to]?.text === "-") && to - at < 10) to++;
    const words = tokens.slice(at, to).map(({ text }) => text);
    const ends = to === tokens.length || [".", ";", ","].includes(tokens[to]?.text ?? "");
    return words.length > 0 && ends && !words.some((word) => FIGURE_WORDS.has(word)) && !STARTS_ACT.has(words[0] ?? "")
      ? [{ value: true, to, cost: 0 }]
      : [];
  },
});
const FIGURE_WORDS = new Set(
  "half quarter quarters third thirds eighth eighths inch inches centimetre centimetres cm mm plus minus less twice".split(" "),
);
const STARTS_ACT = new Set(
  "from down up out in across draw rule join mark square measure go come cut trace close move raise lower divide".split(" "),
);
/** The name of a line as the notation writes it: it is drawn in a statement of its own. */
const NOTATION_NAME = saying<true>("name with an underscore").said({
  starts: ({ tokens }, at) => (/_/.test(tokens[at]?.text ?? "") ? [{ value: true, to: at + 1, cost: 0 }] : []),
});
const PART_NAME = wordsRow<true>("part it is for", 2, () => true);
const PURPOSE_NOUN = wordsRow<true>("what it is for", 2, (words) =>
  /^(?:dart|ease|seam|seams|fit|comfort|movement|hem|turnings|overlap|wear|button stand|seam allowance|safety|later|fullness)$/.test(words)
    ? true
    : undefined,
);
/** What stands before a place or an amount and says again what it is: `the shoulder tip from 6`. */
const DESCRIBED = saying<true>("description").said({
  starts: ({ tokens }, at) => {
    let to = at;
    while (tokens[to]?.kind === "word" && DESCRIBES.has(tokens[to]?.text ?? "")) to++;
    const next = tokens[to];
    return to - at > 1 && (next?.kind !== "word" || GOES_ON.has(next.text)) ? [{ value: true, to, cost: 0 }] : [];
  },
});
const GOES_ON = new Set("from at by up down in out half a an one two three four five six is to".split(" "));
const COUNTED = listOf("counting", COUNT, saying<true>("nothing").said({ starts: (_, at) => [{ value: true, to: at, cost: 0 }] }));

/** Words that only say again, in brackets, what something is. */
const IN_BRACKETS = wordsRow<true>("words in brackets", 3, (words) =>
  words.split(" ").some((word) => LAYS.has(word) || FIGURE_WORDS.has(word)) ? undefined : true,
);
const NAMED_LINE = wordsRow<true>("line by name", 3, (words) =>
  /^(?:[a-z]+ ){0,2}(?:line|seam|edge|leg|side)$/.test(words) ? true : undefined,
);

const REMARK = saying<true>("remark").said(
  on(
    p`(to)? (widen|lower|raise|deepen|drop|shorten|lengthen|narrow|hollow|shape|find|get|place|locate|mark|set|draft|draw) ${LINE} ((by)? ${AMOUNT})? :`,
    () => true,
    0.6,
  ),
  on(p`which (is|are|will be|should be)`, () => true, 0.3),
  on(p`(i|we|you) (like|love|prefer|usually|always|tend|need|want)? (to)?`, () => true, 0.2),
  on(p`(we|you) (need|want|will want|will need)`, () => true, 0.2),
  on(p`, that is (going to be)? ${LONG_LABEL}`, () => true, 1.2),
  on(p`(on|along) (a)? (line|straight line)`, () => true, 0.5),
  on(p`(so|so that) ${PURPOSE}`, () => true),
  on(p`for ${PURPOSE_NOUN}`, () => true),
  on(p`for ${PART_NAME} (:|,)`, () => true, -0.2),
  on(p`(as)? well`, () => true),
  on(p`${OPEN} not (from|to|at|on|past) ${PLACED} ${CLOSE}`, () => true, 0.4),
  on(p`${OPEN} (not from|not to|not at|not on)? ${IN_BRACKETS} ${CLOSE}`, () => true, 0.6),
  on(p`,? along slant ,?`, () => true, 0.4),
  on(p`,? (as|like|same as) (on|in|for) (back|front|other side|other half) ,?`, () => true, 0.6),
  on(p`(;|,|.) (both|two) legs run to ${PLACED}`, () => true, 0.8),
  on(p`(,|;|.)? (draw|rule)? ${NAMED_LINE} ${PLACED} - ${PLACED} ,? (is)? (plumb|level|upright|straight)`, () => true, 1),
  on(
    p`(and)? (i|we|you)? (put|make|place|pop|draw|leave) (a)? (little|small|pencil)? (cross|mark|dot|tick|pin) (there|here)?`,
    () => true,
    0.2,
  ),
  on(p`${DESCRIBED}`, () => true, 0.5),
  on(
    p`(;|,|:|and)? (draw|rule)? ${wordsRow<true>("name of a level", 2, (words) => (/^[a-z]+(?: [a-z]+)?$/.test(words) && !/\b(?:a|draw|rule|level|straight)\b/.test(words) ? true : undefined))} line ,? (square|squared|straight)? across`,
    () => true,
    0.6,
  ),
  on(p`: ${LABEL}`, () => true, 0.5),
  on(p`: ${LONG_LABEL}`, () => true, 1.6),
  on(p`(;|,|.) (draw|see) ${NOTATION_NAME}`, () => true, 0.6),
  on(p`(.|;|,)? ${PLACED} - ${PLACED} (straight)? (is|are|makes|gives) ${LONG_LABEL}`, () => true, 1),
  on(p`; (square|squared|ruled|ruled square|drawn|drawn square)? across (${LONG_LABEL})?`, () => true, 0.8),
  on(p`, (square|squared|ruled|ruled square|drawn|drawn square) across (${LONG_LABEL})?`, () => true, 0.8),
  on(p`(front|back|sleeve|collar|skirt) :`, () => true, 0.6),
  on(p`not straight (across)? (mind)?`, () => true),
  on(p`(,|going|, going) (a)? round (a)? curve`, () => true),
  on(
    p`(with|using|use|take|hold) (tape|tape measure|set square|square|ruler|rule|compass|pencil|curve ruler) (standing|lying|held)? (on its edge|on edge|flat)?`,
    () => true,
  ),
  on(p`(straight)? ,? with (ruler|pencil|tape)`, () => true),
  on(p`so ${COUNT} and (then)? ${COUNTED} (little|small)? (lines|marks|ticks|notches)`, () => true),
  on(p`(is|as) (a)? guide for (whole)? ${LINE}`, () => true),
  on(p`(is|as) (a)? guide (only|line)?`, () => true),
  on(
    p`${saying<true>("opener").said(on(p`(right|on same level|at same level|round|around|let me see|let us see|you know|i think|i guess|like this|like that|whole way|all way|so|now|then|next|first|again|here|and|there)`, () => true))} (i|we|you|they) (am|are|will|would|can|just|want to|need to|have to|should|must|going to|like to)? (am|are|going to|gonna|want to|go ahead and|need to|have to)?`,
    () => true,
    -0.3,
  ),
  on(
    p`(i|we|you|they|let us) (am|are|will|would|can|want to|need to|have to|should|must|going to|like to|to)? (going to|want to|need to|go ahead and|have to)? (do)?`,
    () => true,
    -0.3,
  ),
  on(
    p`(right|please|there you are|as you can see|of course|simple as that|nice and easy|for now|so far|on table|on same level|at same level|round|around|let me see|let us see|you know|i think|i guess|like this|like that|whole way|all way|so|now|then|next|first|again|firstly|finally|like so|as before|it is|go ahead and|on paper|see|you see|this time|in same way|as shown|with it|from here|if you like|indeed|i mean|wait|that one|up first|one|upper one first)`,
    () => true,
    0.4,
  ),
  on(p`(this|that|it) (mark|point|one|line)`, () => true, 0.4),
  on(p`(what|all) (i|we|you) (want|need|do) (now)? is`, () => true),
  on(p`(that|this) is (how far|where|what|how much) (i|we|you)? (go|come|want|need|put|place)?`, () => true),
  on(p`and (go|goes|in|out)? with (it|that)`, () => true, 0.3),
);

const COMPARISON = oneOf<"under" | "above" | "upTo">("comparison", {
  over: "above",
  above: "above",
  under: "under",
  below: "under",
  exceeds: "above",
  upto: "upTo",
});
const MORE_THAN = saying<"under" | "above" | "upTo">("more than").said(
  on(p`(is|measures|comes out)? (at)? ${COMPARISON}`, ([c]) => c),
  on(p`(is|measures)? (more|greater|larger|bigger|fuller) than`, () => "above" as const),
  on(p`(is|measures)? (less|smaller) than`, () => "under" as const),
  on(p`(is|measures)? (up to|at most|no more than)`, () => "upTo" as const),
);

const CONDITION = saying<Item>("condition").said(
  on(p`(if|when|where|for|with|in case) (a)? ${AMOUNT} ${MORE_THAN} ${AMOUNT} ,? (then)?`, ([of, than, at]) => condition(of, than, at)),
  on(
    p`(for)? (fuller|larger|bigger|smaller) (ladies|figures|people|women|men|ones|wearers) ,? (so)? (that is)? (if|with|a)? (a)? ${AMOUNT} ${MORE_THAN} ${AMOUNT} ,?`,
    ([of, than, at]) => condition(of, than, at),
  ),
  on(p`(a)? ${AMOUNT} ${MORE_THAN} ${AMOUNT} (,|:)`, ([of, than, at]) => condition(of, than, at), 0.5),
);

function condition(of: Amount | undefined, bound: "under" | "above" | "upTo" | undefined, at: Amount | undefined): Item | undefined {
  if (!of || !bound || !at || of.plain === true || of.unknown !== undefined || !/^[a-z_]+$/.test(of.formula) || !/^\d/.test(at.formula))
    return undefined;
  const sign = { under: "<", above: ">", upTo: "<=" }[bound];
  return { is: "if", condition: `${of.formula} ${sign} ${at.formula}`, figure: of.formula, at: at.formula, bound };
}

const LAID = saying<Item>("what is laid off").said(
  on(
    p`(by|for|of|,|:|=|a distance of|about|around|say|another|a further|is|on it|by about|by around|for another|by another|for about)? ${AMOUNT} (more|further|past it|away|distant|apart)?`,
    ([amount]) => amount && { is: "amount", amount },
  ),
);

function likelyName({ plain, formula }: Amount, { points }: Ground): boolean {
  if (plain !== true || !/^\d+$/.test(formula) || points.has(formula)) return false;
  const most = Math.max(0, ...[...points.keys()].map((id) => Number(/\d+/.exec(id)?.[0] ?? 0)));
  return Number(formula) > most && Number(formula) <= most + 6;
}

/** "Below 8", where there is a point 8: a number that is a point where a point is meant. */
const isPlaceAfter = (word: string | undefined, { plain, formula }: Amount, { points }: Ground): boolean =>
  plain === true && points.has(formula) && /^(?:below|above|under|beneath|over|beside)$/.test(word ?? "");

/** The sign of a list before a sentence. */
const BULLET = oneOf<true>("bullet", { "·": true, "*": true, "-": true });

const KIND_OF_LINE = saying<true>("kind of line").said(
  on(p`(thin|light|short|long|straight|vertical|plumb|upright|level|horizontal|ruled)`, () => true),
);

/** "Square" goes somewhere, unless it is square to or off a line. */
const SQUARE = saying<true>("square").said({
  firsts: () => new Set(["square"]),
  starts: ({ tokens }, at) =>
    tokens[at]?.text === "square" && !["to", "off", "with"].includes(tokens[at + 1]?.text ?? "")
      ? [{ value: true, to: at + 1, cost: 0 }]
      : [],
});

/** What says that the way from a point to a new one is so long. */
const MEASURES = saying<true>("measures").said(
  on(
    p`(is|are|should be|must be|to be|will be|shall be|has to be|is to be)? (equal to|same as|made|laid off|set|taken as)? (:|=|,)?`,
    () => true,
  ),
  on(p`(measures|equals|equal to|equal|:|=|,)`, () => true),
);

export const ITEM = saying<Item>("part of a sentence").said(
  {
    starts: (chart, at) =>
      at === 0 ? chart.parse(BULLET, at).map((got) => ({ ...got, value: { is: "gap", strong: false } as const })) : [],
  },
  on(
    p`(from|(i|we|you) (am|are|start|begin|stand) (at|from)|starting from|starting at|beginning at|beginning from|off|start at|with|begin at|leaving|counted from|counting from) ${SPOT}`,
    ([spot]) => spot && { is: "from", spot },
  ),
  on(
    p`(on|at|with centre|centre|centred on|centred at|is centred on|sits at|sits on|stands at|placed at|placed on|is at) ${SPOT}`,
    ([spot]) => spot && { is: "at", spot },
    0.2,
  ),
  // "Down 2, in 1": a bare number behind "in" is a length.
  on(p`in ${SPOT}`, ([spot]) => spot && { is: "at", spot }, 1),
  on(p`in (a)? (middle|centre) (of|between) ${SPOT} (-|to|and) ${SPOT}`, ([a, b], g) => {
    const spot = a && b && "id" in a && "id" in b ? midway(a.id, b.id, g) : undefined;
    return spot && { is: "at", spot };
  }),
  on(
    p`(from|off|above|below|starting from|starting at|counted from|counting from) ${LINE}`,
    ([line]) => line && { is: "fromLine", line },
    0.3,
  ),
  on(p`(past|beyond|outside end at) ${SPOT}`, ([spot]) => spot && { is: "at", spot, beyond: true }, 0.2),
  on(p`${SPOT}`, ([spot]) => spot && { is: "spot", spot }, 0.3),
  on(p`(from|between|of)? ${CHAIN}`, ([spots = []]) => ({ is: "chain", spots, listed: spots.length > 2 }), 0.2),
  on(p`${SPOT} (-|to) ${NEW} ${MEASURES}?`, ([from, name]) => (from && name !== undefined ? { is: "pair", from, name } : undefined), -0.1),
  on(
    p`(distance)? (from|between) ${SPOT} (to|and) ${NEW} ${MEASURES}?`,
    ([from, name]) => (from && name !== undefined ? { is: "pair", from, name } : undefined),
    -0.1,
  ),
  // "13 = 7 + 1/2 in. out": from a point, by so much.
  on(p`${NEW} (=|:|is|,) (point)? ${PLACED} (+|plus|and|,)`, ([name, id]) =>
    name === undefined || id === undefined ? undefined : { is: "pair", from: { id }, name },
  ),
  on(p`${HEADING}`, ([way]) => way && { is: "heading", way }),
  // The centre is where a board begins: beyond it lies the other half.
  on(p`,? (beyond|past|outside) (centre|centre front|centre back|fold) ,?`, () => ({ is: "heading", way: "in" }), 0.6),
  on(
    p`(to|on|at|toward|towards)? ${HAND} (hand|hand side|side)? ,? (when|while|as you|as you are|if you)? (facing|face|looking to|looking toward|looking towards|look to|going to|go to|walking to|walk to) ${PLACED}`,
    ([hand, facing]) => (hand && facing !== undefined ? { is: "hand", hand, facing } : undefined),
  ),
  {
    // A bare number that the next point could have is hardly a length, nor is a whole girth.
    starts: (chart, at) =>
      chart.parse(LAID, at).map((got) => {
        if (got.value.is !== "amount") return got;
        const { amount } = got.value;
        const girth = chart.ground.figures.some(({ key, girth: round }) => round && key === amount.formula);
        const place = isPlaceAfter(chart.tokens[at - 1]?.text, amount, chart.ground);
        return { ...got, cost: got.cost + (likelyName(amount, chart.ground) ? 2 : girth ? 3.2 : place ? 4 : 0) };
      }),
  },
  on(
    p`(is|about|around|say|by|over)? (then)? ${AMOUNT} -? (wide|broad|in width|width|intake) (at mouth|at its mouth|at base|at edge)?`,
    ([amount]) => amount && { is: "amount", amount, as: "wide" },
  ),
  on(
    p`(intake|width|width of|intake of|wide|taking in|taking out|taking) (is|:|=)? ${AMOUNT}`,
    ([amount]) => amount && { is: "amount", amount, as: "wide" },
  ),
  on(p`(is|about|around|say)? ${AMOUNT} -? (long|in length|deep|in depth)`, ([amount]) => amount && { is: "amount", amount, as: "long" }),
  on(p`(length|long|length of) (is|:|=)? ${AMOUNT}`, ([amount]) => amount && { is: "amount", amount, as: "long" }),
  on(
    p`(about|around|say|by|over|for)? ${AMOUNT} (each way|before and after|either side|both sides|both ways|on each side|each side|on both sides|to each side|either way|on either side)`,
    ([amount]) => amount && { is: "amount", amount, as: "each" },
  ),
  on(p`(on|to|at|in)? (each|both|either) (side|sides|way|ways|direction|directions) (of)?`, () => ({ is: "both" })),
  on(p`(that|this)`, () => ({ is: "amount", amount: { formula: "0", bond: "one", same: true } }), 1.6),
  on(p`(by|with) (that|it|this|result|answer)`, () => ({ is: "amount", amount: { formula: "0", bond: "one", same: true } }), 0.7),
  // "Add half an inch, and measure that out from 1": the amount said before.
  on(
    p`(measure|lay|set|square|take|mark|go|come|put|use|apply|plot|step|carry) (off|out)? (that|this|it|this amount|that amount|result|this distance|that distance|this much|that much|this figure|that figure|this length|that length|answer|total)`,
    () => ({ is: "amount", amount: { formula: "0", bond: "one", same: true } }),
    0.7,
  ),
  on(p`${GO}`, () => ({ is: "go" }), 0.1),
  on(p`${SQUARE}`, () => ({ is: "go" }), 0.1),
  on(p`(mark|place|put|make|set|locate|find|plot) (a|another|new|out a)? (point|mark|dot|cross)`, () => ({ is: "go" }), 0.1),
  on(p`(measure|mark|lay|set) (off|back|out)`, () => ({ is: "go" })),
  on(p`(go|come|move|step) (off|back)`, () => ({ is: "go" })),
  on(p`(is|are|to be) (placed|put|set|drawn|made|taken|marked|measured|found|squared|laid off|measured off|marked off)`, () => ({
    is: "go",
  })),
  on(p`(by)? (about|around)? ,? (however|as) (deep|far|wide|long|much|high) (as)? you (like|want|please|wish) (it|neck|hem)?`, () => ({
    is: "vague",
  })),
  on(p`(by)? however much (ease|fullness|flare|width)? (as)? you (want|like|need|please|wish)`, () => ({ is: "vague" })),
  on(p`(by)? (a little|a bit|a touch|slightly|somewhat|some)`, () => ({ is: "vague" })),
  on(
    p`(up)? (to|onto|upon|as far as|until|till|on to|against|over to|right to|back to|out to|across to|in to|into) ${LINE}`,
    ([line]) => line && { is: "to", line },
  ),
  on(p`${UNTIL} ${LINE}`, ([, line]) => line && { is: "to", line }),
  on(p`${UNTIL} ${IT_AGAIN}`, () => ({ is: "until" })),
  on(
    p`(and)? (it|which)? (toward|towards|in direction of|aimed at|aiming at|pointing to|pointing at|points to|points at|pointing towards|pointed at|pointing up to|up to|down to) ${SPOT}`,
    ([spot]) => spot && { is: "toward", spot },
  ),
  on(p`to ${SPOT}`, ([spot]) => spot && { is: "toward", spot }, 0.6),
  on(p`(with)? (its|dart)? (point|tip|apex|end) (is|at|on|reaches) ${SPOT}`, ([spot]) => spot && { is: "toward", spot }, 0.5),
  on(p`(and)? (it)? (runs|goes|comes|reaches) (up|down)? to ${SPOT}`, ([spot]) => spot && { is: "toward", spot }, 0.4),
  on(
    p`(and)? (ending at|ends at|reaching|finishing at|stopping at|running to|runs to) ${SPOT}`,
    ([spot]) => spot && { is: "toward", spot },
    0.5,
  ),
  on(
    p`(with)? (its|dart)? (point|tip|apex) (is|at)? ${AMOUNT} (straight|directly)? ${oneOf<Direction>("way of a dart", { above: "up", up: "up", below: "down", down: "down" })} (it|that|there|middle)?`,
    ([amount, way]) => amount && way && { is: "amount", amount, as: "long", way },
    0.1,
  ),
  on(p`(straight)? (toward|towards) ${LINE}`, ([line]) => line && { is: "to", line }, 0.2),
  on(p`(on|along|round|around|of|over|follow|following) ${LINE}`, ([line]) => line && { is: "on", line }),
  on(p`${HEADING_WORD} (along|on|round|around) ${LINE}`, ([way, line]) => way && line && { is: "on", line, way }),
  on(p`${UP_OR_DOWN} ${LINE}`, ([way, line]) => way && line && { is: "on", line, way }, 0.1),
  on(p`back ${HEADING_WORD} ${LINE}`, ([way, line]) => way && line && { is: "on", line, way }),
  on(p`${LINE}`, ([line]) => line && { is: "on", line }, 0.6),
  on(p`${UP_OR_DOWN} (middle|centre|centre line)`, ([way]) => way && { is: "heading", way }, 0.3),
  on(p`(a)? ${SHARE} (of way|of its length|of length|way)`, ([share]) => share && { is: "share", share }),
  on(p`(a)? ${SHARE} (along|of way along|of way round)`, ([share]) => share && { is: "share", share }, 0.2),
  on(p`(half way|halfway|midway|half of way)`, () => ({ is: "share", share: { top: 1, under: 2 } }), 0.2),
  on(p`${NAMING}`, ([names]) => names && { is: "name", names }),
  on(p`${CONDITION}`, ([item]) => item),
  on(
    p`(otherwise|or else|if not|else|everybody else|everyone else|all others|for everyone else|for rest|over that|above that|beyond that|for larger ones|larger than that)`,
    () => ({ is: "otherwise" }),
  ),
  on(
    p`(to taste|to choice|as you like|according to taste|as liked|as fashion goes)? ,? (anything|any|anywhere|somewhere)? (from|between) ${AMOUNT} (to|and) ${AMOUNT} (as you like|to taste|as liked|if you like|whichever you like|whichever you prefer|as you prefer)?`,
    ([from, to]) => from && to && { is: "range", from: from.formula, to: to.formula },
  ),
  on(p`(on|in|for) ${boardRule()} ,?`, ([board]) => (board === undefined ? undefined : { is: "board", board }), -0.1),
  on(p`(also|then|and then|after that|from there)`, () => ({ is: "gap", strong: true })),
  on(p`(.|;)`, () => ({ is: "gap", strong: true, stop: true })),
  on(p`(then|and then)`, () => ({ is: "gap", strong: true })),
  on(p`(,|:|and|-|->|=|with|by|, and|, then)`, () => ({ is: "gap", strong: false }), 0.2),
  on(p`${REMARK}`, () => ({ is: "remark" })),
  on(p`${PRESSING}`, ([way]) => way && { is: "pressed", way }),
  on(p`${WHICH}`, ([which]) => (which === undefined ? undefined : { is: "which", which })),
  on(p`(draw|rule|square|run|drop|make|put|mark) (in)? (a|an|another|new)? ${KIND_OF_LINE}? line`, () => ({ is: "draws" }), 0.4),
  on(p`(a|an|another|new) ${KIND_OF_LINE}? line`, () => ({ is: "draws" }), 0.5),
  on(p`${KIND_OF_LINE} line`, () => ({ is: "draws" }), 0.6),
  on(p`dashed line`, () => ({ is: "draws", dashed: true }), 0.3),
  on(p`${MANNER}`, ([manner]) => manner && { is: "manner", manner }),
  ...ACTS.map((one) => on(p`${one}`, ([found]) => found && ({ is: "act", act: found } as const))),
);

function boardRule(): Saying<string> {
  return saying<string>("board").said({
    starts: ({ tokens, ground }, at) => {
      const words = tokens[at]?.text;
      const board = ground.boards.find((b) => b.words === words);
      return board ? [{ value: board.key, to: at + 1, cost: 0 }] : [];
    },
  });
}
