import { type Form, form } from "../verb/form.js";

/** How a shaping of pieces is written: its word, its forms, and what it does in one line for the notation's pages. */
export interface ShapingForms {
  readonly word: string;
  readonly forms: readonly Form[];
  readonly description: string;
}

export const closeForms: ShapingForms = {
  word: "close",
  forms: [
    form("{share:number} of {dart:path} in {piece:piece} about {about:point}, open from {from:point}"),
    form("{dart:path} in {piece:piece} about {about:point}, open from {from:point}"),
    form("{dart:path} in {piece:piece} about {about:point}"),
  ],
  description:
    "A dart closed, the paper beside it turned about a point; it opens again from another place of the outline, or not at all when the point lies on the outline.",
};

export const spreadForms: ShapingForms = {
  word: "spread",
  forms: [
    form("{piece:piece} from {from:point} to {to:point} by {by:length} all along"),
    form("{piece:piece} from {from:point} to {to:point} by {by:length}, half to each side"),
    form("{piece:piece} from {from:point} to {to:point} by {by:length}"),
  ],
  description:
    "Slashed from one edge up to another and spread there, hinged where the slash stops, one side turned or half to each; or spread by the same all along.",
};

export const foldForms: ShapingForms = {
  word: "fold",
  forms: [
    form("{piece:piece} from {from:point} and {other:point} to {to:point}"),
    form("{piece:piece} from {from:point} to {to:point} by {by:length}"),
  ],
  description:
    "A wedge folded away: so wide along the edge at the first point, or between two points of it, running out to nothing at the last.",
};

export const splitForms: ShapingForms = {
  word: "split",
  forms: [
    form("{piece:piece} along {line:path} into {first:piece} and {second:piece}, allow {allow:length}"),
    form("{piece:piece} along {line:path} into {first:piece} and {second:piece}"),
    form("{piece:piece} along {lines:paths} into {first:piece} and {second:piece}, allow {allow:length}"),
    form("{piece:piece} along {lines:paths} into {first:piece} and {second:piece}"),
    form("{piece:piece} from {from:point} to {to:point} into {first:piece} and {second:piece}, allow {allow:length}"),
    form("{piece:piece} from {from:point} to {to:point} into {first:piece} and {second:piece}"),
  ],
  description:
    "Cut along a line into two pieces, or along darts and lines named one after the other, each part with its own leg: the first name goes to the upper part, or to the one nearer the centre.",
};

export const smoothForms: ShapingForms = {
  word: "smooth",
  forms: [form("{piece:piece} at {places:names}, {before:length} before, {after:length} after")],
  description:
    "Corners of the outline rounded smoothly, so much of it before each and so much after: at points, or where a seam that was joined meets the outline.",
};

export const joinForms: ShapingForms = {
  word: "join",
  forms: [form("{second:edge} turned over to {first:edge} into {name:piece}"), form("{second:edge} to {first:edge} into {name:piece}")],
  description:
    "One piece laid to another, edge to edge, and the two taken as one; the second edge named stays where it lies. Turned over, a strip of the front joins a back that was drawn the same way round.",
};

export const unfoldForms: ShapingForms = {
  word: "unfold",
  forms: [form("{piece:piece}")],
  description: "A piece cut on the fold opened out: both halves as one; the edges of the other half are named with _other.",
};

export const extendForms: ShapingForms = {
  word: "extend",
  forms: [form("{edge:edge} by {by:length} mirrored"), form("{edge:edge} by {by:length}")],
  description:
    "An edge carried out by a length: a stand, a facing, a pleat; mirrored, a turn-up whose sides run as the mirror image of those above.",
};

export const trueForms: ShapingForms = {
  word: "true",
  forms: [form("{edge:edge} to {other:edge} at its start"), form("{edge:edge} to {other:edge}")],
  description:
    "One edge made as long as another: what it lacks is added at its end, or at its start, and the neighbour is drawn to the new corner.",
};

export const runForms: ShapingForms = {
  word: "run",
  forms: [form("{edge:edge} into {other:edge} over {seam:edge} and {otherSeam:edge}, {before:length} before, {after:length} after")],
  description:
    "An edge run on over a seam: the two pieces laid seam on seam, the edge drawn through as one line over so much before the seam and so much after it; both seams are cut off, or carried on, where it crosses them.",
};

export const redrawForms: ShapingForms = {
  word: "redraw",
  forms: [form("{edge:edge} along {line:path}")],
  description: "An edge drawn again along a line of the board that runs between its neighbours; its notches keep their share of the way.",
};

export const drawForms: ShapingForms = {
  word: "draw",
  forms: [form("{line:path} on {piece:piece}")],
  description:
    "A dart or a line of the board drawn on a piece after it was shaped, where it lies on the board: drawn earlier it would be moved or cut with it.",
};

/** Every way of shaping pieces that the notation knows, by its word. What each does to the pieces stands in `shaping/`. */
export const SHAPING_FORMS: ReadonlyMap<string, ShapingForms> = new Map(
  [
    closeForms,
    spreadForms,
    foldForms,
    splitForms,
    joinForms,
    smoothForms,
    unfoldForms,
    extendForms,
    trueForms,
    runForms,
    redrawForms,
    drawForms,
  ].map((forms) => [forms.word, forms]),
);
