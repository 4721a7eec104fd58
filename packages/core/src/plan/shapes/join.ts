import { FormulaError } from "../../formula/error.js";
import { chain } from "../../geometry/chain.js";
import { pathBetween } from "../../geometry/path-between.js";
import { reversePath } from "../../geometry/path.js";
import { DraftError } from "../../verb/draft-error.js";
import { pathReader, pointReader } from "../lines.js";
import type { Shape } from "./shape.js";

/** Points and drawn paths laid end to end as one line. */
export const join: Shape = (step, scope, uses) => {
  const links = (step.along ?? []).map((item) => {
    if ("point" in item) {
      uses.points.add(item.point);
      const read = pointReader(item.point, scope, [0, 0]);
      return (f: Parameters<typeof read>[0]) => ({ point: read(f) });
    }
    uses.names.add(item.path);
    const read = pathReader(item.path, scope, [0, 0]);
    if (item.from !== undefined && item.to !== undefined) {
      uses.points.add(item.from).add(item.to);
      const from = pointReader(item.from, scope, [0, 0]);
      const to = pointReader(item.to, scope, [0, 0]);
      return (f: Parameters<typeof read>[0]) => ({ path: pathBetween(read(f), from(f), to(f)) ?? offTheLine(item.path) });
    }
    return (f: Parameters<typeof read>[0]) => ({ path: item.reversed ? reversePath(read(f)) : read(f) });
  });
  const cutOut = step.along?.some((item) => "path" in item && item.from !== undefined) ?? false;
  if (links.length < 2 && !cutOut)
    throw new FormulaError("A joined line has two parts at least.", "Write it like #5 > hip_curve > #8.", [0, 0]);
  return (f) => chain(links.map((link) => link(f))) ?? { parts: [] };
};

function offTheLine(name: string): never {
  throw new DraftError(
    `One of the two points does not lie on ${name}.`,
    "Place the point on the line first, with along, on, cross or square.",
  );
}
