import { SHAPING_FORMS } from "../shaping-forms.js";
import { pointText, printForm } from "../../verb/form.js";
import { VERBS } from "../../verb/index.js";
import type {
  Check,
  Choice,
  DartText,
  Edge,
  Grade,
  Measure,
  PathStep,
  Piece,
  PieceFrom,
  PointStep,
  ShapeStep,
  Setting,
  Statement,
  System,
  Table,
  Value,
} from "../model.js";

/** A system as notation. Reading it back gives the same model. */
export function printNotation(system: System): string {
  const lines = [...comments(system.comments), ...printHeading(system), ...unreadLines(system.unread)];
  let before = "system";
  for (const statement of system.statements) {
    if (family(statement.is) !== before || statement.is === "part" || statement.is === "piece") lines.push("");
    before = family(statement.is);
    lines.push(...comments(statement.comments), ...printStatement(statement));
  }
  return `${lines.join("\n")}\n`;
}

type PrintedHeading = Pick<System, "title" | "garment" | "unit" | "tape"> & { readonly [K in "about" | "suits"]?: string | undefined };

/** What a system is called, and what is said of it as a whole. */
export function printHeading({ title, garment, unit, tape, about, suits }: PrintedHeading): string[] {
  return [
    `system ${quoted(title)}`,
    `  garment ${garment} · unit ${unit} · tape ${tape.replace(/in$/, "")}`,
    ...(about === undefined ? [] : [`  about ${quoted(about)}`]),
    ...(suits === undefined ? [] : [`  suits ${quoted(suits)}`]),
  ];
}

/** Statements that stand together without a blank line. */
function family(is: Statement["is"]): string {
  return is === "point" || is === "path" || is === "part" || is === "grade" || is === "evenly" || is === "unread" ? "step" : is;
}

const comments = (list: readonly string[] | undefined): string[] => (list ?? []).map((text) => (text === "" ? "#" : `# ${text}`));
const quoted = (text: string): string => `"${text.replace(/"/g, "″")}"`;
const sentence = (text: string | undefined): string => (text === undefined ? "" : `  ${quoted(text)}`);

type Printers = { readonly [K in Statement["is"]]: (s: Extract<Statement, { is: K }>) => string[] };

const PRINTERS: Printers = {
  uses: (s) => [`uses ${s.base}${s.pieces ? " · with its pieces" : ""}${sentence(s.text)}`],
  measure: printMeasure,
  set: (s) => [printSetting(s)],
  choose: printChoice,
  table: (s) => [printTable(s)],
  value: (s) => [printValue(s), ...notes(s)],
  board: (s) => [`board ${s.key} ${quoted(s.title)} · centre ${s.centre}${printRoom(s.room)}`],
  part: (s) => [`part ${quoted(s.title)}`],
  point: (s) => [printPoint(s), ...notes(s)],
  path: (s) => [printPath(s), ...notes(s)],
  grade: printGrade,
  evenly: (s) => [
    `${pointText(s.first)}..${pointText(s.last)} evenly from ${pointText(s.from)} to ${pointText(s.to)}${sentence(s.text)}`,
    ...notes(s),
  ],
  piece: printPiece,
  pieceFrom: printPieceFrom,
  amend: (s) => [
    `piece ${s.key} also`,
    ...cutFacts(s).map((fact) => `  ${fact}`),
    ...changes(s),
    ...(s.edges ?? []).map(printEdge),
    ...onPiece(s),
  ],
  leaveOut: (s) => [`leave out ${s.key}${s.when === undefined ? "" : ` when ${s.when}`}`],
  shape: (s) => [`shape ${shapingText(s)}${sentence(s.text)}`, ...notes(s)],
  sew: (s) => [
    `sew ${s.first.join(" + ")} with ${s.second.join(" + ")}${s.eased === undefined ? "" : `, eased ${s.eased}`}${s.within === undefined ? "" : `${s.eased === undefined ? "" : ","} within ${s.within}`}`,
    ...(s.notches ?? []).map((n) => `  ${ticksText(n.ticks)}notch after ${n.after}`),
  ],
  check: printCheck,
  passes: (s) => [`passes ${quoted(s.title)}: ${s.garment} over ${s.body}`, ...checkNotes(s)],
  closes: (s) => [`closes ${quoted(s.text)}`, ...checkNotes(s)],
  cloth: (s) => [`cloth stretches ${s.stretches}`],
  caution: (s) => [`caution ${quoted(s.text)}`],
  control: (s) => [`control ${s.reads}${sentence(s.text)}`],
  lesson: (s) => [`lesson ${quoted(s.text)}`],
  unread: (s) => [s.text, ...unreadLines(s.details)],
};

/** The lines of one statement, without its comments. */
export function printStatement<S extends Statement>(s: S): string[] {
  const lines = (PRINTERS[s.is] as unknown as (s: S) => string[])(s);
  return "unread" in s ? [...lines, ...unreadLines(s.unread)] : lines;
}

const unreadLines = (lines: readonly string[] | undefined): string[] => (lines ?? []).map((line) => `  ${line}`);

function notes(s: { why?: string[]; watch?: string[]; caution?: string[]; when?: string }): string[] {
  const each = (word: string, list: string[] | undefined): string[] => (list ?? []).map((text) => `  ${word} ${quoted(text)}`);
  return [
    ...(s.when === undefined ? [] : [`  when ${s.when}`]),
    ...each("why", s.why),
    ...each("watch", s.watch),
    ...each("caution", s.caution),
  ];
}

function printMeasure(s: Measure): string[] {
  const lines = [`measure ${s.key} ${s.kind} ${s.from}..${s.to}${s.how === "" ? "" : `  ${quoted(s.how)}`}`];
  if (s.iso !== undefined) lines.push(`  iso ${quoted(s.iso)}`);
  if (s.course) lines.push("round" in s.course ? `  runs round ${s.course.round}` : `  runs ${s.course.from} to ${s.course.to}`);
  if (s.checkOnly) lines.push("  only for a check");
  if (s.when !== undefined) lines.push(`  when ${s.when}`);
  if (s.fallback !== undefined) lines.push(`  else ${s.fallback}`);
  return lines;
}

/** How a kind is written behind a name: nothing for a length, which goes without saying. */
const kindWord = (kind: Setting["kind"]): string => (kind === "length" ? "" : kind === "boolean" ? " yesno" : ` ${kind}`);

function printSetting(s: Setting): string {
  const words = s.words ? ` or ${s.words.join(", ")}` : "";
  const range = s.from !== undefined && s.to !== undefined ? ` from ${s.from} to ${s.to}` : "";
  return `set ${s.key}${kindWord(s.kind)} = ${s.default}${words}${range}${s.decides === "" ? "" : `  ${quoted(s.decides)}`}`;
}

function printChoice(s: Choice): string[] {
  const option = (o: Choice["options"][number]): string =>
    `  ${/^[a-z_][A-Za-z0-9_]*$/.test(o.name) ? o.name : quoted(o.name)}${o.formula === undefined ? "" : ` = ${o.formula}`}${sentence(o.reason)}${o.suits === undefined ? "" : ` suits ${quoted(o.suits)}`}`;
  return [`choose ${s.key}${s.decides === "" ? "" : `  ${quoted(s.decides)}`}`, ...s.options.map(option)];
}

const BOUNDS = { upTo: "up to ", under: "under ", at: "at ", above: "above" } as const;

function printTable(s: Table): string {
  const rows = s.rows.map((r) => `${BOUNDS[r.bound]}${r.at ?? ""} -> ${r.gives}`);
  return `table ${s.key}${kindWord(s.kind)} by ${s.by}, ${s.mode}: ${rows.join(" · ")}`;
}

function printValue(s: Value): string {
  return `value ${s.key}${kindWord(s.kind)} = ${s.formula}${sentence(s.text)}`;
}

function printRoom(room: Extract<Statement, { is: "board" }>["room"]): string {
  const sides = Object.entries(room ?? {}).map(([side, size]) => `${size} ${side}`);
  return sides.length === 0 ? "" : ` · room ${sides.join(", ")}`;
}

function printGrade(s: Grade): string[] {
  const shifts = s.shifts.map((shift) => {
    const moves = shift.moves.map((m) => `${m.by} ${m.way}`).join(", ");
    return `  ${shift.points.map(pointText).join(", ")}: ${moves}`;
  });
  return [`grade by ${s.by}, up to ${s.most}${sentence(s.text)}`, ...shifts];
}

function printPoint(s: PointStep): string {
  const form = VERBS.get(s.verb)?.forms[s.form];
  const rest = form ? printForm(form, s.args) : "";
  return `${pointText(s.id)} ${s.verb}${rest === "" ? "" : ` ${rest}`}${sentence(s.text)}`;
}

/** What is done to the pieces, as its author wrote it in its first line. */
export const doingText = (s: Statement): string => (s.is === "shape" ? shapingText(s) : (printStatement(s)[0] ?? ""));

/** A shaping as its author wrote it, without its sentence: `close side_dart in Front about #5`. */
function shapingText(s: ShapeStep): string {
  const form = SHAPING_FORMS.get(s.verb)?.forms[s.form];
  return `${s.verb}${form ? ` ${printForm(form, s.args)}` : ""}`;
}

const dashedOf = (s: PathStep): string => (s.dashed ? " dashed" : "");
const throughOf = (s: PathStep): string => s.through.map(pointText).join(" > ");

/** How each kind of line is written, past its word and its name. */
const PATHS: { readonly [K in PathStep["type"]]: (s: PathStep) => string } = {
  line: (s) => s.open ?? `${throughOf(s)}${dashedOf(s)}`,
  level: throughOf,
  join: (s) => `${printAlong(s.along ?? [])}${dashedOf(s)}`,
  arc: (s) =>
    `${s.radius ?? throughOf(s)}${s.about === undefined ? "" : ` about ${pointText(s.about)}`}${s.half === undefined ? "" : `, the ${s.half}`}${dashedOf(s)}`,
  blend: ({ blend, ...s }) =>
    `${blend ? `${blend.first} and ${blend.second}, ${blend.before} before, ${blend.after} after` : ""}${dashedOf(s)}`,
  dart: (s) => (s.dart ? printDart(s.dart) : ""),
  trace: (s) => `${s.of ?? ""}${printLaid(s)}${dashedOf(s)}`,
  curve: (s) => `${[throughOf(s), ...curveClauses(s)].join(", ")}${dashedOf(s)}`,
};

function printPath(s: PathStep): string {
  const label =
    s.type === "level" || s.type === "dart" ? ` ${quoted(s.label ?? "")}${s.bodyLevel === undefined ? "" : ` at ${s.bodyLevel}`}` : "";
  return `${s.type} ${s.key}${label}: ${PATHS[s.type](s)}${sentence(s.text)}`;
}

function curveClauses(s: PathStep): string[] {
  const clause = (word: string, text: string | undefined): string[] => (text === undefined ? [] : [`${word} ${text}`]);
  return [
    ...clause("leaving", s.leaving),
    ...(s.passing ?? []).map((p) => `${p.direction} at ${pointText(p.at)}`),
    ...clause("arriving", s.arriving),
    ...clause("like", s.like),
    ...clause("fullness", s.fullness),
    ...clause("as long as", s.asLongAs),
  ];
}

function printDart(d: DartText): string {
  const mouth = d.legs ? `legs ${d.legs.map(pointText).join(", ")}` : `at ${pointText(d.at ?? "")}, intake ${d.intake ?? ""}`;
  const facts = [
    ...(d.pressed === undefined ? [] : [`pressed ${d.pressed}`]),
    ...(d.shortOf === undefined ? [] : [`short of ${pointText(d.shortOf)}`]),
    ...(d.legsAlong === undefined ? [] : [`legs along ${d.legsAlong}`]),
    ...(d.within === undefined ? [] : [`legs within ${d.within}`]),
  ];
  return [`${mouth} to ${d.to.map(pointText).join(" and ")}`, ...facts].join(", ");
}

function printLaid(s: PathStep): string {
  if (s.mirroredIn !== undefined) return ` mirrored in ${s.mirroredIn}`;
  if (s.moved) return ` moved ${s.moved.out} out, ${s.moved.down} down`;
  if (s.offset) return ` offset ${s.offset.by} ${s.offset.way}`;
  return s.turned ? ` turned about ${pointText(s.turned.about)} by ${s.turned.by}` : "";
}

/** Points and paths end to end. */
function printAlong(along: Edge["along"]): string {
  const item = (i: Edge["along"][number]): string => {
    if ("point" in i) return pointText(i.point);
    if (i.from !== undefined && i.to !== undefined) return `${i.path} from ${pointText(i.from)} to ${pointText(i.to)}`;
    return `${i.path}${i.reversed ? " reversed" : ""}`;
  };
  return along.map(item).join(" > ");
}

function printEdge(e: Edge): string {
  const along = printAlong(e.along);
  const facts = [
    ...(e.finish === undefined ? [] : [e.finish]),
    ...(e.allow === undefined ? [] : [`allow ${e.allow}`]),
    ...(e.corner === undefined ? [] : [`corner ${e.corner}`]),
    ...(e.pointed ? ["pointed"] : []),
    ...(e.treatment === undefined ? [] : [e.treatment]),
  ];
  return `  edge ${[`${e.role}: ${along}`, ...facts].join(" · ")}`;
}

/** How often a piece is cut and how it lies: `cut 2 mirrored · turned over`. */
function cutFacts(s: Pick<PieceFrom, "cut" | "onFold" | "mirrored" | "turned">): string[] {
  const cut = s.cut === undefined ? [] : [`cut ${s.cut}${s.onFold ? " on fold" : ""}${s.mirrored ? " mirrored" : ""}`];
  return [...cut, ...(s.turned ? ["turned over"] : [])];
}

function printPiece(s: Piece): string[] {
  return [
    `piece ${s.key} ${quoted(s.title)} on ${s.board} · ${cutFacts(s).join(" · ")}`,
    ...whenLine(s.when),
    ...(s.edges ?? []).map(printEdge),
    ...drawnOn(s),
  ];
}

function printPieceFrom(s: PieceFrom): string[] {
  const strip = s.strip ? `, ${s.strip.less ? "less" : "strip"} ${s.strip.width} along ${s.strip.along.join(" and ")}` : "";
  const facts = cutFacts(s).map((fact) => ` · ${fact}`);
  const title = s.title === undefined ? "" : ` ${quoted(s.title)}`;
  return [`piece ${s.key}${title} from ${s.of}${strip}${facts.join("")}${sentence(s.text)}`, ...changes(s), ...onPiece(s)];
}

const changes = (s: Pick<PieceFrom, "pleats" | "allowances">): string[] => [
  ...(s.pleats ?? []).map((p) => `  pleat ${p.depth} at ${p.at}`),
  ...(s.allowances ?? []).map((a) => `  allow ${a.allow} on ${a.on.join(", ")}`),
];

const whenLine = (when: string | undefined): string[] => (when === undefined ? [] : [`  when ${when}`]);

const onPiece = (s: OnPiece): string[] => [...whenLine(s.when), ...drawnOn(s)];

type OnPiece = Pick<Piece, "when" | "grain" | "grainTurned" | "levels" | "darts" | "inside" | "notches" | "marks" | "notes">;

/** What is drawn on a piece, a line each. */
function drawnOn(s: OnPiece): string[] {
  return [
    ...(s.grain === undefined ? [] : [`  grain along ${s.grain}${s.grainTurned === undefined ? "" : ` at ${s.grainTurned}`}`]),
    ...(s.levels ?? []).map((l) => `  level ${quoted(l.label)}: ${l.line}`),
    ...(s.darts ?? []).map((key) => `  dart ${key}`),
    ...(s.inside ?? []).map((l) => `  inside ${quoted(l.label)}: ${printAlong(l.along)}`),
    ...(s.notches ?? []).map(printNotch),
    ...(s.marks ?? []).map(printMark),
    ...(s.notes ?? []).map((text) => `  note ${quoted(text)}`),
  ];
}

function printNotch(n: NonNullable<Piece["notches"]>[number]): string {
  const place =
    "at" in n
      ? `at ${pointText(n.at)}`
      : `on ${n.on} at ${n.by}${n.from === undefined ? (n.fromEnd ? " from its end" : "") : ` from ${pointText(n.from)}`}`;
  return `  ${ticksText(n.ticks)}notch ${place}`;
}

const ticksText = (ticks: number): string => ["", "", "double ", "triple "][ticks] ?? "";

function printMark(m: NonNullable<Piece["marks"]>[number]): string {
  const hole = m.length === undefined ? "" : `, length ${m.length} ${m.way ?? "across"}`;
  return `  ${m.kind} at ${m.at.map(pointText).join(", ")}${hole}`;
}

function printCheck(s: Check): string[] {
  const test =
    s.test === "between"
      ? `${s.got} between ${s.expected} and ${s.upper}`
      : s.test === "equals"
        ? `${s.got} = ${s.expected}${s.within === undefined ? "" : ` within ${s.within}`}`
        : s.got;
  return [`check ${quoted(s.title)}: ${test}`, ...checkNotes(s)];
}

function checkNotes(s: Pick<Check, "when" | "warnOnly" | "at" | "cause">): string[] {
  return [
    ...(s.when === undefined ? [] : [`  when ${s.when}`]),
    ...(s.warnOnly ? ["  look only"] : []),
    ...(s.at === undefined ? [] : [`  at ${pointText(s.at)}`]),
    ...(s.cause === undefined ? [] : [`  cause ${quoted(s.cause)}`]),
  ];
}
