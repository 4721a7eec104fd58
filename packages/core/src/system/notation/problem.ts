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

/** What a problem is and what to do, in one line without its place. */
export const problemSaid = (p: NotationProblem): string =>
  [p.why, p.fix, ...(p.instead === undefined ? [] : [`Write it as: ${p.instead}`])].filter((s) => s !== "").join(" ");

/** A problem as one sentence with its place. */
export const problemText = (p: NotationProblem): string => `line ${p.line}, column ${p.column}: ${problemSaid(p)}`;
