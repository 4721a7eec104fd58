import type { HelpSection } from "./help-pages.js";

/** Sections for what was typed: those about that word, then those whose title has it, then those that mention it. */
export function findHelp(pages: readonly HelpSection[], typed: string): readonly HelpSection[] {
  const words = typed.trim().toLowerCase();
  if (words === "") return pages;
  const rank = (s: HelpSection): number => {
    if (s.word === words) return 0;
    if (s.title.toLowerCase().includes(words)) return 1;
    return `${s.text} ${s.example ?? ""}`.toLowerCase().includes(words) ? 2 : 3;
  };
  return pages
    .map((section) => ({ section, rank: rank(section) }))
    .filter((found) => found.rank < 3)
    .sort((a, b) => a.rank - b.rank)
    .map(({ section }) => section);
}
