import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { CallError } from "./call.js";
import { type Saveable, startAutosave, type Autosave } from "./autosave.js";

interface Thing extends Saveable {
  readonly note: string;
  readonly figures: Record<string, string>;
}
const FIELDS = ["note", "figures"] as const;
type ThingAutosave = Autosave<Thing, (typeof FIELDS)[number]>;

/** A server that holds one thing, counts versions, and can be out of reach. */
class Server {
  stored: Thing = { id: "a", version: 1, updatedAt: "2026-11-25T10:00:00.000Z", note: "", figures: { chest: "104" } };
  down = false;
  status = 0;
  sent: Partial<Thing>[] = [];

  /** A note that it never takes. */
  forbidden: string | undefined;

  send = (_: string, version: number, patch: Partial<Thing>): Promise<Thing> => {
    this.sent.push(patch);
    if (this.forbidden !== undefined && patch.note === this.forbidden)
      return Promise.reject(new CallError(422, "Refused", "not this note"));
    if (this.down) return Promise.reject(new CallError(0, "No connection", ""));
    if (this.status) return Promise.reject(new CallError(this.status, "Refused", "no"));
    if (version !== this.stored.version) return Promise.reject(new CallError(409, "Changed", "elsewhere", this.stored));
    this.stored = { ...this.stored, ...patch, version: version + 1, updatedAt: "2026-11-25T10:42:00.000Z" };
    return Promise.resolve(this.stored);
  };
  open(): ThingAutosave {
    return startAutosave<Thing, (typeof FIELDS)[number]>(structuredClone(this.stored), { what: "thing", fields: FIELDS, send: this.send });
  }
}

let server: Server;
beforeEach(() => {
  vi.useFakeTimers();
  localStorage.clear();
  server = new Server();
});
afterEach(() => vi.useRealTimers());

const edit = (autosave: ThingAutosave, note: string): void => {
  (autosave.local as { note: string }).note = note;
};
const settle = (): Promise<unknown> => vi.advanceTimersByTimeAsync(600);

describe("a thing that saves itself", () => {
  it("waits for a pause, then sends only what changed", async () => {
    const autosave = server.open();
    edit(autosave, "a");
    edit(autosave, "ab");
    expect(autosave.state.value).toBe("waiting");
    await settle();
    expect(server.sent).toEqual([{ note: "ab" }]);
    expect(autosave.state.value).toBe("saved");
    expect(autosave.savedAt.value).toBe("2026-11-25T10:42:00.000Z");
    expect(localStorage.length).toBe(0);
  });

  it("notices a change inside a field", async () => {
    const autosave = server.open();
    autosave.local.figures["neck"] = "41";
    await settle();
    expect(server.stored.figures).toEqual({ chest: "104", neck: "41" });
  });

  it("is saved when the server gives the same figures back in another order", async () => {
    const autosave = server.open();
    server.send = (_, version, patch) => {
      const figures = Object.fromEntries(Object.entries(patch.figures ?? {}).reverse());
      server.stored = { ...server.stored, figures, version: version + 1 };
      return Promise.resolve(server.stored);
    };
    const again = startAutosave<Thing, (typeof FIELDS)[number]>(structuredClone(server.stored), {
      what: "other",
      fields: FIELDS,
      send: server.send,
    });
    again.local.figures["arm"] = "30";
    await settle();
    expect(again.state.value).toBe("saved");
    autosave.stop();
  });

  it("sends nothing when nothing changed, or when a change was taken back", async () => {
    const autosave = server.open();
    edit(autosave, "x");
    edit(autosave, "");
    await settle();
    expect(await autosave.flush()).toBe(true);
    expect(server.sent).toEqual([]);
  });

  it("keeps edits made while it is saving", async () => {
    const autosave = server.open();
    edit(autosave, "first");
    const flushed = autosave.flush();
    edit(autosave, "second");
    await flushed;
    await settle();
    expect(server.stored.note).toBe("second");
    expect(server.stored.version).toBe(3);
  });
});

describe("a lost connection loses nothing", () => {
  it("says so, keeps the edit on this device and sends it when the server is back", async () => {
    const autosave = server.open();
    server.down = true;
    edit(autosave, "in the tunnel");
    await settle();
    expect(autosave.state.value).toBe("offline");
    expect(localStorage.getItem("lodrin.thing.a")).toContain("in the tunnel");
    server.down = false;
    await vi.advanceTimersByTimeAsync(3_000);
    expect(autosave.state.value).toBe("saved");
    expect(server.stored.note).toBe("in the tunnel");
  });

  it("tries at once when the browser is online again", async () => {
    const autosave = server.open();
    server.down = true;
    edit(autosave, "x");
    await settle();
    server.down = false;
    window.dispatchEvent(new Event("online"));
    await vi.advanceTimersByTimeAsync(1);
    expect(autosave.state.value).toBe("saved");
  });

  it("takes up edits that were left on this device, even after the window was closed", async () => {
    const first = server.open();
    server.down = true;
    edit(first, "left behind");
    await settle();
    first.stop();
    server.down = false;
    const second = server.open();
    expect(second.local.note).toBe("left behind");
    await settle();
    expect(server.stored.note).toBe("left behind");
  });

  it("a session that ended is named, and the edit stays", async () => {
    const autosave = server.open();
    server.status = 401;
    edit(autosave, "y");
    await settle();
    expect(autosave.state.value).toBe("signed-out");
    expect(localStorage.getItem("lodrin.thing.a")).toContain("y");
  });

  it("what the server refuses is said", async () => {
    const autosave = server.open();
    server.status = 400;
    edit(autosave, "z");
    await settle();
    expect(autosave.state.value).toBe("refused");
    expect(autosave.why.value).toBe("no");
  });

  it("what cannot be read on the device is laid aside, not thrown", () => {
    localStorage.setItem("lodrin.thing.a", "{oops");
    expect(server.open().local.note).toBe("");
    expect({ ...localStorage }).toEqual({ "lodrin.thing.a.unread": "{oops" });
  });
});

describe("two tabs", () => {
  async function collided(): Promise<[ThingAutosave, ThingAutosave]> {
    const [one, two] = [server.open(), server.open()];
    edit(one, "mine");
    await settle();
    localStorage.clear();
    edit(two, "theirs");
    await settle();
    return [one, two];
  }

  it("the later one is shown both, and saves nothing by itself", async () => {
    const [, two] = await collided();
    expect(two.state.value).toBe("collision");
    expect(two.theirs.value?.note).toBe("mine");
    expect(two.local.note).toBe("theirs");
    edit(two, "theirs, more");
    await settle();
    expect(server.stored.note).toBe("mine");
    expect(await two.flush()).toBe(false);
  });

  it("can keep what is here", async () => {
    const [, two] = await collided();
    expect(await two.keepMine()).toBe(true);
    expect(server.stored.note).toBe("theirs");
    expect(two.theirs.value).toBeUndefined();
  });

  it("can take what was saved elsewhere, and goes on from there", async () => {
    const [, two] = await collided();
    two.takeTheirs();
    await settle();
    expect(two.local.note).toBe("mine");
    expect(two.state.value).toBe("saved");
    edit(two, "after");
    await settle();
    expect(server.stored.note).toBe("after");
  });

  it("edits left on this device meet a version changed since", async () => {
    const first = server.open();
    server.down = true;
    edit(first, "left behind");
    await settle();
    first.stop();
    server.down = false;
    await server.send("a", 1, { note: "changed elsewhere" });
    const second = server.open();
    expect(second.state.value).toBe("collision");
    expect(second.local.note).toBe("left behind");
    expect(second.theirs.value?.note).toBe("changed elsewhere");
  });
});

describe("two changes of the same beginning", () => {
  /** Notes of lines: whoever changed alone is kept; both changed is for a person. */
  const merge = (
    began: Pick<Thing, "note" | "figures">,
    mine: Pick<Thing, "note" | "figures">,
    theirs: Pick<Thing, "note" | "figures">,
  ): Pick<Thing, "note" | "figures"> | undefined => {
    const [b, m, t] = [began.note, mine.note, theirs.note].map((note) => note.split("|"));
    if (!b || !m || !t) return undefined;
    const lines = b.map((line, i) => (m[i] === line ? t[i] : t[i] === line ? m[i] : undefined));
    return lines.some((line) => line === undefined) ? undefined : { ...mine, note: lines.join("|") };
  };
  const open = (): ThingAutosave =>
    startAutosave<Thing, (typeof FIELDS)[number]>(structuredClone(server.stored), {
      ...{ what: "thing", fields: FIELDS, send: server.send, merge },
    });
  beforeEach(() => (server.stored = { ...server.stored, note: "one|two|three" }));

  it("are put together where they touch nothing the other touched, and saved", async () => {
    const [one, two] = [open(), open()];
    edit(one, "ONE|two|three");
    await settle();
    localStorage.clear();
    edit(two, "one|two|THREE");
    await settle();
    await settle();
    expect(two.local.note).toBe("ONE|two|THREE");
    expect(server.stored.note).toBe("ONE|two|THREE");
    expect([two.state.value, two.merges.value]).toEqual(["saved", 1]);
    expect(localStorage.length).toBe(0);
  });

  it("of the same line are asked about, and the beginning is known", async () => {
    const [one, two] = [open(), open()];
    edit(one, "ONE|two|three");
    await settle();
    localStorage.clear();
    edit(two, "eins|two|three");
    await settle();
    expect(two.state.value).toBe("collision");
    expect(two.began().note).toBe("one|two|three");
    expect(two.local.note).toBe("eins|two|three");
    expect(server.stored.note).toBe("ONE|two|three");
  });

  it("one of which waited on this device over a closed window are put together too", async () => {
    const first = open();
    server.down = true;
    edit(first, "one|two|THREE");
    await settle();
    first.stop();
    server.down = false;
    await server.send("a", 1, { note: "ONE|two|three" });
    const second = open();
    await settle();
    expect(server.stored.note).toBe("ONE|two|THREE");
    expect(second.state.value).toBe("saved");
  });

  it("what is typed while the two are put together is sent as well", async () => {
    const [one, two] = [open(), open()];
    edit(one, "ONE|two|three");
    await settle();
    edit(two, "one|two|THREE");
    await vi.advanceTimersByTimeAsync(500);
    edit(two, two.local.note.replace("two", "TWO"));
    await settle();
    await settle();
    expect(server.stored.note).toBe("ONE|TWO|THREE");
  });
});

describe("what the server refuses", () => {
  it("does not hold back the other fields that wait", async () => {
    server.forbidden = "never";
    const autosave = server.open();
    edit(autosave, "never");
    (autosave.local as { figures: Record<string, string> }).figures = { chest: "99" };
    await settle();
    expect([server.stored.figures, server.stored.note]).toEqual([{ chest: "99" }, ""]);
    expect([autosave.state.value, autosave.why.value]).toEqual(["refused", "not this note"]);
    expect(autosave.local.note).toBe("never");
    edit(autosave, "better");
    await settle();
    expect([autosave.state.value, server.stored.note]).toEqual(["saved", "better"]);
    autosave.stop();
  });

  it("for want of space is tried again later, and says so meanwhile", async () => {
    const autosave = server.open();
    server.status = 507;
    edit(autosave, "large");
    await settle();
    expect(autosave.state.value).toBe("refused");
    server.status = 0;
    await vi.advanceTimersByTimeAsync(31_000);
    expect([autosave.state.value, server.stored.note]).toEqual(["saved", "large"]);
    autosave.stop();
  });

  it("because the session ended goes on by itself once somebody signed in again", async () => {
    const autosave = server.open();
    server.status = 401;
    edit(autosave, "typed meanwhile");
    await settle();
    expect(autosave.state.value).toBe("signed-out");
    server.status = 0;
    await vi.advanceTimersByTimeAsync(11_000);
    expect([autosave.state.value, server.stored.note]).toEqual(["saved", "typed meanwhile"]);
    autosave.stop();
  });
});
