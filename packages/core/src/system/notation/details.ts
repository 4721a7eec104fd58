import { type Course, refuseCourse } from "../../body/course.js";
import { pointRange } from "./point-range.js";

/** Takes an indented line into its statement. Each kind of detail names the statements it may stand under. */
type Loose = Record<string, unknown>;

interface Refusal {
  readonly why: string;
  readonly fix: string;
}

interface DetailRule {
  readonly under: readonly string[];
  /** Puts the detail into the statement; gives the name its own parts are known by there. */
  readonly apply: (statement: Loose, detail: Loose) => string | Refusal;
}

/** What a part of a detail is known by when it is all of an item: the item's own name. */
export const ALL = "=";

/** Appends to a list of the statement; gives the name of the new item. */
const append = (statement: Loose, key: string, item: unknown): string => {
  const list = (statement[key] ??= []) as unknown[];
  return `${key}.${list.push(item) - 1}`;
};

const without = (detail: Loose, ...names: string[]): Loose => {
  const left = new Set(["detail", ...names]);
  return Object.fromEntries(Object.entries(detail).filter(([name]) => !left.has(name)));
};

/** What may stand indented, for messages. */
export const DETAIL_FORMS = 'why "…", watch "…", caution "…", when bust > 40, or a line of the piece, check or choice above';

const STEPS = ["point", "path", "value", "shape", "evenly"];
const CHECKS = ["check", "passes"];
const PIECES = ["piece", "pieceFrom", "amend"];

const notes = (name: string): DetailRule => ({ under: STEPS, apply: (s, d) => ALL + append(s, name, d["text"]) });
const set = (under: readonly string[], name: string): DetailRule => ({
  under,
  apply: (s, d) => {
    s[name] = d[name];
    return "";
  },
});
const flag = (under: readonly string[], name: string): DetailRule => ({
  under,
  apply: (s) => {
    s[name] = true;
    return "";
  },
});
const list = (under: readonly string[], name: string, ...left: string[]): DetailRule => ({
  under,
  apply: (s, d) => append(s, name, without(d, ...left)),
});

const RULES: Record<string, DetailRule> = {
  heading: {
    under: ["system"],
    apply: (s, d) => {
      Object.assign(s, d["facts"] ?? without(d));
      return "";
    },
  },
  why: notes("why"),
  watch: notes("watch"),
  caution: notes("caution"),
  cause: set(CHECKS, "cause"),
  when: set([...STEPS, ...PIECES, ...CHECKS, "measure", "closes", "leaveOut"], "when"),
  iso: set(["measure"], "iso"),
  runs: {
    under: ["measure"],
    apply: (s, d) => {
      const refused = refuseCourse(d["course"] as Course);
      if (refused) return refused;
      s["course"] = d["course"];
      return "course";
    },
  },
  checkOnly: flag(["measure"], "checkOnly"),
  fallback: set(["measure"], "fallback"),
  edge: list(["piece", "amend"], "edges"),
  cut: {
    under: ["amend"],
    apply: (s, d) => {
      if (s["cut"] !== undefined) return { why: "It is said already how this piece is cut.", fix: "Leave one of the two lines away." };
      Object.assign(s, without(d));
      return "";
    },
  },
  grain: {
    under: PIECES,
    apply: (s, d) => {
      if (s["grain"] !== undefined)
        return { why: "This piece has a grain already.", fix: "A piece has one grain: leave one of the two lines away." };
      s["grain"] = d["grain"];
      if (d["grainTurned"] !== undefined) s["grainTurned"] = d["grainTurned"];
      return "";
    },
  },
  notch: {
    under: [...PIECES, "sew"],
    apply: (s, d) => {
      const along = d["after"] !== undefined;
      if (along === (s["is"] === "sew")) return append(s, "notches", without(d));
      return along
        ? { why: "A notch after so much stands under the seam it is on.", fix: "Put it under sew, or write notch on side at 3." }
        : { why: "A notch of a seam is told by how far along it lies.", fix: "Write it like: notch after 4." };
    },
  },
  mark: {
    under: PIECES,
    apply: (s, d) => {
      const at = pointRange(d["at"] as (string | { last: string })[]);
      if (typeof at === "object" && "why" in at) return at;
      return append(s, "marks", { ...without(d), at });
    },
  },
  level: list(PIECES, "levels"),
  note: { under: PIECES, apply: (s, d) => ALL + append(s, "notes", d["text"]) },
  pleat: list(["pieceFrom", "amend"], "pleats"),
  allow: list(["pieceFrom", "amend"], "allowances"),
  at: set(CHECKS, "at"),
  warnOnly: flag(CHECKS, "warnOnly"),
  shift: list(["grade"], "shifts"),
  dart: { under: PIECES, apply: (s, d) => ALL + append(s, "darts", d["key"]) },
  inside: list(PIECES, "inside"),
  option: list(["choose"], "options"),
};

const WORDS_FOR: Record<string, string> = {
  point: "a step",
  path: "a line",
  set: "a setting",
  choose: "a choice",
  pieceFrom: "a piece",
  amend: "a piece",
  leaveOut: "leave out",
};

/** Applies a detail, or tells why it cannot stand there. Gives the name its parts are known by in the statement. */
export function applyDetail(statement: Loose, detail: Loose): string | Refusal {
  const kind = detail["detail"] as string;
  const is = statement["is"] as string;
  const rule = RULES[kind];
  if (rule?.under.includes(is)) return rule.apply(statement, detail);
  if (kind === "option")
    return { why: `“${String(detail["name"])}” begins no line that may stand here.`, fix: `Indented lines are: ${DETAIL_FORMS}.` };
  return {
    why: `This line does not belong under ${WORDS_FOR[is] ?? is}.`,
    fix: rule ? `It stands under: ${rule.under.map((u) => WORDS_FOR[u] ?? u).join(", ")}.` : "Take it away.",
  };
}
