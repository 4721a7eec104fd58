import DOMPurify from "dompurify";
import MarkdownIt from "markdown-it";

const markdown = new MarkdownIt({ linkify: false, html: false });

/** Markdown as HTML that may be shown: no HTML of the author's own, no script, and nothing fetched from elsewhere. */
export function markdownHtml(text: string): string {
  return DOMPurify.sanitize(markdown.render(text), {
    ALLOWED_TAGS: [
      "p",
      "em",
      "strong",
      "ul",
      "ol",
      "li",
      "h1",
      "h2",
      "h3",
      "h4",
      "code",
      "pre",
      "blockquote",
      "hr",
      "br",
      "table",
      "thead",
      "tbody",
      "tr",
      "th",
      "td",
    ],
    ALLOWED_ATTR: [],
  });
}
