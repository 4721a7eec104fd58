import { mmText, type Point, startOf } from "@lodrin/core";
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

/** The cubics of a stroke; straight stretches as lines. */
function pathOperators({ path, closed }: Stroke): string {
  const first = startOf(path);
  const place = (p: Point): string => `${mmText(p.x, 4)} ${mmText(p.y, 4)}`;
  const parts = path.segments.map((c) => (c.straight ? `${place(c.p3)} l` : `${place(c.p1)} ${place(c.p2)} ${place(c.p3)} c`));
  return `${place(first)} m ${parts.join(" ")} ${closed ? "s" : "S"}`;
}
