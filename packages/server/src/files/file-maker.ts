import { availableParallelism } from "node:os";
import { Piscina } from "piscina";
import { busy, ProblemError } from "../http/problem.js";
import { FairQueue, QueueFull } from "./fair-queue.js";
import type { TextLooked, TextToLook } from "./look-through.js";
import type { CardToMake, FileToMake, MadeFile, makeCard } from "./make-file.js";
import type { WaitingFiles } from "./waiting-files.js";

/** What one file may take. */
const SECONDS = 20;
const MEGABYTES = 512;
/** More files waiting than this are turned away, to come again: of one account, and of all. */
const MOST_WAITING = { each: 24, all: 200 } as const;

/** Who waits for a file. */
export interface Waiter {
  readonly accountId: string;
  /** By which the place in the queue is asked for. */
  readonly ticket?: string | undefined;
  /** Aborted when nobody waits any more. */
  readonly signal?: AbortSignal | undefined;
}

/**
 * Makes files, and looks texts through, in threads of their own, so that no draft holds up the server; what takes too long or too
 * much is ended. The time runs from when the work begins; accounts take turns.
 */
export class FileMaker {
  private readonly pool: Piscina;
  private readonly queue: FairQueue;

  /** `worker` is the bundled `files/worker.ts`. */
  constructor(
    worker: string,
    private readonly seconds = SECONDS,
    private readonly waiting?: WaitingFiles,
  ) {
    const threads = Math.max(1, availableParallelism() - 1);
    this.pool = new Piscina({
      filename: worker,
      minThreads: 1,
      maxThreads: threads,
      idleTimeout: 60_000,
      // A module is loaded by import(), not by require(): Node ends the whole process when a thread that is just requiring one is ended.
      execArgv: [...process.execArgv, "--no-experimental-require-module"],
      resourceLimits: { maxOldGenerationSizeMb: MEGABYTES },
    });
    // The pool itself never queues: what is handed to it begins at once.
    this.queue = new FairQueue(threads, MOST_WAITING);
  }

  /** Throws ProblemError: 422 when the draft is too large or too much, 503 when too many wait. */
  async make(asked: FileToMake, waiter: Waiter): Promise<string | Uint8Array> {
    const made = (await this.run(asked, "default", waiter)) as MadeFile;
    if ("tooLarge" in made) throw new ProblemError(422, "Too large to print", made.tooLarge);
    return made.body;
  }

  /** Looks a text through before it is published. Throws ProblemError likewise. */
  async look(text: TextToLook, accountId: string): Promise<TextLooked> {
    return (await this.run(text, "lookThrough", { accountId })) as TextLooked;
  }

  /** What the card of a draft says and shows. Throws ProblemError likewise. */
  async draftCard(draft: CardToMake, accountId: string): Promise<ReturnType<typeof makeCard>> {
    return (await this.run(draft, "makeCard", { accountId })) as ReturnType<typeof makeCard>;
  }

  /** How many files are made before one that waits; null when it does not wait. */
  async ahead(ticket: string, accountId: string): Promise<number | null> {
    return (await this.waiting?.ahead(ticket, accountId)) ?? null;
  }

  private async run(task: FileToMake | TextToLook | CardToMake, name: string, { accountId, ticket, signal }: Waiter): Promise<unknown> {
    // The row is written while the file waits; it is taken away only when it was.
    let row: Promise<void> | undefined;
    const onQueued = (): void => void (row = ticket === undefined ? undefined : this.waiting?.add(ticket, accountId));
    const done = async (): Promise<void> => {
      if (row && ticket !== undefined) await row.then(() => this.waiting?.remove(ticket));
    };
    const work = async (): Promise<unknown> => {
      void done().catch(() => undefined);
      return this.pool.run(task, { name, signal: AbortSignal.timeout(this.seconds * 1_000) });
    };
    try {
      return await this.queue.run(accountId, work, { signal, onQueued });
    } catch (error) {
      if (signal?.aborted) await done();
      throw this.asProblem(error);
    }
  }

  private asProblem(error: unknown): unknown {
    if (error instanceof QueueFull)
      return busy(
        error.whose === "owner" ? `${MOST_WAITING.each} of your files are waiting already.` : "Many files are being made just now.",
      );
    const { name, code } = error as { name?: string; code?: string };
    const fix = "Check its measurements and settings: one of them is far from what a body or its author gave.";
    if (name === "AbortError" || name === "TimeoutError")
      return new ProblemError(422, "Too much to draw", `This took longer than ${this.seconds} seconds and was ended. ${fix}`);
    if (code === "ERR_WORKER_OUT_OF_MEMORY")
      return new ProblemError(422, "Too much to draw", `This took more memory than a draft may and was ended. ${fix}`);
    return error;
  }

  close(): Promise<void> {
    return this.pool.destroy();
  }
}
