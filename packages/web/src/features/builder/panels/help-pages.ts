const TEXTS = import.meta.glob<string>("../../../../../../docs/notation/*.md", { query: "?raw", import: "default", eager: true });
const DRAWN = import.meta.glob<string>("../../../../../../docs/notation/drawn/*.svg", { query: "?url", import: "default", eager: true });

/** A section of the language's pages: its words, an example that can be put in, and its drawings by their address. */
export interface HelpSection {
  readonly id: string;
  readonly page: string;
  readonly title: string;
  /** What it is found by: the word it is about. */
  readonly word: string;
  readonly text: string;
  readonly example: string | undefined;
  readonly drawings: readonly string[];
}

const ORDER = ["README", "verbs", "lines", "shaping", "checks", "words", "trade"];

/** Cuts a page into its sections at the second headings. */
function sectionsOf(page: string, text: string, drawn: Readonly<Record<string, string>>): HelpSection[] {
  return text
    .split(/^## /m)
    .slice(1)
    .map((part, i) => {
      const [title = "", ...rest] = part.split("\n");
      const body = rest.join("\n");
      const example = /^```\w*\n([\s\S]*?)^```/m.exec(body)?.[1];
      const drawings = [...body.matchAll(/!\[[^\]]*\]\(drawn\/([\w-]+\.svg)\)/g)].flatMap(([, name = ""]) => drawn[name] ?? []);
      const words = body
        .replace(/^```\w*\n[\s\S]*?^```\n?/gm, "")
        .replace(/!\[[^\]]*\]\([^)]*\)/g, "")
        .replace(/\[([^\]]*)\]\([^)]*\)/g, "$1")
        .trim();
      return {
        id: `${page}-${i}`,
        page,
        title: title.replace(/^(\w+): /, "$1: "),
        word: /^(\w+)/.exec(title)?.[1]?.toLowerCase() ?? "",
        text: words,
        example,
        drawings,
      };
    });
}

const nameOf = (path: string): string => path.split("/").pop() ?? "";
const drawings = Object.fromEntries(Object.entries(DRAWN).map(([path, url]) => [nameOf(path), url]));

/** The pages of the language, in the order they are read. */
export const HELP: readonly HelpSection[] = Object.entries(TEXTS)
  .map(([path, text]) => ({ page: nameOf(path).replace(".md", ""), text }))
  .sort((a, b) => ORDER.indexOf(a.page) - ORDER.indexOf(b.page))
  .flatMap(({ page, text }) => sectionsOf(page, text, drawings));
