import { readdirSync, readFileSync } from "node:fs";
import { loadSystem, printNotation, run, SHAPINGS, VERBS } from "@lodrin/core";
import { describe, expect, it } from "vitest";
import { type Drawing, drawBoard, drawPieces, writeSvg } from "./index.js";

// Writes the pages of docs/notation with their drawings and holds them to it: run the tests with -u after a change.
const DOCS = "docs/notation";
const EXAMPLES = `${DOCS}/examples`;

interface Example {
  readonly name: string;
  readonly text: string;
  readonly title: string;
  readonly plan: ReturnType<typeof loadSystem>["plan"];
  readonly drafted: ReturnType<typeof run>;
}

const examples = readdirSync(EXAMPLES)
  .sort()
  .map((file): Example => {
    const text = readFileSync(`${EXAMPLES}/${file}`, "utf8");
    const loaded = loadSystem(text);
    expect(loaded.problems, file).toEqual([]);
    return { name: file.replace(".lodrin", ""), text, title: loaded.plan.system.title, plan: loaded.plan, drafted: run(loaded.plan, {}) };
  });
const of = (kind: string): Example[] => examples.filter((e) => e.name.startsWith(`${kind}-`));
const wordOf = ({ name }: Example): string => name.slice(name.indexOf("-") + 1);

/** What an example says past the lines every one of them begins with. */
const body = (text: string): string => text.slice(text.indexOf("\nboard ") + 1).trim();

const picture = (name: string, what: string): string => `![${what}](drawn/${name}.svg)`;

function drawingsOf({ name, plan, drafted }: Example): [string, Drawing][] {
  if (drafted.shapings.length > 0) {
    return [
      [`${name}-before`, drawPieces({ ...drafted, pieces: drafted.drafted })],
      [`${name}-after`, drawPieces(drafted)],
    ];
  }
  return [
    [name, name.startsWith("piece-") || name === "line-dart" || name === "check-eased" ? drawPieces(drafted) : drawBoard(plan, drafted)],
  ];
}

const page = (title: string, lead: string, sections: string[]): string =>
  `# ${title}\n\n${lead}\n\nThe examples are files of their own in [\`examples\`](examples); the drawings are made from them by the program, as is this page.\n\n${sections.join("\n\n")}\n`;

const section = (heading: string, description: string, forms: readonly string[], e: Example): string =>
  [
    `## ${heading}`,
    description,
    ...(forms.length > 0 ? [forms.map((f) => `- \`${f}\``).join("\n")] : []),
    `\`\`\`\n${body(e.text)}\n\`\`\``,
    drawingsOf(e)
      .map(([name]) => picture(name, name.replace(/-/g, " ")))
      .join(" "),
  ].join("\n\n");

const spoken = (word: string, text: string): string =>
  `${word} ${text.replace(/\{(\w+):(\w+)\}/g, (_, name: string, type: string) => (type === "point" ? "POINT" : type === "line" ? "LINE" : name.toUpperCase()))}`.trim();

const CHECKS: Readonly<Record<string, readonly [string, string]>> = {
  checks: [
    "Three ways to check",
    "Two figures that agree, one between two others, or any condition. Those made on every draft follow. Lengths in mm.",
  ],
  eased: [
    "One edge sewn to several, with ease",
    "The edges of a side are named in the order they are sewn. The first side is longer by the ease, which is shared out between the notches when the seam is walked. Lengths in mm.",
  ],
  passes: [
    "What must go through an opening",
    "A girth of the garment over a girth of the body, in cloth that gives. The neck is asked about by itself, since nothing here opens; the hem falls to the side, and over the seam that makes a corner. Lengths in mm.",
  ],
};

const PIECES: Readonly<Record<string, readonly [string, string]>> = {
  piece: [
    "A piece",
    "Its edges in order round it, each with its allowance; grain, levels, notches. `corner` says how the allowance turns the corners at both ends of an edge: mitred when nothing is said, square, or mirrored so that a turn-up lies on the piece when it is folded up.",
  ],
  from: [
    "A piece from another",
    "The same shape under another name, or a strip of it along neighbouring edges, with changes of its own: a pleat let in, other allowances. The inner edge of a strip is called `inner`.",
  ],
  amend: [
    "More said of a piece",
    "A piece that stands above, one's own or brought along by `uses`, gets notches, marks, notes, other allowances or an edge drawn anew; or it is left out.",
  ],
  marks: [
    "Notches and marks on a piece",
    "Notches at points or so far along an edge, from where it begins or back from its end; buttons, buttonholes by their length and the way they lie, holes to drill; a grain turned clockwise from a line.",
  ],
};

const LINES: Readonly<Record<string, readonly [string, string]>> = {
  line: ["Lines and level lines", "Straight through its points. A level line carries its name on the paper and on the pieces."],
  curve: [
    "Curves",
    "Hobby's spline through its points: the same points give the same curve everywhere. Directions: plumb, level, square to LINE, along LINE, at ANGLE.",
  ],
  like: [
    "Kinds of curves and fullness",
    "A kind gives the directions that are not said; fullness 1 is the plain curve, more bows out, less lies nearer to the chord.",
  ],
  arc: ["Arcs", "Part of a circle, about a centre or through three points."],
  blend: ["Blends", "Two lines that meet in a corner, as one line with the corner rounded."],
  join: ["Joined lines", "Points and drawn lines laid end to end as one."],
  trace: ["Traced lines", "A drawn line gone over with the tracing wheel: through a fold, moved, or turned."],
  offset: [
    "Lines beside lines",
    "A line drawn beside another, the same distance from it all the way: on the side that lies in, out, up or down, or to the left or right hand of someone walking along it.",
  ],
  long: [
    "Curves as long as they must be",
    "The fullness of the curve is fitted to its length; a length that cannot be reached through its points is told, with those that can.",
  ],
  evenly: ["Points at equal distances", "A run of points from one place to another, both included."],
  dart: [
    "Darts",
    "Equal legs, a fold, a mouth shaped so that the edge runs on when the dart is pressed; the edge is measured with it closed.",
  ],
};

describe("the pages of the notation", () => {
  it("have an example for every verb, every line and every shaping", () => {
    expect(of("verb").map(wordOf)).toEqual([...VERBS.keys()].sort());
    expect(of("shape").map(wordOf)).toEqual([...SHAPINGS.keys()].sort());
    expect(of("line").map(wordOf)).toEqual(Object.keys(LINES).sort());
  });

  it.each(examples)("$name draws every step and reads the same after it is printed", ({ text, plan, drafted }) => {
    expect(drafted.outcomes.filter((o) => o.status !== "drawn")).toEqual([]);
    expect(drafted.shapings.filter((s) => s.outcome.status !== "done")).toEqual([]);
    expect(loadSystem(printNotation(plan.system)).plan.system).toEqual(loadSystem(text).plan.system);
  });

  it.each(examples.flatMap(drawingsOf).map(([name, drawing]) => ({ name, drawing })))("drawn: $name", async ({ name, drawing }) => {
    await expect(writeSvg(drawing)).toMatchFileSnapshot(`../../../${DOCS}/drawn/${name}.svg`);
  });

  it("verbs", async () => {
    const sections = [...VERBS.values()].map((verb) => {
      const e = of("verb").find((x) => wordOf(x) === verb.word) as Example;
      return section(`${verb.word}: ${e.title.toLowerCase()}`, verb.description, verb.forms.map((f) => spoken(verb.word, f.text)), e); // prettier-ignore
    });
    const text = page("Placing points", "Every verb places one point from those above it.", sections);
    await expect(text).toMatchFileSnapshot(`../../../${DOCS}/verbs.md`);
  });

  it("lines", async () => {
    const sections = of("line").map((e) => section(...(LINES[wordOf(e)] as readonly [string, string]), [], e));
    await expect(page("Lines, curves and darts", "What is drawn through the points.", sections)).toMatchFileSnapshot(
      `../../../${DOCS}/lines.md`,
    );
  });

  it("pieces and shaping", async () => {
    const piece = of("piece").map((e) => section(...(PIECES[wordOf(e)] as readonly [string, string]), [], e));
    const sections = [...SHAPINGS.values()].map((s) => {
      const e = of("shape").find((x) => wordOf(x) === s.word) as Example;
      return section(`${s.word}: ${e.title.toLowerCase()}`, s.description, s.forms.map((f) => spoken(`shape ${s.word}`, f.text)), e); // prettier-ignore
    });
    await expect(
      page("Pieces and their shaping", "Shapings come after the pieces, in order; each gives new pieces and keeps the names.", [
        ...piece,
        ...sections,
      ]),
    ).toMatchFileSnapshot(`../../../${DOCS}/shaping.md`);
  });

  it("checks", async () => {
    const sections = of("check").map((e) => {
      const rows = e.drafted.checks.map((c) => {
        const figure = (x: number): string => (c.kind === "angle" ? `${((x * 180) / Math.PI).toFixed(1)}°` : x.toFixed(1));
        const expected = typeof c.expected === "number" ? figure(c.expected) : c.expected.map(figure).join(" to ");
        return `| ${c.name} | ${c.status} | ${figure(c.got)} | ${expected} | ${figure(c.tolerance)} |`;
      });
      const table = ["| check | result | got | expected | within |", "| --- | --- | --: | --: | --: |", ...rows].join("\n");
      return `${section(...(CHECKS[wordOf(e)] ?? ["", ""]), [], e)}\n\n${table}`;
    });
    await expect(page("Checks", "What is checked by eye, made in numbers.", sections)).toMatchFileSnapshot(`../../../${DOCS}/checks.md`);
  });
});
