/** Something wrong with a system's text, at its place, with what to write instead. Lines and columns count from 1. */
export interface NotationProblem {
  readonly line: number;
  readonly column: number;
  readonly length: number;
  readonly why: string;
  readonly fix: string;
  /** The line as it should stand, made from what was typed, where that can be told. */
  readonly instead?: string | undefined;
}

/** A problem as one sentence with its place. */
export const problemText = (p: NotationProblem): string =>
  `line ${p.line}, column ${p.column}: ${[p.why, p.fix, ...(p.instead === undefined ? [] : [`Write it as: ${p.instead}`])].filter((s) => s !== "").join(" ")}`;
