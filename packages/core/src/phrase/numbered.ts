/** A line of a handout: the number its author gave it, if any, and what it says. */
export interface NumberedLine {
  readonly number: string | undefined;
  readonly said: string;
}

/** Parts the number from the sentence: `1 …`, `1. …`, `A1 …`, `#1 …`, `Pt 1 …`, `(1) …`. */
export function numberedLine(line: string): NumberedLine {
  const text = line.trim().replace(/^[-•*]\s+/, "");
  const match = /^(?:(?:point|pt\.?|step)\s+)?\(?#?([A-Z]{0,2}\d+[a-z]?)(\s*[.):–—-]+\s+|\s*\)\s*|\s+)(?=\S)(.+)$/i.exec(text);
  const [, number, mark = "", said] = match ?? [];
  if (number === undefined || said === undefined || isFigure(number, mark, said)) return { number: undefined, said: text };
  return { number: number.replace(/^[a-z]+/, (letters) => letters.toUpperCase()), said: said.trim() };
}

/** "2 inches down", "1 1/2 from 3": what begins with a figure has no number, unless a mark parts the two or the number has a letter. */
const isFigure = (number: string, mark: string, said: string): boolean =>
  mark.trim() === "" &&
  /^\d+$/.test(number) &&
  // "in" is a way as well: as a unit it is followed by one.
  (/^(?:inch|inches|cm|mm)\b|^["″½¼¾/\d]/i.test(said) || /^in\s+(?:down|up|out|in|across|from|to|below|above|square|along)\b/i.test(said));
