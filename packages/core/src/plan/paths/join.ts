import { FormulaError } from "../../formula/error.js";
import type { Environment } from "../../formula/scope.js";
import { chain } from "../../geometry/path/chain.js";
import { pathBetween } from "../../geometry/path/path-between.js";
import { reversePath } from "../../geometry/path/path.js";
import { DraftError } from "../../verb/draft-error.js";
import type { PathMaker } from "./path-maker.js";

/** Points and drawn paths laid end to end as one line. */
export const join: PathMaker = (step, read) => {
  const links = (step.along ?? []).map((item, i) => {
    const field = `along.${i}`;
    if ("point" in item) {
      const point = read.point(item.point, `${field}.point`);
      return (f: Environment) => ({ point: point(f) });
    }
    const path = read.path(item.path, `${field}.path`);
    if (item.from !== undefined && item.to !== undefined) {
      const from = read.point(item.from, `${field}.from`);
      const to = read.point(item.to, `${field}.to`);
      return (f: Environment) => ({ path: pathBetween(path(f), from(f), to(f)) ?? offTheLine(item.path) });
    }
    return (f: Environment) => ({ path: item.reversed ? reversePath(path(f)) : path(f) });
  });
  const cutOut = step.along?.some((item) => "path" in item && item.from !== undefined) ?? false;
  if (links.length < 2 && !cutOut)
    throw new FormulaError("A joined line has two parts at least.", "Write it like #5 > hip_curve > #8.", [0, 0]);
  return (f) => chain(links.map((link) => link(f))) ?? { segments: [] };
};

function offTheLine(name: string): never {
  throw new DraftError(
    `One of the two points does not lie on ${name}.`,
    "Place the point on the line first, with along, on, cross or square.",
  );
}
