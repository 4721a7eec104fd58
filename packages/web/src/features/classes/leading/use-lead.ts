import { liveRoutes } from "@lodrin/contract";
import { explainStep, markFor, type Run, run, sampleBody, stepName, type TraceEntry } from "@lodrin/core";
import { computed, type ComputedRef, type Ref, ref, shallowRef, type ShallowRef } from "vue";
import { useRoute } from "vue-router";
import { call } from "../../../api/call.js";
import { useSession } from "../../../stores/session.js";
import { type ShelfSystem, useShelf } from "../../../stores/shelf.js";

/** A system as it is shown to a class: on a sample body, no one's. */
export function useShown(): {
  classId: string;
  system: ShallowRef<ShelfSystem | undefined>;
  drafted: ComputedRef<Run | undefined>;
  step: Ref<number>;
  name: ComputedRef<string>;
  /** The step as it is read out, in the unit on the screen. */
  entry: ComputedRef<TraceEntry | undefined>;
  at: (name: string) => number;
  load: () => Promise<void>;
} {
  const route = useRoute();
  const shelf = useShelf();
  const session = useSession();
  const system = shallowRef<ShelfSystem>();
  const step = ref(0);
  const drafted = computed(() => {
    const plan = system.value?.loaded.plan;
    return plan && run(plan, sampleBody(plan));
  });
  const entry = computed(() => {
    const plan = system.value?.loaded.plan;
    return plan && drafted.value && explainStep(plan, drafted.value, step.value, { mark: markFor(plan.system, session.unit) });
  });
  const names = computed(() => system.value?.loaded.plan.steps.map(stepName) ?? []);
  const load = async (): Promise<void> => {
    system.value = await shelf.version(String(route.params["slug"]), Number(route.params["version"]));
  };
  return {
    classId: String(route.params["id"]),
    system,
    drafted,
    step,
    name: computed(() => names.value[step.value] ?? ""),
    entry,
    at: (name) => names.value.indexOf(name),
    load,
  };
}

/** Tells the class where it is now. */
export async function lead(classId: string, { sheet }: ShelfSystem, step: string): Promise<void> {
  await call(liveRoutes.lead, { params: { id: classId }, body: { slug: sheet.slug, systemVersion: sheet.version, step } });
}
