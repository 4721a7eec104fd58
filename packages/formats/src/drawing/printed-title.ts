import { boundsOf, cutText, type PieceResult, type Point, roleText, type Segment, titleRoom } from "@lodrin/core";
import type { Sink } from "./mark.js";

interface Line {
  readonly text: string;
  readonly share: number;
}

/** Letter heights tried for the name, mm: largest first. The other lines are smaller by their share. */
const SIZES = [9, 7, 5.5, 4.2, 3.2] as const;
/** Letters are about so wide for their height, and lines so far apart. */
const LETTER = 0.58;
const LEADING = 1.3;

/**
 * The name of a piece, how many to cut and whether allowances are in, in the largest letters that lie on the piece without
 * running over a line; along a strip that is too narrow, in a line a word, and below the piece where nothing fits.
 */
export function printedTitle(piece: PieceResult, grain: Segment | undefined, sink: Sink): void {
  const upright = titleRoom(piece, grain);
  for (const size of SIZES) {
    for (const lines of wishes(piece)) {
      const [width, height] = [widthOf(lines, size), heightOf(lines, size)];
      const flat = upright(width, height);
      if (flat) return write(lines, size, flat, 0, sink);
      const along = upright(height, width);
      if (along) return write(lines, size, along, -Math.PI / 2, sink);
    }
  }
  const box = boundsOf(piece.cutting) ?? { minX: 0, minY: 0, maxX: 0, maxY: 0 };
  const lines = fullTitle(piece);
  write(lines, 4.2, { x: (box.minX + box.maxX) / 2, y: box.maxY + 4 + heightOf(lines, 4.2) / 2 }, 0, sink);
}

const fullTitle = (piece: PieceResult): Line[] => [
  { text: piece.title, share: 1 },
  { text: cutText(piece), share: 0.62 },
  { text: allowanceText(piece), share: 0.5 },
];

/** The title in one line a fact, then with its name a word a line, then in one line all told. */
function wishes(piece: PieceResult): Line[][] {
  const [, cut, allowance] = fullTitle(piece) as [Line, Line, Line];
  const words = piece.title.split(" ").map((text): Line => ({ text, share: 1 }));
  return [
    fullTitle(piece),
    ...(words.length > 1 ? [[...words, cut, allowance]] : []),
    [{ text: `${piece.title}, ${cut.text}, ${allowance.text}`, share: 1 }],
  ];
}

/** What is said of the allowances: in or not, and at which edges there is none. */
function allowanceText(piece: PieceResult): string {
  const seams = piece.edges.filter((e) => e.finish === "seam");
  const without = seams.filter((e) => e.allowance === 0);
  if (without.length === seams.length) return "net: no allowance included";
  if (without.length === 0) return "allowance included";
  return `allowance included, none at ${without.map(roleText).join(", ")}`;
}

const widthOf = (lines: readonly Line[], size: number): number => Math.max(...lines.map((l) => l.text.length * l.share)) * size * LETTER;
const heightOf = (lines: readonly Line[], size: number): number => lines.reduce((sum, l) => sum + l.share, 0) * size * LEADING;

function write(lines: readonly Line[], size: number, middle: Point, turn: number, sink: Sink): void {
  let down = -heightOf(lines, size) / 2;
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  for (const { text, share } of lines) {
    // The foot of the letters stands a little above the lower border of their line.
    down += share * size * LEADING;
    const foot = down - share * size * (LEADING - 1);
    sink.words({ at: { x: middle.x - sin * foot, y: middle.y + cos * foot }, text, size: size * share, anchor: "middle", turn });
  }
}
