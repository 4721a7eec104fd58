import { mmText } from "@lodrin/core";
import { strokeData } from "../drawing/stroke-data.js";
import { type Drawing, type Layer, LAYER_STYLE, type Mark } from "../drawing/mark.js";

const escape = (text: string): string => text.replace(/&/g, "&amp;").replace(/</g, "&lt;").replace(/>/g, "&gt;").replace(/"/g, "&quot;");

/** A drawing as SVG in millimetres, one named group a layer. */
export function writeSvg(drawing: Drawing): string {
  const { minX, minY, maxX, maxY } = drawing.bounds;
  const width = mmText(maxX - minX);
  const height = mmText(maxY - minY);
  const layers = [...new Set(drawing.marks.map((m) => m.layer))];
  const groups = layers.map((layer) => group(layer, drawing.marks));
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="${mmText(minX)} ${mmText(minY)} ${width} ${height}">`,
    `<title>${escape(drawing.title)}</title>`,
    ...groups,
    "</svg>",
    "",
  ].join("\n");
}

function group(layer: Layer, marks: readonly Mark[]): string {
  const { width, grey, dash } = LAYER_STYLE[layer];
  const ink = `rgb(${Array(3)
    .fill(Math.round(grey * 255))
    .join(",")})`;
  const dashes = dash.length > 0 ? ` stroke-dasharray="${dash.join(" ")}"` : "";
  const inside = marks.filter((m) => m.layer === layer).map((m) => `  ${one(m)}`);
  return [`<g id="${layer}" fill="none" stroke="${ink}" stroke-width="${width}" stroke-linejoin="round"${dashes}>`, ...inside, "</g>"].join(
    "\n",
  );
}

function one(mark: Mark): string {
  if (mark.kind === "stroke") {
    return `<path d="${strokeData(mark)}"${mark.dashed ? ' stroke-dasharray="4 3"' : ""}/>`;
  }
  const turn =
    mark.turn === 0 ? "" : ` transform="rotate(${mmText((mark.turn * 180) / Math.PI)} ${mmText(mark.at.x)} ${mmText(mark.at.y)})"`;
  return `<text x="${mmText(mark.at.x)}" y="${mmText(mark.at.y)}" font-family="sans-serif" font-size="${mark.size}" text-anchor="${mark.anchor}" fill="currentColor" stroke="none"${turn}>${escape(mark.text)}</text>`;
}
