/** The queue takes no more: of this owner, or of anyone. */
export class QueueFull extends Error {
  override readonly name = "QueueFull";
  constructor(readonly whose: "owner" | "everyone") {
    super(`The queue of ${whose} is full.`);
  }
}

interface Turn {
  readonly begin: () => void;
}

/** How a piece of work waits. */
interface Wait {
  /** Aborted when nobody waits for the work any more: it leaves the queue, and `run` rejects with the signal's reason. */
  readonly signal?: AbortSignal | undefined;
  /** Called when it does not begin at once. */
  readonly onQueued?: (() => void) | undefined;
}

/**
 * Runs work, so much of it at once, and lets the rest wait. Owners take turns (round robin), so that one who asks for a
 * thousand pieces of work holds up nobody who asks for one.
 */
export class FairQueue {
  /** Owners in the order in which it is their turn. */
  private readonly waiting = new Map<string, Turn[]>();
  private running = 0;

  constructor(
    private readonly atOnce: number,
    private readonly most: { readonly each: number; readonly all: number },
  ) {}

  /** How many pieces of work wait. */
  get length(): number {
    let sum = 0;
    for (const turns of this.waiting.values()) sum += turns.length;
    return sum;
  }

  /** Runs `work` when it is its turn. Throws QueueFull. */
  async run<T>(owner: string, work: () => Promise<T>, wait: Wait = {}): Promise<T> {
    if (this.running >= this.atOnce) await this.turn(owner, wait);
    else this.running++;
    try {
      return await work();
    } finally {
      this.next();
    }
  }

  private turn(owner: string, { signal, onQueued }: Wait): Promise<void> {
    const own = this.waiting.get(owner) ?? [];
    if (own.length >= this.most.each) throw new QueueFull("owner");
    if (this.length >= this.most.all) throw new QueueFull("everyone");
    return new Promise((resolve, reject) => {
      const leave = (): void => {
        this.remove(owner, turn);
        reject(signal?.reason as Error);
      };
      const turn: Turn = {
        begin: () => {
          signal?.removeEventListener("abort", leave);
          resolve();
        },
      };
      if (signal?.aborted) return leave();
      signal?.addEventListener("abort", leave, { once: true });
      this.waiting.set(owner, [...own, turn]);
      onQueued?.();
    });
  }

  /** Hands the place of what is done to the next owner whose turn it is. */
  private next(): void {
    const [first] = this.waiting;
    if (!first) return void this.running--;
    const [owner, [turn, ...rest]] = first;
    // Behind all others now.
    this.waiting.delete(owner);
    if (rest.length > 0) this.waiting.set(owner, rest);
    turn?.begin();
  }

  private remove(owner: string, turn: Turn): void {
    const rest = (this.waiting.get(owner) ?? []).filter((t) => t !== turn);
    if (rest.length > 0) this.waiting.set(owner, rest);
    else this.waiting.delete(owner);
  }
}
