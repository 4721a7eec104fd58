import { availableParallelism } from "node:os";
import { Piscina } from "piscina";
import { busy, ProblemError } from "../http/problem.js";
import type { TextLooked, TextToLook } from "./look-through.js";
import type { FileToMake, MadeFile } from "./make-file.js";

/** What one file may take. */
const SECONDS = 20;
const MEGABYTES = 512;
/** More files waiting than this are turned away, to come again. */
const MOST_WAITING = 100;

/** Makes files, and looks texts through, in threads of their own, so that no draft holds up the server; what takes too long or too much is ended. */
export class FileMaker {
  private readonly pool: Piscina;

  /** `worker` is the bundled `files/worker.ts`. */
  constructor(
    worker: string,
    private readonly seconds = SECONDS,
  ) {
    this.pool = new Piscina({
      filename: worker,
      minThreads: 1,
      maxThreads: Math.max(1, availableParallelism() - 1),
      idleTimeout: 60_000,
      maxQueue: MOST_WAITING,
      resourceLimits: { maxOldGenerationSizeMb: MEGABYTES },
    });
  }

  /** Throws ProblemError: 422 when the draft is too large or too much, 503 when too many wait. */
  async make(asked: FileToMake): Promise<string | Uint8Array> {
    const made = (await this.run(asked, "default")) as MadeFile;
    if ("tooLarge" in made) throw new ProblemError(422, "Too large to print", made.tooLarge);
    return made.body;
  }

  /** Looks a text through before it is published. Throws ProblemError likewise. */
  async look(text: TextToLook): Promise<TextLooked> {
    return (await this.run(text, "lookThrough")) as TextLooked;
  }

  private async run(task: FileToMake | TextToLook, name: "default" | "lookThrough"): Promise<unknown> {
    if (this.pool.queueSize >= MOST_WAITING) throw busy("Many files are being made just now.");
    try {
      return await this.pool.run(task, { name, signal: AbortSignal.timeout(this.seconds * 1_000) });
    } catch (error) {
      throw this.asProblem(error);
    }
  }

  private asProblem(error: unknown): unknown {
    const { name, code } = error as { name?: string; code?: string };
    const fix = "Check its measurements and settings: one of them is far from what a body or its author gave.";
    if (name === "AbortError")
      return new ProblemError(422, "Too much to draw", `This took longer than ${this.seconds} seconds and was ended. ${fix}`);
    if (code === "ERR_WORKER_OUT_OF_MEMORY")
      return new ProblemError(422, "Too much to draw", `This took more memory than a draft may and was ended. ${fix}`);
    return error;
  }

  close(): Promise<void> {
    return this.pool.destroy();
  }
}
