import { ACTS } from "../acts/acts.js";
import { PRESSING } from "../acts/darts.js";
import { WHICH } from "../acts/swinging.js";
import { MANNER } from "../acts/manner.js";
import type { Item } from "../clause.js";
import type { Ground } from "../ground/ground.js";
import type { Amount, Direction } from "../meaning.js";
import { AMOUNTS as AMOUNT } from "./amounts.js";
import { LINES as LINE } from "./lines.js";
import { DESCRIPTION, SPOTS as SPOT, midway } from "./spots.js";
import { COUNT, SHARE } from "./figures.js";
import { PLACED } from "./main-rules.js";
import { on, oneOf, p, saying, type Saying } from "./rules.js";
import { listOf } from "../chart/pattern.js";
import { HAND, HEADING, HEADING_WORD, UP_OR_DOWN } from "./headings.js";
import { BY_LETTERS, NAMING, NEW } from "./naming.js";
import { REMARK } from "./remarks.js";
import { CONDITION } from "./conditions.js";

const GO = oneOf<true>(
  "go",
  Object.fromEntries(
    "go going come comes coming move measure measured measuring mark marks step lay set put place take make squared squaring count walk travel find rule draw bring run goes drawn laid off get use sits is need want we have got do say locate located plot plotted pop taking going measuring squaring setting laying marking lies stands sits falls lands equals equal measures gives"
      .split(" ")
      .map((word) => [word, true as const]),
  ),
);

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

const AT_WILL = saying<true>("as one likes").said(
  on(
    p`(to taste|to choice|as you like|according to taste|as liked|as fashion goes|if you like|whichever you like|whichever you prefer|as you prefer|as you|as one pleases|at will|to suit|as wanted|as desired|as fashion wants)`,
    () => true,
  ),
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
  on(p`along from ${SPOT}`, ([spot]) => spot && { is: "from", spot }, 0.3),
  on(p`(that|this) is from ${SPOT}`, ([spot]) => spot && { is: "from", spot }, 0.4),
  on(p`(past|beyond|outside end at) ${SPOT}`, ([spot]) => spot && { is: "at", spot, beyond: true }, 0.2),
  on(p`${SPOT}`, ([spot]) => spot && { is: "spot", spot }, 0.3),
  on(p`(from|between|of)? ${CHAIN}`, ([spots = []]) => ({ is: "chain", spots, listed: spots.length > 2 }), 0.2),
  on(p`${SPOT} (-|to) ${NEW} ${MEASURES}?`, ([from, name]) => (from && name !== undefined ? { is: "pair", from, name } : undefined), -0.1),
  on(
    p`(distance)? (from|between) ${SPOT} (to|and) ${NEW} ${MEASURES}?`,
    ([from, name]) => (from && name !== undefined ? { is: "pair", from, name } : undefined),
    -0.1,
  ),
  on(p`(line)? ${BY_LETTERS} ${MEASURES}?`, ([pair]) => pair && { is: "pair", from: { id: pair[0] }, name: pair[1] }, -0.1),
  // "13 = 7 + 1/2 in. out": from a point, by so much.
  on(p`${NEW} (=|:|is|,) (point)? ${PLACED} (+|plus|and|,)`, ([name, id]) =>
    name === undefined || id === undefined ? undefined : { is: "pair", from: { id }, name },
  ),
  on(p`${HEADING}`, ([way]) => way && { is: "heading", way }),
  // The centre is where a board begins: beyond it lies the other half.
  on(p`,? (beyond|past|outside) (centre|centre front|centre back|fold) ,?`, () => ({ is: "heading", way: "in" }), 0.6),
  on(
    p`(to|on|at|toward|towards)? ${HAND} (-)? (hand|hand side|side)? ,? (when|while|as you|as you are|if you)? (facing|face|looking to|looking toward|looking towards|look to|going to|go to|walking to|walk to) ${PLACED}`,
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
  on(
    p`(is|about|around|say)? ${AMOUNT} -? (long|in length|deep|in depth|high|tall)`,
    ([amount]) => amount && { is: "amount", amount, as: "long" },
  ),
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
    p`(and)? (it|which)? (toward|towards|running toward|running towards|going towards|drawn towards|running to|in direction of|aimed at|aiming at|pointing to|pointing at|points to|points at|pointing towards|pointed at|ending at|finishing at|stopping at|pointing up to|up to|down to) ${SPOT}`,
    ([spot]) => spot && { is: "toward", spot },
  ),
  on(p`to ${SPOT}`, ([spot]) => spot && { is: "toward", spot }, 0.6),
  on(p`(with)? (its|dart)? (point|tip|apex|end|top) (is|at|on|reaches|:)? ${SPOT}`, ([spot]) => spot && { is: "toward", spot }, 0.5),
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
    p`${AT_WILL}? ,? (anything|any|anywhere|somewhere|something)? (from|between) ${AMOUNT} (to|and) ${AMOUNT} ,? ${AT_WILL}?`,
    ([, from, to]) => from && to && { is: "range", from: from.formula, to: to.formula },
  ),
  on(p`(on|in|for) ${boardRule()} ,?`, ([board]) => (board === undefined ? undefined : { is: "board", board }), -0.1),
  on(p`(also|then|and then|after that|from there)`, () => ({ is: "gap", strong: true })),
  on(p`, straight`, () => ({ is: "gap", strong: false }), 0.5),
  on(p`(.|;|?|!)`, () => ({ is: "gap", strong: true, stop: true })),
  on(p`(then|and then)`, () => ({ is: "gap", strong: true })),
  on(p`(,|:|and|-|->|=|with|by|, and|, then)`, () => ({ is: "gap", strong: false }), 0.2),
  // "Step 4:" counts the sentences; "The new neck point sits …" says which it is.
  on(p`(step|item) ${COUNT} (:|.|,)`, () => ({ is: "gap", strong: false }), 0.1),
  on(p`(new)? ${DESCRIPTION} (sits|lies|stands|falls|comes|goes)`, () => ({ is: "remark" }), 0.6),
  on(p`,? (usually|normally|mostly|commonly|generally|as a rule) ${AMOUNT}`, ([amount]) => amount && { is: "amount", amount }),
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
