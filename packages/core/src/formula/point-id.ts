/**
 * How a point is called, as the source of a pattern: a number, with or without letters before it (`12`, `B3`, `F7g1`), or letters
 * alone (`A`, `AB`), then always written with `#`. The legs of a dart and the last step of a grading carry its letters on (`Aa`, `Agn`).
 */
export const POINT_ID = "[A-Za-z]*[0-9]+[a-z0-9']*|[A-Z]{1,2}(?:[ab]|gn)?'?";

/** A point where it may stand without `#`: its capital letters are followed by a figure. */
const POINT_WITH_CAPITAL = "[A-Z]+[0-9]+[a-z0-9']*";

const POINT = new RegExp(`^(?:#(?:${POINT_ID})|${POINT_WITH_CAPITAL})$`);

/** Whether a word is a point as the notation writes it: `#12`, `#A`, `B3`. */
export const isPointText = (word: string): boolean => POINT.test(word);

/** What the paper calls a step by its name in the notation: `12` for `#12`, nothing for a line or a value. */
export const pointOnPaper = (name: string): string => (isPointText(name) ? name.replace("#", "") : "");
