import type { Point } from "@lodrin/core";
import type { DxfLayer } from "./layers.js";

/** One group of a DXF file: its code and its value, each on a line. */
export type Group = readonly [code: number, value: string | number];

const figure = (mm: number): string => String(Math.round(mm * 1e4) / 1e4 + 0);

/** Our paper runs down, a DXF drawing up. */
const place = ({ x, y }: Point): Group[] => [
  [10, figure(x)],
  [20, figure(-y)],
  [30, "0"],
];

/** Letters beyond ASCII as R12 spells them: `\U+00BD`. */
export const dxfText = (text: string): string =>
  [...text].map((c) => (c >= " " && c <= "~" ? c : `\\U+${(c.codePointAt(0) ?? 63).toString(16).toUpperCase().padStart(4, "0")}`)).join("");

export const polyline = (layer: DxfLayer, places: readonly Point[], closed: boolean): Group[] => [
  [0, "POLYLINE"],
  [8, layer],
  [66, 1],
  ...place({ x: 0, y: 0 }),
  [70, closed ? 1 : 0],
  ...places.flatMap((p): Group[] => [[0, "VERTEX"], [8, layer], ...place(p)]),
  [0, "SEQEND"],
  [8, layer],
];

export const line = (layer: DxfLayer, a: Point, b: Point): Group[] => [
  [0, "LINE"],
  [8, layer],
  ...place(a),
  [11, figure(b.x)],
  [21, figure(-b.y)],
  [31, "0"],
];

export const point = (layer: DxfLayer, at: Point): Group[] => [[0, "POINT"], [8, layer], ...place(at)];

/** Words of letters `size` mm high, from their lower left corner. */
export const words = (layer: DxfLayer, at: Point, text: string, size = 6): Group[] => [
  [0, "TEXT"],
  [8, layer],
  ...place(at),
  [40, figure(size)],
  [1, dxfText(text)],
];

export const insert = (block: string, at: Point): Group[] => [[0, "INSERT"], [8, "1"], [2, block], ...place(at)];

export const block = (name: string, inside: readonly Group[]): Group[] => [
  [0, "BLOCK"],
  [8, "0"],
  [2, name],
  [70, 0],
  ...place({ x: 0, y: 0 }),
  [3, name],
  ...inside,
  [0, "ENDBLK"],
  [8, "0"],
];

export const section = (name: string, inside: readonly Group[]): Group[] => [[0, "SECTION"], [2, name], ...inside, [0, "ENDSEC"]];
