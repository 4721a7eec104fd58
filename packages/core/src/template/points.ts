import { RUN, templateIn } from "./template.js";

const point = templateIn("point", true);
const WAYS = ["down", "up", "out", "in"] as const;
const SIDE = "{side:upper|lower|inner|outer}";

/** Every way of placing a point, as it is said at the table. */
export const POINT_TEMPLATES = [
  ...WAYS.map((way) => point(way, way, `Square ${way} from {from:point}, {distance:length}`, `${way} {distance} from {from}`)),
  ...WAYS.map((way) =>
    point(`${way}-to`, `${way} to a line`, `Square ${way} from {from:point} to {line:line}`, `${way} from {from} to {line}`),
  ),
  point("across", "across to a line", "Square across from {from:point} to {line:line}", "across from {from} to {line}"),
  point("midway", "midway", "Midway between {a:point} and {b:point}", "midway {a} to {b}"),
  point("part", "part of the way", "From {from:point} to {to:point}, {share:number} of the way", "part {share} from {from} to {to}"),
  point("toward", "toward", "From {from:point} toward {to:point}, {distance:length}", "toward {to}, {distance} from {from}"),
  point(
    "along",
    "along a line",
    "Along {line:line} from {from:point}, [{way:back|beyond} ]{distance:length}",
    "along {line} from {from}, [{way} ]{distance}",
  ),
  point("along-share", "a share of a line", "Along {path:path}, {share:number} of the way", "along {path}, {share} of the way"),
  point("on-down", "on a line, so far down", "On {line:line}, {down:length} below the first level", "on {line} at {down} down"),
  point("on-out", "on a line, so far out", "On {line:line}, {out:length} out from the first upright", "on {line} at {out} out"),
  point(
    "off",
    "square off a line",
    "Square off {line:line} at {at:point}, {distance:length} {way:left|right|in|out|up|down}",
    "off {line} at {at}, {distance} {way}",
  ),
  point("square", "square to a line", "Square from {from:point} to {line:line}", "square from {from} to {line}"),
  point(
    "cross",
    "where two lines cross",
    `Where {line:line} crosses {other:line}[, the ${SIDE} place]`,
    "cross {line} with {other}[, the {side}]",
  ),
  point(
    "cross-near",
    "where they cross, near a point",
    "Where {line:line} crosses {other:line}, nearest to {near:point}",
    "cross {line} with {other} nearest to {near}",
  ),
  point(
    "swing",
    "swing a length to a line",
    `Swing {distance:length} from {from:point} to {line:line}[, the ${SIDE} place]`,
    "swing {distance} from {from} to {line}[, the {side}]",
  ),
  point("at", "at an angle", "From {from:point} at {angle:angle} below across, {distance:length}", "at {angle}, {distance} from {from}"),
  point(
    "bisect",
    "into a corner",
    "Into the corner at {corner:point} between {a:point} and {b:point}, {distance:length}",
    "bisect {a}-{corner}-{b}, {distance}",
  ),
  point("turn", "turned", "Turn {point:point} about {about:point} by {angle:angle}", "turn {point} about {about} by {angle}"),
  point(
    "turn-onto",
    "turned until it meets",
    "Turn {point:point} about {about:point} so that {falls:point} falls on {on:point}",
    "turn {point} about {about} so that {falls} falls on {on}",
  ),
  point("mirror", "through a fold", "Trace {point:point} through the fold {line:line}", "mirror {point} in {line}"),
  point("move", "shifted", "Shift {point:point} by {out:length} out and {down:length} down", "move {point} {out} out, {down} down"),
  point("copy", "copied by a way", "Copy {point:point} by the way from {from:point} to {to:point}", "copy {point} by {from} to {to}"),
  point("trace", "traced to this board", "Trace {point:point} through to this board", "trace {point}", { here: true }),
  templateIn("point")(
    "evenly",
    "several at equal distances",
    "{count:number} points from {from:point} to {to:point}, at equal distances",
    `${RUN} evenly from {from} to {to}`,
  ),
  point("start", "the first of a board", "Start here", "start", { here: true }),
  point("start-at", "at a place", "Start {across:length} across and {down:length} down", "start at {across} across {down} down", {
    here: true,
  }),
];
