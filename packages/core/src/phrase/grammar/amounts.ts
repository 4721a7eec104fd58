import type { Chart } from "../chart/chart.js";
import { pointText } from "../../verb/form.js";
import { measurementCalled } from "../../body/index.js";
import { figureCalled, type Ground } from "../ground/ground.js";
import { type Amount, type Bond, COMES_ALONG, type Line } from "../meaning.js";
import { FIGURE, MEASURED, SHARE, type Share, UNIT } from "./figures.js";
import { AMOUNT, LINE, PLACED } from "./main-rules.js";
import { CLOSE, on, oneOf, OPEN, p, saying, wordsRow } from "./rules.js";

const amount = (formula: string, bond: Bond, more: Partial<Amount> = {}): Amount => ({ formula, bond, ...more });
const one = (formula: string): Amount => amount(formula, "one");

/** In brackets when it is a sum: more is done to the whole of it. */
export const bracketed = ({ formula, bond }: Amount): string => (bond === "sum" ? `(${formula})` : formula);

const doubts = (...of: (Amount | undefined)[]): Partial<Amount> => {
  const found = of.find((a) => a?.doubt ?? a?.unknown);
  return { ...(found?.doubt ? { doubt: found.doubt } : {}), ...(found?.unknown === undefined ? {} : { unknown: found.unknown }) };
};

const shared = (of: Amount, { top, under }: Share): Amount =>
  amount(`${top === 1 ? "" : `${top}*`}${bracketed(of)}/${under}`, "product", doubts(of));
const times = (of: Amount, by: string): Amount => amount(`${by}*${bracketed(of)}`, "product", doubts(of));
const divided = (of: Amount, by: string): Amount =>
  amount(`${bracketed(of)}/${by.includes(" ") || by.includes("/") ? `(${by})` : by}`, "product", doubts(of));
export const negative = (of: Amount): string => (of.bond === "sum" ? `-(${of.formula})` : `-${of.formula}`);

/** A measurement, a setting or a value by its name. */
const MEASURE = saying<Amount>("measurement").said(
  ...wordsRow<Amount>("known measurement", 4, (words, ground) => {
    const figure = figureCalled(ground, words);
    return figure && one(figure.key);
  }).ways,
  // One that people know and the system does not ask for yet comes along with the sentence.
  ...wordsRow<Amount>(
    "measurement that comes along",
    4,
    (words, ground) => {
      const measure = figureCalled(ground, words) ? undefined : measurementCalled(words);
      // Where a line is called so, its length is meant rather than what the body measures there.
      if (measure && ground.lines.some((line) => line.words === words || line.words.endsWith(` ${words}`))) return undefined;
      return measure && one(`${COMES_ALONG}${measure.key}`);
    },
    0.4,
  ).ways,
  ...wordsRow<Amount>(
    "measurement that is not there",
    3,
    (words, ground) =>
      !figureCalled(ground, words) &&
      !measurementCalled(words) &&
      /^(?!(?:out|in|up|down|from|to|by|of|at|on)\b)\w+(?: \w+)? (?:length|girth|measurement|width|depth)$/.test(words)
        ? amount("0", "one", { unknown: words })
        : undefined,
    3,
  ).ways,
);

/** The way from one point to another, as an amount. */
const DISTANCE = saying<Amount>("distance").said(
  on(p`${PLACED} - ${PLACED}`, ([a, b]) => between(a, b), 0.2),
  on(p`(distance|measure|width|length|space)? (from|between) ${PLACED} (to|and|-) ${PLACED}`, ([a, b]) => between(a, b), 0.4),
  on(p`${PLACED} to ${PLACED}`, ([a, b]) => between(a, b), 0.6),
  on(p`(depth|height|drop|rise) (from|between|of) ${PLACED} (to|and|-|below|above) ${PLACED}`, ([a, b]) =>
    a && b ? one(`drop(${pointText(a)}, ${pointText(b)})`) : undefined,
  ),
  on(
    p`(same|same distance|as far|as much|as long|same amount|same measure|distance) as (is|it is|that)? (from|between)? ${PLACED} (to|and|-) ${PLACED}`,
    ([a, b]) => between(a, b),
  ),
  on(p`(whatever|what) (we|you|i|is|there)? (have|is|got|measure|measured)? (from|between) ${PLACED} (to|and) ${PLACED}`, ([a, b]) =>
    between(a, b),
  ),
  on(p`as (far|much) (down)? as ${PLACED} (lies|is|comes|stands|sits) below ${PLACED}`, ([a, b]) =>
    a && b ? one(`drop(${pointText(b)}, ${pointText(a)})`) : undefined,
  ),
  on(p`as (far|much) (up)? as ${PLACED} (lies|is|comes|stands|sits) (above|over) ${PLACED}`, ([a, b]) =>
    a && b ? one(`drop(${pointText(a)}, ${pointText(b)})`) : undefined,
  ),
  on(p`as (far|much) (out)? as ${PLACED} (lies|is|comes|stands|sits) (out|outside|beyond) (from|of)? ${PLACED}`, ([a, b]) =>
    a && b ? one(`across(${pointText(b)}, ${pointText(a)})`) : undefined,
  ),
);

const between = (a: string | undefined, b: string | undefined): Amount | undefined =>
  a === undefined || b === undefined || a === b ? undefined : one(`dist(${pointText(a)}, ${pointText(b)})`);

const lengthOf = (line: Line | undefined, ground: Ground): Amount | undefined =>
  line && ground.darts.some(({ key }) => key === line.path) ? undefined : lengthOfLine(line);
const lengthOfLine = (line: Line | undefined): Amount | undefined =>
  line &&
  (line.unknown === undefined
    ? line.path !== undefined || !line.ends
      ? one(`len(${line.path !== undefined && !line.straight ? nameOf(line) : (line.path ?? line.text)})`)
      : one(`dist(${pointText(line.ends[0])}, ${pointText(line.ends[1])})`)
    : amount("0", "one", { unknown: line.unknown }));

/** A line that is drawn is named as it is drawn, so that it need not wait for its piece. */
const nameOf = (line: Line): string => (/^[a-z]/.test(line.text) && !line.text.startsWith("line ") ? line.text : (line.path ?? line.text));

const LENGTH_OF = saying<Amount>("length of a line").said(
  on(p`(whole|full)? (length|measure|measurement) of (whole)? ${LINE}`, ([line], g) => lengthOf(line, g)),
  on(p`as long as ${LINE} (is)?`, ([line], g) => lengthOf(line, g)),
  // The waist line by itself is a place; only its length is a length.
  on(
    p`(whole)? ${LINE}`,
    ([line], g) => (line?.straight === true && line.path !== undefined && line.piece === undefined ? undefined : lengthOf(line, g)),
    1.5,
  ),
);

const SAME_AS_BEFORE = saying<Amount>("the same").said(
  on(p`(by)? (same amount|same distance|same again|same|that much|as much|that amount|exactly that much|this much|as far again)`, () =>
    amount("0", "one", { same: true }),
  ),
);

const BRACKET = saying<Amount>("in brackets");
/** One part of a sum, before what is done to it afterwards. */
const PRIMARY = saying<Amount>("amount of one");
const SHARED = saying<Amount>("share of an amount");
const DIFFERENCE = saying<Amount>("difference");
const SUM = saying<Amount>("sum");

PRIMARY.said(
  on(p`${MEASURED}`, ([text = ""]) => one(text)),
  {
    starts: (chart, at) =>
      chart
        .parse(FIGURE, at)
        .flatMap(({ value, to, cost }) =>
          onTape(value) && !isLastName(chart, at, to)
            ? [{ value: amount(value, "one", { plain: true }), to, cost: cost + 0.2 + (goesOn(chart, to) ? 1.5 : 0) }]
            : [],
        ),
  },
  {
    // A fraction by itself: what stands behind it is no unit and no measurement.
    starts: (chart, at) =>
      chart.parse(SHARE, at).flatMap(({ value, to, cost }) => {
        // "Half to the side": a half alone is no length.
        if (chart.tokens[at]?.kind === "word" && to === at + 1) return [];
        if (!onTape(`1/${value.under}`)) return [];
        const article = ["a", "an", "one", "of"].includes(chart.tokens[to]?.text ?? "") ? 1 : 0;
        if (chart.parse(UNIT, to + article).some(({ to: end }) => end > to && chart.tokens[to + article]?.text !== "in")) return [];
        return [{ value: one(`${value.top}/${value.under}`), to, cost: cost + 0.45 }];
      }),
  },
  {
    // One word that is no figure of the system is rather what the place is called.
    starts: (chart, at) =>
      chart.parse(MEASURE, at).flatMap(({ value, to, cost }) => {
        const along = value.formula.startsWith(COMES_ALONG);
        if (along && to === at + 1) return [];
        return [{ value, to, cost: cost + (along ? 1.2 : 0) }];
      }),
  },
  on(p`${SHARED}`, ([of]) => of),
  on(p`${DISTANCE}`, ([of]) => of),
  on(p`${LENGTH_OF}`, ([of]) => of),
  on(p`${SAME_AS_BEFORE}`, ([of]) => of),
  on(p`${BRACKET}`, ([of]) => of),
  on(p`${DIFFERENCE}`, ([of]) => of),
);
/** "Two and a half": the figure is not over. */
const goesOn = ({ tokens }: Chart<Ground>, to: number): boolean =>
  tokens[to]?.text === "and" &&
  ["a", "half", "quarter", "one", "three", "an"].includes(tokens[to + 1]?.text ?? "") &&
  tokens[to + 2]?.kind === "word";

/** A bare whole number behind a colon that ends the sentence is the name of a point: `…: 13.` */
const isLastName = ({ tokens, ground }: Chart<Ground>, at: number, to: number): boolean =>
  tokens[at - 1]?.text === ":" &&
  (to === tokens.length || (to === tokens.length - 1 && tokens[to]?.text === ".")) &&
  /^\d+$/.test(tokens[at]?.value ?? "") &&
  Number(tokens[at]?.value) > 9 &&
  !ground.points.has(tokens[at]?.value ?? "");

/** A tape has halves, quarters, eighths and sixteenths: a bare third is a share of something, no length. */
const onTape = (figure: string): boolean => [undefined, "2", "4", "8", "16", "32"].includes(figure.split("/")[1]);

BRACKET.said(on(p`${OPEN} ${SUM} ${CLOSE}`, ([, of]) => of));

/** What a share is taken of. */
const WHOLE = saying<Amount>("what is shared").said(
  on(p`${MEASURE} (measurement|measure)?`, ([of]) => of),
  on(p`${DISTANCE}`, ([of]) => of, 0.1),
  on(p`${LENGTH_OF}`, ([of]) => of, 0.1),
  on(p`${DIFFERENCE}`, ([of]) => of),
  on(p`${SHARED}`, ([of]) => of, 0.1),
  on(p`${OPEN} ${SUM} ${CLOSE}`, ([, of]) => of),
);

SHARED.said(
  on(p`${SHARE} (of)? ${WHOLE}`, ([share, of]) => share && of && shared(of, share)),
  on(p`${SHARE} (of)? ${MEASURE} and (then)? halve (that|it) (again)?`, ([share, of]) =>
    share && of ? shared(of, { ...share, under: share.under * 2 }) : undefined,
  ),
  on(p`(twice|double|two times) ${WHOLE}`, ([of]) => of && times(of, "2")),
  on(p`(three times|thrice) ${WHOLE}`, ([of]) => of && times(of, "3")),
  on(p`${FIGURE} (times|*|x) ${WHOLE}`, ([by = "", of]) => of && times(of, decimal(by))),
  on(p`${FIGURE} (%|percent|per cent) (of)? ${WHOLE}`, ([by = "", of]) => of && times(of, percent(by))),
  on(p`${MEASURE} (*|x) ${MEASURE}`, ([a, b]) => a && b && amount(`${a.formula}*${b.formula}`, "product", doubts(a, b)), 0.5),
);

function decimal(figure: string): string {
  const [whole = "", part] = figure.split(" ");
  if (part === undefined) return whole.includes("/") ? `(${whole})` : whole;
  const [top = 0, under = 1] = part.split("/").map(Number);
  return String(Number(whole) + top / under);
}

const percent = (figure: string): string => String(Number((Number(figure) / 100).toFixed(6)));

const DIVIDED = saying<Amount>("divided").said(
  on(p`${PRIMARY}`, ([of]) => of),
  on(p`${PRIMARY} (divided by|/) ${FIGURE}`, ([of, by = "1"]) => of && divided(of, decimal(by).replace(/[()]/g, "")), 0.05),
  on(p`${PRIMARY} over ${FIGURE}`, ([of, by = "1"]) => (of && Number(by) <= 24 ? divided(of, by) : undefined), 0.3),
  on(p`${PRIMARY} (*|times) ${FIGURE}`, ([of, by = "1"]) => (of && !of.plain ? times(of, decimal(by)) : undefined), 0.05),
);

DIFFERENCE.said(
  on(
    p`add ${DIVIDED} (of ease|ease|for ease)? to ${DIVIDED}`,
    ([a, b]) => a && b && amount(`${b.formula} + ${a.formula}`, "sum", doubts(a, b)),
    0.2,
  ),
  on(
    p`difference (between|of) ${DIVIDED} and ${DIVIDED}`,
    ([a, b]) => a && b && amount(`${a.formula} - ${bracketed(b)}`, "sum", doubts(a, b)),
  ),
  on(p`(sum|total) of ${DIVIDED} and ${DIVIDED}`, ([a, b]) => a && b && amount(`${a.formula} + ${b.formula}`, "sum", doubts(a, b))),
  on(
    p`${DIVIDED} and ${DIVIDED} (together|added|added together)`,
    ([a, b]) => a && b && amount(`${a.formula} + ${b.formula}`, "sum", doubts(a, b)),
  ),
  on(p`${DIVIDED} and ${DIVIDED} difference`, ([a, b]) => a && b && amount(`${a.formula} - ${bracketed(b)}`, "sum", doubts(a, b))),
);

const SIGN = oneOf<"+" | "-">("sign", { plus: "+", "+": "+", add: "+", minus: "-", less: "-", "-": "-" });
/** What joins two parts of a sum. */
const OPERATOR = saying<"+" | "-">("plus or minus").said(
  on(p`,? ${SIGN}`, ([sign]) => sign),
  on(p`,? (then|and|and then)? (add|adding|plus) (on)?`, () => "+", 0.1),
  on(p`,? (then|and|and then)? (take|taking|taken) (away|off)`, () => "-", 0.05),
  on(p`,? (then|and|and then)? (subtract|subtracting|minus|less|take off)`, () => "-", 0.05),
  on(p`and`, () => "+", 0.9),
  on(p`with`, () => "+", 1),
);

/** A fraction in words behind a measurement: of the unit, or of what was measured? */
const DOUBTFUL = saying<Share>("a bare fraction").said({
  starts: (chart, at) => chart.parse(SHARE, at).filter(() => chart.tokens[at]?.kind === "word"),
});

const TAIL = saying<(left: Amount) => Amount | undefined>("rest of a sum");
TAIL.said(
  on(p`${OPERATOR} ${DIVIDED}`, ([sign = "+", right]) => right && added(sign, right)),
  on(p`${OPERATOR} ${DIVIDED} ${TAIL}`, ([sign = "+", right, rest]) => {
    if (!right || !rest) return undefined;
    return (left) => {
      const sum = added(sign, right)(left);
      return sum && rest(sum);
    };
  }),
  on(
    p`${OPERATOR} ${DOUBTFUL}`,
    ([sign = "+", share]) =>
      share &&
      ((left) => {
        const whole = /\b([a-z_]+)\b/.exec(left.formula)?.[1];
        if (whole === undefined || left.bond !== "product") return undefined;
        const sum = `${left.formula} ${sign} ${share.top}/${share.under}`;
        const said = `${share.top}/${share.under}`;
        return amount(sum, "sum", {
          doubt: {
            question: `${said} of the unit, or ${said} of ${whole.replace(/_/g, " ")}?`,
            or: `${left.formula} ${sign} ${share.top === 1 ? "" : `${share.top}*`}${whole}/${share.under}`,
          },
        });
      }),
    -0.1,
  ),
  // "Half the waist plus one inch divided by two": the whole, or the inch?
  on(
    p`${OPERATOR} ${PRIMARY} divided by ${FIGURE}`,
    ([sign = "+", right, by = "1"]) => {
      if (!right) return undefined;
      return (left) => {
        const whole = `(${left.formula} ${sign} ${bracketed(right)})/${by}`;
        return amount(whole, "product", {
          doubt: {
            question: `Is the whole divided by ${by}, or only ${right.formula}?`,
            or: `${left.formula} ${sign} ${bracketed(right)}/${by}`,
          },
        });
      };
    },
    -0.1,
  ),
);

const added =
  (sign: "+" | "-", right: Amount) =>
  (left: Amount): Amount | undefined =>
    // "5-6" is a line, not a sum.
    left.plain === true && sign === "-"
      ? undefined
      : amount(`${left.formula} ${sign} ${sign === "-" ? bracketed(right) : right.formula}`, "sum", doubts(left, right));

/** What is done to the whole of an amount afterwards. */
const AFTER = saying<(left: Amount) => Amount>("done to the whole").said(
  on(
    p`,? (whole|all of it|all|all that|sum|result|it all|total) (is)? divided by ${FIGURE}`,
    ([by = "1"]) =>
      (left) =>
        divided(left, by),
  ),
  on(
    p`, (whole|all of it|all|all that|sum|result|it all|total)? (is)? divided by ${FIGURE}`,
    ([by = "1"]) =>
      (left) =>
        divided(left, by),
  ),
  on(
    p`,? (and)? (then)? divide (it|that|whole|all of it|result|sum)? by ${FIGURE}`,
    ([by = "1"]) =>
      (left) =>
        divided(left, by),
  ),
  on(p`,? (and)? (then)? halve (it|that|whole|all of it|result|sum) (again)?`, () => (left) => divided(left, "2")),
  on(p`,? (and)? (then)? quarter (it|that|whole|all of it|result|sum)`, () => (left) => divided(left, "4")),
  on(p`, halved`, () => (left) => divided(left, "2")),
);

SUM.said(
  on(p`${DIVIDED}`, ([of]) => of),
  on(p`${DIVIDED} ${TAIL}`, ([of, rest]) => of && rest?.(of)),
  on(
    p`${DIVIDED} (more|longer|wider|bigger|larger|deeper) than ${DIVIDED}`,
    ([more, of]) => more && of && amount(`${of.formula} + ${more.formula}`, "sum", doubts(more, of)),
  ),
  on(
    p`${DIVIDED} (less|shorter|narrower|smaller) than ${DIVIDED}`,
    ([less, of]) => less && of && amount(`${of.formula} - ${bracketed(less)}`, "sum", doubts(less, of)),
  ),
);

/** What a figure of one's own comes to, said in passing: it is never laid off. */
const REMARKED_SUM = saying<true>("sum in passing").said(
  on(p`,? (which|that) (is|comes to|makes|gives|gives me) (about)? ${MEASURED}`, () => true),
  on(p`,? (which is|which comes to|which makes|that comes to|that makes|that gives|that gives me) (about)? ${FIGURE}`, () => true),
  on(p`,? mine is ${FIGURE} (so)? (call (it|that) ${FIGURE})? ,?`, () => true),
  on(
    p`,? (for me|on me|in my case|in this case|on this body|on her|on him) (that is|it is|it comes to|that comes to)? ${FIGURE} ,?`,
    () => true,
  ),
  on(
    p`,? (which|that|it) (is|comes to|makes|gives|gives me|works out at) (about)? (${MEASURED}|${FIGURE}) (for me|on me|in my case|in this case|on this body|here) ,?`,
    () => true,
  ),
);

const TAKEN = saying<Amount>("amount that is worked out in steps");
const MORE = saying<(left: Amount) => Amount>("more done to it");
MORE.said(
  on(p`${REMARKED_SUM} ${MORE}`, ([, more]) => more),
  on(p`${REMARKED_SUM}`, () => (left) => left),
  on(p`${AFTER}`, ([after]) => after),
  on(p`${TAIL}`, ([tail]) => tail && ((left: Amount) => tail(left) ?? left)),
  on(p`${AFTER} ${MORE}`, ([after, more]) => after && more && ((left: Amount) => more(after(left)))),
  on(p`${TAIL} ${MORE}`, ([tail, more]) => tail && more && ((left: Amount) => more(tail(left) ?? left))),
);
TAKEN.said(
  on(p`(work out|find|calculate|reckon|add up|get|start with|use) (a)? ${SUM} ,? ${MORE}`, ([of, more]) => of && more?.(of)),
  on(
    p`take ${DIVIDED} (from|away from|off) ${DIVIDED}`,
    ([less, of]) => less && of && amount(`${of.formula} - ${bracketed(less)}`, "sum", doubts(less, of)),
  ),
  on(
    p`(take|subtract) ${DIVIDED} (from|away from|off) ${DIVIDED} ,? ${MORE}`,
    ([less, of, more]) => less && of && more?.(amount(`${of.formula} - ${bracketed(less)}`, "sum", doubts(less, of))),
  ),
  on(p`add ${DIVIDED} (to|onto) ${DIVIDED} (,? ${MORE})?`, ([more, of, then]) => {
    const sum = more && of && amount(`${of.formula} + ${more.formula}`, "sum", doubts(more, of));
    return sum && (then ? then(sum) : sum);
  }),
  on(p`take (a)? ${SUM} ,? ${MORE}`, ([of, more]) => of && more?.(of)),
  on(p`take (a)? ${SUM}`, ([of]) => of, 0.2),
);

/** An amount, with all that is done to it. */
export const AMOUNTS = AMOUNT.said(
  on(p`${SUM}`, ([of]) => of),
  on(p`${SUM} ${AFTER}`, ([of, after]) => of && after?.(of)),
  on(p`${SUM} ${REMARKED_SUM}`, ([of]) => of),
  on(p`${SUM} ${REMARKED_SUM} ,? ${TAIL}`, ([of, , tail]) => of && tail?.(of)),
  // "Bust divided by four, that is nine and a half, plus an inch": the nine is said in passing only before more is done.
  on(p`${SUM} , that is (${MEASURED}|${FIGURE}) ${TAIL}`, ([of, , , tail]) => of && tail?.(of), 0.4),
  on(p`${TAKEN}`, ([of]) => of),
);
