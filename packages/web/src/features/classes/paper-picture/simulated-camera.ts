import { type CameraStand, cameraOver, type Homography, layBoards, type Plan, type Point, type Run, seenLine } from "@lodrin/core";
import { placesOnBoards } from "../leading/board-places.js";
import { jpegOf, type MarkedPicture } from "./picture-file.js";

/** How the simulated camera is held, and how grainy its picture is (0 to 1). */
export interface Shot extends Omit<CameraStand, "width" | "height"> {
  readonly grain: number;
}

const SIZE = { width: 1400, height: 1050 } as const;
const GRAIN_LEVELS = 60;

/**
 * A made-up photograph of a hand draft, for who has no camera and for trying it: the draft as it lies on the paper, seen
 * from askew, on a table, with grain.
 */
export function simulatePicture(
  plan: Plan,
  run: Run,
  { grain, ...stand }: Shot,
): Omit<MarkedPicture, "marks"> & { readonly camera: Homography } {
  const canvas = document.createElement("canvas");
  [canvas.width, canvas.height] = [SIZE.width, SIZE.height];
  const context = canvas.getContext("2d");
  const boards = [...layBoards(plan, run).values()].map((b) => b.bounds);
  const min = { x: Math.min(...boards.map((b) => b.minX)) - 60, y: Math.min(...boards.map((b) => b.minY)) - 60 };
  const max = { x: Math.max(...boards.map((b) => b.maxX)) + 60, y: Math.max(...boards.map((b) => b.maxY)) + 60 };
  const camera = cameraOver(min, max, { ...stand, ...SIZE });
  if (!context) return { ...jpegOf(canvas), camera };
  context.fillStyle = "#8d8a80";
  context.fillRect(0, 0, SIZE.width, SIZE.height);
  const trace = (line: readonly Point[], close = false): void => {
    context.beginPath();
    seenLine(camera, line).forEach(({ x, y }, i) => (i === 0 ? context.moveTo(x, y) : context.lineTo(x, y)));
    if (close) context.closePath();
  };
  trace([min, { x: max.x, y: min.y }, max, { x: min.x, y: max.y }], true);
  context.fillStyle = "#f3efe2";
  context.fill();
  context.strokeStyle = "#3d3d3a";
  const { lines, points } = placesOnBoards(plan, run);
  context.lineWidth = 1.6;
  for (const line of lines) {
    trace(line);
    context.stroke();
  }
  context.fillStyle = "#3d3d3a";
  context.font = "15px sans-serif";
  for (const { name, at } of points) {
    const [p] = seenLine(camera, [at]);
    if (!p) continue;
    context.fillRect(p.x - 2, p.y - 2, 4, 4);
    context.fillText(name.replace("#", ""), p.x + 5, p.y - 5);
  }
  if (grain > 0) {
    const image = context.getImageData(0, 0, SIZE.width, SIZE.height);
    for (let i = 0; i < image.data.length; i += 4) {
      const by = (Math.random() - 0.5) * GRAIN_LEVELS * grain;
      for (let c = 0; c < 3; c++) image.data[i + c] = (image.data[i + c] as number) + by;
    }
    context.putImageData(image, 0, 0);
  }
  return { ...jpegOf(canvas), camera };
}
