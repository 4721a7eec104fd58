import type { DartText, PathStep, PointStep } from "../../system/model.js";
import { pointText } from "../../verb/form.js";

/** The points a dart's legs end in: those named, or `P` + `a` and `P` + `b` when it is laid out about the middle of its mouth. */
export function dartLegs(dart: DartText): readonly [string, string] | undefined {
  if (dart.legs?.[0] !== undefined && dart.legs[1] !== undefined) return [dart.legs[0], dart.legs[1]];
  return dart.at === undefined ? undefined : [`${dart.at}a`, `${dart.at}b`];
}

/** The legs of a dart on the seam itself: half the intake each way along it. Its point is then to be put where they are equal. */
function alongSteps(step: PathStep, at: string, intake: string, line: string): PointStep[] {
  const leg = (ending: string, form: number): PointStep => ({
    is: "point",
    id: `${at}${ending}`,
    verb: "along",
    form,
    args: { line, from: at, distance: `(${intake})/2` },
    text: "Half the dart along the seam: one leg.",
    ...(step.when === undefined ? {} : { when: step.when }),
  });
  return [leg("a", 2), leg("b", 0)];
}

/** The steps that lay out the legs of a dart about the middle of its mouth: half the intake each way, square off its fold, so that the legs are equal. */
export function legSteps(step: PathStep): PointStep[] {
  const { dart } = step;
  const [tip] = dart?.to ?? [];
  if (!dart || dart.at === undefined || dart.intake === undefined || tip === undefined) return [];
  if (dart.legsAlong !== undefined) return alongSteps(step, dart.at, dart.intake, dart.legsAlong);
  const line = `${pointText(dart.at)}-${pointText(tip)}`;
  const leg = (ending: string, form: number): PointStep => ({
    is: "point",
    id: `${dart.at ?? ""}${ending}`,
    verb: "off",
    form,
    args: { line, at: dart.at ?? "", distance: `(${dart.intake ?? "0"})/2` },
    text: `Half the dart, square off its fold: one leg.`,
    ...(step.when === undefined ? {} : { when: step.when }),
  });
  return [leg("a", 1), leg("b", 0)];
}
