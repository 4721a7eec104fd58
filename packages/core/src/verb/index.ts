import { across } from "./across.js";
import { down, inward, out, up } from "./axis.js";
import { midway } from "./midway.js";
import { mirror } from "./mirror.js";
import { start } from "./start.js";
import type { Verb } from "./verb.js";

/** Every verb of the language, by its word. */
export const VERBS: ReadonlyMap<string, Verb> = new Map(
  [start, down, up, out, inward, across, midway, mirror].map((verb) => [verb.word, verb]),
);
