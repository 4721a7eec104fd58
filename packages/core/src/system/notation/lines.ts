/** One line of a notation file that says something. `offset` is where its text begins in the file. */
export interface NotationLine {
  readonly text: string;
  readonly line: number;
  readonly column: number;
}

/** A statement: the line at the margin, the lines indented under it, and the comments above and beside them. */
export interface Block {
  readonly head: NotationLine;
  readonly details: NotationLine[];
  readonly comments: string[];
}

/** A `#` followed by a space or nothing begins a comment, unless it stands inside quotes. `#12` is a point. */
function splitComment(text: string): { said: string; comment: string | undefined } {
  let quoted = false;
  for (let i = 0; i < text.length; i++) {
    const c = text[i];
    if (c === '"') quoted = !quoted;
    if (c === "#" && !quoted && (i === 0 || /\s/.test(text[i - 1] as string)) && /^#(\s|$)/.test(text.slice(i, i + 2))) {
      return { said: text.slice(0, i).trimEnd(), comment: text.slice(i + 1).trim() };
    }
  }
  return { said: text.trimEnd(), comment: undefined };
}

/** Cuts a file into statements. Indented lines before the first statement are statements of their own, so that they are reported. */
export function blocksOf(source: string): { blocks: Block[]; trailing: string[] } {
  const blocks: Block[] = [];
  let comments: string[] = [];
  source.split(/\r\n|\r|\n/).forEach((raw, index) => {
    const { said, comment } = splitComment(raw);
    const text = said.trimStart();
    const current = blocks[blocks.length - 1];
    const indented = said.length > text.length;
    if (text === "") {
      if (comment !== undefined) comments.push(comment);
      return;
    }
    const line: NotationLine = { text, line: index + 1, column: said.length - text.length + 1 };
    if (indented && current) {
      current.details.push(line);
      current.comments.push(...comments);
    } else {
      blocks.push({ head: line, details: [], comments });
    }
    comments = [];
    if (comment !== undefined) (blocks[blocks.length - 1] as Block).comments.push(comment);
  });
  return { blocks, trailing: comments };
}
