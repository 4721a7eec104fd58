import {
  applyEdits,
  type Given,
  type HomeUnit,
  type LineEdit,
  type Library,
  loadSystem,
  type LoadedSystem,
  type Plan,
  putLines,
  quickLines,
  run,
  type Run,
  type Statement,
  statementAt,
} from "@lodrin/core";
import { computed, type ComputedRef, type Ref } from "vue";

/** What the quick line would put into the text: the edit, the system and its draft with it, and what is wrong in it. */
export interface Trial {
  readonly lines: readonly string[];
  readonly edits: readonly LineEdit[];
  /** The line (from 1) its last line stands on. */
  readonly line: number;
  readonly loaded: LoadedSystem;
  readonly drafted: Run;
  /** The step it makes, when it makes one. */
  readonly step: number | undefined;
  readonly faults: readonly { readonly from: number; readonly to: number; readonly says: string }[];
}

/** Draws what is typed into the quick line before it is taken; `after` is the statement it goes behind. */
export function useTrial(
  typed: Ref<string>,
  after: () => number,
  loaded: Ref<LoadedSystem>,
  library: Ref<Library>,
  given: (plan: Plan) => { readonly measurements: Given; readonly settings: Given; readonly unit: HomeUnit },
): ComputedRef<Trial | undefined> {
  return computed(() => {
    const { read, system } = loaded.value;
    const place = placeFor(typed.value, system.statements, after());
    const lines = quickLines(typed.value, system, place);
    if (lines.length === 0) return undefined;
    const edits = putLines(read, place, lines);
    // What comes along stands above it and shifts it down.
    const [own, along] = edits;
    const from = (own?.from ?? 0) + (along?.lines.length ?? 0);
    const count = own?.lines.length ?? 0;
    const tried = loadSystem(applyEdits(read.source, edits), library.value, loaded.value);
    const { measurements, settings, unit } = given(tried.plan);
    const source = tried.system.statements[statementAt(tried.read, from + 1) ?? -1];
    const step = tried.plan.steps.findIndex((s) => (s.source as unknown) === source);
    const first = own?.lines[0] ?? "";
    // Columns are told of the line as it is put in; what was typed may lack its number.
    const shift = Math.max(0, first.indexOf(typed.value.trim()));
    const faults = tried.problems
      .filter((p) => p.line > from && p.line <= from + count)
      .map((p) => ({
        from: Math.max(0, p.column - 1 - shift),
        to: Math.max(1, p.column - 1 - shift + p.length),
        says: `${p.why} ${p.fix}`.trim(),
      }));
    return {
      lines,
      edits,
      line: from + count,
      loaded: tried,
      drafted: run(tried.plan, measurements, settings, unit),
      step: step < 0 ? undefined : step,
      faults,
    };
  });
}

/** Kinds that stand together above the drafting, in the order they are asked for. */
const ABOVE: readonly (readonly Statement["is"][])[] = [["measure"], ["set", "choose", "table"]];

/** The statement a line goes behind: measurements and settings to their like, everything else behind the one that is open. */
export function placeFor(line: string, statements: readonly Statement[], open: number): number {
  const word = /^\s*([a-z]+)\b/.exec(line)?.[1] ?? "";
  const among = ABOVE.findIndex((kinds) => (kinds as readonly string[]).includes(word));
  if (among < 0) return open;
  const kinds = ABOVE.slice(0, among + 1).flat();
  return statements.findLastIndex((s) => kinds.includes(s.is));
}
