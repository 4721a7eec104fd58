import { pointsBetween } from "./point-range.js";
import { suggest } from "../../formula/suggest.js";

type Loose = Record<string, unknown>;

/** What a statement says that cannot be meant: in which field of it, and what to put there instead where that can be told. */
export interface Refused {
  readonly field: string;
  readonly why: string;
  readonly fix: string;
  readonly put?: string | undefined;
}

const MEASURE_KINDS = ["girth", "length", "width", "depth", "number"];
const KINDS = ["length", "number", "angle", "yesno"];
const MOST_CUT = 20;

/** Says why a statement cannot be meant as it stands; undefined when it can. What hangs on other statements is found when it is compiled. */
export function refuseStatement(statement: Loose): Refused | undefined {
  switch (statement["is"]) {
    case "measure":
      return kindOf(statement, MEASURE_KINDS, "measurement");
    case "set":
    case "value": {
      const refused = kindOf(statement, KINDS, statement["is"] === "set" ? "setting" : "value");
      if (!refused && statement["kind"] === "yesno") statement["kind"] = "boolean";
      return refused;
    }
    case "piece":
    case "pieceFrom":
      return cut(statement);
    case "evenly":
      return evenly(statement);
    case "grade":
      return (statement["most"] as number) >= 1 && (statement["most"] as number) <= MOST_CUT
        ? undefined
        : { field: "most", why: `A grading has 1 to ${MOST_CUT} steps.`, fix: "Write the most steps that are ever wanted, like up to 6." };
    default:
      return undefined;
  }
}

function kindOf(statement: Loose, kinds: readonly string[], what: string): Refused | undefined {
  const kind = statement["kind"] as string;
  if (kinds.includes(kind)) return undefined;
  const near = suggest(kind, kinds);
  return {
    field: "kind",
    why: `“${kind}” is no kind of ${what}.`,
    fix: near ? `Did you mean ${near}?` : `There are: ${kinds.join(", ")}.`,
    put: near,
  };
}

function cut(statement: Loose): Refused | undefined {
  const count = statement["cut"] as number | undefined;
  if (count === undefined || (count >= 1 && count <= MOST_CUT)) return undefined;
  return {
    field: "cut",
    why: `A piece is cut 1 to ${MOST_CUT} times, not ${count}.`,
    fix: "Write cut 1, or leave the piece out: leave out Collar.",
  };
}

function evenly(statement: Loose): Refused | undefined {
  const [first, last] = [statement["first"] as string, statement["last"] as string];
  if (pointsBetween(first, last)) return undefined;
  return {
    field: "first",
    why: `${first}..${last} is no run of points.`,
    fix: "Both have the same letters and the second the higher number: B1..B5.",
  };
}
