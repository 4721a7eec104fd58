import { FormulaError } from "../../formula/error.js";
import { dartPath } from "../../geometry/dart.js";
import { distance } from "../../geometry/point.js";
import { DraftError } from "../../verb/draft-error.js";
import { dartLegs } from "../compile/dart-legs.js";
import type { StepReader } from "../compile/step-reader.js";
import type { PathMaker } from "./path-maker.js";

type Reader = ReturnType<StepReader["point"]>;

/** A dart, from the ends of its legs to its point or its two points. */
export const dart: PathMaker = (step, read) => {
  const { legs, to } = step.dart ? { legs: dartLegs(step.dart), to: step.dart.to } : { legs: undefined, to: [] };
  const [first] = to;
  if (!legs || first === undefined)
    throw new FormulaError("A dart has two legs and a point.", "Write it like: legs F8, F9 to F10.", [0, 0]);
  const [a, b] = legs.map((id, i) => read.point(id, step.dart?.legs ? `dart.legs.${i}` : "dart.at")) as [Reader, Reader];
  const tip = read.point(first, "dart.to.0");
  const second = to[1] === undefined ? undefined : read.point(to[1], "dart.to.1");
  return (f) => {
    const dart = { a: a(f), b: b(f), tips: second ? ([tip(f), second(f)] as const) : ([tip(f)] as const) };
    if (dart.tips.some((p) => distance(p, dart.a) < 1e-6 || distance(p, dart.b) < 1e-6))
      throw new DraftError("The dart has no length.", "Its point falls on its mouth: check what places them.");
    return dartPath(dart);
  };
};
