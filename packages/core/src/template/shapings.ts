import { templateIn } from "./template.js";

const shape = templateIn("shape");

/** Every way of shaping pieces that are taken off the board. */
export const SHAPING_TEMPLATES = [
  shape(
    "close",
    "close a dart, open it elsewhere",
    "Close {dart:dart} in {piece:piece}, turned about {about:point}[, and open it from {from:point}]",
    "shape close {dart} in {piece} about {about}[, open from {from}]",
  ),
  shape(
    "close-part",
    "close part of a dart",
    "Close {share:number} of {dart:dart} in {piece:piece}, turned about {about:point}, and open it from {from:point}",
    "shape close {share} of {dart} in {piece} about {about}, open from {from}",
  ),
  shape(
    "spread",
    "slash and spread",
    "Slash {piece:piece} from {from:point} to {to:point} and spread it by {by:length}, {how:one side turned=|half to each side=, half to each side|the same all along= all along}",
    "shape spread {piece} from {from} to {to} by {by}{how}",
  ),
  shape(
    "fold",
    "fold a wedge away",
    "Fold {by:length} of {piece:piece} away at {from:point}, to nothing at {to:point}",
    "shape fold {piece} from {from} to {to} by {by}",
  ),
  shape(
    "fold-between",
    "fold away between two points",
    "Fold {piece:piece} away between {from:point} and {other:point}, to nothing at {to:point}",
    "shape fold {piece} from {from} and {other} to {to}",
  ),
  shape(
    "split",
    "cut in two along a line",
    "Cut {piece:piece} along {line:path} into {first:newPiece} and {second:newPiece}[, allowing {allow:length} there]",
    "shape split {piece} along {line} into {first.key} and {second.key}[, allow {allow}]",
  ),
  shape(
    "split-lines",
    "cut in two along darts and lines",
    "Cut {piece:piece} along {lines:paths} into {first:newPiece} and {second:newPiece}[, allowing {allow:length} there]",
    "shape split {piece} along {lines} into {first.key} and {second.key}[, allow {allow}]",
  ),
  shape(
    "split-points",
    "cut in two between points",
    "Cut {piece:piece} from {from:point} to {to:point} into {first:newPiece} and {second:newPiece}[, allowing {allow:length} there]",
    "shape split {piece} from {from} to {to} into {first.key} and {second.key}[, allow {allow}]",
  ),
  shape(
    "join",
    "join two pieces",
    "Lay {second:edge} {over:as it lies=|turned over= turned over} to {first:edge} and take both as {name:newPiece}",
    "shape join {second}{over} to {first} into {name.key}",
  ),
  shape(
    "smooth",
    "smooth a corner",
    "Smooth {piece:piece} at {at:places}, {before:length} before and {after:length} after",
    "shape smooth {piece} at {at}, {before} before, {after} after",
  ),
  shape("unfold", "open out on the fold", "Open {piece:piece} out on its fold", "shape unfold {piece}"),
  shape(
    "extend",
    "carry an edge out",
    "Carry {edge:edge} out by {by:length}, {how:straight=|its sides mirrored= mirrored}",
    "shape extend {edge} by {by}{how}",
  ),
  shape(
    "true",
    "make as long as another",
    "Make {edge:edge} as long as {other:edge}, adding at its {end:end=|beginning= at its start}",
    "shape true {edge} to {other}{end}",
  ),
  shape(
    "run",
    "run an edge on over a seam",
    "Run {edge:edge} on into {other:edge} over {seam:edge} and {otherSeam:edge}, {before:length} before and {after:length} after",
    "shape run {edge} into {other} over {seam} and {otherSeam}, {before} before, {after} after",
  ),
  shape("redraw", "draw an edge again", "Draw {edge:edge} again along {line:path}", "shape redraw {edge} along {line}"),
  shape("draw", "draw a line on a piece", "Draw {line:path} on {piece:piece} now", "shape draw {line} on {piece}"),
];
