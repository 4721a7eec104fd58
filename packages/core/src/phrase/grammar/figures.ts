import type { HomeUnit, LengthUnit } from "../../quantity/units.js";
import { on, oneOf, p, saying } from "./rules.js";

const SMALL =
  "zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen".split(
    " ",
  );
const TENS = "twenty thirty forty fifty sixty seventy eighty ninety".split(" ");
const PARTS = "half third quarter fourth fifth sixth seventh eighth ninth tenth eleventh twelfth sixteenth twentieth".split(" ");
const PART_OF = [2, 3, 4, 4, 5, 6, 7, 8, 9, 10, 11, 12, 16, 20];

const ONES = oneOf("one to nineteen", Object.fromEntries(SMALL.map((word, n) => [word, n])));
const TEN = oneOf("twenty to ninety", Object.fromEntries(TENS.map((word, n) => [word, (n + 2) * 10])));

/** A whole number in words. */
export const COUNT_WORDS = saying<number>("number word").said(
  on(p`${ONES}`, ([n]) => n),
  on(p`${TEN}`, ([n]) => n),
  on(p`${TEN} -? ${ONES}`, ([tens = 0, ones = 0]) => (ones > 0 && ones < 10 ? tens + ones : undefined)),
  on(p`(a|one)? hundred`, () => 100),
);

const DIGITS = saying<string>("number").said({
  starts: ({ tokens }, at) => {
    const token = tokens[at];
    return token?.kind === "number" ? [{ value: token.value, to: at + 1, cost: 0 }] : [];
  },
});

/** A whole number, in figures or words. */
export const COUNT = saying<number>("count").said(
  on(p`${DIGITS}`, ([n = ""]) => (/^\d+$/.test(n) ? Number(n) : undefined)),
  on(p`${COUNT_WORDS}`, ([n]) => n),
  on(p`(a)? couple of?`, () => 2),
);

const PART = oneOf(
  "part",
  Object.fromEntries(PARTS.flatMap((word, i) => [word, word === "half" ? "halves" : `${word}s`].map((w) => [w, PART_OF[i] as number]))),
);

export interface Share {
  readonly top: number;
  readonly under: number;
}

/** A fraction in words or figures, also of more than one: `a quarter`, `three eighths`, `2/3`. */
export const SHARE = saying<Share>("share").said(
  on(p`(a|an|one)? -? ${PART}`, ([under = 1]) => ({ top: 1, under })),
  on(p`${COUNT_WORDS} -? ${PART}`, ([top = 0, under = 1]) => (top > 1 ? { top, under } : undefined)),
  on(p`${DIGITS}`, ([text = ""]) => {
    const [top, under] = text.split("/").map(Number);
    return /^\d+\/\d+$/.test(text) && top !== undefined && under ? { top, under } : undefined;
  }),
  on(p`${COUNT} ${PART}`, ([top = 0, under = 1]) => (top > 1 ? { top, under } : undefined)),
);

const shareText = ({ top, under }: Share): string => `${top}/${under}`;

/** A plain figure. In words it may have a fraction behind it. */
export const FIGURE = saying<string>("figure").said(
  on(p`${DIGITS}`, ([n]) => n),
  on(p`${COUNT_WORDS}`, ([n]) => String(n)),
  on(p`${COUNT_WORDS} and ${SHARE}`, ([n, share]) => (share && share.top < share.under ? `${n} ${shareText(share)}` : undefined)),
  on(p`${DIGITS} and ${SHARE}`, ([n = "", share]) =>
    share && share.top < share.under && /^\d+$/.test(n) ? `${n} ${shareText(share)}` : undefined,
  ),
  on(p`${COUNT_WORDS} point ${COUNT_WORDS}`, ([whole, part]) => `${whole}.${part}`),
);

const UNIT_WORDS: Readonly<Record<string, LengthUnit>> = {
  inch: "in",
  inches: "in",
  ins: "in",
  '"': "in",
  cm: "cm",
  cms: "cm",
  centimetre: "cm",
  centimetres: "cm",
  cent: "cm",
  mm: "mm",
  millimetre: "mm",
  millimetres: "mm",
  mil: "mm",
};

const UNIT_WORD = oneOf("unit word", UNIT_WORDS);
/** Units that are written with a full stop behind them. */
const SHORT_UNIT = oneOf<LengthUnit>("short unit", { ins: "in", cm: "cm", mm: "mm" });
export const UNIT = saying<LengthUnit>("unit").said(
  on(p`${SHORT_UNIT} .`, ([unit]) => unit, 0.02),
  on(p`${UNIT_WORD}`, ([unit]) => unit),
  on(p`in .`, () => "in"),
  on(p`in`, () => "in", 0.3),
  on(p`' '`, () => "in"),
);

const withUnit = (figure: string, unit: LengthUnit | undefined, home: HomeUnit): string =>
  unit === undefined || unit === home ? figure : `${figure}${unit}`;

/** A length with its unit said. */
export const MEASURED = saying<string>("length").said(
  on(p`${FIGURE} -? ${UNIT}`, ([figure = "", unit], { unit: home }) => withUnit(figure, unit, home)),
  on(p`${SHARE} -? (of)? (a|an|one)? ${UNIT}`, ([share, unit], { unit: home }) => share && withUnit(shareText(share), unit, home)),
  on(p`(a|an) ${UNIT}`, ([unit], { unit: home }) => withUnit("1", unit, home)),
  on(p`(a|an|one) ${UNIT} and ${SHARE}`, ([unit, share], { unit: home }) =>
    share && share.top < share.under ? withUnit(`1 ${shareText(share)}`, unit, home) : undefined,
  ),
  on(p`${COUNT} ${UNIT} and ${SHARE}`, ([n, unit, share], { unit: home }) =>
    share && share.top < share.under ? withUnit(`${n} ${shareText(share)}`, unit, home) : undefined,
  ),
  on(p`${COUNT} ${UNIT} ${SHARE}`, ([n, unit, share], { unit: home }) =>
    share && share.top < share.under ? withUnit(`${n} ${shareText(share)}`, unit, home) : undefined,
  ),
);

/** An angle, in degrees. */
export const DEGREES = saying<number>("angle").said(
  on(p`${FIGURE} (degrees|degree|deg|°)`, ([figure = ""]) => angleOf(figure)),
  on(p`(a)? right angle`, () => 90),
  on(p`(a|one)? quarter of? (a|the)? (way round|turn|circle|way around)`, () => 90),
  on(p`half (a|the)? (way round|turn|circle)`, () => 180),
);

function angleOf(figure: string): number | undefined {
  const [whole = "0", part] = figure.split(" ");
  const [top, under] = (part ?? (whole.includes("/") ? whole : "0/1")).split("/").map(Number);
  const n = (whole.includes("/") ? 0 : Number(whole)) + (top ?? 0) / (under || 1);
  return Number.isFinite(n) ? n : undefined;
}
