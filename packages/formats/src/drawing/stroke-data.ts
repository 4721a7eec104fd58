import { svgData } from "@lodrin/core";
import type { Stroke } from "./mark.js";

/** A stroke as SVG path data in mm. */
export const strokeData = ({ path, closed }: Stroke): string => `${svgData(path)}${closed ? "Z" : ""}`;
