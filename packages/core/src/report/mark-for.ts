import { defaultMark, type TapeMark } from "../quantity/tape.js";
import type { HomeUnit } from "../quantity/units.js";
import type { System } from "../system/model.js";

/** The tape a system is read on in a unit: its own in its own, else the usual one. */
export const markFor = ({ unit: own, tape }: Pick<System, "unit" | "tape">, unit: HomeUnit): TapeMark =>
  unit === own ? tape : defaultMark(unit);
