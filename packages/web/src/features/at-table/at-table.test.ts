import type { AtTable, HandReading } from "@lodrin/contract";
import { effectScope, type EffectScope } from "vue";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { type Table, useAtTable } from "./use-at-table.js";

const READING: HandReading = { name: "#4", written: "10 1/2", verdict: "right", code: "", step: "", says: "" };

/** A server that keeps ticks and readings, takes no tick of #99 and no reading "bad", and can be away. */
class Server {
  table: AtTable = { ticked: [], seconds: 0, readings: [] };
  away = false;
  calls: string[] = [];

  readonly fetch = (path: string, init: { method: string; body?: string }): Promise<Response> => {
    this.calls.push(`${init.method} ${path}`);
    if (this.away) return Promise.reject(new TypeError("away"));
    const body = JSON.parse(init.body ?? "{}") as { ticked?: string[]; unticked?: string[]; seconds?: number; readings?: HandReading[] };
    if (body.ticked?.includes("#99") || body.readings?.some((r) => r.written === "bad"))
      return Promise.resolve(new Response(JSON.stringify({ title: "No", detail: "not this" }), { status: 422 }));
    const ticked = [...new Set([...this.table.ticked, ...(body.ticked ?? [])])].filter((step) => !body.unticked?.includes(step));
    const at = "2026-11-30T10:00:00.000Z";
    this.table = {
      ticked,
      seconds: this.table.seconds + (body.seconds ?? 0),
      readings: [...this.table.readings, ...(body.readings ?? []).map((r) => ({ ...r, at }))],
    };
    return Promise.resolve(new Response(JSON.stringify(this.table)));
  };
}

let server: Server;
let scope: EffectScope;
const open = (): Table => {
  scope = effectScope();
  return scope.run(() => useAtTable("d1")) as Table;
};
beforeEach(() => {
  vi.useFakeTimers();
  localStorage.clear();
  server = new Server();
  vi.stubGlobal("fetch", server.fetch);
});
afterEach(() => {
  scope.stop();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});
const settle = (ms = 10): Promise<unknown> => vi.advanceTimersByTimeAsync(ms);

describe("a draft at the table", () => {
  it("a reading is on this device the moment it is typed, and is there again when the page is loaded again", async () => {
    const table = open();
    table.type({ name: "#4", written: "10 1/2" });
    await settle();
    expect(server.calls).toEqual([]);
    scope.stop();
    const again = open();
    expect(again.typed.value).toEqual([{ name: "#4", written: "10 1/2" }]);
    expect(again.readings.value).toEqual({ "#4": "10 1/2" });
    again.judged({ name: "#4", written: "10 1/2" }, READING);
    await settle();
    expect(server.table.readings).toMatchObject([READING]);
    expect([again.typed.value, again.why.value]).toEqual([[], ""]);
  });

  it("one that is refused holds back no other, and is shown", async () => {
    const table = open();
    server.away = true;
    table.tick("#1");
    table.tick("#99");
    table.tick("#2");
    for (const written of ["9", "bad", "11"]) table.judged({ name: "#4", written }, { ...READING, written });
    await settle();
    expect(table.why.value).toContain("saved on this device");
    server.away = false;
    await settle(9_000);
    expect(server.table.ticked).toEqual(["#1", "#2"]);
    expect(server.table.readings.map((r) => r.written)).toEqual(["9", "11"]);
    expect(table.refused.value).toEqual(["#99 could not be ticked: not this", "The reading bad could not be saved: not this"]);
    expect(table.why.value).toBe("");
  });

  it("what waits is sent again and again until it arrives, also after somebody began to leave the page and stayed", async () => {
    const table = open();
    server.away = true;
    table.tick("#1");
    await settle();
    window.dispatchEvent(new Event("beforeunload"));
    await settle(30_000);
    server.away = false;
    await settle(9_000);
    expect(server.table.ticked).toEqual(["#1"]);
  });

  it("a tick that is taken away before it was sent is no tick", async () => {
    const table = open();
    server.away = true;
    table.tick("#1");
    table.untick("#1");
    expect(table.ticked.value.has("#1")).toBe(false);
    server.away = false;
    await settle(9_000);
    expect(server.table.ticked).toEqual([]);
  });
});
