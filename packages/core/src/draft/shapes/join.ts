import { FormulaError } from "../../formula/error.js";
import { chain } from "../../geometry/chain.js";
import { reversePath } from "../../geometry/path.js";
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
    return (f: Parameters<typeof read>[0]) => ({ path: item.reversed ? reversePath(read(f)) : read(f) });
  });
  if (links.length < 2) throw new FormulaError("A joined line has two parts at least.", "Write it like #5 > hip_curve > #8.", [0, 0]);
  return (f) => chain(links.map((link) => link(f))) ?? { parts: [] };
};
