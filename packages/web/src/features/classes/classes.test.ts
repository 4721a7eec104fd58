import type { DraftProgress } from "@lodrin/contract";
import { cameraOver, loadSystem, type Point, readNotation, throughHomography } from "@lodrin/core";
import dayjs from "dayjs";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { minutesSaid, timeLeft } from "../../ui/minutes-said.js";
import { byDay, slipLines } from "../../review/slip-words.js";
import { dueSaid } from "../../ui/due-said.js";
import { cornerPoints, judgeMarks } from "./hand-ins/judge-marks.js";
import { withWatch } from "../../questions/make-note.js";

const at = (name: string, x: number, y: number): { name: string; at: Point } => ({ name, at: { x, y } });
const DRAFT = [at("#0", 0, 0), at("#1", 0, 250), at("#2", 0, 600), at("#3", 400, 0), at("#4", 380, 610), at("#5", 200, 300)];

describe("points marked on a picture", () => {
  it("the corners of the draft are asked for first, each once", () => {
    expect(cornerPoints(DRAFT)).toEqual(["#0", "#3", "#4", "#2"]);
  });

  it("a right point is right and a wrong one is named with its way, from any tilt", () => {
    fc.assert(
      fc.property(fc.double({ min: -0.35, max: 0.35, noNaN: true }), fc.double({ min: -0.35, max: 0.35, noNaN: true }), (pitch, yaw) => {
        const camera = cameraOver({ x: 0, y: 0 }, { x: 400, y: 610 }, { pitch, yaw, roll: 0.05, width: 1400, height: 1050 });
        const seen = (name: string, p: Point, sure = false): { point: string; x: number; y: number; sure: boolean } => ({
          ...{ point: name, sure },
          ...throughHomography(camera, p),
        });
        const sure = cornerPoints(DRAFT).map((name) => seen(name, DRAFT.find((p) => p.name === name)?.at ?? { x: 0, y: 0 }, true));
        const { verdicts, leftMm } = judgeMarks(DRAFT, [...sure, seen("#1", { x: 1, y: 252 }), seen("#5", { x: 200, y: 325 })]);
        expect(leftMm).toBeLessThan(0.5);
        expect(verdicts.get("#1")?.verdict).toBe("right");
        expect(verdicts.get("#5")).toEqual({ verdict: "off", says: "about 25 mm off, too low" });
      }),
    );
  });

  it("more sure points than four share what each is off, and it is told; a point is judged that much more mildly", () => {
    const camera = cameraOver({ x: 0, y: 0 }, { x: 400, y: 610 }, { pitch: 0.2, yaw: 0.1, roll: 0, width: 1400, height: 1050 });
    const shaken = DRAFT.map(({ name, at: p }, i) => {
      const { x, y } = throughHomography(camera, p);
      return { point: name, x: x + (i % 2 === 0 ? 4 : -4), y, sure: true };
    });
    const { leftMm, toleranceMm } = judgeMarks(DRAFT, shaken);
    expect(leftMm).toBeGreaterThan(1);
    expect(toleranceMm).toBeCloseTo(5 + leftMm, 9);
  });

  it("fewer than four, or three in one line, judge nothing", () => {
    const marks = ["#0", "#1", "#2", "#3"].map((point, i) => ({ point, x: i * 50, y: i * i * 30, sure: true }));
    expect(judgeMarks(DRAFT, marks.slice(0, 3)).camera).toBeUndefined();
    expect(judgeMarks(DRAFT, marks).camera).toBeUndefined();
  });
});

describe("times as people say them", () => {
  it.each([
    [1, "a minute or two"],
    [7.4, "about 7 minutes"],
    [23, "about 25 minutes"],
    [60, "about an hour"],
    [95, "about an hour and a half"],
    [121, "about 2 hours"],
    [150, "about 2 and a half hours"],
  ])("%s minutes", (minutes, said) => expect(minutesSaid(minutes)).toBe(said));

  it("what is left is reckoned from their own pace, and not before there is one", () => {
    expect(timeLeft(20, 2, 300)).toBe("");
    expect(timeLeft(20, 10, 600)).toBe("about 20 minutes");
  });

  it.each([
    [null, "no date"],
    ["2026-11-27", "due today"],
    ["2026-11-28", "due tomorrow"],
    ["2026-12-04", "due Friday 4 December"],
    ["2026-11-26", "was due yesterday"],
    ["2026-11-20", "was due 7 days ago"],
  ])("due %s", (on, said) => expect(dueSaid(on, dayjs("2026-11-27T18:00:00"))).toBe(said));
});

describe("slips made and not made again", () => {
  const reading = (day: string, code: string): DraftProgress["readings"][number] => ({
    ...{ name: "S3", written: "7", step: "S3", says: "", at: `${day}T10:00:00Z` },
    ...(code === "" ? { verdict: "right", code } : { verdict: "off", code }),
  });
  const draft = (readings: DraftProgress["readings"]): DraftProgress => ({
    ...{ draftId: "d", name: "Sleeve", slug: "13", systemTitle: "Sleeve", ticked: 4, seconds: 60, readings },
  });

  it("is put off after enough readings without it; one made just now is not", () => {
    const right = Array.from({ length: 5 }, () => reading("2026-11-20", ""));
    const lines = slipLines([
      draft([reading("2026-11-02", "ease-forgotten"), reading("2026-11-03", "ease-forgotten"), ...right, reading("2026-11-25", "rounded")]),
    ]);
    expect(lines.map((l) => [l.code, l.again])).toEqual([
      ["ease-forgotten", false],
      ["rounded", true],
    ]);
    expect(lines[0]?.says).toMatch(/^You forgot the ease twice, and not in the 6 readings since/);
  });

  it("is counted day by day", () => {
    expect(byDay([draft([reading("2026-11-02", "rounded"), reading("2026-11-02", ""), reading("2026-11-01", "")])])).toEqual({
      days: ["2026-11-01", "2026-11-02"],
      taken: [1, 2],
      off: [0, 1],
    });
  });
});

describe("an answer made a note of the system", () => {
  const TEXT =
    'system "A"\n  garment test · unit cm\n\nmeasure chest girth 60..150\n\nboard M "One"\n# kept\n#1 start\n#2 down chest/2 from #1  "Down."\n';

  it("stands behind its step as something to watch out for; nothing else of the text changes", () => {
    const now = withWatch(TEXT, "#2", 'Level, not "along".\nAlways.') ?? "";
    expect(now.split("\n").filter((line) => !line.includes("watch"))).toEqual(TEXT.split("\n"));
    const { problems, system } = loadSystem(now);
    expect(problems).toEqual([]);
    expect(system.statements.find((s) => s.is === "point" && s.id === "2")).toMatchObject({ watch: ["Level, not 'along'. Always."] });
  });

  it("of a step that is not there is not made", () => {
    expect(withWatch(TEXT, "#9", "x")).toBeUndefined();
    expect(readNotation(TEXT).problems).toEqual([]);
  });
});
