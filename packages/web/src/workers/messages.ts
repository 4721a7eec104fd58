/** What a page asks a worker, under a number. */
export interface Asked<Q> {
  readonly id: number;
  readonly question: Q;
}

/** What a worker answers: a part of the answer, or why there is none. `done` with the last message of a question. */
export interface Answered<A> {
  readonly id: number;
  readonly answer?: A;
  readonly failed?: string;
  readonly done: boolean;
}
