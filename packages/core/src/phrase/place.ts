import { pointText } from "../verb/form.js";
import { type Amount, amountOf } from "./amount.js";
import type { Known } from "./known.js";
import { findPoint, POINT as P } from "./point.js";

/** Where a phrase is tried: what is known, and the number the next point takes. */
export interface Place {
  readonly known: Known;
  readonly point: (text: string | undefined) => string;
  readonly line: (text: string | undefined) => string;
  readonly amount: (text: string | undefined) => string;
}

/** A sentence speaks of what is not there: it is not meant so. */
export class NotMeant extends Error {}

/** What is known, for one sentence; the measurements it takes from the known list are put into `needs`. */
export function placeIn(known: Known, needs: Set<string>): Place {
  const point = (text: string | undefined): string => {
    const id = text === undefined ? undefined : findPoint(text, known);
    if (id === undefined) throw new NotMeant();
    return pointText(id);
  };
  const take = (found: Amount | undefined): string => {
    if (!found) throw new NotMeant();
    for (const need of found.needs) needs.add(need);
    return found.formula;
  };
  return {
    known,
    point,
    // What is said behind a comma or a colon belongs to the sentence, not to the amount.
    amount: (text = "") => take(amountOf(text, known) ?? amountOf(text.replace(/[,:].*$/, ""), known)),
    line: (text = "") => {
      const said = text.trim().replace(/^the\s+/i, "");
      const ray = /^line\s+(down|across|out)\s+from\s+(\S+)$/i.exec(said);
      if (ray) return `line ${(ray[1] ?? "").toLowerCase()} from ${point(ray[2])}`;
      const ends = new RegExp(`^(?:line\\s+)?${P}\\s*(?:-|–|—|to)\\s*${P}$`, "i").exec(said);
      if (ends) return `${point(ends[1])}-${point(ends[2])}`;
      const name = said.toLowerCase().replace(/\s+(?:line|curve|seam)$/, "");
      const path = known.paths.get(said.toLowerCase()) ?? known.paths.get(name) ?? known.paths.get(`${name} line`);
      if (path === undefined) throw new NotMeant();
      return path;
    },
  };
}
