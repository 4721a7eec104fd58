import { selfCrossing } from "../../geometry/ring.js";
import type { BuiltinCheck } from "./builtin.js";

const OPEN_MM = 0.1;

/** Each outline is closed and does not cross itself. */
export const outline: BuiltinCheck = ({ pieces }) =>
  pieces.flatMap((piece) => {
    const crossing = selfCrossing(piece.net);
    const common = { kind: "length", expected: 0, board: piece.board, edges: [] } as const;
    return [
      {
        ...common,
        name: `${piece.title}: outline closed`,
        status: piece.gap.mm <= OPEN_MM ? "pass" : "fail",
        got: piece.gap.mm,
        tolerance: OPEN_MM,
        at: piece.gap.mm <= OPEN_MM ? undefined : piece.gap.at,
        cause: "Two edges that follow each other do not meet: one of their points was measured from the wrong line.",
      },
      {
        ...common,
        name: `${piece.title}: outline does not cross itself`,
        kind: "number",
        status: crossing ? "fail" : "pass",
        got: crossing ? 1 : 0,
        tolerance: 0,
        at: crossing,
        cause: "A width or depth is larger than the room it has: check the measurement that places this corner.",
      },
    ];
  });
