import { templateIn } from "./template.js";

const sew = templateIn("sew");
const check = templateIn("check");

/** Seams, and what is checked of a draft. */
export const SEAM_TEMPLATES = [
  sew(
    "sew",
    "sew edges",
    "Sew {first:edges} to {second:edges}[, the first longer by {eased:length}][, within {within:length}]",
    "sew {first} with {second}[, eased {eased}][, within {within}]",
  ),
  sew(
    "sew-within",
    "sew edges that differ a little",
    "Sew {first:edges} to {second:edges}, which may differ by {within:length}",
    "sew {first} with {second} within {within}",
  ),
  check(
    "equal",
    "two come to the same",
    "Check {title:text}: {got:length} is as long as {expected:length}[, within {within:length}]",
    'check "{title}": {got} = {expected}[ within {within}]',
  ),
  check(
    "between",
    "between two figures",
    "Check {title:text}: {got:length} lies between {low:length} and {high:length}",
    'check "{title}": {got} between {low} and {high}',
  ),
  check("holds", "a condition", "Check {title:text}: {holds:condition}", 'check "{title}": {holds}'),
  check(
    "square",
    "square at a corner",
    "Check {title:text}: the corner at {corner:point} between {a:point} and {b:point} is square, within {within:angle}",
    // The angle between two directions, from 0° to 180°.
    'check "{title}": 180° - abs(180° - abs(angle({corner}, {a}) - angle({corner}, {b}))) = 90° within {within}',
  ),
  check(
    "passes",
    "goes over the body",
    "Check {title:text}: {garment:length} goes over {body:length}",
    'passes "{title}": {garment} over {body}',
  ),
  check("control", "read on the paper", "Read {reads:length} on the paper[: {text:text}]", 'control {reads}[ "{text}"]'),
];
