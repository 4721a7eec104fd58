import type { MeasurementSet } from "@lodrin/contract";
import { readSet } from "../../measures/doubts.js";

/** How one measurement went from date to date: its difference from the first date it was taken on, in mm. */
export interface Course {
  readonly key: string;
  readonly days: readonly string[];
  readonly mm: readonly number[];
}

/** How long a garment is to be: that changes with what is made, not with the body. */
const WANTED = new Set(["full_length", "garment_length", "sleeve_length", "sleeve_opening"]);

/** Less than this is the tape's own play (mm). */
const PLAY_MM = 3;

/** The measurements that changed most between a person's sets, most first; those within the tape's play, and lengths of garments, are left out. */
export function changesOf(sets: readonly Pick<MeasurementSet, "takenOn" | "written" | "unit">[], most: number): Course[] {
  const dated = [...sets].sort((a, b) => a.takenOn.localeCompare(b.takenOn));
  const read = dated.map(({ written, unit }) => readSet(written, unit));
  const keys = [...new Set(read.flatMap((set) => Object.keys(set)))];
  const courses = keys.map((key): Course => {
    const there = dated.flatMap(({ takenOn }, i) => (read[i]?.[key] === undefined ? [] : [{ takenOn, mm: read[i][key] }]));
    const first = there[0]?.mm ?? 0;
    return { key, days: there.map(({ takenOn }) => takenOn), mm: there.map(({ mm }) => mm - first) };
  });
  const span = ({ mm }: Course): number => Math.max(...mm) - Math.min(...mm);
  return courses
    .filter((course) => !WANTED.has(course.key) && course.mm.length > 1 && span(course) >= PLAY_MM)
    .sort((a, b) => span(b) - span(a))
    .slice(0, most);
}
