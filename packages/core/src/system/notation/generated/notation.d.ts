/** The compiled grammar beside it; see notation.peggy. Throws a SyntaxError with `location` and `found`. */
export function parse(text: string, options: { startRule: string }): unknown;
