import { doubtsOf, type HomeUnit, parseTape } from "@lodrin/core";

/** The figures of a set that could be read, in mm by key. */
export function readSet(written: Readonly<Record<string, string>>, unit: HomeUnit): Record<string, number> {
  const mm: Record<string, number> = {};
  for (const [key, text] of Object.entries(written)) {
    const read = parseTape(text, unit);
    if (read.ok) mm[key] = read.mm;
  }
  return mm;
}

/** Doubts in words, by the field they stand beside. */
export function doubtsByKey(written: Readonly<Record<string, string>>, unit: HomeUnit): Record<string, string[]> {
  const by: Record<string, string[]> = {};
  for (const doubt of doubtsOf(readSet(written, unit), unit)) (by[doubt.key] ??= []).push(doubt.text);
  return by;
}
