import { describe, expect, it } from "vitest";
import { FairQueue, QueueFull } from "./fair-queue.js";

const MOST = { each: 5, all: 8 };

/** Work that ends when it is told to, and notes when it begins. */
function work(begun: string[], name: string): { run: () => Promise<string>; end: () => void } {
  let end: () => void = () => undefined;
  const ended = new Promise<void>((resolve) => (end = resolve));
  return { run: () => (begun.push(name), ended.then(() => name)), end: () => end() };
}
const settle = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 0));

describe("a fair queue", () => {
  it("gives owners turns: one who asks for four holds up one who asks for one by one", async () => {
    const queue = new FairQueue(1, MOST);
    const begun: string[] = [];
    const all = ["a1", "a2", "a3", "a4", "b1", "b2"].map((name) => ({ name, ...work(begun, name) }));
    const done = all.map(({ name, run }) => queue.run(name.charAt(0), run));
    for (const name of ["a1", "a2", "b1", "a3", "b2", "a4"]) {
      await settle();
      expect(begun.at(-1)).toBe(name);
      all.find((w) => w.name === name)?.end();
    }
    expect(await Promise.all(done)).toEqual(["a1", "a2", "a3", "a4", "b1", "b2"]);
    expect(queue.length).toBe(0);
  });

  it("takes so many of one owner and so many in all", async () => {
    const queue = new FairQueue(1, MOST);
    const never = new Promise<never>(() => undefined);
    const ask = (owner: string): Promise<unknown> => queue.run(owner, () => never);
    void ask("a");
    for (let n = 0; n < MOST.each; n++) void ask("a");
    await expect(ask("a")).rejects.toEqual(new QueueFull("owner"));
    for (let n = 0; n < MOST.all - MOST.each; n++) void ask("b");
    await expect(ask("c")).rejects.toMatchObject({ name: "QueueFull", whose: "everyone" });
  });

  it("lets go of what nobody waits for any more, and goes on after work that fails", async () => {
    const queue = new FairQueue(1, MOST);
    const begun: string[] = [];
    const [first, second] = [work(begun, "first"), work(begun, "second")];
    const failing = queue.run("a", () => first.run().then(() => Promise.reject(new Error("no"))));
    const gone = new AbortController();
    let queued = 0;
    const left = queue.run("b", () => Promise.resolve("never"), { signal: gone.signal, onQueued: () => queued++ });
    const next = queue.run("c", second.run);
    gone.abort(new Error("gone"));
    await expect(left).rejects.toThrow("gone");
    first.end();
    second.end();
    await expect(failing).rejects.toThrow("no");
    expect(await next).toBe("second");
    expect([begun, queued]).toEqual([["first", "second"], 1]);
    expect(await queue.run("d", () => Promise.resolve("free"))).toBe("free");
  });
});
