import { Chart, type Rule } from "./chart/chart.js";
import { DART } from "./acts/darts.js";
import { PIECE } from "./acts/shaping.js";
import { AMOUNT, LINE, PLACED } from "./grammar/main-rules.js";
import type { Ground } from "./ground/ground.js";
import type { SentenceReading } from "./read-sentence.js";
import { understand } from "./understand.js";
import { isNoise, type Token, tokensOf } from "./words/tokens.js";

/** What of a sentence is known, as it was said: its points, figures and lines. */
interface Known {
  readonly words: ReadonlySet<string>;
  readonly points: readonly string[];
  readonly amounts: readonly string[];
  readonly lines: readonly string[];
  readonly darts: readonly string[];
  readonly pieces: readonly string[];
  readonly way: string;
}

/** A way to say something that is understood, with words that make it likely to be what was meant. */
interface Sample {
  readonly near: string;
  readonly say: (known: Known) => string | undefined;
}

/** The sentence, when all that it needs was said. */
const when = (needs: readonly (string | undefined)[], sentence: string): string | undefined =>
  needs.every((need) => need !== undefined) ? sentence : undefined;

const SAMPLES: readonly Sample[] = [
  {
    near: "square down up in out drop come go measure lay set step raise lower move mark",
    say: ({ points: [p], amounts: [a], way }) => when([p, a], `From ${p} square ${way} ${a}.`),
  },
  {
    near: "along round on measure seam curve line edge follow",
    say: ({ points: [p], amounts: [a], lines: [l] }) => when([p, a, l], `Along the ${l} from ${p} measure ${a}.`),
  },
  {
    near: "until meets touches reaches across square down up line level",
    say: ({ points: [p], lines: [l], way }) =>
      when([p, l], `Square ${way === "down" || way === "up" ? way : "across"} from ${p} to the ${l}.`),
  },
  { near: "midway middle halfway between centre half", say: ({ points: [p, q] }) => when([p, q], `Midway between ${p} and ${q}.`) },
  {
    near: "divide equal parts split thirds quarters",
    say: ({ points: [p, q] }) => when([p, q], `Divide ${p} to ${q} into three equal parts.`),
  },
  { near: "join connect line straight draw rule", say: ({ points: [p, q] }) => when([p, q], `Join ${p} to ${q}.`) },
  {
    near: "curve smooth shape draw sweep through rounded hollow",
    say: ({ points }) => when([points[0], points[1]], `Draw a smooth curve through ${listed(points)}.`),
  },
  {
    near: "perpendicular right angles square foot",
    say: ({ points: [p], lines: [l] }) => when([p, l], `Drop a perpendicular from ${p} to the ${l}.`),
  },
  { near: "cross crosses meet cut intersect", say: ({ lines: [l, m] }) => when([l, m], `Where the ${l} crosses the ${m}.`) },
  {
    near: "parallel beside inside outside alongside",
    say: ({ lines: [l], amounts: [a], way }) => when([l, a], `Draw a line parallel to the ${l}, ${a} ${SIDES[way] ?? "in"} of it.`),
  },
  { near: "mirror reflect fold trace other side flip", say: ({ points: [p], lines: [l] }) => when([p, l], `Mirror ${p} in the ${l}.`) },
  {
    near: "swing arc compass radius strike",
    say: ({ points: [p], amounts: [a], lines: [l] }) => when([p, a, l], `Swing ${a} from ${p} to the ${l}.`),
  },
  {
    near: "extend continue beyond past produce",
    say: ({ points: [p, q], amounts: [a] }) => when([p, q, a], `Extend the line ${p}-${q} by ${a} beyond ${q}.`),
  },
  {
    near: "dart wide long intake take",
    say: ({ points: [p], amounts: [a, b] }) => when([p, a, b], `Draw a dart at ${p}, ${a} wide and ${b} long, pointing up.`),
  },
  {
    near: "close dart open move transfer pivot",
    say: ({ darts: [d], points: [p] }) => when([d, p], `Close the ${d} and open it at ${p}.`),
  },
  {
    near: "slash spread open flare fullness",
    say: ({ points: [p, q], amounts: [a] }) => when([p, q, a], `Slash from ${p} to ${q} and spread ${a}.`),
  },
  {
    near: "allowance seam add allow turnings edge",
    say: ({ pieces: [piece], amounts: [a], lines: [l] }) =>
      when(
        [piece, a],
        l === undefined ? `Add ${a} seam allowance all round the ${piece}.` : `Add ${a} seam allowance to the ${l} of the ${piece}.`,
      ),
  },
  { near: "notch mark balance", say: ({ points: [p], pieces: [piece] }) => when([p, piece], `Notch the ${piece} at ${p}.`) },
];
const SIDES: Readonly<Record<string, string>> = { in: "inside", out: "outside", up: "above", down: "below" };

const listed = (points: readonly string[]): string => `${points.slice(0, -1).join(", ")} and ${points.at(-1) ?? ""}`;

/** So many ways are offered. */
const OFFERED = 3;

/**
 * The nearest ways to say what is not understood, with its own points, figures and lines filled in: each is understood as it stands.
 *
 * @example nearestWays("Kindly proceed 3 inches southward of 6", ground)[0] // "From 6 square down 3 inches."
 */
export function nearestWays(sentence: string, ground: Ground): string[] {
  const known = knownIn(sentence, ground);
  const scored = SAMPLES.flatMap(({ near, say }) => {
    const said = say(known);
    const hits = near.split(" ").filter((word) => known.words.has(word)).length;
    const used = [...known.points, ...known.amounts, ...known.lines].filter((part) => said?.includes(part) === true).length;
    return said === undefined ? [] : [{ said, score: hits * 2 + used }];
  }).sort((a, b) => b.score - a.score);
  const ways: string[] = [];
  for (const { said } of scored) {
    if (ways.length === OFFERED) break;
    if (understand(said, ground).understood.length > 0) ways.push(said);
  }
  return ways;
}

/** A reading of what is not understood at all, with the nearest ways to say it. */
export const withNearestWays = (reading: SentenceReading, ground: Ground): SentenceReading =>
  reading.status === "refused" && reading.leftover.length > 0 ? { ...reading, offers: nearestWays(reading.sentence, ground) } : reading;

function knownIn(sentence: string, ground: Ground): Known {
  const tokens = tokensOf(sentence).filter((token) => !isNoise(token));
  const chart = new Chart(tokens, ground);
  const taken = new Set<number>();
  /** The longest parts of a kind, none of a word that is in another already. */
  const found = <T>(rule: Rule<T, Ground>, keep: (value: T) => boolean): string[] => {
    const parts: string[] = [];
    for (let at = 0; at < tokens.length; at++) {
      const free = (to: number): boolean => tokens.slice(at, to).every((_, i) => !taken.has(at + i));
      const [got] = chart
        .parse(rule, at)
        .filter(({ value, to }) => keep(value) && free(to))
        .sort((a, b) => b.to - a.to);
      if (!got) continue;
      parts.push(textOf(sentence, tokens, at, got.to));
      for (; at < got.to; at++) taken.add(at);
      at--;
    }
    return [...new Set(parts)];
  };
  const words = new Set(tokens.map(({ text }) => text));
  const darts = found(DART, (dart) => "key" in dart);
  const amounts = found(
    AMOUNT,
    (a) => a.plain !== true && a.unknown === undefined && a.same !== true && !/^(?:dist|len|drop)\(/.test(a.formula),
  );
  const points = found(PLACED, () => true);
  const lines = found(LINE, (l) => l.unknown === undefined && l.spot === undefined && !l.text.startsWith("line "));
  const pieces = found(PIECE, () => true);
  return { words, points, amounts, lines, darts, pieces, way: ["down", "up", "in", "out"].find((way) => words.has(way)) ?? "down" };
}

const textOf = (sentence: string, tokens: readonly Token[], from: number, to: number): string =>
  sentence.slice(tokens[from]?.from ?? 0, tokens[to - 1]?.to ?? 0).replace(/^(?:the|from|between|of|at)\s+/i, "");
