import type { PathStep } from "../../system/model.js";
import { arc } from "./arc.js";
import { blend } from "./blend.js";
import { curve } from "./curve.js";
import { dart } from "./dart.js";
import { join } from "./join.js";
import { line } from "./line.js";
import type { PathMaker } from "./path-maker.js";
import { trace } from "./trace.js";

/** Every way of drawing a line, by its word. A level line is a straight line with a name. */
export const PATH_MAKERS: Readonly<Record<PathStep["type"], PathMaker>> = { line, level: line, curve, trace, join, dart, arc, blend };
