/** Facts printed on the first page. */
export interface PrintFacts {
  readonly title: string;
  /** Whose body, which system: one short line each. */
  readonly lines: readonly string[];
}
