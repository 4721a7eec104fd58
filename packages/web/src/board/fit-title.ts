import { cutText, middleOf, type PieceResult, type Point, type Stretch, titleRoom } from "@lodrin/core";

/** A piece's name set on it: its lines, the smaller lines below them, letter height in pixels, and the middle in the piece's mm. */
export interface SetTitle {
  readonly lines: readonly string[];
  readonly below: readonly string[];
  readonly size: number;
  readonly middle: Point;
}

/** Height of a smaller line, and width of its letters, in pixels. */
const SMALL_HEIGHT = 19;
const SMALL_LETTER = 7.2;

/**
 * Sets a piece's name and what to cut in the largest letters that fit: in one line, then a line a word, then smaller,
 * then the name alone. `k` is pixels a mm, `grain` the arrow it keeps off.
 */
export function fitTitle(piece: PieceResult, grain: Stretch | undefined, k: number): SetTitle {
  const cut = cutText(piece);
  const roomFor = titleRoom(piece, grain);
  const words = piece.title.split(" ");
  const inTwo = cut.split(/, | (?=on)/);
  const alone = { lines: words, below: [], size: 15 };
  const wishes = [
    { lines: [piece.title], below: [cut], size: 24 },
    { lines: words, below: [cut], size: 24 },
    { lines: words, below: inTwo, size: 19 },
    { lines: words, below: inTwo, size: 15 },
    alone,
  ];
  for (const wish of wishes) {
    const width = Math.max(...wish.lines.map((l) => l.length * wish.size * 0.56), ...wish.below.map((l) => l.length * SMALL_LETTER));
    const middle = roomFor(width / k, heightOf(wish) / k);
    if (middle) return { ...wish, middle };
  }
  return { ...alone, middle: middleOf(piece) };
}

/** Heights of the name's lines and of the smaller lines on the glass, in pixels, `y` being the middle's. */
export function linesAt(title: SetTitle, y: number): { name: number[]; small: number[] } {
  const first = y - heightOf(title) / 2 + title.size * 0.85;
  const name = title.lines.map((_, i) => first + i * title.size * 1.1);
  const last = name[name.length - 1] ?? first;
  return { name, small: title.below.map((_, i) => last + (i + 1) * SMALL_HEIGHT) };
}

const heightOf = (title: Pick<SetTitle, "lines" | "below" | "size">): number =>
  title.lines.length * title.size * 1.1 + title.below.length * SMALL_HEIGHT;
