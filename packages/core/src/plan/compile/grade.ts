import type { HomeUnit } from "../../quantity/units.js";
import type { Grade, PointStep } from "../../system/model.js";

/** The points of one round of grading, with the heading they stand under in the handout. */
export interface GradeRound {
  readonly part: string;
  readonly points: readonly PointStep[];
}

/**
 * A grading written out as shifted points: for each step the points `P` + `g` + number, drawn when so many steps are
 * asked for, and last `Pgn`, where the last step leaves the point (the point itself when there is none).
 */
export function gradeRounds(grade: Grade, unit: HomeUnit): GradeRound[] {
  const rounds: GradeRound[] = [];
  for (let n = 1; n <= grade.most; n++)
    rounds.push({ part: `Size step ${n}`, points: shifted(grade, unit, `g${n}`, `${n}`, `${grade.by} >= ${n}`) });
  rounds.push({ part: "The graded block", points: shifted(grade, unit, "gn", `min(${grade.by}, ${grade.most})`, undefined) });
  return rounds;
}

const FIGURE = /^[\d\s./,¼½¾⅛⅜⅝⅞]+$/;

function shifted(grade: Grade, unit: HomeUnit, ending: string, times: string, when: string | undefined): PointStep[] {
  return grade.shifts.flatMap(({ points, moves }) => {
    const along = (plus: string, minus: string): string => {
      const move = moves.find((m) => m.way === plus || m.way === minus);
      if (!move) return "0";
      // A bare figure is a length here, whatever it is multiplied by.
      const sum = `${times} * (${FIGURE.test(move.by) ? `${move.by}${unit}` : move.by})`;
      return move.way === plus ? sum : `-(${sum})`;
    };
    return points.map((id): PointStep => {
      const base: PointStep = {
        is: "point",
        id: `${id}${ending}`,
        verb: "move",
        form: 0,
        args: { point: id, out: along("out", "in"), down: along("down", "up") },
        text: ending === "gn" ? `${id} where the last step leaves it.` : `${id} moved on.`,
      };
      return when === undefined ? base : { ...base, when };
    });
  });
}
