import { basesOf, bodiesBetween, type Finding, type LoadedSystem, type RangeBody, run, sampleBody, statementsOf } from "@lodrin/core";
import { watchDebounced } from "@vueuse/core";
import { computed, type ComputedRef, type Ref, ref, shallowRef } from "vue";
import { useWorker } from "../../../workers/ask.js";
import type { NestedRow } from "./range-rows.js";
import type { RangeAnswer, RangeQuestion } from "./range-worker.js";
import type { Writing } from "../use-writing.js";

/** Bodies a system is run over: a chart's sizes, or so many between two. */
export interface RangeChoice {
  readonly id: string;
  readonly name: string;
  readonly bodies: (loaded: LoadedSystem) => readonly RangeBody[];
}

const SIZES = 7;
const WITHIN: RangeChoice = {
  id: "within",
  name: `${SIZES} bodies across its ranges`,
  bodies: ({ plan }) => {
    const [small, large] = [run(plan, sampleBody(plan, 0.2)), run(plan, sampleBody(plan, 0.8))];
    return bodiesBetween(plan, small, large, SIZES);
  },
};

/** From one of the bodies the system can be tried on to another. */
const BETWEEN = { id: "between", name: "between two bodies of your choice" } as const;

export interface Range {
  /** The two bodies a range lies between, where it does, by their ids. */
  readonly ends: Ref<readonly [string, string]>;
  readonly isBetween: ComputedRef<boolean>;
  /** The bodies it may lie between. */
  readonly tryBodies: Writing["bodies"];
  readonly choices: ComputedRef<readonly RangeChoice[]>;
  readonly choice: Ref<string>;
  readonly anchor: Ref<string | undefined>;
  readonly rows: Ref<readonly NestedRow[]>;
  readonly bodies: ComputedRef<readonly RangeBody[]>;
  readonly ms: Ref<number>;
  /** Why the range could not be worked out; empty when it was. */
  readonly failed: Readonly<Ref<string>>;
  /** What wants a look: in the text, on the body it is tried on, and over the range. */
  readonly findings: Ref<readonly Finding[]>;
}

/** Runs the text over a range, and looks how sound it is, whenever the hand rests, beside the page. */
export function useRange(
  { loaded, library, drafted, given, bodies: tryBodies }: Pick<Writing, "loaded" | "library" | "drafted" | "given" | "bodies">,
  charts: Ref<readonly RangeChoice[]>,
): Range {
  const ends = ref<readonly [string, string]>(["small", "large"]);
  const between = computed((): RangeChoice => ({
    ...BETWEEN,
    bodies: ({ plan }) => {
      const [small, large] = ends.value.map((end) => {
        const body = tryBodies.value.find(({ id }) => id === end)?.given(plan);
        return run(plan, body?.measurements ?? {}, {}, body?.unit ?? plan.system.unit);
      });
      return small && large ? bodiesBetween(plan, small, large, SIZES) : [];
    },
  }));
  const choices = computed(() => [WITHIN, between.value, ...charts.value]);
  const choice = ref(WITHIN.id);
  const anchor = ref<string>();
  const rows = shallowRef<readonly NestedRow[]>([]);
  const ms = ref(0);
  const findings = shallowRef<readonly Finding[]>([]);
  const bodies = computed(() => (choices.value.find((c) => c.id === choice.value) ?? WITHIN).bodies(loaded.value));
  const { ask, failed } = useWorker<RangeQuestion, RangeAnswer>(
    () => new Worker(new URL("./range-worker.ts", import.meta.url), { type: "module" }),
    (answer) => {
      rows.value = answer.rows;
      ms.value = answer.ms;
      findings.value = answer.findings;
    },
  );
  const RESTS_MS = 250;
  watchDebounced(
    // The draft changes with the text, the body, its figures and the settings.
    [drafted, choice, anchor, charts, ends],
    () => {
      const { read, plan, system } = loaded.value;
      ask({
        notation: read.source,
        // Most texts build on nothing: then theirs is not read through for it.
        bases: statementsOf(system, "uses").length === 0 ? {} : basesOf(read.source, library.value),
        tried: given(plan),
        bodies: bodies.value,
        anchor: anchor.value,
      });
    },
    { debounce: RESTS_MS, immediate: true },
  );
  return {
    failed,
    choices,
    choice,
    ends,
    isBetween: computed(() => choice.value === BETWEEN.id),
    tryBodies,
    anchor,
    rows,
    bodies,
    ms,
    findings,
  };
}
