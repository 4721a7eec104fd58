import type { DartText, PathStep, PointStep } from "../../system/model.js";
import { pointText } from "../../verb/form.js";

/** The points a dart's legs end in: those named, or `P` + `a` and `P` + `b` when it is laid out about the middle of its mouth. */
export function dartLegs(dart: DartText): readonly [string, string] | undefined {
  if (dart.legs?.[0] !== undefined && dart.legs[1] !== undefined) return [dart.legs[0], dart.legs[1]];
  return dart.at === undefined ? undefined : [`${dart.at}a`, `${dart.at}b`];
}

/** The steps that lay out the legs of a dart about the middle of its mouth: half the intake each way, square off its fold, so that the legs are equal; or along a line. */
export function legSteps(step: PathStep): PointStep[] {
  const { dart, when } = step;
  const [tip] = dart?.to ?? [];
  if (!dart || dart.at === undefined || dart.intake === undefined || tip === undefined) return [];
  const { at, legsAlong } = dart;
  const distance = `(${dart.intake})/2`;
  const leg = (ending: string, rule: Pick<PointStep, "verb" | "form" | "args" | "text">): PointStep => ({
    is: "point",
    id: `${at}${ending}`,
    ...rule,
    ...(when === undefined ? {} : { when }),
  });
  if (legsAlong !== undefined) {
    const along = { verb: "along", args: { line: legsAlong, from: at, distance }, text: "Half the dart along the seam: one leg." };
    return [leg("a", { ...along, form: 2 }), leg("b", { ...along, form: 0 })];
  }
  const off = {
    verb: "off",
    args: { line: `${pointText(at)}-${pointText(tip)}`, at, distance },
    text: `Half the dart, square off its fold: one leg.`,
  };
  return [leg("a", { ...off, form: 1 }), leg("b", { ...off, form: 0 })];
}
