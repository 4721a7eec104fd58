import type { ReadSystem } from "../system/notation/read.js";
import { definitionsOf, referencesOf } from "../system/references.js";

const named = ({ kind, name }: { kind: string; name: string }): string => `${kind} ${name}`;

/** The statements that name what a statement defines: what stands on it. */
export function dependentsOf(read: ReadSystem, index: number): number[] {
  const statement = read.system.statements[index];
  if (!statement) return [];
  const defined = new Set(definitionsOf(statement).map(named));
  return read.system.statements.flatMap((other, i) => (i !== index && referencesOf(other).some((r) => defined.has(named(r))) ? [i] : []));
}

/** The statements that define what a statement names: what it stands on. */
export function dependenciesOf(read: ReadSystem, index: number): number[] {
  const statement = read.system.statements[index];
  if (!statement) return [];
  const used = new Set(referencesOf(statement).map(named));
  return read.system.statements.flatMap((other, i) => (i !== index && definitionsOf(other).some((d) => used.has(named(d))) ? [i] : []));
}

/** A statement with everything that stands on it, directly or through others, in their order: what goes when it goes. */
export const withDependents = (read: ReadSystem, index: number): number[] => closure(index, (i) => dependentsOf(read, i));

/**
 * A statement with what must move along so that nothing is used before it is there, in their order: towards the top what it
 * stands on, towards the end what stands on it, as far as it lies on the way to behind `after`.
 */
export function movedWith(read: ReadSystem, index: number, after: number): number[] {
  const up = after < index;
  return closure(index, (i) =>
    (up ? dependenciesOf(read, i) : dependentsOf(read, i)).filter((other) =>
      up ? other > after && other < index : other > index && other <= after,
    ),
  );
}

function closure(start: number, next: (index: number) => readonly number[]): number[] {
  const found = new Set([start]);
  for (const index of found) for (const other of next(index)) found.add(other);
  return [...found].sort((a, b) => a - b);
}
