import { LINE, SPOT } from "../grammar/main-rules.js";
import { on, p, saying } from "../grammar/rules.js";
import type { Line, Spot } from "../meaning.js";
import { keyOf } from "../../formula/key-of.js";
import { NOT_SO } from "../sheet/unclear.js";
import { act, type Act } from "../clause.js";
import { wordOf } from "../words/word-of.js";
import { CALLED_LINE } from "./called-line.js";

/** A level line with a name, from a point to a line. */
export const LEVEL = saying<Act>("level line").said(
  on(
    p`(draw|rule|square) ${CALLED_LINE} line (level|square|straight|straight across|squarely)? (across|out|in|level)? from ${SPOT} (to|as far as|until) ${LINE}`,
    ([name = "", spot, line]) => across(spot, line, name),
    0.1,
  ),
  on(
    p`(guideline|guide|line|draw a line|draw a guideline|guide line|rule a line) (from)? ${SPOT} (->|to|-|as far as) ${LINE} ,? (level|square|across|squared|level across)`,
    ([spot, line]) => across(spot, line, ""),
  ),
  on(p`(draw|rule) (a)? (level|horizontal) (line|guideline) from ${SPOT} (->|to|-|as far as) ${LINE}`, ([spot, line]) =>
    across(spot, line, ""),
  ),
  on(
    p`(join)? ${SPOT} to ${LINE} (with|by) (a)? (level|horizontal|straight)? (level|horizontal) line`,
    ([spot, line]) => across(spot, line, ""),
    0.1,
  ),
);
function across(spot: Spot | undefined, line: Line | undefined, name: string): Act | undefined {
  if (!spot || !line) return undefined;
  return act(`across ${name} ${line.text}`, (bag, sheet) => {
    if (!bag.holds({ act: 1, name: 1 })) throw NOT_SO;
    const [at, id] = sheet.spot(spot);
    const [then, text] = at.line(line);
    const placed = then.place(`across from ${id} to ${text}`, at.boardOf(id), bag.first("name")?.names[0], bag.first("name") === undefined);
    const end = placed.it ?? "";
    const level = wordOf(LEVELS, name);
    if (name === "") return placed.draw("line", "level", `: ${end} > ${id}`, at.boardOf(id));
    const key = `${name} line`;
    return placed.draw(
      "level",
      keyOf(key),
      ` "${key.replace(/^./, (c) => c.toUpperCase())}"${level === undefined ? "" : ` at ${level}`}: ${end} > ${id}`,
      at.boardOf(id),
    );
  });
}
const LEVELS: Readonly<Record<string, string>> = {
  bust: "bust",
  chest: "chest",
  waist: "waist",
  hip: "hip",
  knee: "knee",
  hem: "hem",
  underbust: "underbust",
  "high hip": "high_hip",
};
