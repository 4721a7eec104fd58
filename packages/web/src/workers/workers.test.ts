import { effectScope } from "vue";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { Answered, Asked } from "./messages.js";

vi.mock("../ui/faults.js", () => ({ reportFault: vi.fn() }));
const { reportFault } = await import("../ui/faults.js");
const { useWorker } = await import("./ask.js");
const { serve } = await import("./serve.js");

/** A worker that runs in the page: what is posted to it is answered by what `serve` was given. */
class InPage extends EventTarget {
  static all: InPage[] = [];
  ended = false;
  readonly questions: Asked<string>[] = [];
  constructor() {
    super();
    InPage.all.push(this);
  }
  postMessage(data: Asked<string>): void {
    this.questions.push(data);
  }
  answer(message: Answered<string>): void {
    this.dispatchEvent(new MessageEvent("message", { data: message }));
  }
  terminate(): void {
    this.ended = true;
  }
}

beforeEach(() => {
  InPage.all = [];
  vi.mocked(reportFault).mockClear();
});
afterEach(() => vi.unstubAllGlobals());

describe("a page that asks a worker", () => {
  const open = (): { got: string[]; asker: ReturnType<typeof useWorker<string, string>>; stop: () => void } => {
    const got: string[] = [];
    const scope = effectScope();
    const asker = scope.run(() =>
      useWorker<string, string>(
        () => new InPage() as unknown as Worker,
        (part) => got.push(part),
      ),
    );
    if (!asker) throw new Error("no scope");
    return { got, asker, stop: () => scope.stop() };
  };

  it("takes every part of the newest answer, and nothing of an older one", () => {
    const { got, asker } = open();
    asker.ask("one");
    asker.ask("two");
    const [worker] = InPage.all;
    worker?.answer({ id: 1, answer: "old", done: false });
    worker?.answer({ id: 2, answer: "a", done: false });
    expect(asker.asking.value).toBe(true);
    worker?.answer({ id: 2, answer: "b", done: false });
    worker?.answer({ id: 2, done: true });
    expect([got, asker.asking.value, asker.failed.value]).toEqual([["a", "b"], false, ""]);
  });

  it("is told when the worker throws, and when it breaks; the next question begins another", () => {
    const { got, asker, stop } = open();
    asker.ask("one");
    InPage.all[0]?.answer({ id: 1, failed: "no such step", done: true });
    expect([asker.failed.value, asker.asking.value]).toEqual(["no such step", false]);
    asker.ask("two");
    expect(asker.failed.value).toBe("");
    InPage.all[0]?.dispatchEvent(new Event("error"));
    expect(asker.failed.value).toContain("could not be started");
    expect([InPage.all[0]?.ended, vi.mocked(reportFault).mock.calls.length]).toEqual([true, 2]);
    asker.ask("three");
    InPage.all[1]?.answer({ id: 3, answer: "again", done: true });
    expect(got).toEqual(["again"]);
    stop();
    expect(InPage.all[1]?.ended).toBe(true);
  });
});

describe("a worker that serves", () => {
  it("answers in parts and says when it is done; what it throws is an answer too", async () => {
    const posted: Answered<string>[] = [];
    const self = new EventTarget() as EventTarget & { postMessage: (message: Answered<string>) => void };
    self.postMessage = (message) => posted.push(message);
    vi.stubGlobal("self", self);
    serve<string, string>((question, give) => {
      give(`${question}!`);
      if (question === "bad") throw new Error("not that");
    });
    for (const [i, question] of ["good", "bad"].entries())
      self.dispatchEvent(new MessageEvent("message", { data: { id: i, question } satisfies Asked<string> }));
    await Promise.resolve();
    await new Promise((resolve) => setTimeout(resolve, 0));
    expect(posted.filter((m) => m.id === 0)).toEqual([
      { id: 0, answer: "good!", done: false },
      { id: 0, done: true },
    ]);
    expect(posted.filter((m) => m.id === 1)).toEqual([
      { id: 1, answer: "bad!", done: false },
      { id: 1, failed: "not that", done: true },
    ]);
  });
});
