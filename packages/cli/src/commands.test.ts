import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { afterAll, describe, expect, it } from "vitest";
import type { RangeRow } from "@lodrin/core";
import { RequestError } from "./arguments.js";
import { check } from "./check.js";
import { range } from "./range.js";
import { read } from "./read.js";
import { review } from "./review.js";
import { tidy } from "./tidy.js";

const LIBRARY = fileURLToPath(new URL("../../../systems", import.meta.url));
const SHIRT = "08-menswear-flat-shirt-block";
const folder = mkdtempSync(join(tmpdir(), "lodrin-commands-"));
afterAll(() => rmSync(folder, { recursive: true }));

const file = (name: string, text: string): string => {
  const path = join(folder, name);
  writeFileSync(path, text);
  return path;
};
const shirt = readFileSync(join(LIBRARY, `${SHIRT}.lodrin`), "utf8");

async function heard<T>(act: (voices: { out: (line: string) => void; tell: (line: string) => void }) => Promise<T>): Promise<{
  gave: T;
  out: string[];
  told: string[];
}> {
  const [out, told]: [string[], string[]] = [[], []];
  return { gave: await act({ out: (line) => out.push(line), tell: (line) => told.push(line) }), out, told };
}

describe("check", () => {
  it("finds nothing in a system of the library", async () => {
    expect(await heard((v) => check([SHIRT], LIBRARY, v))).toEqual({ gave: 0, out: [], told: [] });
  });

  it("tells every problem at its line and column, with what to do", async () => {
    const at = shirt.split("\n").findIndex((line) => line.includes("scye_depth + scye_ease"));
    const path = file("wrong.lodrin", shirt.replace("scye_depth + scye_ease", "scye_dept + scye_ease"));
    const { gave, out } = await heard((v) => check([path], LIBRARY, v));
    expect(gave).toBeGreaterThan(0);
    expect(out[0]).toMatch(new RegExp(`^${at + 1}:\\d+: .*scye_dept.*scye_depth`));
    const json = JSON.parse((await heard((v) => check([path, "--json"], LIBRARY, v))).out[0] ?? "") as { line: number }[];
    expect(json).toHaveLength(gave);
    expect(json[0]?.line).toBe(at + 1);
  });

  it("of no file says how it is used", () => expect(check([], LIBRARY, { out: () => 0, tell: () => 0 })).rejects.toThrow(RequestError));
});

describe("tidy", () => {
  it("writes a text in the house's layout, once", async () => {
    const path = file("loose.lodrin", shirt.replace(/\n/g, "\n\n"));
    expect((await heard((v) => tidy([path], LIBRARY, v))).told[0]).toContain("Written");
    const neat = readFileSync(path, "utf8");
    expect((await heard((v) => tidy([path], LIBRARY, v))).told[0]).toContain("tidy already");
    expect(readFileSync(path, "utf8")).toBe(neat);
    expect((await heard((v) => check([path], LIBRARY, v))).gave).toBe(0);
  });

  it("touches only what is named as a notation file", async () => {
    await expect(tidy([SHIRT], LIBRARY, { out: () => 0, tell: () => 0 })).rejects.toThrow(RequestError);
  });
});

describe("range", () => {
  const chart = file(
    "chart.csv",
    "size,chest,neck,scye_depth,back_waist,half_back,garment_length\n46,92,38,23,44,19,74\n52,104,41,25,45,20.6,77\n58,116,120,27,46,22.5,79\n60,120,,27,46,22.5,79\n",
  );

  it("runs a system over every size, and names the first that breaks", async () => {
    const { gave, out, told } = await heard((v) => range([SHIRT, "--sizes", chart], LIBRARY, v));
    expect(out.slice(0, 2).every((line) => /^(46|52): all \d+ checks hold$/.test(line))).toBe(true);
    expect(out[2]).toMatch(/^58: to look at: Neck round/);
    expect(out[3]).toBe("60: also needs neck");
    expect([gave, told]).toEqual([1, ["The first size that breaks: 60."]]);
  });

  it("gives checks and lengths as JSON: the width of the block is a quarter of the chest and its ease", async () => {
    const [text = ""] = (await heard((v) => range([SHIRT, "--sizes", chart, "--json"], LIBRARY, v))).out;
    const rows = JSON.parse(text) as RangeRow[];
    expect(rows.map((r) => r.size)).toEqual(["46", "52", "58", "60"]);
    // 92 / 4 + 6.5 and 104 / 4 + 6.5 cm, by hand.
    expect(rows.slice(0, 2).map((r) => r.lengths["Back.hem"])).toEqual([expect.closeTo(295, 6), expect.closeTo(325, 6)]);
    expect(rows[0]?.checks.length).toBeGreaterThan(20);
  });

  it("says which measurement a size lacks", async () => {
    const short = file("short.csv", "size,chest\n46,92\n");
    expect((await heard((v) => range([SHIRT, "--sizes", short], LIBRARY, v))).out[0]).toMatch(/^46: also needs .*neck/);
  });
});

describe("review", () => {
  const SLEEVE = "13-short-set-in-sleeve";
  const body = (): string =>
    file("body.json", JSON.stringify({ bust: 36, armhole_depth: 7.5, sleeve_length: 9, sleeve_opening: 13, bicep: 12 }));
  const words = (readings: object): string[] => [
    SLEEVE,
    "--measurements",
    body(),
    "--readings",
    file("read.json", JSON.stringify(readings)),
  ];

  it("of a right draft is quiet", async () => {
    const { gave, out } = await heard((v) => review(words({ S1: "3 1/2 in", "dist(S3,S6)": "41.9 cm" }), LIBRARY, v));
    expect(gave).toBe(0);
    expect(out.map((line) => line.replace(/\s/g, " "))).toEqual(["S1: right, 3 1/2 in", "dist(S3,S6): right, 16 1/2 in"]);
  });

  it("names what probably happened, as JSON in mm", async () => {
    // Slant 7 1/2 + 1/2 + 1/4 without the half inch of ease: 7 3/4 in, 196.85 mm.
    const { gave, out } = await heard((v) => review([...words({ S3: "7 3/4 in" }), "--json"], LIBRARY, v));
    const { readings } = JSON.parse(out[0] ?? "") as { readings: { name: string; verdict: string; causes: Record<string, unknown>[] }[] };
    expect(gave).toBe(1);
    expect(readings[0]).toMatchObject({ name: "S3", verdict: "off", read: 196.85, difference: expect.closeTo(-12.7, 6) as number });
    expect(readings[0]?.causes[0]).toMatchObject({ code: "ease-forgotten", would_read: 196.85 });
  });

  it("tells what cannot be judged, and how it is used", async () => {
    const { gave, told } = await heard((v) => review(words({ Z9: "2" }), LIBRARY, v));
    expect([gave, told.length]).toEqual([1, 1]);
    await expect(review([SLEEVE], LIBRARY, { out: () => 0, tell: () => 0 })).rejects.toThrow(RequestError);
  });
});

describe("read", () => {
  const BACK = 'system "Try"\n  garment block · unit in\nboard B "Back" · centre fold\n#1 start "Nape."\n#2 down 16 from #1 "Waist."\n';

  it("tells of each sentence what became of it; with --json nothing is written", async () => {
    const [handout, into] = [file("handout.txt", "Square out from 2, 9 inches.\nMark three inches from 1.\n"), file("back.lodrin", BACK)];
    const { gave, out } = await heard((v) => read([handout, "--into", into, "--json"], LIBRARY, v));
    expect(gave).toBe(1);
    const { sentences, text } = JSON.parse(out[0] ?? "") as { sentences: { status: string; statements: string[] }[]; text: string };
    expect(sentences.map(({ status }) => status)).toEqual(["read", "ask"]);
    expect(sentences[0]?.statements).toEqual(['#3 out 9 from #2  "Square out from 2, 9 inches."']);
    expect(text).toContain("#3 out 9 from #2");
    expect(readFileSync(into, "utf8")).toBe(BACK);
  });

  it("adds to a notation file, or prints a system of its own", async () => {
    const [handout, into] = [file("more.txt", "Join 1 and 2.\n"), file("more.lodrin", BACK)];
    expect((await heard((v) => read([handout, "--into", into], LIBRARY, v))).gave).toBe(0);
    expect(readFileSync(into, "utf8")).toContain("line line_1_2: #1 > #2");
    const own = await heard((v) => read([file("own.txt", "Back\nStart at 1.\n"), "--unit", "cm"], LIBRARY, v));
    expect(own.out[0]).toContain("unit cm");
    expect(own.out[0]).toContain("#1 start");
  });

  it.each([[[]], [["a.txt", "b.txt"]], [["a.txt", "--unit", "ell"]], [["a.txt", "--frob"]], [["nowhere.txt"]]])("%j is refused", (words) =>
    expect(heard((v) => read(words, LIBRARY, v))).rejects.toThrow(RequestError),
  );
});
