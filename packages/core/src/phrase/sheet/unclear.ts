/** A sentence that is understood as far as that something is missing or cannot be: a question, or why not. */
export class Unclear extends Error {
  constructor(
    readonly status: "ask" | "refused",
    readonly said: string,
    /** How it can be said so that it is clear, with her own words and figures. */
    readonly offers: readonly string[] = [],
  ) {
    super(said);
  }
}

/** What names a point that has no name yet cannot be offered. */
const sayable = (offers: readonly string[]): readonly string[] => offers.filter((offer) => !offer.includes("⟨"));

export const ask = (question: string, ...offers: string[]): Unclear => new Unclear("ask", question, sayable(offers));
export const refuse = (why: string, ...offers: string[]): Unclear => new Unclear("refused", why, offers);

/** The words do not go together in this way: another reading may fit. */
export class NotSo extends Error {}
/** Thrown thousands of times for a sentence: made once. */
export const NOT_SO = new NotSo();
