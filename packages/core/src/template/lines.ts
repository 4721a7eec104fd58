import { BODY_LEVELS } from "../system/model.js";
import { templateIn } from "./template.js";

const line = templateIn("line");
const dart = templateIn("dart");
const WAY = "{way:out|in|up|down|left|right}";
const DIRECTIONS = "[, leaving {leaving:direction}][, arriving {arriving:direction}]";

/** Lines, curves and arcs through what is placed. */
export const LINE_TEMPLATES = [
  line("line", "straight line", "Rule a line through {through:points}, called {key:newKey}", "line {key}: {through}"),
  line(
    "level",
    "level line",
    `Rule a level line {label:text}[, the body's {level:${BODY_LEVELS.join("|")}},] through {through:points}`,
    'level {label.key} "{label}"[ at {level}]: {through}',
  ),
  line(
    "curve",
    "curve",
    `Draw a curve through {through:points}, called {key:newKey}${DIRECTIONS}[, {passing:direction} where it passes {past:point}][, fullness {fullness:number}]`,
    "curve {key}: {through}[, leaving {leaving}][, arriving {arriving}][, {passing} at {past}][, fullness {fullness}]",
  ),
  line(
    "curve-like",
    "curve of a kind",
    `Draw a {like:neck|armhole_front|armhole_back|hip|hem|sleeve_head} curve through {through:points}, called {key:newKey}[, fullness {fullness:number}]`,
    "curve {key}: {through}, like {like}[, fullness {fullness}]",
  ),
  line(
    "curve-long",
    "curve of a length",
    `Draw a curve as long as {long:length} through {through:points}, called {key:newKey}${DIRECTIONS}`,
    "curve {key}: {through}[, leaving {leaving}][, arriving {arriving}], as long as {long}",
  ),
  line(
    "arc",
    "arc about a point",
    "Swing an arc from {from:point} to {to:point} about {about:point}, called {key:newKey}",
    "arc {key}: {from} > {to} about {about}",
  ),
  line(
    "arc-through",
    "arc through three",
    "Draw an arc from {from:point} over {over:point} to {to:point}, called {key:newKey}",
    "arc {key}: {from} > {over} > {to}",
  ),
  line(
    "arc-free",
    "arc swung free",
    "Swing {radius:length} about {about:point}[, the {half:upper|lower|inner|outer} half], called {key:newKey}",
    "arc {key}: {radius} about {about}[, the {half}]",
  ),
  line("join", "joined as one", "Take {along:walk} as one line, called {key:newKey}", "join {key}: {along}"),
  line(
    "blend",
    "corner rounded",
    "Round the corner of {first:path} and {second:path}, {before:length} before and {after:length} after, called {key:newKey}",
    "blend {key}: {first} and {second}, {before} before, {after} after",
  ),
  line(
    "beside",
    "beside a line",
    `Draw a line {by:length} ${WAY} of {of:path}, called {key:newKey}`,
    "trace {key}: {of} offset {by} {way}",
  ),
  line(
    "folded",
    "traced through a fold",
    "Trace {of:path} through the fold {fold:line}, called {key:newKey}",
    "trace {key}: {of} mirrored in {fold}",
  ),
  line(
    "moved",
    "traced and moved",
    "Trace {of:path}, moved {out:length} out and {down:length} down, called {key:newKey}",
    "trace {key}: {of} moved {out} out, {down} down",
  ),
  line(
    "turned",
    "traced and turned",
    "Trace {of:path}, turned about {about:point} by {by:angle}, called {key:newKey}",
    "trace {key}: {of} turned about {about} by {by}",
  ),
  line("traced", "traced to this board", "Trace {of:path} through to this board, called {key:newKey}", "trace {key}: {of}", { here: true }),
  line("guide", "guideline", "A guideline {way:across|down} from {from:point}, called {key:newKey}", "line {key}: line {way} from {from}"),
  line(
    "guide-beside",
    "guideline beside",
    "A guideline {by:length} {way:out|up|down|left|right} of {line:ends}, called {key:newKey}",
    "line {key}: parallel to {line}, {by} {way}",
  ),
];

const PRESSED = "[, pressed {pressed:in|out|up|down}]";
const SHORT = "[, short of {short:point}]";
const UNEVEN = "[, whose legs may differ by {within:length}]";

/** Darts by their middle and what they take in, or by their legs. */
export const DART_TEMPLATES = [
  dart(
    "dart",
    "by its middle",
    `A dart {label:text} at {at:point}, {intake:length} wide, to {to:point}[ and to {other:point}]${PRESSED}${SHORT}[, its legs along {legs:path}]${UNEVEN}`,
    'dart {label.key} "{label}": at {at}, intake {intake} to {to}[ and {other}][, pressed {pressed}][, short of {short}][, legs along {legs}][, legs within {within}]',
  ),
  dart(
    "dart-legs",
    "by its legs",
    `A dart {label:text} between {a:point} and {b:point}, to {to:point}[ and to {other:point}]${PRESSED}${SHORT}${UNEVEN}`,
    'dart {label.key} "{label}": legs {a}, {b} to {to}[ and {other}][, pressed {pressed}][, short of {short}][, legs within {within}]',
  ),
];
