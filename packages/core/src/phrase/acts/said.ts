import { pointText } from "../../verb/form.js";
import { act, type Act, type Bag } from "../clause.js";
import type { Amount, Direction, Hand, Heading, Line, Spot } from "../meaning.js";
import type { Sheet } from "../sheet/sheet.js";
import { ask, NOT_SO, refuse } from "../sheet/unclear.js";
import { laidOff } from "./laid-off.js";

export const nameOf = (bag: Bag): string | undefined => {
  const names = bag.first("name")?.names ?? [];
  if (names.length > 1) throw NOT_SO;
  return names[0];
};
export const only = (bag: Bag, most: Parameters<Bag["holds"]>[0] = {}): void => {
  if (!bag.holds({ act: 1, name: 1, ...most })) throw NOT_SO;
};
export const oneAmount = (bag: Bag, sheet: Sheet): Amount | undefined => {
  const [amount, more] = bag.all("amount");
  if (more || amount?.as === "wide" || amount?.as === "each") throw NOT_SO;
  return amount && laidOff(amount.amount, sheet);
};
export const headingOf = (bag: Bag): Heading | undefined => {
  const ways = [...new Set(bag.all("heading").map(({ way }) => way))].filter((w) => w !== "back");
  return ways.find((w) => w !== "level" && w !== "plumb") ?? ways[0];
};
/** The side of a line for who faces one of its ends. */
export function handOn({ ends }: Line, { hand, facing }: { readonly hand: Hand; readonly facing: string }): Hand {
  if (facing === ends?.[1]) return hand;
  if (facing === ends?.[0]) return hand === "left" ? "right" : "left";
  throw ask("Facing which end of the line?");
}

export const sideOf = (heading: Heading | undefined): Direction | undefined =>
  heading === undefined || heading === "level" || heading === "plumb" || heading === "back" ? undefined : heading;

/** A straight line by its ends, so that it stands where its name is an edge's. */
export const straightOf = (line: Line, text: string): string =>
  line.straight && line.ends && !text.startsWith("line ") ? `${pointText(line.ends[0])}-${pointText(line.ends[1])}` : text;

/** A drawn line by its key, else the edge. */
export const pathOf = (line: Line): string => {
  if (/^[a-z_]+\d*$/.test(line.text)) return line.text;
  if (line.path !== undefined) return line.path;
  throw refuse("Draw this line first, then it can be traced.");
};
export const keyFrom = (line: Line): string => (line.role ?? line.path ?? line.text).replace(/^.*\./, "").replace(/\W+/g, "_");

/** The place something goes out from. */
export const startIn = (bag: Bag): Spot | undefined => bag.first("from")?.spot ?? bag.first("at")?.spot ?? bag.first("spot")?.spot;

/** A point that is found from a place and a line, by a rule of the two. */
export const fromPlaceAndLine =
  (rule: (id: string, line: string) => string) =>
  (spot: Spot | undefined, line: Line | undefined): Act | undefined =>
    spot && line
      ? act(rule("", line.text), (bag, sheet) => {
          only(bag);
          const [at, id] = sheet.spot(spot);
          const [then, text] = at.line(line);
          return then.place(rule(id, text), at.boardOf(id), nameOf(bag));
        })
      : undefined;

/** Whether a point is on a straight line, to a millimetre, on a body in the middle. */
export function onLine(id: string, { ends }: Line, sheet: Sheet): boolean {
  if (ends?.some((end) => pointText(end) === id)) return true;
  const [p, a, b] = [sheet.at(id), ...(ends ?? []).map((end) => sheet.at(pointText(end)))];
  if (!p || !a || !b) return false;
  return Math.abs((b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x)) < Math.hypot(b.x - a.x, b.y - a.y);
}
