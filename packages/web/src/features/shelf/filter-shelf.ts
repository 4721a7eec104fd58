import type { SystemSheet } from "@lodrin/contract";
import type { Coverage } from "./coverage.js";

/** What somebody looks for on the shelf. An empty part leaves everything. */
export interface ShelfWish {
  readonly words: string;
  readonly garment: string;
  readonly unit: "" | "in" | "cm";
  /** Whose school: a name; the library's own by its word. */
  readonly school: string;
  /** Only what somebody here has all the measurements for. */
  readonly measured: boolean;
}

/** What the library's own systems are said to be of. */
export const LIBRARY_SCHOOL = "the library";

/** Whose school a system is. */
export const schoolOf = ({ by }: { readonly by: string }): string => (by === "" ? LIBRARY_SCHOOL : by);

/** True for a system that fits a wish; `covers` is how far each set of measurements fills it. */
export function fitsWish(
  sheet: Pick<SystemSheet, "title" | "garment" | "by" | "card">,
  covers: readonly Coverage[],
  wish: ShelfWish,
): boolean {
  const { card } = sheet;
  const text = [sheet.title, sheet.garment, card?.about, card?.suits].join(" ").toLowerCase();
  const said = wish.words
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
  const unit = wish.unit === "" || card?.unit === wish.unit;
  const measured = !wish.measured || covers.some(({ missing }) => missing.length === 0);
  const school = wish.school === "" || schoolOf(sheet) === wish.school;
  return said && unit && measured && school && (wish.garment === "" || sheet.garment === wish.garment);
}
