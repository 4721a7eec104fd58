import { markFor, pulled, pulledAlong, pulledCurve, type PlannedStep, replaceStatement, type Statement } from "@lodrin/core";
import { computed, type ComputedRef, type Ref, shallowRef, watch } from "vue";
import { rowWords } from "../rows/row-words.js";
import type { Shift } from "../../../board/shift.js";
import type { Tried, Writing } from "../use-writing.js";

/** What pulling a point or a curve proposes: its rule with another number, fullness or direction, drawn before it is taken. */
export interface Pull extends Tried {
  readonly says: string;
  /** The statement that would be changed, and to what. */
  readonly index: number;
  readonly now: Statement;
  readonly step: number;
}

/** What is pulled on the paper never gets a coordinate: its rule changes, to the tape's mark. `shift` is the hand's own. */
export function usePull(
  { loaded, drafted, tryEdits }: Pick<Writing, "loaded" | "drafted" | "tryEdits">,
  step: Ref<number>,
): {
  shift: Ref<Shift | undefined>;
  pull: ComputedRef<Pull | undefined>;
} {
  const shift = shallowRef<Shift>();
  watch([loaded, step], () => (shift.value = undefined));
  const pull = computed((): Pull | undefined => {
    const source = loaded.value.plan.steps[step.value]?.source;
    if (!shift.value || !source) return undefined;
    const { read, system } = loaded.value;
    const index = system.statements.indexOf(source);
    const now = index < 0 ? source : pulledTo(source, shift.value);
    if (now === source) return undefined;
    return {
      says:
        now.is === "path" && source.is === "path" ? curveSaid(now, source) : `${rowWords(now).rule}, instead of ${rowWords(source).rule}`,
      index,
      now,
      ...tryEdits(replaceStatement(read, index, now)),
      step: step.value,
    };
  });
  function pulledTo(source: PlannedStep["source"], { dx, dy, at }: Shift): PlannedStep["source"] {
    const { system, plan } = loaded.value;
    if (source.is === "path") return pulledCurve(plan, drafted.value.board, source, at, { x: at.x + dx, y: at.y + dy });
    if (source.is !== "point") return source;
    const mm = pulledAlong(source, dx, dy);
    return mm === undefined ? source : pulled(source, mm, system.unit, markFor(system, system.unit));
  }
  return { shift, pull };
}

type PathStep = Extract<PlannedStep["source"], { is: "path" }>;

/** What of a curve is proposed otherwise, in the notation's words. */
function curveSaid(now: PathStep, before: PathStep): string {
  for (const part of ["leaving", "arriving"] as const)
    if (now[part] !== before[part]) return `${now.key}: ${part} ${now[part] ?? ""}, instead of ${before[part] ?? "as it comes"}`;
  return `${now.key}: fullness ${now.fullness ?? "as it is by itself"}, instead of ${before.fullness ?? "as it is by itself"}`;
}
