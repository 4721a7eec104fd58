import type { Answered, Asked } from "./messages.js";

/**
 * Answers questions in a worker. `answer` calls `give` for each part of its answer; what it throws becomes the page's error.
 *
 * @example serve<number, number>((n, give) => give(n * n));
 */
export function serve<Q, A>(answer: (question: Q, give: (part: A) => void) => void | Promise<void>): void {
  const post = (message: Answered<A>): void => self.postMessage(message);
  self.addEventListener("message", ({ data }: MessageEvent<Asked<Q>>) => {
    const { id, question } = data;
    const whole = async (): Promise<void> => answer(question, (part) => post({ id, answer: part, done: false }));
    whole().then(
      () => post({ id, done: true }),
      (error: unknown) => post({ id, failed: (error as Error).message, done: true }),
    );
  });
}
