import { across } from "./across.js";
import { along } from "./along.js";
import { down, inward, out, up } from "./axis.js";
import { bisect } from "./bisect.js";
import { copy } from "./copy.js";
import { cross } from "./cross.js";
import { midway } from "./midway.js";
import { mirror } from "./mirror.js";
import { move } from "./move.js";
import { off } from "./off.js";
import { on } from "./on.js";
import { part } from "./part.js";
import { polar } from "./polar.js";
import { square } from "./square.js";
import { start } from "./start.js";
import { swing } from "./swing.js";
import { toward } from "./toward.js";
import { trace } from "./trace.js";
import { turn } from "./turn.js";
import type { Verb } from "./verb.js";

/** Every verb of the language, by its word. */
export const VERBS: ReadonlyMap<string, Verb> = new Map(
  [
    start,
    down,
    up,
    out,
    inward,
    across,
    midway,
    part,
    toward,
    along,
    on,
    off,
    square,
    cross,
    swing,
    polar,
    bisect,
    turn,
    mirror,
    move,
    copy,
    trace,
  ].map((verb) => [verb.word, verb]),
);
