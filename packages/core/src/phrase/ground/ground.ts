import { pointText } from "../../verb/form.js";
import { measurementCalled } from "../../body/index.js";
import { inWords } from "../../formula/in-words.js";
import type { Point } from "../../geometry/point.js";
import { endOf, type Path, startOf } from "../../geometry/path/path.js";
import { distance } from "../../geometry/point.js";
import type { LoadedSystem } from "../../plan/load.js";
import type { HomeUnit } from "../../quantity/units.js";
import { wordsOfName } from "../words/tokens.js";
import { draftsOf } from "../../run/sample-drafts.js";
import { drawnSteps } from "../../report/drawn-steps.js";
import type { Plan } from "../../plan/plan.js";
import type { PathStep, Piece, PointStep, Statement } from "../../system/model.js";
import { definitionsOf, referencesOf } from "../../system/references.js";
import { boardAt } from "../board-at.js";

/** A line that a sentence may speak of: drawn, an edge of a piece, or the middle of a front or back. */
export interface KnownLine {
  /** How the notation names it where a line is asked for. */
  readonly text: string;
  /** What it is called, in small words. */
  readonly words: string;
  readonly board: string;
  /** The edge or drawn path it is, for what needs one: `Front.side`, `armhole`. */
  readonly path?: string;
  readonly piece?: string;
  /** The points it runs between, when they have names. */
  readonly ends?: readonly [string, string];
  readonly straight: boolean;
  /** The points a drawn line goes through. */
  readonly through?: readonly string[];
  /** The kind of curve it is drawn as. */
  readonly like?: string;
  /** A whole circle, which most lines cross twice. */
  readonly round?: true;
}

interface KnownPoint {
  readonly id: string;
  readonly board: string;
  /** What its sentence calls it, in small words: `shoulder tip`. */
  readonly words: string;
  readonly at: Point | undefined;
}

export interface KnownFigure {
  readonly key: string;
  readonly words: string;
  /** Whether it is a length round the body: half and a quarter of those are usual. */
  readonly girth: boolean;
  readonly length: boolean;
}

export interface KnownDart {
  readonly key: string;
  readonly words: string;
  readonly point: string;
  readonly legs: readonly string[];
  readonly board: string;
  /** The piece in whose outline it stands. */
  readonly piece: string | undefined;
}

interface KnownEdge {
  readonly role: string;
  readonly along: string;
  readonly fold: boolean;
}

export interface KnownPiece {
  readonly key: string;
  readonly words: string;
  readonly board: string;
  readonly edges: readonly KnownEdge[];
}

/** What a sentence may speak of where it stands: read once from a system, drafted on a body in the middle of its ranges. */
export interface Ground {
  readonly unit: HomeUnit;
  readonly boards: readonly { readonly key: string; readonly words: string }[];
  /** The board that is being drawn. */
  readonly board: string;
  readonly points: ReadonlyMap<string, KnownPoint>;
  readonly lines: readonly KnownLine[];
  readonly figures: readonly KnownFigure[];
  /** Angles by what they are called. */
  readonly angles: ReadonlyMap<string, string>;
  readonly darts: readonly KnownDart[];
  readonly pieces: readonly KnownPiece[];
  readonly keys: ReadonlySet<string>;
  /** The boards whose centre is a fold. */
  readonly folded: ReadonlySet<string>;
  /** Which points hang together: one is placed from the other, or a line joins them. */
  readonly neighbours: ReadonlyMap<string, readonly string[]>;
  readonly pathOf: (text: string) => Path | undefined;
}

const smallWords = (text: string): string => wordsOfName(inWords(text));

const known = new WeakMap<Plan, Map<string | undefined, Ground>>();

/** What is known of a system, worked out once; `board` is the one that is being drawn, the first when it is not said. */
export function groundOf({ plan }: Pick<LoadedSystem, "plan">, board?: string): Ground {
  let grounds = known.get(plan);
  if (!grounds) known.set(plan, (grounds = new Map()));
  let ground = grounds.get(board);
  if (!ground) grounds.set(board, (ground = gatheredFrom(plan, plan.system.statements, board)));
  return ground;
}

/** The letters before the number of every point of a board; none where there are none, or not at all of them. */
export function lettersOf({ points }: Pick<Ground, "points">, board: string): string {
  const own = [...points.values()].filter((p) => p.board === board).map(({ id }) => id);
  return own.length > 0 && own.every((id) => /^[A-Z]+\d/.test(id)) ? (own[0] ?? "").replace(/\d.*$/, "") : "";
}

/** What is known where the statement at `index` stands: what is above it, in the system and in those it builds on. */
export function groundAbove({ plan, read }: Pick<LoadedSystem, "plan" | "read">, index: number): Ground {
  const { statements } = plan.system;
  const above = statements.slice(0, statements.indexOf(read.system.statements[index] as Statement));
  return gatheredFrom(plan, above, boardAt({ read }, index) ?? "");
}

function gatheredFrom(plan: Plan, statements: readonly Statement[], board: string | undefined): Ground {
  const gathered = new Gathered(plan);
  for (const statement of statements) gathered.add(statement);
  const { boards, points, lines, figures, angles, darts, pieces, keys, neighbours, paths } = gathered;
  return {
    unit: plan.system.unit,
    boards,
    board: board ?? boards[0]?.key ?? "",
    points,
    lines,
    figures,
    angles,
    darts: darts.map((dart) => ({ ...dart, piece: pieces.find((piece) => piece.edges.some((e) => e.along.includes(dart.key)))?.key })),
    pieces,
    keys,
    folded: new Set(statements.flatMap((s) => (s.is === "board" && s.centre === "fold" ? [s.key] : []))),
    neighbours,
    pathOf: (text) => paths.get(text),
  };
}

/** What the statements of a system make known, one after the other. */
class Gathered {
  readonly boards: { key: string; words: string }[] = [];
  readonly points = new Map<string, KnownPoint>();
  readonly lines: KnownLine[] = [];
  readonly figures: KnownFigure[] = [];
  readonly angles = new Map<string, string>();
  readonly darts: KnownDart[] = [];
  readonly pieces: KnownPiece[] = [];
  readonly keys = new Set<string>();
  readonly neighbours = new Map<string, string[]>();
  readonly paths = new Map<string, Path>();
  private readonly places = new Map<string, Point>();
  private here = "";

  constructor(plan: Plan) {
    const [, middle] = draftsOf(plan);
    for (const { step, point, path } of drawnSteps(plan, middle)) {
      if (step.source.is === "point" && point) this.places.set(step.source.id, point);
      if (step.source.is === "path" && path) this.paths.set(step.source.key, path);
    }
    for (const piece of middle.pieces) for (const edge of piece.edges) this.paths.set(`${piece.key}.${edge.role}`, edge.path);
  }

  add(statement: Statement): void {
    for (const { kind, name } of definitionsOf(statement)) if (kind !== "point") this.keys.add(name);
    switch (statement.is) {
      case "board":
        this.here = statement.key;
        if (!this.boards.some((b) => b.key === statement.key)) this.boards.push({ key: statement.key, words: smallWords(statement.title) });
        break;
      case "measure":
      case "set":
      case "value":
        if (statement.kind === "angle") this.angles.set(smallWords(statement.key), statement.key);
        else
          this.figures.push({
            key: statement.key,
            words: smallWords(statement.key),
            girth: statement.kind === "girth",
            length: statement.kind !== "number",
          });
        break;
      case "point":
        this.addPoint(statement);
        break;
      case "path":
        this.addPath(statement);
        break;
      case "piece":
        this.addPiece(statement);
    }
  }

  private addPoint(statement: PointStep): void {
    const words = smallWords((statement.text ?? "").replace(/[.,;:].*$/, ""));
    this.points.set(statement.id, { id: statement.id, board: this.here, words, at: this.places.get(statement.id) });
    // "Down 8 from 1: hip line across": the level has its name from then on.
    const level = /([a-z]+(?: [a-z]+)?) line,? (?:square(?:d)? )?across/i.exec(statement.text ?? "")?.[1];
    if (level !== undefined && !/\b(?:starting|a|the|draw)\b/i.test(level))
      this.lines.push({
        text: `line across from ${pointText(statement.id)}`,
        words: `${smallWords(level)} line`,
        board: this.here,
        straight: true,
      });
    for (const { kind, name } of referencesOf(statement)) if (kind === "point") this.tie(statement.id, name);
  }

  private addPath(statement: PathStep): void {
    const words = smallWords(statement.key);
    const ends = this.endsOf(this.paths.get(statement.key), this.here);
    this.lines.push({
      text: statement.key,
      path: statement.key,
      through: statement.through,
      words,
      board: this.here,
      straight: statement.type === "line" || statement.type === "level",
      ...(statement.like === undefined ? {} : { like: statement.like }),
      ...(statement.radius !== undefined && statement.half === undefined ? { round: true as const } : {}),
      ...(ends ? { ends } : {}),
    });
    statement.through.forEach((id, i) => i > 0 && this.tie(statement.through[i - 1] as string, id));
    const { dart } = statement;
    if (dart)
      this.darts.push({
        key: statement.key,
        words,
        point: dart.to[0] as string,
        legs: dart.legs ?? [],
        board: this.here,
        piece: undefined,
      });
  }

  private addPiece({ key, title, board, edges = [] }: Piece): void {
    const known = edges.map(({ role, along, finish }) => ({ role, along: alongText(along), fold: finish === "fold" }));
    this.pieces.push({ key, words: smallWords(title), board, edges: known });
    for (const edge of edges) {
      const line = this.edgeLine(key, board, edge);
      this.lines.push({ ...line, words: smallWords(edge.role) });
      if (edge.finish === "fold") this.lines.push({ ...line, words: `centre ${smallWords(title)}` });
    }
  }

  private edgeLine(piece: string, board: string, { role, along, finish }: NonNullable<Piece["edges"]>[number]): Omit<KnownLine, "words"> {
    const path = `${piece}.${role}`;
    const [only] = along;
    const drawn = along.length === 1 && only && "path" in only && only.from === undefined ? only.path : undefined;
    const ids = along.flatMap((item) => ("point" in item ? [item.point] : []));
    const straight = ids.length === along.length && ids.length === 2;
    const found = straight ? ([ids[0], ids[1]] as [string, string]) : this.endsOf(this.paths.get(path), board);
    // The middle of a half is named from its first point down.
    const ends = found && finish === "fold" && found[0] > found[1] ? ([found[1], found[0]] as const) : found;
    const text = drawn ?? (straight && ends ? `${pointText(ends[0])}-${pointText(ends[1])}` : path);
    return { text, path, board, piece, straight, ...(ends ? { ends } : {}) };
  }

  private endsOf(path: Path | undefined, board: string): readonly [string, string] | undefined {
    if (!path) return undefined;
    const [a, b] = [startOf(path), endOf(path)].map(
      (p) => [...this.points.values()].find((known) => known.board === board && known.at && distance(known.at, p) < 0.05)?.id,
    );
    return a === undefined || b === undefined ? undefined : [a, b];
  }

  private tie(a: string, b: string): void {
    if (a === b) return;
    this.neighbours.set(a, [...(this.neighbours.get(a) ?? []), b]);
    this.neighbours.set(b, [...(this.neighbours.get(b) ?? []), a]);
  }
}

/** The way of an edge as the notation writes it. */
const alongText = (along: NonNullable<Piece["edges"]>[number]["along"]): string =>
  along
    .map((item) => {
      if ("point" in item) return pointText(item.point);
      const part = item.from === undefined || item.to === undefined ? "" : ` from ${pointText(item.from)} to ${pointText(item.to)}`;
      return `${item.path}${part}${item.reversed ? " reversed" : ""}`;
    })
    .join(" > ");

/** What stands behind the name of a figure and says again what it is. */
const KIND = / (?:length|height|width|depth|girth|measurement|measure|intake|allowance|amount|size)$/;

/** The cap is the cap height; but the yoke is not its allowance. */
const MEASURED_KIND = / (?:length|height|width|depth|girth)$/;

/** Last words of a figure that say enough by themselves: the slope is the shoulder slope, where there is no other. */
const SAYS_ENOUGH = /^(?:.+ )?(?:slope|rise|drop|dip|extension|hollow|fall|lift|overlap|stand|spread|span|set|short|flare)$/;

function endingWith({ figures }: Ground, words: string): KnownFigure | undefined {
  if (!SAYS_ENOUGH.test(words)) return undefined;
  const ends = figures.filter((f) => f.length && f.words.endsWith(` ${words}`));
  return ends.length === 1 ? ends[0] : undefined;
}

const figures = new WeakMap<Ground, Map<string, KnownFigure | undefined>>();

/** See `figureNamed`; each name is looked up once. */
export function figureCalled(ground: Ground, said: string): KnownFigure | undefined {
  let known = figures.get(ground);
  if (!known) figures.set(ground, (known = new Map()));
  if (!known.has(said)) known.set(said, figureNamed(ground, said));
  return known.get(said);
}

/**
 * A figure of the system by what it is called: by its name, by one that learners also use, or without the word that only says what it
 * is. The neck depth is not the neck width, and the bust line is no bust.
 */
function figureNamed(ground: Ground, said: string): KnownFigure | undefined {
  const words = said.replace(/^(?:full|total|whole) /, "");
  const exact = ground.figures.find((f) => f.words === words);
  if (exact) return exact;
  const known = measurementCalled(words);
  const own = known && ground.figures.find((f) => f.key === known.key);
  if (own) return own;
  if (KIND.test(words)) {
    // The waist measurement is the waist; the sleeve length is no sleeve width.
    const bare = words.replace(KIND, "");
    const sort = KIND.exec(words)?.[0].trim();
    return ground.figures.find((f) => f.words === bare && (sort === "girth" ? f.girth : sort === "length" ? f.length && !f.girth : true));
  }
  if (["back", "front", "dart", "side", "centre"].includes(words)) return undefined;
  // "For busts up to 36": people of that measurement.
  const one = words.endsWith("s") ? ground.figures.find((f) => f.girth && f.words === words.slice(0, -1)) : undefined;
  if (one) return one;
  const last = endingWith(ground, words);
  if (last) return last;
  const shorter = ground.figures.filter((f) => MEASURED_KIND.test(f.words) && f.words.replace(MEASURED_KIND, "") === words);
  return shorter.length === 1 ? shorter[0] : undefined;
}
