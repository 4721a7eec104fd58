import { inWords } from "../../formula/in-words.js";
import { parseLineRef } from "../../formula/parse.js";
import type { LineTree } from "../../formula/tree.js";
import type { HomeUnit } from "../../quantity/units.js";
import type { PathStep, PointStep, Statement } from "../../system/model.js";
import { sayAmount } from "./amount.js";
import { parsed } from "./parsed.js";
import { sayShaping } from "./shaping.js";
import { wordOf } from "../words/word-of.js";

/**
 * A step as a teacher says it, with the points, lines and figures of its rule: the reverse of reading; `origin` is the point at which
 * its board begins. Undefined for what is not said in one sentence.
 *
 * @example sayStep({ is: "point", id: "2", verb: "down", form: 0, args: { distance: "3", from: "1" } }, "in") // "Square down from 1, 3 inches."
 */
export function sayStep(statement: Statement, unit: HomeUnit, origin?: string): string | undefined {
  const said = sayRule(statement, unit, origin);
  return said === undefined ? undefined : `${said}.`;
}

function sayRule(statement: Statement, unit: HomeUnit, origin: string | undefined): string | undefined {
  if (statement.is === "point") return sayPoint(statement, unit, origin);
  if (statement.is === "path") return sayPath(statement, unit);
  return statement.is === "shape" ? sayShaping(statement, unit) : undefined;
}

/** What a rule's blanks hold, in words; each undefined where it is not sayable. */
interface Spoken {
  readonly point: (name: string) => string | undefined;
  readonly line: (name: string) => string | undefined;
  readonly amount: (name: string) => string | undefined;
  readonly plain: (name: string) => string;
  /** The point at which the board begins: depths and widths are counted from it. */
  readonly origin: string | undefined;
  readonly share: (name: string) => string | undefined;
}

type Say = (spoken: Spoken, form: number) => (string | undefined)[];

const squared =
  (way: string): Say =>
  ({ point, line, amount }, form) =>
    form === 0 ? [`Square ${way} from`, point("from"), ",", amount("distance")] : [`Square ${way} from`, point("from"), "to", line("to")];

const OFF = ["left", "right", "in", "out", "up", "down"];

const POINTS: Readonly<Record<string, Say>> = {
  down: squared("down"),
  up: squared("up"),
  out: squared("out"),
  in: squared("in"),
  across: ({ point, line }) => ["Square across from", point("from"), "to", line("to")],
  midway: ({ point }) => ["Halfway between", point("a"), "and", point("b")],
  part: ({ point, share }) => [share("share"), "of the way from", point("from"), "to", point("to")],
  toward: ({ point, amount }) => ["From", point("from"), "towards", point("to"), ",", amount("distance")],
  along: ({ point, line, amount, plain, share }, form) => {
    if (form === 1) return [share("share"), "of the way along", line("path")];
    if (form === 2) return ["From", point("from"), "back along", line("line"), ",", amount("distance")];
    // At the end of a straight line the way on is beyond it.
    const past = endsOf(plain("line"))?.[1] === point("from");
    return past
      ? ["Continue", line("line"), "past", point("from"), ",", amount("distance")]
      : ["From", point("from"), "along", line("line"), ",", amount("distance")];
  },
  on: ({ line, amount, origin }, form) =>
    form === 0
      ? ["On", line("line"), ",", amount("down"), "below the level of", origin]
      : ["On", line("line"), ",", amount("out"), "out from the upright through", origin],
  off: ({ point, line, amount, plain }, form) => {
    const far = endsOf(plain("line"))?.[1];
    const side = form > 1 ? OFF[form] : far === undefined ? undefined : `to the ${OFF[form] ?? ""} hand facing ${far}`;
    return ["From", point("at"), "square to", line("line"), ",", amount("distance"), side];
  },
  square: ({ point, line }) => ["Square from", point("from"), "to", line("line")],
  cross: ({ line, point }, form) => {
    const crossing = ["Where", line("first"), "crosses", line("second")];
    return form === 5 ? crossing : form === 0 ? [...crossing, ", nearest to", point("near")] : [undefined];
  },
  swing: ({ amount, point, line }, form) =>
    form === 4 ? ["Swing", amount("distance"), "from", point("from"), "to", line("line")] : [undefined],
  turn: ({ point, plain }, form) => {
    const angle = /^(-?)([a-z][a-z0-9_]*)$/.exec(plain("angle"));
    const other = angle?.[1] === "-" ? ", the other way" : "";
    return form === 0 && angle
      ? ["Turn", point("point"), "about", point("centre"), `by the ${inWords(angle[2] ?? "")}${other}`]
      : [undefined];
  },
  mirror: ({ point, line }) => ["Mirror", point("point"), "over", line("line")],
  move: ({ point, amount }) => ["From", point("point"), ", out", amount("out"), "and down", amount("down")],
  trace: ({ point }) => ["The same place as", point("point")],
};

const SHARE_WORDS: Readonly<Record<string, string>> = {
  "1/2": "Half",
  "0.5": "Half",
  "1/3": "A third",
  "2/3": "Two thirds",
  "1/4": "A quarter",
  "3/4": "Three quarters",
  "1/5": "A fifth",
  "1/8": "An eighth",
};

function sayPoint({ verb, form, args }: PointStep, unit: HomeUnit, origin: string | undefined): string | undefined {
  const say = wordOf(POINTS, verb);
  if (!say) return undefined;
  const plain = (name: string): string => args[name] ?? "";
  return sentence(
    say(
      {
        plain,
        origin,
        share: (name) => wordOf(SHARE_WORDS, plain(name)),
        point: (name) => /^#?(?:[A-Z]*\d+[a-z]?|[A-Z]{1,2})$/.exec(plain(name))?.[0].replace("#", ""),
        line: (name) => sayLine(plain(name)),
        amount: (name) => sayAmount(plain(name), unit),
      },
      form,
    ),
  );
}

/** The parts as one sentence; undefined when one of them is not sayable. */
function sentence(parts: readonly (string | undefined)[]): string | undefined {
  return parts.includes(undefined) ? undefined : parts.join(" ").replace(/ ,/g, ",");
}

const lineTree = (line: string): LineTree | undefined => parsed(parseLineRef, line);

/** The ends of a line that is named by them. */
function endsOf(line: string): readonly [string, string] | undefined {
  const tree = lineTree(line);
  return tree?.type === "through" ? [tree.a, tree.b] : undefined;
}

/** A line as it is said: by its ends, by the level or upright of a point, or by its name; an edge of a piece is not said. */
function sayLine(line: string): string | undefined {
  const tree = lineTree(line);
  if (tree?.type === "through") return `the line ${tree.a}-${tree.b}`;
  if (tree?.type === "ray") return tree.dir === "across" ? `the level of ${tree.from}` : `the line straight ${tree.dir} from ${tree.from}`;
  return tree?.type === "named" && !tree.name.includes(".") ? `the ${inWords(tree.name)}` : undefined;
}

/** Where a curve's end is told to run, in the words that are read. */
function sayDirection(direction: string | undefined): string | undefined {
  if (direction === undefined) return "";
  const [, how = "", line = ""] = /^(square to|along) (.*)$/.exec(direction) ?? [];
  if (how !== "") return endsOf(line) ? `${how} ${line.replace(/#/g, "")}` : undefined;
  return direction === "level" || direction === "plumb" ? direction : undefined;
}

function sayPath(path: PathStep, unit: HomeUnit): string | undefined {
  const { type, key, label, through, dart } = path;
  if (path.open !== undefined) return sayGuideline(key, path.open);
  if (path.radius !== undefined) return saySwung(path, unit);
  if (SAID_NOWHERE.some((part) => path[part] !== undefined && path[part] !== false)) return undefined;
  if (type === "dart") return sayDart(label ?? key, dart);
  const ids = through.map((id) => id.replace("#", ""));
  if (ids.length < 2) return undefined;
  const name = inWords(key);
  return type === "line" ? sayLineThrough(name, ids) : type === "curve" ? sayCurve(name, ids, path) : undefined;
}

/** A guideline without ends; one beside another line is not said in a breath. */
function sayGuideline(key: string, line: string): string | undefined {
  const [, way, from] = /^line (across|down) from #?(\w+)$/.exec(line) ?? [];
  const name = /^(.*)_line$/.exec(key)?.[1];
  return way === undefined || from === undefined
    ? undefined
    : `Draw a line ${way} from ${from}${name === undefined ? "" : ` and call it the ${inWords(name)} line`}`;
}

const HALF_WAYS = { upper: "up", lower: "down", inner: "in", outer: "out" } as const;

function saySwung({ radius = "", about = "", half }: PathStep, unit: HomeUnit): string | undefined {
  const by = sayAmount(radius, unit);
  return by === undefined ? undefined : `Swing an arc of ${by} from ${about}${half === undefined ? "" : `, ${HALF_WAYS[half]}`}`;
}

/** What of a line no sentence says. */
const SAID_NOWHERE = ["fullness", "passing", "like", "dashed"] as const;

function sayLineThrough(name: string, ids: readonly string[]): string {
  const last = ids.at(-1) ?? "";
  return `Join ${ids.slice(0, -1).join(", ")}${ids.length > 2 ? " and" : " to"} ${last}: the ${name}`;
}

function sayCurve(name: string, ids: readonly string[], { leaving, arriving }: PathStep): string | undefined {
  const [leaves, arrives] = [sayDirection(leaving), sayDirection(arriving)];
  if (leaves === undefined || arrives === undefined) return undefined;
  const ways = [leaves && `leaving ${leaves}`, arrives && `arriving ${arrives}`].filter(Boolean).join(" and ");
  const between = ids.slice(1, -1);
  const through = between.length > 0 ? ` through ${between.join(", ")}` : "";
  return `Draw the ${name} as a curve from ${ids[0] ?? ""}${through} to ${ids.at(-1) ?? ""}${ways && `, ${ways}`}`;
}

function sayDart(label: string, dart: PathStep["dart"]): string | undefined {
  const [a, b] = dart?.legs ?? [];
  const [point, second] = dart?.to ?? [];
  if (!a || !b || !point || second || dart?.pressed !== undefined || dart?.shortOf !== undefined) return undefined;
  return `Draw the ${label.toLowerCase()} with legs ${a} and ${b} and its point ${point}`.replace(/#/g, "");
}
