import { describe, expect, it } from "vitest";
import { newProblems } from "../edit/consequences.js";
import { applyEdits } from "../edit/line-edit.js";
import { loadSystem } from "../plan/load.js";
import { run } from "../run/run.js";
import { SHAPING_FORMS } from "../system/shaping-forms.js";
import { readNotation } from "../system/notation/read.js";
import { VERBS } from "../verb/index.js";
import { type Filled, type Gap, gapsOf } from "./gaps.js";
import { type Insertion, insertionOf, withItsSentence } from "./insert.js";
import { beginFilling, beginWith, fillGap, type Filling, pressInto } from "./press.js";
import type { Template } from "./template.js";
import { TEMPLATES } from "./templates.js";

// Something of every kind that a template may name.
const SYSTEM = `system "Front and back"
  unit cm
measure bust girth 70..140 "Round the bust."

board A "Front" · centre fold
A0 start
A1 out 6 from A0
A2 out 18 from A0
A3 down 26 from A0
A4 down 26 from A2
A5 down 14 from A2
A6 start at 9 across 12 down
A7 out 11 from A0
A8 midway A3 to A4
A9 down 9 from A0
B1 down 9 from A2
line yoke: A9 > B1
line foot: A3 > A4
line edge: A2 > A4
dart side_dart "Side dart": at A5, intake 3 to A6, pressed down
curve hem_curve: A3 > A4, leaving level, arriving at -25°

board C "Back" · centre fold
C0 start
C1 out 6 from C0
C2 out 18 from C0
C3 down 26 from C0
C4 down 26 from C2

piece Front "Front" on A · cut 1 on fold
  edge neck: A0 > A1 · allow 1
  edge shoulder: A1 > A2 · allow 1
  edge side: A2 > side_dart > A4 · allow 1
  edge hem: A4 > A3 · allow 2
  edge centre: A3 > A0 · fold
piece Back "Back" on C · cut 1 on fold
  edge neck: C0 > C1 · allow 1
  edge shoulder: C1 > C2 · allow 1
  edge side: C2 > C4 · allow 1
  edge hem: C4 > C3 · allow 2
  edge centre: C3 > C0 · fold
sew Front.side with Back.side
`;
const loaded = loadSystem(SYSTEM);
const draft = { plan: loaded.plan, run: run(loaded.plan, {}) };
const at = (name: string): number => loaded.read.system.statements.findIndex((s) => s.is === "point" && s.id === name);

/** What people might put into each kind of gap. */
const SAMPLE: Partial<Record<Gap["kind"], readonly string[]>> = {
  length: ["3"],
  number: ["1/2"],
  angle: ["10°"],
  condition: ["bust > 100"],
  direction: ["square to", "A0-A3"],
  point: ["A8"],
  points: ["A0", "A8"],
  line: ["yoke"],
  ends: ["A0-A3"],
  path: ["yoke"],
  paths: ["yoke", "foot"],
  walk: ["yoke", "A4"],
  dart: ["side_dart"],
  piece: ["Front"],
  edge: ["Front.hem"],
  edges: ["Front.hem"],
  places: ["A4"],
  newKey: ["Front edge"],
  newPiece: ["Front facing"],
  text: ["Waist line"],
};
/** Where the sample would say nothing that can be drawn, or name two gaps alike. */
const OTHERWISE: Readonly<Record<string, Filled>> = {
  bisect: { corner: ["A0"], a: ["A2"], b: ["A3"] },
  swing: { distance: ["30"], from: ["A0"], line: ["edge"] },
  cross: { other: ["A0-A4"] },
  "cross-near": { other: ["A0-A4"], near: ["A8"] },
  midway: { a: ["A0"] },
  part: { from: ["A0"] },
  toward: { from: ["A0"] },
  turn: { about: ["A0"] },
  "turn-onto": { about: ["A0"], falls: ["A2"], on: ["A4"] },
  copy: { from: ["A0"], to: ["A2"] },
  trace: { point: ["A8"] },
  "down-to": { from: ["A0"], line: ["foot"] },
  "up-to": { from: ["A3"] },
  "out-to": { from: ["A9"], line: ["edge"] },
  "in-to": { from: ["B1"], line: ["A0-A3"] },
  across: { from: ["A0"], line: ["edge"] },
  square: { from: ["A0"] },
  off: { line: ["foot"], at: ["A8"] },
  along: { line: ["foot"], from: ["A8"] },
  "on-down": { line: ["edge"] },
  "on-out": { line: ["foot"] },
  mirror: { line: ["A2-A4"] },
  arc: { from: ["A1"], to: ["A9"], about: ["A0"] },
  "arc-through": { from: ["A1"], over: ["A6"], to: ["A9"] },
  blend: { first: ["foot"], second: ["edge"] },
  "curve-long": { long: ["14"], leaving: ["level"], arriving: ["plumb"], through: ["A3", "A8"] },
  join: { along: ["foot", "edge reversed"] },
  dart: { at: ["A8"], to: ["A6"], other: ["A9"], short: ["A6"], legs: ["foot"] },
  "dart-legs": { a: ["A3"], b: ["A8"], to: ["A6"], other: ["A9"], short: ["A6"] },
  close: { about: ["A6"], from: ["A7"] },
  "close-part": { about: ["A6"], from: ["A7"] },
  spread: { from: ["A8"], to: ["A7"] },
  fold: { from: ["A8"], to: ["A7"] },
  "fold-between": { from: ["A8"], other: ["A4"], to: ["A7"] },
  split: { first: ["Yoke"], second: ["Lower"] },
  "split-lines": { lines: ["yoke", "side_dart"], first: ["Yoke"], second: ["Lower"] },
  "split-points": { from: ["A9"], to: ["B1"], first: ["Yoke"], second: ["Lower"] },
  true: { edge: ["Front.side"], other: ["Back.side"] },
  run: { edge: ["Front.hem"], other: ["Back.hem"], seam: ["Front.side"], otherSeam: ["Back.side"] },
  redraw: { line: ["hem_curve"] },
  "sew-within": { first: ["Front.shoulder"], second: ["Back.shoulder"] },
  evenly: { count: ["4"], from: ["A0"], to: ["A8"] },
  curve: { past: ["A6"], through: ["A0", "A6", "A8"] },
  sew: { first: ["Front.shoulder"], second: ["Back.shoulder"] },
  equal: { got: ["len(Front.side)"], expected: ["len(Back.side)"] },
  between: { got: ["len(yoke)"], low: ["10"], high: ["30"] },
  passes: { garment: ["2*len(Front.hem)"], body: ["bust"] },
  inside: { along: ["yoke"] },
  outline: { round: ["A0", "A2", "side_dart", "A4", "A3"], title: ["Whole front"] },
  "join:shape": { second: ["Back.shoulder"], first: ["Front.shoulder"], name: ["Whole"] },
  "square:check": { corner: ["A0"], a: ["A2"], b: ["A3"] },
};
const otherwise = ({ key, group }: Template): Filled => OTHERWISE[`${key}:${group}`] ?? OTHERWISE[key] ?? {};

/** Every way a template can be filled: with each of its words, and with all that may be left out or none of it. */
function fillings(template: Template): Filling[] {
  const gaps = gapsOf(template.parts);
  return [true, false].flatMap((all) => {
    const kept = gaps.filter(({ must }) => must || all);
    let ways: Filled[] = [{}];
    for (const { gap } of kept) {
      const values = otherwise(template)[gap.name] ?? SAMPLE[gap.kind];
      const choices = gap.kind === "one of" ? gap.options.map(({ says }) => [says]) : [values ?? []];
      ways = ways.flatMap((way) => choices.map((choice) => ({ ...way, [gap.name]: choice })));
    }
    return ways.map((filled): Filling => ({ template, filled, asked: undefined }));
  });
}

const said = (filling: Filling, open: number): Insertion | undefined => {
  const insertion = insertionOf(filling, loaded, open, draft.run);
  return insertion && withItsSentence(insertion, loaded, {});
};
const written = (filling: Filling, open = at("A8")): readonly string[] => said(filling, open)?.lines ?? [];

describe("templates", () => {
  it.each(TEMPLATES.map((t) => [`${t.group} ${t.key}`, t] as const))("%s: what it puts in is read without a problem", (_, template) => {
    for (const filling of fillings(template)) {
      const insertion = said(filling, template.here ? at("C4") : at("A8"));
      expect(insertion, JSON.stringify(filling.filled)).toBeDefined();
      const after = loadSystem(applyEdits(SYSTEM, insertion?.edits ?? []), {}, loaded);
      const problems = newProblems(loaded, after).map(({ why, fix }) => `${why} ${fix}`);
      expect(problems, insertion?.lines.join("\n")).toEqual([]);
    }
  });

  it("reach every form of every verb and every shaping", () => {
    const reached = new Set(
      TEMPLATES.flatMap((template) =>
        fillings(template).flatMap((filling) =>
          readNotation(`system "A"\n${written(filling).join("\n")}`).system.statements.flatMap((s) =>
            s.is === "point" || s.is === "shape" ? [`${s.verb} ${s.form}`] : [],
          ),
        ),
      ),
    );
    const all = [...VERBS, ...SHAPING_FORMS].flatMap(([word, { forms }]) => forms.map((_, form) => `${word} ${form}`));
    expect(all.filter((one) => !reached.has(one))).toEqual([]);
  });

  it("have keys of their own within a group, and labels that tell them apart", () => {
    for (const of of ["key", "label"] as const) expect(new Set(TEMPLATES.map((t) => `${t.group} ${t[of]}`)).size).toBe(TEMPLATES.length);
  });
});

const template = (group: Template["group"], key: string): Template =>
  TEMPLATES.find((t) => t.group === group && t.key === key) ?? expect.fail(`no ${group} ${key}`);
const gapNamed = (t: Template, name: string): Gap =>
  gapsOf(t.parts).find(({ gap }) => gap.name === name)?.gap ?? expect.fail(`no gap ${name}`);
const press = (filling: Filling, ...names: readonly string[]): Filling =>
  names.reduce((now, name) => {
    const kind = name.includes(".") ? "edge" : /^[A-Z]\d/.test(name) ? "point" : /^[A-Z]/.test(name) ? "piece" : "path";
    return pressInto(now, { kind, name }, draft) ?? expect.fail(`${name} was not taken`);
  }, filling);

describe("what is pressed", () => {
  it("fills the gaps one after the other, and asks for the next", () => {
    const toward = press(beginFilling(template("point", "toward"), draft), "A3", "A8");
    expect(toward.filled).toEqual({ from: ["A3"], to: ["A8"] });
    expect(toward.asked).toBe("distance");
    const whole = fillGap(toward, gapNamed(toward.template, "distance"), ["bust/8"]);
    expect(whole.asked).toBeUndefined();
    expect(written(whole)[0]).toBe('A10 toward A8, bust/8 from A3  "From A3 towards A8, an eighth of the bust."');
  });

  it("makes a line of two points, and of a drawn one its name", () => {
    const off = beginFilling(template("point", "off"), draft);
    expect(press(off, "A0").filled["line"]).toEqual(["A0-"]);
    expect(press(off, "A0", "A3").filled["line"]).toEqual(["A0-A3"]);
    expect(press(off, "yoke").filled["line"]).toEqual(["yoke"]);
    expect(press(off, "yoke").asked).toBe("at");
    expect(press(beginFilling(template("piece", "grain"), draft), "Front", "yoke").filled["line"]).toEqual(["A9-B1"]);
  });

  it("measures a length: along a line, an edge, or from point to point, and adds it after a sign", () => {
    const out = press(beginFilling(template("point", "out"), draft), "A0");
    expect(press(out, "yoke").filled["distance"]).toEqual(["len(yoke)"]);
    expect(press(out, "A1", "A2").filled["distance"]).toEqual(["dist(A1, A2)"]);
    const plus = fillGap(out, gapNamed(out.template, "distance"), ["3 + "]);
    expect(press({ ...plus, asked: "distance" }, "foot").filled["distance"]).toEqual(["3 + len(foot)"]);
  });

  it("adds points to a curve until another gap becomes current", () => {
    const curve = press(beginFilling(template("line", "curve"), draft), "A0", "A6", "A4");
    expect(curve.filled["through"]).toEqual(["A0", "A6", "A4"]);
    expect(curve.asked).toBe("through");
    const leaving = press({ ...curve, asked: "leaving" }, "yoke");
    expect(leaving.filled["leaving"]).toEqual(["along", "yoke"]);
    const named = fillGap(leaving, gapNamed(curve.template, "key"), ["Under arm"]);
    expect(written(named)[0]).toMatch(/^curve under_arm: A0 > A6 > A4, leaving along yoke/);
  });

  it("names the piece of an edge, and takes an edge away that is pressed again", () => {
    const facing = press(beginFilling(template("piece", "facing"), draft), "Front.neck", "Front.shoulder", "Front.neck");
    expect(facing.filled["edges"]).toEqual(["Front.shoulder"]);
    expect(press(beginFilling(template("shape", "unfold"), draft), "Front.side").filled).toEqual({ piece: ["Front"] });
  });

  it("is refused where no gap takes it", () => {
    expect(pressInto(beginFilling(template("shape", "unfold"), draft), { kind: "point", name: "A0" }, draft)).toBeUndefined();
    expect(pressInto(beginFilling(template("shape", "close"), draft), { kind: "path", name: "yoke" }, draft)).toBeUndefined();
  });
});

describe("what is picked first", () => {
  const suits = (...names: readonly string[]): string[] =>
    TEMPLATES.filter((t) =>
      beginWith(
        t,
        names.map((name) => ({
          kind: name.includes(".") ? ("edge" as const) : /^[A-Z]/.test(name) ? ("point" as const) : ("path" as const),
          name,
        })),
        draft,
      ),
    ).map(({ key }) => key);

  it("offers what can begin with it", () => {
    expect(suits("A0")).toEqual(expect.arrayContaining(["down", "midway", "line", "curve", "dart", "mirror"]));
    expect(suits("A0")).not.toContain("along-share");
    expect(suits("yoke")).toEqual(expect.arrayContaining(["along", "cross", "off", "beside", "blend"]));
    expect(suits("yoke")).not.toContain("down");
    expect(suits("Front.neck", "Back.neck")).toEqual(expect.arrayContaining(["sew", "true", "join", "equal"]));
    expect(suits("Front.neck", "Back.neck")).not.toContain("unfold");
  });
});

describe("where it goes", () => {
  const out = (from: string): Filling => ({
    template: template("point", "out"),
    filled: { from: [from], distance: ["2"] },
    asked: undefined,
  });
  const lineAbove = (filling: Filling, open: number): string => {
    const edits = said(filling, open)?.edits ?? [];
    return applyEdits(SYSTEM, edits).split("\n")[(edits[0]?.from ?? 0) - 1] ?? "";
  };

  it("behind the open line where that stands on its board and below what it names, else behind the last of the board", () => {
    expect(lineAbove(out("A3"), at("A6"))).toMatch(/^A6 /);
    expect(lineAbove(out("A8"), at("A3"))).toMatch(/^curve hem_curve/);
    expect(lineAbove(out("A3"), at("C2"))).toMatch(/^curve hem_curve/);
    expect(lineAbove(out("C2"), at("A6"))).toMatch(/^C4 /);
    // The last line is a seam: it is behind the heading of the back, but no step of it.
    expect(lineAbove(out("C2"), loaded.read.system.statements.length - 1)).toMatch(/^C4 /);
  });

  it("settings with settings, a board behind the drafting, and points together take the next numbers", () => {
    const filled = { key: ["Half ease"], usual: ["2"], from: ["0"], to: ["4"], decides: ["How loose."] };
    expect(lineAbove({ template: template("given", "setting"), filled, asked: undefined }, at("A6"))).toMatch(/^measure bust/);
    const board = { title: ["Pocket"], centre: ["an edge"] };
    expect(lineAbove({ template: template("given", "board"), filled: board, asked: undefined }, at("A6"))).toMatch(/^C4 /);
    const evenly = { template: template("point", "evenly"), filled: { count: ["4"], from: ["A0"], to: ["A8"] }, asked: undefined };
    expect(written(evenly)[0]).toBe("A10..A13 evenly from A0 to A8");
  });

  it("opens the heading of a board again that another system brought along", () => {
    const library = { "01-base": SYSTEM };
    const upon = loadSystem(`system "Upon"\n  unit cm\n\nuses 01-base\n\nboard K "Pocket"\nK0 start\n`, library);
    const put = insertionOf(out("A3"), upon, 1, run(upon.plan, {}));
    expect(put?.lines[0]).toBe('board A "Front"');
    expect(loadSystem(applyEdits(upon.read.source, put?.edits ?? []), library).problems).toEqual([]);
  });
});
