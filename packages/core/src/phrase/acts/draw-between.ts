import type { Line, Manner, Spot } from "../meaning.js";
import type { Sheet } from "../sheet/sheet.js";
import { NOT_SO, ask, refuse } from "../sheet/unclear.js";
import { act, type Act } from "../clause.js";
import { isFold } from "./shaping.js";
import { onLine } from "./said.js";
import { lineText } from "./manner.js";
import { bentBetween } from "./bending.js";

export const merge = (manners: readonly Manner[]): Manner => Object.assign({}, ...manners) as Manner;

/** A line or curve through places. */
export function drawn(spots: readonly Spot[], manner: Manner, name: string | undefined, like: string | undefined): Act {
  return act(`draw ${name ?? ""} ${JSON.stringify(manner)}`, (bag, sheet) => {
    if (!bag.holds({ act: 1, manner: 4, board: 1 })) throw NOT_SO;
    const how = merge([manner, ...bag.all("manner").map((m) => m.manner)]);
    return drawThrough(sheet, spots, how, name, like);
  });
}

/** Draws through places in the manner that is said. */
export function drawThrough(sheet: Sheet, spots: readonly Spot[], how: Manner, name?: string, like?: string): Sheet {
  const last = spots.length - 1;
  const said = new Set(spots.map((spot) => JSON.stringify(spot)));
  const via = (how.via ?? []).filter((spot) => !said.has(JSON.stringify(spot)));
  const all = [...spots.slice(0, last), ...via, ...spots.slice(last)];
  const [at, ids] = sheet.spots(all);
  return drawBetween(at, ids, how.via ? { curve: true, ...how } : how, name, like);
}

/** Draws through points by their names. */
export function drawBetween(at: Sheet, ids: readonly string[], how: Manner, name?: string, like?: string): Sheet {
  if (how.bend) {
    const [a, b, more] = ids;
    if (a === undefined || b === undefined || more !== undefined) throw NOT_SO;
    return bentBetween([a, b], how.bend, undefined, name ?? "", at);
  }
  if (new Set(ids).size < ids.length && ids.length === 2) throw refuse("One point makes no line.");
  const board = at.boardOf(ids[0] ?? "");
  const through = ids.join(" > ");
  const curved = isCurved(how);
  const wanted =
    name ?? `${curved && how.dashed !== true ? "curve" : "line"}_${ids.map((id) => id.replace(/[#⟨⟩]/g, "").toLowerCase()).join("_")}`;
  if (!curved) return at.draw("line", wanted, `: ${through}${how.dashed ? " dashed" : ""}`, board);
  return at.draw(
    "curve",
    wanted,
    `: ${[through, ...clausesOf(how, ids, board, at, like)].join(", ")}${how.dashed ? " dashed" : ""}`,
    board,
  );
}

const isCurved = (how: Manner): boolean =>
  how.curve === true || how.leaving !== undefined || how.arriving !== undefined || how.squareTo !== undefined || how.squareStart === true;

/** What is said of a curve behind its points: its directions, else the kind it has, or that of the line it takes the place of. */
function clausesOf(how: Manner, ids: readonly string[], board: string, sheet: Sheet, like: string | undefined): string[] {
  const { leaving, arriving } =
    how.squareStart === true
      ? { ...how, leaving: squareAtStart(ids[0] ?? "", sheet) }
      : how.squareTo
        ? squareAtEnd(how.squareTo, how, ids, sheet)
        : how;
  const free = leaving === undefined && arriving === undefined && how.straight !== true && how.dashed !== true;
  // Directions that are said count more than those of the kind.
  const kind = (leaving === undefined && arriving === undefined ? kindOf(how.like, board, sheet) : undefined) ?? (free ? like : undefined);
  return [
    ...(leaving === undefined ? [] : [`leaving ${leaving}`]),
    ...(arriving === undefined ? [] : [`arriving ${arriving}`]),
    ...(kind === undefined ? [] : [`like ${kind}`]),
  ];
}

/** Square to the fold or centre line on which a curve begins. */
function squareAtStart(id: string, sheet: Sheet): string {
  const bare = id.replace("#", "");
  const line = sheet.ground.lines.find((l) => l.straight && l.ends?.includes(bare) && isFold(l, sheet.ground));
  if (!line) throw ask("Square to what line?");
  return `square to ${lineText(line)}`;
}

/** Square to a line at the end that is on it. */
function squareAtEnd(line: Line, how: Manner, ids: readonly string[], sheet: Sheet): Pick<Manner, "leaving" | "arriving"> {
  const square = `square to ${lineText(line)}`;
  const isOn = (id: string | undefined): boolean => id !== undefined && onLine(id, line, sheet);
  if (isOn(ids[0])) return { ...how, leaving: square };
  if (isOn(ids.at(-1))) return { ...how, arriving: square };
  throw ask("At which end is it square?");
}

/** The kind of a curve as the notation knows it: armholes and necks are told apart by front and back. */
function kindOf(kind: string | undefined, board: string, { ground }: Sheet): string | undefined {
  if (kind === undefined || kind === "hip") return kind;
  const front = ground.boards.find((b) => b.key === board)?.words.includes("front") ?? false;
  return kind === "armhole" ? (front ? "armhole_front" : "armhole_back") : front ? "neck" : "back_neck";
}
