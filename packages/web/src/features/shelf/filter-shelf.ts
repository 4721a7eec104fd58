import type { CardFacts } from "./card-facts.js";

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

/** True for a system that fits a wish. While its facts are not worked out yet, only its title and garment are looked at. */
export function fitsWish(
  sheet: { readonly title: string; readonly garment: string; readonly by: string },
  facts: CardFacts | undefined,
  wish: ShelfWish,
): boolean {
  const text = [sheet.title, sheet.garment, facts?.about, facts?.suits].join(" ").toLowerCase();
  const said = wish.words
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
  const unit = wish.unit === "" || facts === undefined || facts.unit === wish.unit;
  const measured = !wish.measured || (facts?.covers.some(({ missing }) => missing.length === 0) ?? false);
  const school = wish.school === "" || schoolOf(sheet) === wish.school;
  return said && unit && measured && school && (wish.garment === "" || sheet.garment === wish.garment);
}
