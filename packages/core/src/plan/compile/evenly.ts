import type { Evenly, PointStep } from "../../system/model.js";
import { pointsBetween } from "../../system/notation/point-range.js";

/** A run of points at equal distances, written out as points: the first says what its author says of all. */
export function evenPoints(s: Evenly): PointStep[] {
  const ids = pointsBetween(s.first, s.last) ?? [];
  const { text, why, watch, caution, when } = s;
  const said = { ...(why && { why }), ...(watch && { watch }), ...(caution && { caution }) };
  return ids.map((id, k) => ({
    is: "point",
    id,
    verb: "part",
    form: 0,
    args: { share: `${k}/${ids.length - 1}`, from: s.from, to: s.to },
    ...(k === 0 ? { ...(text !== undefined && { text }), ...said } : { text: `${id}, as far from the one before.` }),
    ...(when !== undefined && { when }),
  }));
}
