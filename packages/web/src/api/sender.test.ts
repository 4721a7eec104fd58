import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { CallError } from "./call.js";
import { againIn, type Sender, startSender } from "./sender.js";

/** Things that wait, and a server that takes one of them a call or fails with a status. */
class Post {
  waiting: number[] = [];
  arrived: number[] = [];
  status: number | undefined;
  shown: string[] = [];
  calls = 0;
  readonly sender: Sender = startSender({
    waits: () => this.waiting.length > 0,
    send: async () => {
      this.calls += 1;
      const [first] = this.waiting;
      await new Promise((done) => setTimeout(done, 100));
      if (this.status !== undefined) throw new CallError(this.status, "No", `failed with ${this.status}`);
      if (first !== undefined) this.arrived.push(first);
      this.waiting.shift();
    },
    failed: ({ message }) => this.shown.push(message),
  });
}

let post: Post;
beforeEach(() => {
  vi.useFakeTimers();
  post = new Post();
});
afterEach(() => {
  post.sender.stop();
  vi.useRealTimers();
});
const settle = (ms: number): Promise<unknown> => vi.advanceTimersByTimeAsync(ms);

describe("what waits is sent", () => {
  it("one call at a time, each thing once, in order; whoever asked last hears of the last", async () => {
    post.waiting = [1, 2];
    const [first, second] = [post.sender.now(), post.sender.now()];
    await settle(100);
    expect(post.arrived).toEqual([1]);
    expect(await first).toBe(false);
    await settle(100);
    expect(await second).toBe(true);
    expect(post.arrived).toEqual([1, 2]);
  });

  it("after a pause that each new asking begins again", async () => {
    post.waiting = [1];
    post.sender.soon(500);
    await settle(400);
    post.sender.soon(500);
    await settle(400);
    expect(post.calls).toBe(0);
    await settle(300);
    expect(post.arrived).toEqual([1]);
  });

  it.each([
    [0, 2_500],
    [408, 2_500],
    [429, 2_500],
    [503, 2_500],
    [401, 10_000],
    [423, 10_000],
    [507, 30_000],
  ])("again after a failure with %i, in %i ms", async (status, ms) => {
    post.waiting = [1];
    post.status = status;
    void post.sender.now();
    await settle(100);
    expect(post.shown).toHaveLength(1);
    post.status = undefined;
    await settle(ms - 10);
    expect(post.calls).toBe(1);
    await settle(200);
    expect(post.arrived).toEqual([1]);
  });

  it.each([400, 403, 404, 409, 422])("not again after %i, which trying does not change", async (status) => {
    post.waiting = [1];
    post.status = status;
    void post.sender.now();
    await settle(60_000);
    expect(post.calls).toBe(1);
    expect(againIn(new CallError(status, "No", ""))).toBeUndefined();
  });

  it("at once when the connection is back, and never once it was stopped", async () => {
    post.waiting = [1, 2];
    post.status = 0;
    void post.sender.now();
    await settle(100);
    post.status = undefined;
    window.dispatchEvent(new Event("online"));
    await settle(100);
    expect(post.arrived).toEqual([1]);
    post.sender.stop();
    window.dispatchEvent(new Event("online"));
    await settle(60_000);
    expect(post.arrived).toEqual([1]);
  });
});
