import type { Work } from "@lodrin/contract";
import { type Given, type HomeUnit, loadSystem, type LoadedSystem, placeOf, type Plan, run, type Run, sampleBody } from "@lodrin/core";
import { computed, type ComputedRef, type Ref, ref, shallowRef, watch } from "vue";
import type { Autosave } from "../../api/autosave.js";
import { usePeople } from "../../stores/people.js";
import { useShelf } from "../../stores/shelf.js";

export type WorkAutosave = Autosave<Work, "notation">;

/** A body to try the system on: the middle of its own ranges, or one of my people's. */
export interface TryBody {
  readonly id: string;
  readonly name: string;
  readonly given: (plan: Plan) => { readonly measurements: Given; readonly unit: HomeUnit };
}

const MIDDLE = "middle";

/** The system as it stands while it is written: read line by line, drafted on the chosen body, with the step the cursor is in. */
export function useWriting(autosave: WorkAutosave): {
  loaded: Ref<LoadedSystem>;
  drafted: ComputedRef<Run>;
  bodies: ComputedRef<readonly TryBody[]>;
  body: Ref<string>;
  step: Ref<number>;
  line: Ref<number>;
  lineOf: (step: number) => number | undefined;
} {
  const shelf = useShelf();
  const people = usePeople();
  const library = computed(() => Object.fromEntries(shelf.systems.map(({ sheet }) => [sheet.slug, sheet.notation])));
  const { local } = autosave;
  const loaded = shallowRef(loadSystem(local.notation, library.value));
  watch([() => local.notation, library], ([text, shelfTexts], [, before]) => {
    // Only changed lines are read again; what it builds on may have changed wholly.
    loaded.value = loadSystem(text, shelfTexts, shelfTexts === before ? loaded.value : undefined);
  });

  const bodies = computed((): TryBody[] => [
    { id: MIDDLE, name: "The middle of its ranges", given: (plan) => ({ measurements: sampleBody(plan), unit: plan.system.unit }) },
    ...people.people.flatMap((person) =>
      person.sets.slice(0, 1).map((set) => ({
        id: set.id,
        name: person.name,
        // What the set lacks comes from the middle of the ranges: the draft goes on.
        given: (plan: Plan) => ({ measurements: { ...sampleBody(plan), ...set.written }, unit: set.unit }),
      })),
    ),
  ]);
  const body = ref(MIDDLE);
  const drafted = computed(() => {
    const { plan } = loaded.value;
    const chosen = bodies.value.find(({ id }) => id === body.value) ?? bodies.value[0];
    const { measurements, unit } = chosen?.given(plan) ?? { measurements: {}, unit: plan.system.unit };
    return run(plan, measurements, {}, unit);
  });

  const step = ref(0);
  const lines = computed(() => stepLines(loaded.value));
  /** The line the cursor is on. The step it belongs to is the last one that begins at or above it; a line just typed is a new one. */
  const line = ref(1);
  watch(
    [line, lines],
    ([here, all]) =>
      (step.value = Math.max(
        0,
        all.findLastIndex((at) => at !== undefined && at <= here),
      )),
  );
  const lineOf = (index: number): number | undefined => lines.value[index];
  return { loaded, drafted, bodies, body, step, line, lineOf };
}

/** The line each step stands on; undefined for one that was brought along from a system this one builds on. */
function stepLines({ plan, read }: LoadedSystem): (number | undefined)[] {
  const own = new Map(read.system.statements.map((statement, i) => [statement as unknown, i]));
  return plan.steps.map(({ source }) => {
    const statement = own.get(source);
    return statement === undefined ? undefined : placeOf(read, statement).line;
  });
}
