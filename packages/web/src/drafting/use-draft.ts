import { type Draft, draftRoutes } from "@lodrin/contract";
import { type HomeUnit, markFor, type Plan, run, type Run, stepDimension, type TapeMark } from "@lodrin/core";
import { useIntervalFn } from "@vueuse/core";
import { computed, type ComputedRef, type Ref, shallowRef } from "vue";
import { call } from "../api/call.js";
import { startAutosave, type Autosave } from "../api/autosave.js";
import { useSession } from "../stores/session.js";
import { type ShelfSystem, useShelf } from "../stores/shelf.js";

/** The parts of a draft that are edited in its view. */
export const DRAFT_FIELDS = ["name", "note", "personId", "personName", "setId", "unit", "measurements", "settings", "step"] as const;
type DraftField = (typeof DRAFT_FIELDS)[number];
export type DraftAutosave = Autosave<Draft, DraftField>;

/** A draft opened: what was loaded, and how it is kept. */
export interface OpenDraft {
  readonly draft: Draft;
  readonly system: ShelfSystem;
  readonly autosave: DraftAutosave;
}

/** Opens a kept draft with the version of the system it was made with. */
export function useOpenDraft(id: () => string): { open: Ref<OpenDraft | undefined>; load: () => Promise<void>; close: () => void } {
  const open = shallowRef<OpenDraft>();
  const shelf = useShelf();
  async function load(): Promise<void> {
    open.value?.autosave.stop();
    const draft = await call(draftRoutes.draft, { params: { id: id() } });
    const system = await shelf.version(draft.slug, draft.systemVersion);
    const autosave = startAutosave<Draft, DraftField>(draft, {
      what: "draft",
      fields: DRAFT_FIELDS,
      send: sendDraft,
    });
    open.value = { draft, system, autosave };
  }
  return { open, load, close: () => open.value?.autosave.stop() };
}

/** Where one stands is kept apart from the draft: going through its steps is no change of it, and collides with none. */
async function sendDraft(id: string, version: number, patch: Partial<Pick<Draft, DraftField>>, base: Draft): Promise<Draft> {
  const { step, ...change } = patch;
  if (step === undefined || Object.keys(change).length > 0)
    return call(draftRoutes.changeDraft, { params: { id }, body: { version, ...patch } });
  await call(draftRoutes.standAt, { params: { id }, body: { step } });
  return { ...base, step };
}

/** The draft as it stands: its run, the unit and tape on screen, and the step being done. */
export function useDrafting(open: OpenDraft): {
  plan: Plan;
  run: ComputedRef<Run>;
  unit: ComputedRef<HomeUnit>;
  mark: ComputedRef<TapeMark>;
  step: Ref<number>;
  last: ComputedRef<number>;
  tape: ComputedRef<number | undefined>;
  playing: Readonly<Ref<boolean>>;
  go: (step: number) => void;
  play: () => void;
} {
  const { local } = open.autosave;
  const { plan } = open.system.loaded;
  const session = useSession();
  const unit = computed<HomeUnit>(() => session.unit);
  const mark = computed(() => markFor(plan.system, unit.value));
  const drafted = computed((before?: Run) => run(plan, local.measurements, local.settings, local.unit, before));
  const last = computed(() => plan.steps.length - 1);
  const step = computed({
    get: () => Math.min(Math.max(0, local.step), last.value),
    set: (value) => (local.step = Math.min(Math.max(0, value), last.value)),
  });
  const tape = computed(() => stepDimension(plan, drafted.value, step.value).mm);

  const PACE_MS = 900;
  const {
    isActive: playing,
    pause: halt,
    resume,
  } = useIntervalFn(() => (step.value >= last.value ? halt() : void (step.value += 1)), PACE_MS, { immediate: false });
  const go = (to: number): void => {
    halt();
    step.value = to;
  };
  const play = (): void => {
    if (playing.value) return halt();
    if (step.value >= last.value) step.value = 0;
    resume();
  };
  return { plan, run: drafted, unit, mark, step, last, tape, playing, go, play };
}
