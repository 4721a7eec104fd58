import { type Gap, type GapKind, gapsOf, type LoadedSystem, pointText, type Run, type Template } from "@lodrin/core";

/** What may be chosen for a gap, beside what is pressed on the paper. */
export interface GapOption {
  readonly value: string;
  readonly label: string;
}

const words = (key: string): string => key.replace(/_/g, " ");
const option = (value: string, label = words(value)): GapOption => ({ value, label });

/** Everything of the system that such a gap may name, newest first. */
export function optionsFor({ kind, options }: Gap, { plan }: LoadedSystem, run: Run): GapOption[] {
  const paths = (): GapOption[] => [...plan.scope.paths.keys()].reverse().map((key) => option(key));
  const points = (): GapOption[] => [...plan.scope.points.keys()].reverse().map((id) => option(id, pointText(id).replace("#", "")));
  switch (kind) {
    case "one of":
      return options.map(({ says }) => option(says, words(says)));
    case "point":
    case "points":
    case "places":
      return points();
    case "path":
    case "paths":
    case "line":
      return paths();
    case "walk":
      return [...points().map(({ value, label }) => option(pointText(value), label)), ...paths()];
    case "dart":
      return plan.steps.flatMap(({ source }) => (source.is === "path" && source.type === "dart" ? [option(source.key, source.label)] : []));
    case "piece":
      return run.pieces.map((p) => option(p.key, p.title));
    case "edge":
    case "edges":
      return run.pieces.flatMap((p) => p.edges.map(({ name, role }) => option(name, `${p.title}: ${words(role)}`)));
    default:
      return [];
  }
}

/** What an empty gap asks for. */
export const PLACEHOLDER: Readonly<Record<GapKind, string>> = {
  length: "how far",
  number: "a figure",
  angle: "an angle, 15°",
  condition: "when",
  direction: "which way",
  point: "a point",
  points: "points in turn",
  line: "a line",
  ends: "two points",
  path: "a line",
  paths: "lines in turn",
  walk: "points and lines in turn",
  dart: "a dart",
  piece: "a piece",
  edge: "an edge",
  edges: "edges in turn",
  places: "points",
  newKey: "a name",
  newPiece: "a name",
  text: "words",
  "one of": "which",
};

/** What to do for the current gap. */
export const TO_DO: Readonly<Record<GapKind, string>> = {
  length: "Type a length, 3 or bust/4; or press a line to take its length, two points to take the way between them.",
  number: "Type a figure, like 1/3.",
  angle: "Type an angle, like 15°.",
  condition: "Type when it is so, like bust > 100.",
  direction: "Choose which way the curve runs there.",
  point: "Press a point on the paper, or type its number.",
  points: "Press the points on the paper one after the other.",
  line: "Press a line on the paper, or the two points it lies between.",
  ends: "Press two points, or a straight line.",
  path: "Press a line on the paper.",
  paths: "Press the lines one after the other.",
  walk: "Press points and lines on the paper in the order they are gone round.",
  dart: "Press a dart on the paper.",
  piece: "Press a piece, or choose it.",
  edge: "Press an edge of a piece, or choose it.",
  edges: "Press the edges of the pieces one after the other.",
  places: "Press the points one after the other.",
  newKey: "Type what it is called.",
  newPiece: "Type what the piece is called.",
  text: "Type the words.",
  "one of": "Choose one.",
};

/** Kinds that are pressed on the pieces, not on the board. */
const ON_PIECES: ReadonlySet<GapKind> = new Set(["piece", "edge", "edges"]);
/** Whether a gap of a sentence is pressed on the pieces. */
export const asksForPieces = ({ parts }: Template): boolean => gapsOf(parts).some(({ gap, must }) => must && ON_PIECES.has(gap.kind));

/** A line typed by its two ends, as the notation writes it. */
export function typedLine(text: string): string {
  const [, a, b] = /^#?(\w+)\s*[-–>]\s*#?(\w+)$/.exec(text.trim()) ?? [];
  return a === undefined || b === undefined ? text.trim() : `${pointText(a)}-${pointText(b)}`;
}
