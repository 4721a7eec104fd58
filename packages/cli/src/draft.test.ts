import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { afterAll, describe, expect, it } from "vitest";
import { RequestError } from "./arguments.js";
import { writeAnswers } from "@lodrin/formats";
import { draft } from "./draft.js";

const LIBRARY = fileURLToPath(new URL("../../../systems", import.meta.url));
const SHIRT = "08-menswear-flat-shirt-block";
const folder = mkdtempSync(join(tmpdir(), "lodrin-draft-"));
afterAll(() => rmSync(folder, { recursive: true }));

const file = (name: string, content: unknown): string => {
  const path = join(folder, name);
  writeFileSync(path, typeof content === "string" ? content : JSON.stringify(content));
  return path;
};
const BODY = {
  chest: 104,
  neck: "41",
  scye_depth: "25 cm",
  back_waist: 45,
  half_back: "20,6",
  garment_length: "77",
  shoulder_length: 16.2,
};
const body = file("m.json", BODY);

async function drafted(...words: string[]): Promise<{ out: string[]; told: string[]; failures: number }> {
  const out: string[] = [];
  const told: string[] = [];
  const failures = await draft(words, LIBRARY, { out: (line) => out.push(line), tell: (line) => told.push(line) });
  return { out, told, failures };
}

const lines = async (...words: string[]): Promise<string[]> => (await drafted(...words)).out;

async function refusal(...words: string[]): Promise<string> {
  const error = await lines(...words).then(
    () => undefined,
    (e: unknown) => e,
  );
  expect(error).toBeInstanceOf(RequestError);
  const { message } = error as RequestError;
  expect(message).not.toContain("\n");
  return message;
}

describe("drafting without a server", () => {
  it("prints one JSON object with everything in it", async () => {
    const [line = ""] = await lines(SHIRT, "--measurements", body, "--json");
    const json = JSON.parse(line) as Record<string, unknown>;
    expect(Object.keys(json)).toEqual(["system", "unit", "points", "values", "paths", "pieces", "checks", "warnings", "trace"]);
    expect(json).toMatchObject({ system: SHIRT, unit: "cm", points: { "12": { board: "M", x: 256, y: 175 } } });
  });

  it("takes settings, and a notation file of one's own", async () => {
    const settings = file("s.json", { rise: "2 cm", length_from: "nape" });
    const mine = file("mine.lodrin", readFileSync(join(LIBRARY, `${SHIRT}.lodrin`), "utf8"));
    const [line = ""] = await lines(mine, "--measurements", body, "--settings", settings);
    const json = JSON.parse(line) as { system: string; points: Record<string, { y: number }> };
    expect(json.system).toBe("mine");
    expect(json.points["1"]?.y).toBeCloseTo(20, 9);
    expect(json.points["4"]?.y).toBeCloseTo(790, 9);
  });

  it("gives one line a body, and a line with its error for a body that fails", async () => {
    const many = file("many.json", [BODY, { chest: 90 }, { ...BODY, chest: "wide" }]);
    const out = (await lines(SHIRT, "--measurements", many)).map((l) => JSON.parse(l) as { error?: string; points?: unknown });
    expect(out).toHaveLength(3);
    expect(out[0]?.points).toBeDefined();
    expect(out[1]?.error).toContain("also needs: scye_depth");
    expect(out[2]?.error).toContain("chest");
  });

  it("takes measurements and settings from a CSV file", async () => {
    const csv = file(
      "b.csv",
      writeAnswers({
        unit: "cm",
        measurements: Object.fromEntries(Object.entries(BODY).map(([k, v]) => [k, String(v)])),
        settings: { rise: "2" },
      }),
    );
    const [line = ""] = await lines(SHIRT, "--measurements", csv, "--settings", csv, "--json");
    const json = JSON.parse(line) as { points: Record<string, { x: number; y: number }> };
    expect(json.points["12"]).toMatchObject({ x: 256 });
    expect(json.points["1"]?.y).toBeCloseTo(20, 9);
  });

  it("writes the system as JSON, and drafts the same from it; JSON that is no system is refused", async () => {
    const model = join(folder, "system.json");
    await lines(SHIRT, "--measurements", body, "--model", model);
    const [own] = await lines(model, "--measurements", body, "--json");
    const [library] = await lines(SHIRT, "--measurements", body, "--json");
    expect((JSON.parse(own ?? "") as { points: unknown }).points).toEqual((JSON.parse(library ?? "") as { points: unknown }).points);
    expect(await refusal(file("no.json", { title: "x" }), "--measurements", body)).toContain("is no system: / must have required property");
  });

  it("drafts a system that builds on another, and writes it as JSON as its author wrote it", async () => {
    const slug = "22-short-sleeve-on-the-block";
    const { examples } = JSON.parse(readFileSync(join(LIBRARY, `worked/${slug}.json`), "utf8")) as { examples: [{ measurements: object }] };
    const [{ measurements }] = examples;
    const model = join(folder, "sleeve.json");
    await lines(slug, "--measurements", file("sleeve-body.json", measurements), "--model", model);
    expect((JSON.parse(readFileSync(model, "utf8")) as { statements: unknown[] }).statements[0]).toMatchObject({
      is: "uses",
      base: "18-block-waist-and-side-dart",
    });
    const [line = ""] = await lines(model, "--measurements", join(folder, "sleeve-body.json"));
    expect(JSON.parse(line)).toMatchObject({ points: { F13: { board: "F" }, S3: { board: "S" } } });
  });

  it("writes SVG, DXF and PDF files", async () => {
    const dxf = join(folder, "x.dxf");
    await lines(SHIRT, "--measurements", body, "--dxf", dxf);
    expect(readFileSync(dxf, "utf8")).toContain("AC1009");
    const svg = join(folder, "x.svg");
    const pdf = join(folder, "x.pdf");
    await lines(SHIRT, "--measurements", body, "--svg", svg);
    await lines(SHIRT, "--measurements", body, "--pdf", pdf, "--paper", "letter");
    expect(readFileSync(svg, "utf8")).toContain('<g id="net"');
    expect(readFileSync(pdf).subarray(0, 5).toString()).toBe("%PDF-");
  });
});

describe("what could not be done", () => {
  const BROKEN = `system "Broken"
  unit cm
measure chest girth 60..140 "Round."
set gap = 2 from -9 to 9 "A gap."
board A "A"
A0 start
A1 out chest/4 from A0
A2 swing 1 from A0 to A1-A3
A3 down 10 from A1
A4 down gap from A0
piece Box "Box" on A
  edge top: A0 > A1
  edge side: A1 > A2
  edge back: A2 > A0
shape close no_dart in Box about A1
`;

  it("is told a line each, beside the output that was asked for, and counted", async () => {
    const text = BROKEN.replace(
      "A2 swing 1 from A0 to A1-A3\nA3 down 10 from A1",
      "A3 down 10 from A1\nA2 swing 1 from A0 to A1-A3",
    ).replace("shape close no_dart in Box about A1\n", "shape fold Box from A0 to A1 by 1\n");
    const svg = join(folder, "broken.svg");
    const { out, told, failures } = await drafted(file("broken.lodrin", text), "--measurements", body, "--svg", svg);
    expect(out).toEqual([]);
    expect(told.join("\n")).toContain("step A2 is not drawn: The tape does not reach");
    expect(told.join("\n")).toContain("piece Box is not taken");
    expect(told.join("\n")).toContain("is not done");
    expect(told.at(-1)).toBe(`Written: ${svg}`);
    expect(failures).toBe(3);
    for (const line of told) expect(line).not.toContain("\n");
  });

  it("a whole draft has none, and nothing but the asked-for output goes out", async () => {
    const { out, failures } = await drafted(SHIRT, "--measurements", body, "--json", "--svg", join(folder, "whole.svg"));
    expect(out).toHaveLength(1);
    expect(failures).toBe(0);
  });

  it("a length below nothing is doubted at its step", async () => {
    const minus = file("minus.json", { gap: "-2" });
    const text = BROKEN.slice(0, BROKEN.indexOf("A2 swing")) + "A4 down gap from A0\n";
    const { told } = await drafted(file("minus.lodrin", text), "--measurements", body, "--settings", minus);
    expect(told.join("\n")).toContain("doubt: A4: gap comes to less than nothing, so down goes the other way.");
  });

  it("all lines that are wrong are told at once", async () => {
    const wrong = file("wrong.lodrin", BROKEN);
    const error = await drafted(wrong, "--measurements", body).catch((e: unknown) => e as Error);
    expect((error as Error).message.split("\n")).toHaveLength(2);
    expect((error as Error).message).toContain("line 8");
  });
});

describe("a system that builds on one beside it", () => {
  it("finds it in its own folder", async () => {
    file(
      "base-block.lodrin",
      'system "Base"\n  unit cm\nmeasure chest girth 60..140 "Round."\nboard A "A"\nA0 start\nA1 out chest/4 from A0\n',
    );
    const own = file(
      "on-base.lodrin",
      'system "On it"\n  unit cm\nuses base-block\nboard B "B"\nB0 start\nB1 down len_half from B0\n'.replace("len_half", "dist(A0, A1)"),
    );
    const [line = ""] = await lines(own, "--measurements", file("chest.json", { chest: 100 }));
    expect((JSON.parse(line) as { points: Record<string, { y: number }> }).points["B1"]?.y).toBeCloseTo(250, 9);
  });
});

describe("what it cannot do, it says in one sentence", () => {
  it.each([
    [[], "Which system?"],
    [[SHIRT], "Whose measurements?"],
    [[SHIRT, "--measurements"], "needs a file"],
    [[SHIRT, "--measurements", "/nowhere.json"], "cannot be read"],
    [["no-such-system", "--measurements", body], "The library has: 01-"],
    [[SHIRT, "--measurements", body, "--paper", "A7"], "There is no paper"],
    [[SHIRT, "--measurements", body, "--colour"], "no option --colour"],
    [[SHIRT, "extra", "--measurements", body], "one word too many"],
    [[SHIRT, "--measurements", body, "--svg", "/nowhere/x.svg"], "cannot be written"],
  ])("%j", async (words, part) => {
    expect(await refusal(...words)).toContain(part);
  });

  it("folders, other encodings and drawings of a hundred kilometres", async () => {
    expect(await refusal(folder, "--measurements", body)).toContain("is a folder");
    expect(await refusal(SHIRT, "--measurements", folder)).toContain("is a folder");
    writeFileSync(join(folder, "u16.lodrin"), Buffer.from('\ufeffsystem "X"', "utf16le"));
    expect(await refusal(join(folder, "u16.lodrin"), "--measurements", body)).toContain("UTF-16");
    writeFileSync(join(folder, "latin.lodrin"), Buffer.from([0x73, 0xe9, 0x0a]));
    expect(await refusal(join(folder, "latin.lodrin"), "--measurements", body)).toContain("not written in UTF-8");
    const far = file("far.json", { ...BODY, chest: 9_900, garment_length: 9_900 });
    expect(await refusal(SHIRT, "--measurements", far, "--pdf", join(folder, "far.pdf"))).toContain("m each way");
    expect(existsSync(join(folder, "far.pdf"))).toBe(false);
  });

  it("files that are not what they should be", async () => {
    expect(await refusal(SHIRT, "--measurements", file("a.json", "{oops"))).toContain("is not JSON");
    expect(await refusal(SHIRT, "--measurements", file("b.json", "3"))).toContain("should be an object");
    expect(await refusal(SHIRT, "--measurements", file("a.csv", "name,value\nchest,\n"))).toContain("line 2: chest has no value");
    expect(await refusal(SHIRT, "--measurements", file("c.json", { chest: null }))).toContain("chest should be a tape string");
    expect(await refusal(SHIRT, "--measurements", file("d.json", { chest: "wide" }))).toContain("chest:");
    expect(await refusal(SHIRT, "--measurements", file("e.json", { chest: 104 }))).toContain("also needs");
    expect(await refusal(SHIRT, "--measurements", body, "--settings", file("f.json", { rise: "x" }))).toContain("rise:");
    expect(await refusal(file("g.lodrin", 'system "X"\nA0 begin'), "--measurements", body)).toContain("line 2, column");
    expect(existsSync(join(folder, "never"))).toBe(false);
  });
});
