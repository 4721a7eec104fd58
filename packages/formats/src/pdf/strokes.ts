import { mmText } from "@lodrin/core";
import { LAYER_STYLE, type Drawing, type Stroke } from "../drawing/mark.js";

/** Content-stream operators, in mm, for every stroke of a drawing: one text for one Form XObject, shared by all sheets. */
export function strokeOperators(drawing: Drawing): string {
  const lines: string[] = ["1 J 1 j"];
  let layer = "";
  for (const mark of drawing.marks) {
    if (mark.kind !== "stroke") continue;
    const style = `${mark.layer}${mark.dashed ? " dashed" : ""}`;
    if (style !== layer) lines.push(...styleOperators(mark));
    layer = style;
    lines.push(pathOperators(mark));
  }
  return lines.join("\n");
}

function styleOperators(mark: Stroke): string[] {
  const { width, grey, dash } = LAYER_STYLE[mark.layer];
  const pattern = mark.dashed ? [4, 3] : dash;
  return [`${mmText(width)} w`, `${mmText(grey)} G`, `[${pattern.join(" ")}] 0 d`];
}

/** Exact cubics where the stroke carries them, corner points otherwise. */
function pathOperators(mark: Stroke): string {
  if (mark.data !== undefined) return `${fromSvg(mark.data)} S`;
  const points = mark.places.map((p, i) => `${mmText(p.x, 4)} ${mmText(p.y, 4)} ${i === 0 ? "m" : "l"}`);
  return `${points.join(" ")} ${mark.closed ? "s" : "S"}`;
}

/** The core's path data (absolute M, L, C) as PDF operators. */
function fromSvg(data: string): string {
  return data.replace(/([MLC])([^MLC]*)/g, (_, letter: string, numbers: string) => `${numbers.trim()} ${letter.toLowerCase()} `).trim();
}
