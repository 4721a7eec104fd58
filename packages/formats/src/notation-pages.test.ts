import { readdirSync, readFileSync } from "node:fs";
import { checkWord, FUNCTIONS, loadSystem, printNotation, readNotation, run, sampleBody, SHAPINGS, VERBS } from "@lodrin/core";
import { describe, expect, it } from "vitest";
import { readLibrary } from "./library/index.js";
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

const LIBRARY = readLibrary("systems");

const examples = readdirSync(EXAMPLES)
  .sort()
  .map((file): Example => {
    const text = readFileSync(`${EXAMPLES}/${file}`, "utf8");
    const loaded = loadSystem(text, LIBRARY);
    expect(loaded.problems, file).toEqual([]);
    return {
      name: file.replace(".lodrin", ""),
      text,
      title: loaded.plan.system.title,
      plan: loaded.plan,
      drafted: run(loaded.plan, sampleBody(loaded.plan)),
    };
  });
const of = (kind: string): Example[] => examples.filter((e) => e.name.startsWith(`${kind}-`));
const wordOf = ({ name }: Example): string => name.slice(name.indexOf("-") + 1);

/** What an example says past the lines every one of them begins with. */
const body = (text: string): string => text.slice(text.search(/\n(?:board|uses) /) + 1).trim();

const picture = (name: string, what: string): string => `![${what}](drawn/${name}.svg)`;

const AS_PIECES: ReadonlySet<string> = new Set(["line-dart", "check-eased", "word-outline", "word-corner", "word-roles"]);

function drawingsOf({ name, plan, drafted }: Example): [string, Drawing][] {
  if (drafted.shapings.length > 0) {
    return [
      [`${name}-before`, drawPieces({ title: drafted.title, pieces: drafted.drafted })],
      [`${name}-after`, drawPieces(drafted)],
    ];
  }
  return [[name, name.startsWith("piece-") || AS_PIECES.has(name) ? drawPieces(drafted) : drawBoard(plan, drafted)]];
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

const WORDS: Readonly<Record<string, readonly [string, string]>> = {
  ways: [
    "Ways: out, in, down, up",
    "A board has a zero; from there `out` is to the right, away from the centre, and `in` to the left, toward it and on beyond it. What lies beyond the centre has an `out` of less than nothing. A length below nothing in a step is drawn the other way, with a doubt on the step.",
  ],
  board: [
    "Boards: centre, room, and going on with one",
    "A board is one sheet of paper, called by a capital letter. `centre fold`: its centre line is the fold of one half; `centre edge`: it is cut there. That is said for the reader and for the handout; whether an edge of a piece lies on the fold is said at the edge. `room` is how much free paper to leave `above`, `beyond` the centre, `below` and `aside`. `board F` again, by its letter alone, goes on with a board that stands above.",
  ],
  outline: [
    "Outlines: their direction, and reversed",
    "The edges of a piece follow each other round it, each from where the one before ends; either way round will do. A line or curve runs from its first point to its last. Where the outline goes along it the other way, say `reversed`; forgotten, the outline does not close, and a check tells where. A dart between its legs and a part `from … to …` stand in the order they are met.",
  ],
  corner: [
    "Corners of the allowance",
    "How the cutting line turns at both ends of an edge: `mitre`, when nothing is said, runs the two lines out until they meet; `square` cuts straight off at the end of the edge; `mirrored` shapes the allowance so that it lies on the piece, edge on edge, when it is turned up. A hem that widens or tapers wants `mirrored`.",
  ],
  roles: [
    "Roles and levels that mean something",
    'An edge may have any name. Three are known, and checked on every draft: `neck` (all that are not sewn to another neck make the opening that must pass over the head, unless `closes` says how it opens), `shoulder` and `armhole` (their lengths lie within human range). Edges of one role run on over a seam; a piece made `from` another lies on it and is left out of that. A level is the body\'s when it says so, as in `level KEY "Name" at waist`: chest, bust, underbust, waist, high_hip, hip, knee or hem. Titles and labels are for people, in any language, and decide nothing.',
  ],
  turned: [
    "Turned over",
    "Front and back are both drawn with the centre on the left. Laid shoulder to shoulder one of them lies wrong side up: `turned over`, in a join, turns the piece that is joined on first; in the heading of a piece it takes it off the board wrong side up. Without it the neck of one would come to the armhole of the other.",
  ],
  uses: [
    "The order with `uses`",
    "All of the other system stands where the line with `uses` stands. What it asks for and is written again here takes the place it had there, so that it counts for all that is drawn; steps and lines follow below, on a board gone on with or on one's own.",
  ],
  tables: [
    "Tables, and what lies past their ends",
    "In a table by steps the first row that applies counts: `under`, `up to`, `at` and, last, `above`, which all the rest falls under; `above -> nothing` refuses the rest. A linear table runs straight between its rows, which stand in order, and stays at its first and last row beyond them.",
  ],
  text: [
    "Writing: comments, blanks, small and capital letters, figures",
    "Points and pieces begin with a capital letter, names of figures, lines and edges with a small one; words of the language are small. `B3` and `b3`, `Front` and `front` are different things. Two blanks or a tab are one blank. A sentence stands in quotation marks, straight or curly.",
  ],
  functions: [
    "Every function and its arguments",
    "`a` and `b` are figures of one kind; `#a` and `#b` points; a line is its name. What each comes to here is in the table. Angles for `sin`, `cos` and `tan` carry `°`.",
  ],
};

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
    "A piece that stands above, one's own or brought along by `uses`, gets notches, marks, notes, other allowances or an edge drawn again; or it is left out.",
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
  guide: [
    "Guidelines, and arcs swung free",
    "What only guides is drawn dashed: a line without ends, `line KEY: line across from POINT`, down from a point or beside two, and an arc swung about a point, `arc KEY: LENGTH about POINT`, whole or its `upper`, `lower`, `inner` or `outer` half. Others meet and cross them; a guideline has no length.",
  ],
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
    expect(of("word").map(wordOf)).toEqual(Object.keys(WORDS).sort());
  });

  it("explain every function", () => {
    const { text } = of("word").find((e) => wordOf(e) === "functions") as Example;
    for (const name of [...FUNCTIONS.keys(), "if", "closed_width"]) expect(text).toContain(`= ${name}(`);
  });

  it.each(examples)("$name draws every step and reads the same after it is printed", ({ text, drafted }) => {
    expect(drafted.outcomes.filter((o) => o.status === "failed")).toEqual([]);
    expect(drafted.shapings.filter((s) => s.outcome.status !== "done")).toEqual([]);
    expect(readNotation(printNotation(readNotation(text).system)).system).toEqual(readNotation(text).system);
  });

  it.each(examples.flatMap(drawingsOf).map(([name, drawing]) => ({ name, drawing })))("drawn: $name", async ({ name, drawing }) => {
    await expect(writeSvg(drawing)).toMatchFileSnapshot(`../../../${DOCS}/drawn/${name}.svg`);
  });

  it("words", async () => {
    const sections = of("word").map((e) => {
      const values = e.plan.steps.flatMap(({ source, target }, i) => {
        if (source.is !== "value" || !e.text.includes(`\nvalue ${source.key} `) || e.drafted.outcomes[i]?.status !== "drawn") return [];
        const got = e.drafted.environment.slots[target] as number;
        const figure =
          source.kind === "angle"
            ? `${((got * 180) / Math.PI).toFixed(1)}°`
            : source.kind === "length"
              ? `${(got / 10).toFixed(2)} cm`
              : got.toFixed(3);
        return [`| \`${source.formula}\` | ${figure} | ${source.text ?? ""} |`];
      });
      const table = values.length > 0 ? `\n\n${["| formula | comes to | |", "| --- | --: | --- |", ...values].join("\n")}` : "";
      return `${section(...(WORDS[wordOf(e)] as readonly [string, string]), [], e)}${table}`;
    });
    const lead = "What words, signs and names mean, wherever they stand.";
    await expect(page("Words and signs", lead, sections)).toMatchFileSnapshot(`../../../${DOCS}/words.md`);
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
        return `| ${c.name} | ${checkWord(c).toLowerCase()} | ${figure(c.got)} | ${expected} | ${figure(c.tolerance)} |`;
      });
      const table = ["| check | result | got | expected | within |", "| --- | --- | --: | --: | --: |", ...rows].join("\n");
      return `${section(...(CHECKS[wordOf(e)] ?? ["", ""]), [], e)}\n\n${table}`;
    });
    await expect(page("Checks", "What is checked by eye, made in numbers.", sections)).toMatchFileSnapshot(`../../../${DOCS}/checks.md`);
  });
});
