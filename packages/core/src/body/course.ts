import { GIRTH_LEVELS } from "./figure.js";

/** A place of the body that is found with a finger, where it lies on the figure (its own units) and from which side it is seen. */
interface Landmark {
  readonly name: string;
  readonly x: number;
  readonly y: number;
  readonly view: "front" | "back" | "both";
}

const at = (name: string, x: number, y: number, view: Landmark["view"] = "both"): Landmark => ({ name, x, y, view });

/** Landmarks a tape runs between, by how the notation calls them. */
export const LANDMARKS: Readonly<Record<string, Landmark>> = {
  crown: at("crown", 100, 12),
  nape: at("nape", 100, 68, "back"),
  throat: at("pit of the throat", 100, 76, "front"),
  neck_side: at("side of the neck", 90, 70),
  shoulder_tip: at("tip of the shoulder", 62, 84),
  underarm: at("underarm", 66, 120),
  bust_point: at("bust point", 84, 134, "front"),
  elbow: at("elbow", 48, 160),
  wrist: at("wrist", 41, 218),
  waist_front: at("waist, front", 100, 181, "front"),
  waist_back: at("waist, back", 100, 179, "back"),
  waist_side: at("waist, side", 72, 176),
  hip_front: at("hip, front", 100, 229, "front"),
  hip_back: at("hip, back", 100, 228, "back"),
  hip_side: at("hip, side", 62, 222),
  crotch: at("crotch", 100, 246),
  knee: at("knee", 80, 332),
  ankle: at("ankle", 78, 424),
  floor: at("floor", 80, 446),
};

/** The line of a level by its name, whatever was written. */
const levelCalled = (name: string): string | undefined =>
  Object.hasOwn(GIRTH_LEVELS, name) ? GIRTH_LEVELS[name as keyof typeof GIRTH_LEVELS] : undefined;

/** Where the tape of a measurement runs: round the body at a level, or from a landmark to another. */
export type Course = { readonly round: string } | { readonly from: string; readonly to: string };

/** A course on the figure: as SVG path data in its own units, from which side it is seen, and in words. Undefined where a place is not known. */
export function courseOnFigure(
  course: Course,
): { readonly line: string; readonly view: "front" | "back"; readonly says: string } | undefined {
  if ("round" in course) {
    const line = levelCalled(course.round);
    return line === undefined ? undefined : { line, view: "front", says: `Round the ${course.round.replace(/_/g, " ")}, level.` };
  }
  const [a, b] = [course.from, course.to].map((key) => (Object.hasOwn(LANDMARKS, key) ? LANDMARKS[key] : undefined));
  if (!a || !b || a === b) return undefined;
  const view = a.view === "back" || b.view === "back" ? "back" : "front";
  return { line: `M${a.x} ${a.y}L${b.x} ${b.y}`, view, says: `From the ${a.name} to the ${b.name}.` };
}

/** What is wrong with a course, and what to do; undefined where it can be shown. */
export function refuseCourse(course: Course): { readonly why: string; readonly fix: string } | undefined {
  if (courseOnFigure(course)) return undefined;
  if ("round" in course)
    return { why: `The figure has no level called ${course.round}.`, fix: `There are: ${Object.keys(GIRTH_LEVELS).join(", ")}.` };
  const unknown = [course.from, course.to].find((key) => !Object.hasOwn(LANDMARKS, key));
  return unknown === undefined
    ? { why: "A tape runs from one place to another.", fix: "Name two different places." }
    : { why: `The figure has no place called ${unknown}.`, fix: `There are: ${Object.keys(LANDMARKS).join(", ")}.` };
}
