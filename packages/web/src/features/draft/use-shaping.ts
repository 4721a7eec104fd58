import { type PieceResult, type Plan, type Run, shapePartly, type ShapingResult } from "@lodrin/core";
import { computed, type ComputedRef, ref, type Ref } from "vue";

/** The shaping of the pieces, watched step by step: which were done, how far one has come, and the pieces as they then lie. */
export interface Shaping {
  /** The shapings done on this draft, and those that failed. */
  readonly stages: ComputedRef<readonly ShapingResult[]>;
  /** How many are done: 0 is as drafted. */
  readonly stage: ComputedRef<number>;
  /** How far the last of them has come, 0 to 1. */
  readonly share: Ref<number>;
  readonly current: ComputedRef<ShapingResult | undefined>;
  readonly pieces: ComputedRef<readonly PieceResult[]>;
  /** The pieces it changes, as they were before: drawn as ghosts. Empty when none is watched. */
  readonly ghosts: ComputedRef<readonly PieceResult[]>;
  readonly go: (stage: number) => void;
}

export function useShaping(plan: Plan, run: Readonly<Ref<Run>>): Shaping {
  const stages = computed(() => run.value.shapings.filter((s) => s.outcome.status !== "skipped"));
  /** Undefined until the person steps back: the pieces are then shown as they are cut. */
  const chosen = ref<number>();
  const share = ref(1);
  const stage = computed(() => Math.min(chosen.value ?? stages.value.length, stages.value.length));
  const current = computed(() => stages.value[stage.value - 1]);
  const watched = computed(() => (chosen.value === undefined ? undefined : current.value));
  /** The pieces the watched shaping changes, as they were. */
  const ghosts = computed(() => watched.value?.before.filter((p) => !watched.value?.after.includes(p)) ?? []);
  const pieces = computed(() => {
    if (chosen.value === undefined) return run.value.pieces;
    if (!watched.value) return run.value.drafted;
    const { before } = watched.value;
    const changed = shapePartly(plan, watched.value, run.value.environment, share.value).filter((p) => !before.includes(p));
    return changed.length > 0 ? changed : ghosts.value.length > 0 ? ghosts.value : before;
  });
  const go = (to: number): void => {
    chosen.value = Math.max(0, Math.min(to, stages.value.length));
    share.value = 1;
  };
  return { stages, stage, share, current, pieces, ghosts, go };
}
