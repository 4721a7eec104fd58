import type { Place } from "./place.js";
import { POINT } from "./point.js";

/** A rule for points: the words it is known by, and what is laid off, one sentence a point. */
export interface PointPhrase {
  readonly said: RegExp;
  readonly rules: (m: readonly (string | undefined)[], at: Place) => readonly string[];
}

const P = POINT;
const LINE = `((?:the\\s+)?(?:line\\s+)?#?[A-Z]{0,2}\\d+[a-z]?\\s*(?:-|–|—|to)\\s*#?[A-Z]{0,2}\\d+[a-z]?|(?:the\\s+)?line\\s+(?:down|across|out)\\s+from\\s+#?[A-Z]{0,2}\\d+[a-z]?|(?:the\\s+)?[a-z][a-z ]*?)`;
const GO = "(?:(?:then|now|measure|mark|go|come|move|step|lay off|square|squarely|straight|drop|rise)\\s+)*";
const WAY = "(down|up|out|in|across|over|inward|outward)(?:s|wards?)?";
const ALONG = "(?:\\s+(?:along|on|down|up)\\s+the\\s+[a-z ]+?(?:line|front|back|fold|edge))?";
const GAP = "\\s*[,:]?\\s*(?:by\\s+|mark\\s+|measure\\s+|a distance of\\s+)?";

/** Ways a sentence may say them, as the four the notation has. */
function wayOf(word: string | undefined): string {
  const way = (word ?? "").toLowerCase();
  if (way.startsWith("in")) return "in";
  return way === "up" || way === "down" ? way : "out";
}

/** Ways to say where a point lies, the more particular ones first. */
export const POINT_PHRASES: readonly PointPhrase[] = [
  { said: /^start\b/i, rules: () => ["start"] },
  {
    said: new RegExp(
      `^(?:mark|measure|lay|set|step)?\\s*(?:off\\s+)?(.+?)\\s+(?:(?:on|to)\\s+(both|either|each)\\s+sides?\\s+of|(above and below))\\s+${P}`,
      "i",
    ),
    rules: ([, said, , upright, from], at) =>
      (upright ? ["up", "down"] : ["out", "in"]).map((way) => `${way} ${at.amount(said)} from ${at.point(from)}`),
  },
  {
    said: new RegExp(
      `^(?:mark\\s+)?(?:the\\s+)?(?:midway|half-?way|mid-?point|middle|centre)\\s*(?:of|between|from)?\\s*(?:the\\s+)?(?:line\\s+)?${P}\\s*(?:and|to|-|–|—)\\s*${P}`,
      "i",
    ),
    rules: ([, a, b], at) => [`midway ${at.point(a)} to ${at.point(b)}`],
  },
  {
    said: new RegExp(`^(.+?)\\s+of the way\\s+(?:along\\s+)?from\\s+${P}\\s+to\\s+${P}`, "i"),
    rules: ([, share, a, b], at) => [`part ${at.amount(share)} from ${at.point(a)} to ${at.point(b)}`],
  },
  {
    said: new RegExp(`^mirror\\s+${P}\\s+(?:in|over|across|about|on)\\s+(?:the\\s+)?${LINE}$`, "i"),
    rules: ([, point, line], at) => [`mirror ${at.point(point)} in ${at.line(line)}`],
  },
  {
    said: new RegExp(`^mirror\\s+${P}`, "i"),
    rules: ([, point], at) => [`mirror ${at.point(point)} in line down from ${at.point(at.known.corner)}`],
  },
  {
    said: new RegExp(`^(?:swing|pivot)\\s+(.+?)\\s+from\\s+${P}\\s+(?:to|until it (?:meets|touches))\\s+${LINE}$`, "i"),
    rules: ([, said, from, line], at) => [`swing ${at.amount(said)} from ${at.point(from)} to ${at.line(line)}`],
  },
  {
    said: new RegExp(
      `^from\\s+${P}\\s*,?\\s*square\\s+(?:to|off)\\s+${LINE}\\s*[,:]\\s*(.+?)\\s+(?:to the\\s+)?(left|right|up|down|in|out)(?:wards?)?$`,
      "i",
    ),
    rules: ([, from, line, said, way], at) => [
      `off ${at.line(line)} at ${at.point(from)}, ${at.amount(said)} ${(way ?? "").toLowerCase()}`,
    ],
  },
  {
    said: new RegExp(`^(?:a\\s+)?square\\s+(?:line\\s+)?from\\s+${P}\\s+to\\s+${LINE}$`, "i"),
    rules: ([, from, line], at) => [`square from ${at.point(from)} to ${at.line(line)}`],
  },
  {
    said: new RegExp(`^${GO}(across|level|down|up)\\s+from\\s+${P}\\s+(?:to|until it (?:meets|touches))\\s+${LINE}$`, "i"),
    rules: ([, way, from, line], at) => [`${/down|up/i.test(way ?? "") ? "down" : "across"} from ${at.point(from)} to ${at.line(line)}`],
  },
  {
    said: new RegExp(
      `^(?:mark\\s+)?(?:where|the crossing of|cross)\\s+${LINE}\\s+(?:crosses|meets|cuts|and|with)\\s+${LINE}(?:\\s+(?:cross|meet))?$`,
      "i",
    ),
    rules: ([, first, second], at) => [`cross ${at.line(first)} with ${at.line(second)}`],
  },
  {
    said: new RegExp(`^from\\s+${P}\\s*,?\\s*(?:go\\s+|measure\\s+)?towards?\\s+${P}${GAP}(.+)$`, "i"),
    rules: ([, from, to, said], at) => [`toward ${at.point(to)}, ${at.amount(said)} from ${at.point(from)}`],
  },
  {
    said: new RegExp(`^(?:mark\\s+)?(.+?)\\s+from\\s+${P}\\s+towards?\\s+${P}$`, "i"),
    rules: ([, said, from, to], at) => [`toward ${at.point(to)}, ${at.amount(said)} from ${at.point(from)}`],
  },
  {
    said: new RegExp(`^${GO}${WAY}${ALONG}\\s+from\\s+${P}${GAP}(.+)$`, "i"),
    rules: ([, way, from, said], at) => [`${wayOf(way)} ${at.amount(said)} from ${at.point(from)}`],
  },
  {
    said: new RegExp(`^${GO}${WAY}\\s+(.+?)\\s+from\\s+${P}`, "i"),
    rules: ([, way, said, from], at) => [`${wayOf(way)} ${at.amount(said)} from ${at.point(from)}`],
  },
  {
    said: new RegExp(`^from\\s+${P}\\s*,?\\s*${GO}${WAY}${ALONG}${GAP}(.+)$`, "i"),
    rules: ([, from, way, said], at) => [`${wayOf(way)} ${at.amount(said)} from ${at.point(from)}`],
  },
  {
    // Along a level line one goes outward.
    said: new RegExp(`^(?:${GO}along\\s+the\\s+[a-z ]+?line\\s+from\\s+${P}|from\\s+${P}\\s+along\\s+the\\s+[a-z ]+?line)${GAP}(.+)$`, "i"),
    rules: ([, from, or, said], at) => [`out ${at.amount(said)} from ${at.point(from ?? or)}`],
  },
  {
    said: new RegExp(`^(.+?)\\s+(down|up|out|in|across|below|above)\\s*(?:from)?\\s+${P}$`, "i"),
    rules: ([, said, way, from], at) => [
      `${way?.toLowerCase() === "below" ? "down" : way?.toLowerCase() === "above" ? "up" : wayOf(way)} ${at.amount(said)} from ${at.point(from)}`,
    ],
  },
];
