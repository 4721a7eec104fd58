import { onScopeDispose, type Ref, ref } from "vue";
import { reportFault } from "../ui/faults.js";
import type { Answered, Asked } from "./messages.js";

/** A worker that a page asks. */
export interface Asker<Q> {
  /** Asks; what was asked before is answered no more. */
  readonly ask: (question: Q) => void;
  /** True until the newest question is answered wholly, or failed. */
  readonly asking: Readonly<Ref<boolean>>;
  /** Why the newest question was not answered; empty when it was. */
  readonly failed: Readonly<Ref<string>>;
}

/**
 * Asks a worker, one question at a time: an answer to an older one is dropped. A worker that throws, or cannot be loaded, is
 * reported, and the next question begins another. It ends with the scope it is opened in.
 *
 * @example const { ask, asking } = useWorker<number, number>(() => new SquareWorker(), (square) => (result.value = square));
 */
export function useWorker<Q, A>(open: () => Worker, take: (part: A) => void): Asker<Q> {
  const asking = ref(false);
  const failed = ref("");
  let worker: Worker | undefined;
  let newest = 0;

  function fail(why: string): void {
    failed.value = why;
    asking.value = false;
    reportFault(new Error(why), "a worker");
  }

  function begin(): Worker {
    const opened = open();
    opened.addEventListener("message", ({ data }: MessageEvent<Answered<A>>) => {
      if (data.id !== newest) return;
      if (data.answer !== undefined) take(data.answer);
      if (data.failed !== undefined) fail(data.failed);
      else if (data.done) asking.value = false;
    });
    const broke = (event: Event): void => {
      opened.terminate();
      if (worker === opened) worker = undefined;
      fail((event as ErrorEvent).message || "The part of Lodrin that works this out could not be started.");
    };
    opened.addEventListener("error", broke);
    opened.addEventListener("messageerror", broke);
    return opened;
  }

  onScopeDispose(() => worker?.terminate());
  return {
    ask: (question) => {
      newest += 1;
      asking.value = true;
      failed.value = "";
      worker ??= begin();
      worker.postMessage({ id: newest, question } satisfies Asked<Q>);
    },
    asking,
    failed,
  };
}
