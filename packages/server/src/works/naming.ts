const LONGEST_TITLE = 120;
const LONGEST_SLUG = 60;
const ID_KEPT = 8;

/** The title a text gives its system, without reading the whole of it. */
export function titleIn(notation: string): string {
  const said = /^\s*system\s+["“„]([^"”\n]{1,400})/m.exec(notation)?.[1]?.trim();
  return (said === undefined || said === "" ? "Untitled system" : said).slice(0, LONGEST_TITLE);
}

/** What a system is called in addresses: its first title, and a piece of its id that tells it from others. It stays when the title changes. */
export function slugFor(title: string, id: string): string {
  const words = title
    .normalize("NFKD")
    .replace(/\p{M}/gu, "")
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-|-$/g, "")
    .slice(0, LONGEST_SLUG);
  return `${words || "system"}-${id.slice(0, ID_KEPT)}`;
}
