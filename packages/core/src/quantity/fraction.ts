/** The single-character fractions people and keyboards produce, with their values. */
export const VULGAR: Readonly<Record<string, number>> = {
  "¼": 1 / 4,
  "½": 1 / 2,
  "¾": 3 / 4,
  "⅓": 1 / 3,
  "⅔": 2 / 3,
  "⅛": 1 / 8,
  "⅜": 3 / 8,
  "⅝": 5 / 8,
  "⅞": 7 / 8,
};

/** A whole number and a fraction in lowest terms; `numerator` 0 means there is no fraction. */
export interface Mixed {
  negative: boolean;
  whole: number;
  numerator: number;
  denominator: number;
}

/** The nearest mixed fraction with the given denominator (halves away from zero), in lowest terms. */
export function nearestMixed(value: number, denominator: number): Mixed {
  const parts = Math.round(Math.abs(value) * denominator);
  let numerator = parts % denominator;
  let lowest = denominator;
  while (numerator > 0 && numerator % 2 === 0 && lowest % 2 === 0) {
    numerator /= 2;
    lowest /= 2;
  }
  return { negative: value < 0 && parts > 0, whole: Math.floor(parts / denominator), numerator, denominator: lowest };
}

/** `7 3/8`, `1/2`, `-4`, `0`: whole and fraction stay together by a no-break space when `joined`. */
export function mixedText(mixed: Mixed, joined = false): string {
  const sign = mixed.negative ? "-" : "";
  if (mixed.numerator === 0) return `${sign}${mixed.whole}`;
  const fraction = `${mixed.numerator}/${mixed.denominator}`;
  if (mixed.whole === 0) return sign + fraction;
  return `${sign}${mixed.whole}${joined ? "\u00a0" : " "}${fraction}`;
}
