import { measurementCalled } from "../body/index.js";
import { Chart } from "./chart/chart.js";
import { AMOUNTS } from "./grammar/amounts.js";
import { figureCalled, type Ground } from "./ground/ground.js";
import { quoted } from "./quoted.js";
import { measureLine } from "./measure-line.js";
import { type Put } from "./sheet/sheet.js";
import { keyOf } from "../formula/key-of.js";
import { isNoise, tokensOf } from "./words/tokens.js";

/** An amount that is said by itself, as a formula; undefined when its words are no amount or can be meant in two ways. */
export function amountSaid(said: string, ground: Ground): string | undefined {
  const tokens = tokensOf(said).filter((token) => !isNoise(token));
  if (tokens.length === 0 || tokens.length > 60) return undefined;
  const whole = new Chart(tokens, ground).parse(AMOUNTS, 0).find(({ to }) => to === tokens.length)?.value;
  return whole === undefined || whole.doubt !== undefined || whole.unknown !== undefined || whole.same === true ? undefined : whole.formula;
}

/** "Bust: 28 to 60, round the fullest part": a measurement of the known list with its range. */
function measureSaid(line: string, ground: Ground): Put | undefined {
  const match =
    /^([a-z][a-z ]*?)\s*[:,]\s+([\d./½¼¾ ]+?)\s*(?:-|–|—|to|\.\.)\s*([\d./½¼¾ ]+?)\s*(in|inch|inches|cm)?(?:[.,:;]\s*(.*))?$/i.exec(line);
  const measure = match && measurementCalled(match[1] ?? "");
  if (!measure || ground.figures.some(({ key }) => key === measure.key)) return undefined;
  const how = match[5] === undefined || match[5] === "" ? measure.how : match[5];
  return {
    sort: "measure",
    board: "",
    lines: [`measure ${measure.key} ${measure.run} ${(match[2] ?? "").trim()}..${(match[3] ?? "").trim()}  "${quoted(how)}"`],
  };
}

/** "You will need the arm length as well": a measurement of the known list. */
function neededSaid(line: string, ground: Ground): Put | undefined {
  const [, said = ""] =
    /^(?:you|we|i)(?:['’]ll| will)?(?: also)? need (?:also )?(?:the |your |her |his )?([a-z ]+?)(?: too| as well| also)?\.?$/i.exec(line) ??
    [];
  const measure = said === "" ? undefined : measurementCalled(said.toLowerCase());
  if (!measure || ground.figures.some(({ key }) => key === measure.key)) return undefined;
  return { sort: "measure", board: "", lines: [measureLine(measure.key, ground.unit)] };
}

/** "Flare: between 0 and 4 inches, normally 2": what is usual stands last. */
function usualSaid(line: string): string[] | undefined {
  const [, name, from, to, usual] =
    /^([a-z][a-z ]*?)\s*[:=]\s*(?:from|between)\s+(.+?)\s+(?:to|and)\s+(.+?),?\s+(?:normally|usually|mostly|as a rule)\s+(.+?)\.?$/i.exec(
      line,
    ) ?? [];
  return name === undefined || from === undefined || to === undefined || usual === undefined ? undefined : [line, name, usual, from, to];
}

/** "Ease: 1/2, from 0 to 2": a setting with its range. */
function settingSaid(line: string, ground: Ground): Put | undefined {
  const match =
    /^([a-z][a-z ]*?)\s*[:=]\s*(.+?)\s*\((?:from )?(.+?)\s*(?:to|-|–)\s*(.+?)()\)\.?$/i.exec(line) ??
    usualSaid(line) ??
    /^(?:set\s+)?(?:setting\s+)?([a-z][a-z ]*?)\s*(?:[:=]|(?<=^set\b.*)\b(?:at|to)\b)\s*(.+?)\s*,?\s+(?:from|between)\s+(.+?)\s+(?:to|and)\s+((?:[^,.;:]|[.,](?=\d))+)(?:[,.;:]\s*(.*))?$/i.exec(
      line,
    );
  const key = keyOf((match?.[1] ?? "").replace(/^the /i, ""));
  if (!match || key === "" || ground.keys.has(key) || figureCalled(ground, (match[1] ?? "").toLowerCase())) return undefined;
  const figures = [match[2], match[3], match[4]].map((said) => amountSaid(said ?? "", ground));
  if (figures.some((figure) => figure === undefined)) return undefined;
  const text = match[5] === undefined || match[5] === "" ? "" : `  "${quoted(match[5])}"`;
  return { sort: "setting", board: "", lines: [`set ${key} = ${figures[0] ?? ""} from ${figures[1] ?? ""} to ${figures[2] ?? ""}${text}`] };
}

/** "A to K" and "it" are no names of figures. */
const NO_VALUE = /^(?:it|this|that|there|here|point|[a-z](?:_to)?_[a-z]|[a-z]{2})$/;

/** "Cap height = bust/12 + 1/2": a figure that is worked out. */
function valueSaid(line: string, ground: Ground): Put | undefined {
  const match =
    /^(?:let\s+|work out\s+|reckon\s+)?(?:the\s+)?([a-z][a-z ]*?)\s*(?:=|\bis\b|\bequals\b|(?<=^let\b.*)\bbe\b)\s*(.+?)\.?$/i.exec(line);
  const key = keyOf(match?.[1] ?? "");
  if (!match || key === "" || ground.keys.has(key) || NO_VALUE.test(key)) return undefined;
  const formula = amountSaid(match[2] ?? "", ground);
  // A bare figure is given a name only where that is plainly meant.
  if (formula === undefined || !(/[a-z#(]/.test(formula) || /^let\s/i.test(line))) return undefined;
  return { sort: "step", board: ground.board, lines: [`value ${key} = ${formula}  "${quoted(line)}"`] };
}

/** So long is no line that gives something a name. */
const LONGEST = 300;

/** A line that gives something a name: a measurement with its range, a setting with its range, a figure that is worked out. */
export const definitionSaid = (line: string, ground: Ground): Put | undefined =>
  line.length > LONGEST
    ? undefined
    : (measureSaid(line, ground) ?? neededSaid(line, ground) ?? settingSaid(line, ground) ?? valueSaid(line, ground));
