import { on, p, saying, wordsRow } from "../grammar/rules.js";
import { LINE, SPOT } from "../grammar/main-rules.js";
import type { Line, Spot } from "../meaning.js";
import { NOT_SO, refuse } from "../sheet/unclear.js";
import { act, type Act } from "../clause.js";
import { keyFrom, pathOf } from "./said.js";

const DOWN = saying<true>("write it down").said(
  on(
    p`,? (and)? (write|note|keep|jot|put|record|remember) (it|that|that number|this number|number|figure|that figure|result|length|this)? (down)?`,
    () => true,
  ),
);
const TOGETHER = saying<true>("both together").said(
  on(p`,? (back and front|front and back|both) (together|added|added together)? ,?`, () => true),
);
const MEASURE_IT = saying<Act>("measure and write down").said(
  on(p`(measure|take|add up) (whole)? ${LINE} ${DOWN}`, ([line]) => written([line])),
  on(
    p`(note|write down|record|keep|note down|jot down) (length|measure|measurement) of (whole)? ${LINE}`,
    ([line]) => written([line]),
    -0.3,
  ),
  on(p`(measure|take|add up) (whole)? ${LINE} (again|once)? ${TOGETHER} ${DOWN}`, ([line], g) => {
    if (!line) return undefined;
    const role = line.role ?? line.text;
    const both = g.pieces.flatMap((piece) => g.lines.find((l) => l.path === `${piece.key}.${role}`) ?? []);
    return written(
      both.map((l): Line => ({
        text: l.text,
        board: l.board,
        straight: l.straight,
        role,
        ...(l.path === undefined ? {} : { path: l.path }),
        ...(l.piece === undefined ? {} : { piece: l.piece }),
      })),
    );
  }),
  on(p`(measure|add up) ${LINE} and ${LINE} (together)? ${DOWN}`, ([a, b]) => written([a, b])),
);
const FIGURE_NAME = wordsRow<string>("name of a figure", 3, (words) =>
  /^[a-z]+(?: [a-z]+){0,2}$/.test(words) && !/\b(?:it|down|as|the|that|this|length|number|figure|result|measurement|measure)\b/.test(words)
    ? words
    : undefined,
);
const NOTED_AS = saying<string>("what a figure is called").said(
  on(p`,? (and)? (write|note|keep|jot|put|record|remember|call|name) (it|that|this)? (down)? (as|under)? ${FIGURE_NAME}`, ([name]) => name),
);
const MEASURE_AS = saying<Act>("measure under a name").said(
  on(p`(measure|take) (measurement|length)? (from ${SPOT} to ${SPOT})? (along|round|around)? ${LINE} ${NOTED_AS}`, ([a, b, line, name]) =>
    line && (!a || sameEnds(line, [a, b])) && name !== undefined ? written([line], name) : undefined,
  ),
  on(
    p`(measure|take) (distance|way|length)? from ${SPOT} to ${SPOT} ${NOTED_AS}`,
    ([a, b, name]) =>
      a && b && name !== undefined
        ? act(`distance ${name}`, (bag, sheet) => {
            if (!bag.holds({ act: 1 })) throw NOT_SO;
            const [at, [from = "", to = ""]] = sheet.spots([a, b]);
            const key = at.key(name);
            return at.put("step", `value ${key} = dist(${from}, ${to})`).keep(key);
          })
        : undefined,
    0.2,
  ),
);
const sameEnds = ({ ends }: Line, spots: readonly (Spot | undefined)[]): boolean =>
  ends !== undefined && spots.every((spot) => spot !== undefined && "id" in spot && ends.includes(spot.id));

function written(lines: readonly (Line | undefined)[], name?: string): Act | undefined {
  const known = lines.flatMap((line) => line ?? []);
  if (known.length === 0 || known.length < lines.length) return undefined;
  return act(`value ${known.map((l) => l.text).join()}`, (bag, sheet) => {
    if (!bag.holds({ act: 1 })) throw NOT_SO;
    for (const line of known) if (line.unknown !== undefined) throw refuse(`There is no ${line.unknown} here.`);
    const key = sheet.key(name ?? `${keyFrom(known[0] as Line)}_length`);
    const lengths = known.map((line) => `len(${pathOf(line)})`).join(" + ");
    // The figure can be worked out where the last of its lines is drawn.
    const boards = sheet.ground.boards.map((b) => b.key);
    const last = [...known].sort((a, b) => boards.indexOf(b.board) - boards.indexOf(a.board))[0];
    return sheet
      .on(last?.board ?? sheet.board)
      .put("step", `value ${key} = ${lengths}`)
      .keep(key);
  });
}

export const MEASURES = [MEASURE_IT, MEASURE_AS];
