import { type LineEdit, type LoadedSystem, quickReading, type SentenceReading, statementAt } from "@lodrin/core";
import { refDebounced } from "@vueuse/core";
import { computed, type ComputedRef, type Ref } from "vue";
import type { Tried, Writing } from "../use-writing.js";

/** What the quick line would put into the text: the edit, the system and its draft with it, and what is wrong in it. */
export interface Trial extends Tried {
  /** What was typed when it was read. */
  readonly typed: string;
  readonly lines: readonly string[];
  readonly edits: readonly LineEdit[];
  /** The line (from 1) its last line stands on. */
  readonly line: number;
  /** The step it makes, when it makes one. */
  readonly step: number | undefined;
  readonly faults: readonly { readonly from: number; readonly to: number; readonly says: string }[];
  /** How a sentence was understood; nothing of what is typed as notation. */
  readonly reading: SentenceReading | undefined;
  /** It may be put in: it means one thing, or one of several was chosen. */
  readonly whole: boolean;
}

/** A sentence is read when the hand rests so long: reading one takes longer than a letter may. */
const RESTS_MS = 120;

/**
 * Draws what is typed into the quick line before it is taken; `after` is the statement it goes behind. `now` reads what is typed now,
 * though the hand has not rested yet.
 */
export function useTrial(
  typed: Ref<string>,
  chosen: Ref<number | undefined>,
  after: () => number,
  preferred: Ref<readonly string[]>,
  { loaded, library, tryEdits }: Pick<Writing, "loaded" | "library" | "tryEdits">,
): { readonly trial: ComputedRef<Trial | undefined>; readonly now: () => Trial | undefined } {
  function trialOf(line: string): Trial | undefined {
    const quick = quickReading(line, loaded.value, library.value, after(), chosen.value, preferred.value);
    if (!quick) return undefined;
    const { lines, edits, reading } = quick;
    const { loaded: tried, drafted } = tryEdits(edits);
    const last = lastLine(edits);
    return {
      typed: line,
      lines,
      edits,
      line: last,
      loaded: tried,
      drafted,
      step: stepAtLine(tried, last),
      faults: reading ? faultsOf(reading) : notationFaults(line, lines[0] ?? "", tried, last),
      reading,
      whole: reading === undefined || reading.status === "read" || (reading.readings.length > 1 && chosen.value !== undefined),
    };
  }
  const rested = refDebounced(typed, RESTS_MS);
  // Until the hand rests the sentence before it stays drawn; an empty line is empty at once.
  const trial = computed(() => (typed.value.trim() === "" ? undefined : trialOf(rested.value.trim() === "" ? typed.value : rested.value)));
  return { trial, now: () => (trial.value?.typed === typed.value ? trial.value : trialOf(typed.value)) };
}

/** The step that a statement on a line makes; undefined when it makes none. */
export function stepAtLine({ system, read, plan }: LoadedSystem, line: number): number | undefined {
  const source = system.statements[statementAt(read, line) ?? -1];
  const step = plan.steps.findIndex((s) => (s.source as unknown) === source);
  return step < 0 ? undefined : step;
}

/** The line (from 1) on which the last of what is put behind a step stands, once all of it stands. */
export function lastLine(edits: readonly LineEdit[]): number {
  const last = edits.reduce((a, b) => (b.from >= a.from ? b : a), edits[0] ?? { from: 0, count: 0, lines: [] });
  return edits.reduce((sum, edit) => sum + edit.lines.length, last.from);
}

const faultsOf = ({ leftover }: SentenceReading): Trial["faults"] =>
  leftover.map(({ from, to }) => ({ from, to, says: "Not understood." }));

/** What is wrong in a line of notation, in the columns of what was typed, which may lack its number. */
function notationFaults(typed: string, line: string, tried: LoadedSystem, row: number): Trial["faults"] {
  const shift = Math.max(0, line.indexOf(typed.trim()));
  return tried.problems
    .filter((p) => p.line === row)
    .map((p) => ({
      from: Math.max(0, p.column - 1 - shift),
      to: Math.max(1, p.column - 1 - shift + p.length),
      says: `${p.why} ${p.fix}`.trim(),
    }));
}
