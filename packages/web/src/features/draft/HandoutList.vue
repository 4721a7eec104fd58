<script setup lang="ts">
import { inWords, type HomeUnit, type Plan, type PlannedStep, type Run, stepName, type TapeMark } from "@lodrin/core";
import { ArrowRight } from "@element-plus/icons-vue";
import { refDebounced, useIntersectionObserver } from "@vueuse/core";
import { computed, nextTick, ref, type Ref, shallowRef, useTemplateRef, watch } from "vue";
import { useRest } from "../../ui/use-rest.js";
import HandoutStep from "../../handout/HandoutStep.vue";

/**
 * The system as a teacher would hand it out: headings, numbered sentences, the current step open. It is given where the run
 * is kept, not the run, so that a new run reaches only the rows that show it.
 */
const props = defineProps<{
  draft: { readonly plan: Plan; readonly run: Readonly<Ref<Run>> };
  unit: HomeUnit;
  mark: TapeMark;
  step: number;
}>();
defineEmits<{ go: [step: number] }>();

/** Steps of a group that follow each other and either all reckon or all draw. */
interface Part {
  readonly reckons: boolean;
  readonly steps: number[];
}

const list = useTemplateRef<HTMLElement>("list");
const rows = useTemplateRef<HTMLElement[]>("rows");
const groups = computed(() => {
  const out: { title: string | undefined; parts: Part[] }[] = [];
  props.draft.plan.steps.forEach(({ heading, source }, index) => {
    const reckons = source.is === "value";
    const group = out[out.length - 1];
    const part = group?.parts[group.parts.length - 1];
    if (group?.title !== heading || !part) out.push({ title: heading, parts: [{ reckons, steps: [index] }] });
    else if (part.reckons === reckons) part.steps.push(index);
    else group.parts.push({ reckons, steps: [index] });
  });
  return out;
});

/** Steps that only reckon are folded together where there are several, until one of them is looked at. */
const FEWEST_FOLDED = 2;
const unfolded = ref<ReadonlySet<number>>(new Set());
const isFolded = ({ reckons, steps: [first = 0, ...more] }: Part): boolean =>
  reckons &&
  more.length + 1 >= FEWEST_FOLDED &&
  !unfolded.value.has(first) &&
  (props.step < first || props.step > (more[more.length - 1] ?? first));
const unfold = ({ steps: [first = 0] }: Part): void => void (unfolded.value = new Set([...unfolded.value, first]));
const namesOf = ({ steps }: Part): string =>
  steps.map((index) => inWords(stepName(props.draft.plan.steps[index] as PlannedStep))).join(", ");

// While a setting is dragged the paper and the open step follow the hand; the other rows in sight follow a few times a
// second, each time in a task of their own, and those out of sight when the hand rests.
const FOLLOWS_MS = 90;
const RESTS_MS = 120;
const current = computed(() => props.draft.run.value);
// A debounce with a longest wait, not a throttle: the last of several changes, or a single one, always comes through.
const following = refDebounced(current, FOLLOWS_MS, { maxWait: FOLLOWS_MS });
const settled = refDebounced(current, RESTS_MS);
const inSight = shallowRef<ReadonlySet<number>>(new Set());
useIntersectionObserver(
  rows,
  (entries) => {
    const now = new Set(inSight.value);
    for (const { target, isIntersecting } of entries) {
      const index = Number((target as HTMLElement).dataset["step"]);
      if (isIntersecting) now.add(index);
      else now.delete(index);
    }
    inSight.value = now;
  },
  { root: list, rootMargin: "80px 0px" },
);
const sourceFor = (index: number): Readonly<Ref<Run>> => (index === props.step ? current : inSight.value.has(index) ? following : settled);

/** The steps around the open one are drawn first. */
const NEAR = 14;
const rest = useRest();
const isDrawn = (index: number): boolean => rest.value || Math.abs(index - props.step) <= NEAR;

watch(
  [() => props.step, rest],
  async () => {
    await nextTick();
    const here = list.value?.querySelector<HTMLElement>("[aria-current='step']");
    if (!here || !list.value) return;
    const box = list.value.getBoundingClientRect();
    const at = here.getBoundingClientRect();
    if (at.top < box.top + 40 || at.bottom > box.bottom - 40) list.value.scrollTop += at.top - box.top - box.height * 0.25;
    // Rows that come into sight take their true height only then.
    requestAnimationFrame(() => here.scrollIntoView({ block: "nearest" }));
  },
  { immediate: true },
);
</script>

<template>
  <div ref="list" class="handout" tabindex="0" role="region" aria-label="Handout">
    <section v-for="group in groups" :key="group.parts[0]?.steps[0]">
      <h2 v-if="group.title">{{ group.title }}</h2>
      <template v-for="part in group.parts" :key="part.steps[0]">
        <button v-if="isFolded(part)" class="folded" aria-expanded="false" @click="unfold(part)">
          <el-icon><ArrowRight /></el-icon>
          <span
            ><b>Worked out first: {{ part.steps.length }} figures.</b> <span class="quiet small">{{ namesOf(part) }}</span></span
          >
        </button>
        <ol v-else>
          <li v-for="index in part.steps" :key="index" ref="rows" :data-step="index">
            <HandoutStep
              v-if="isDrawn(index)"
              :plan="draft.plan"
              :source="sourceFor(index)"
              :index="index"
              :unit="unit"
              :mark="mark"
              :state="index === step ? 'now' : index < step ? 'done' : 'later'"
              @go="$emit('go', index)"
            />
          </li>
        </ol>
      </template>
    </section>
  </div>
</template>

<style scoped>
.handout {
  overflow: auto;
  contain: strict;
  padding: 4px 0 40px;
  background: var(--panel);
}
h2 {
  position: sticky;
  top: -4px;
  z-index: 1;
  padding: 14px 18px 6px;
  background: var(--panel);
  font-size: 18px;
}
.folded {
  display: grid;
  grid-template-columns: 34px minmax(0, 1fr);
  gap: 8px;
  width: 100%;
  min-height: 46px;
  padding: 9px 14px 9px 12px;
  border: 0;
  background: transparent;
  text-align: left;
  cursor: pointer;
}
.folded .el-icon {
  margin: 4px 0 0 auto;
}
.folded b {
  font-weight: 600;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
}
</style>
