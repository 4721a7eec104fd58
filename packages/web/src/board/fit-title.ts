import { boundsOf, type Box, cutText, distance, grainArrow, type PieceResult, type Point, type Segment, titleRoom } from "@lodrin/core";

/** A piece's name set on it: its lines, the smaller lines below them, letter height in pixels, and the middle in the piece's mm. */
export interface SetTitle {
  readonly lines: readonly string[];
  readonly below: readonly string[];
  readonly size: number;
  readonly middle: Point;
  /** Written upward along a strip that is too narrow for it. */
  readonly upward: boolean;
}

/** Height of a smaller line, and width of its letters, in pixels. */
const SMALL_HEIGHT = 19;
const SMALL_LETTER = 7.2;

/**
 * Sets a piece's name and what to cut in the largest letters that fit: in one line, then a line a word, then smaller,
 * then the name alone, then along the piece, and below it where it does not fit on it at all. `k` is pixels a mm, `grain` the arrow it keeps off.
 */
export function fitTitle(piece: PieceResult, grain: Segment | undefined, k: number): SetTitle {
  return fitting(piece, grain, k) ?? under(piece, k);
}

/** The mark of a fold and the word grain stand side by side, in pixels. */
const OFF_FOLD = 46;
/** How far inside a fold its word stands, in pixels. */
const FOLD_WORD = 14;
/** A grain arrow shorter than this on the glass tells nothing, in pixels. */
const SHORTEST_GRAIN = 30;

/** The name and the grain arrow of a piece. Seen small, a piece has room for its name alone: the arrow comes when it is drawn larger. */
export function fitWords(piece: PieceResult, k: number): { readonly title: SetTitle; readonly grain: Segment | undefined } {
  const arrow = grainArrow(piece, OFF_FOLD / k);
  const grain = arrow && distance(...arrow) * k >= SHORTEST_GRAIN ? arrow : undefined;
  const title = fitting(piece, grain, k);
  return title ? { title, grain } : { title: fitTitle(piece, undefined, k), grain: undefined };
}

type Wish = Omit<SetTitle, "middle" | "upward">;

const alone = (piece: PieceResult): Wish => ({ lines: piece.title.split(" "), below: [], size: 15 });

/** How far below a piece its name stands, in pixels. */
const BELOW = 6;

function under(piece: PieceResult, k: number): SetTitle {
  const box = boundsOf(piece.cutting) ?? { minX: 0, maxX: 0, maxY: 0 };
  const wish = alone(piece);
  return { ...wish, middle: { x: (box.minX + box.maxX) / 2, y: box.maxY + (heightOf(wish) / 2 + BELOW) / k }, upward: false };
}

function fitting(piece: PieceResult, grain: Segment | undefined, k: number): SetTitle | undefined {
  const cut = cutText(piece);
  const roomFor = titleRoom(piece, grain, marksOn(piece, grain, k));
  const words = piece.title.split(" ");
  const inTwo = cut.split(/, | (?=on)/);
  const wishes = [
    { lines: [piece.title], below: [cut], size: 24 },
    { lines: words, below: [cut], size: 24 },
    { lines: words, below: inTwo, size: 19 },
    { lines: words, below: inTwo, size: 15 },
    { lines: [piece.title], below: [], size: 15 },
    alone(piece),
  ];
  for (const wish of wishes) {
    const middle = roomFor(widthOf(wish) / k, heightOf(wish) / k);
    if (middle) return { ...wish, middle, upward: false };
  }
  const inOneLine: Wish = { lines: [piece.title], below: [], size: 15 };
  const middle = roomFor(heightOf(inOneLine) / k, widthOf(inOneLine) / k);
  return middle && { ...inOneLine, middle, upward: true };
}

/** The words that stand on a piece already (mm): the names of its levels, over their middles, and those of its folds and its grain, beside them. */
function marksOn(piece: PieceResult, grain: Segment | undefined, k: number): Box[] {
  const box = (x: number, y: number, w: number, h: number): Box => ({ x: x - w / 2 / k, y: y - h / 2 / k, w: w / k, h: h / k });
  const levels = piece.levels.map((l) =>
    box((l.a.x + l.b.x) / 2, (l.a.y + l.b.y) / 2 - 10 / k, l.label.length * SMALL_LETTER, SMALL_HEIGHT),
  );
  const folds = piece.edges.flatMap((e) => {
    const [a, b] = [e.places[0], e.places[e.places.length - 1]];
    const length = a && b ? distance(a, b) : 0;
    if (!a || !b || e.finish !== "fold" || length === 0) return [];
    const off = FOLD_WORD / k / length;
    return [box((a.x + b.x) / 2 - (b.y - a.y) * off, (a.y + b.y) / 2 + (b.x - a.x) * off, 30, 44)];
  });
  return grain ? [...levels, ...folds, box((grain[0].x + grain[1].x) / 2, (grain[0].y + grain[1].y) / 2, 40, 40)] : [...levels, ...folds];
}

/** Heights of the name's lines and of the smaller lines on the glass, in pixels, `y` being the middle's. */
export function linesAt(title: Wish, y: number): { name: number[]; small: number[] } {
  const first = y - heightOf(title) / 2 + title.size * 0.85;
  const name = title.lines.map((_, i) => first + i * title.size * 1.1);
  const last = name[name.length - 1] ?? first;
  return { name, small: title.below.map((_, i) => last + (i + 1) * SMALL_HEIGHT) };
}

const widthOf = ({ lines, below, size }: Wish): number =>
  Math.max(...lines.map((l) => l.length * size * 0.56), ...below.map((l) => l.length * SMALL_LETTER));

const heightOf = (title: Wish): number => title.lines.length * title.size * 1.1 + title.below.length * SMALL_HEIGHT;
