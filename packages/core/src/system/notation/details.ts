/** Takes an indented line into its statement. Each kind of detail says which statements it may stand under. */
type Loose = Record<string, unknown>;

/** Notes the place of part `part` of the detail under the name `name` of the statement. */
type NotePlace = (name: string, part: string) => void;

interface Refusal {
  readonly why: string;
  readonly fix: string;
}

interface DetailRule {
  readonly under: readonly string[];
  readonly apply: (statement: Loose, detail: Loose, place: NotePlace) => void;
}

const append = (statement: Loose, key: string, item: unknown): number => {
  const list = (statement[key] ??= []) as unknown[];
  return list.push(item) - 1;
};

const withoutTag = (detail: Loose): Loose => {
  const copy = { ...detail };
  delete copy["detail"];
  return copy;
};

/** What may stand indented, for messages. */
export const DETAIL_FORMS = 'why "…", watch "…", caution "…", when bust > 40, or a line of the piece, check or choice above';

const STEPS = ["point", "path", "value", "shape"];

const RULES: Record<string, DetailRule> = {
  heading: { under: ["system"], apply: (s, d) => void Object.assign(s, d["facts"]) },
  why: { under: STEPS, apply: (s, d) => void append(s, "why", d["text"]) },
  watch: { under: STEPS, apply: (s, d) => void append(s, "watch", d["text"]) },
  caution: { under: STEPS, apply: (s, d) => void append(s, "caution", d["text"]) },
  cause: { under: ["check", "passes"], apply: (s, d) => void (s["cause"] = d["text"]) },
  when: {
    under: [...STEPS, "piece", "measure", "check", "passes", "closes"],
    apply: (s, d, place) => {
      s["when"] = d["formula"];
      place("when", "formula");
    },
  },
  iso: { under: ["measure"], apply: (s, d) => void (s["iso"] = d["term"]) },
  checkOnly: { under: ["measure"], apply: (s) => void (s["checkOnly"] = true) },
  fallback: {
    under: ["measure"],
    apply: (s, d, place) => {
      s["fallback"] = d["formula"];
      place("fallback", "formula");
    },
  },
  edge: {
    under: ["piece"],
    apply: (s, d, place) => {
      const i = append(s, "edges", withoutTag(d));
      place(`edges.${i}.allow`, "allow");
    },
  },
  grain: {
    under: ["piece"],
    apply: (s, d, place) => {
      s["grain"] = d["line"];
      place("grain", "line");
    },
  },
  notch: {
    under: ["piece"],
    apply: (s, d, place) => {
      const i = append(s, "notches", withoutTag(d));
      place(`notches.${i}.by`, "by");
    },
  },
  level: {
    under: ["piece"],
    apply: (s, d, place) => {
      const i = append(s, "levels", withoutTag(d));
      place(`levels.${i}.line`, "line");
    },
  },
  note: { under: ["piece"], apply: (s, d) => void append(s, "notes", d["text"]) },
  at: { under: ["check", "passes"], apply: (s, d) => void (s["at"] = d["at"]) },
  lookOnly: { under: ["check", "passes"], apply: (s) => void (s["lookOnly"] = true) },
  shift: {
    under: ["grade"],
    apply: (s, d, place) => {
      const i = append(s, "shifts", withoutTag(d));
      for (const k of [0, 1]) place(`shifts.${i}.moves.${k}`, `moves.${k}.by`);
    },
  },
  dart: { under: ["piece"], apply: (s, d) => void append(s, "darts", d["key"]) },
  inside: { under: ["piece"], apply: (s, d) => void append(s, "inside", withoutTag(d)) },
  option: {
    under: ["choose"],
    apply: (s, d, place) => {
      const i = append(s, "options", withoutTag(d));
      place(`options.${i}.formula`, "formula");
    },
  },
};

/** Applies a detail, or says why it cannot stand there. */
export function applyDetail(statement: Loose, detail: Loose, place: NotePlace): Refusal | undefined {
  const rule = RULES[detail["detail"] as string];
  if (rule?.under.includes(statement["is"] as string)) {
    rule.apply(statement, detail, place);
    return undefined;
  }
  if (detail["detail"] === "option")
    return { why: `“${String(detail["name"])}” begins no line that may stand here.`, fix: `Indented lines are: ${DETAIL_FORMS}.` };
  return {
    why: `This line does not belong under ${statement["is"] as string}.`,
    fix: rule ? `It stands under: ${rule.under.join(", ")}.` : "Take it away.",
  };
}
