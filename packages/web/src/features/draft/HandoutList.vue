<script setup lang="ts">
import type { HomeUnit, Plan, Run, TapeMark } from "@lodrin/core";
import { refDebounced, useIntersectionObserver } from "@vueuse/core";
import { computed, nextTick, type Ref, shallowRef, useTemplateRef, watch } from "vue";
import HandoutStep from "./HandoutStep.vue";

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

const list = useTemplateRef<HTMLElement>("list");
const rows = useTemplateRef<HTMLElement[]>("rows");
const groups = computed(() => {
  const out: { title: string | undefined; steps: number[] }[] = [];
  props.draft.plan.steps.forEach(({ heading }, index) => {
    const group = out[out.length - 1];
    if (group && group.title === heading) group.steps.push(index);
    else out.push({ title: heading, steps: [index] });
  });
  return out;
});

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

watch(
  () => props.step,
  async () => {
    await nextTick();
    const here = list.value?.querySelector<HTMLElement>("[aria-current='step']");
    if (!here || !list.value) return;
    const box = list.value.getBoundingClientRect();
    const at = here.getBoundingClientRect();
    if (at.top < box.top + 40 || at.bottom > box.bottom - 40) list.value.scrollTop += at.top - box.top - box.height * 0.25;
  },
  { immediate: true },
);
</script>

<template>
  <div ref="list" class="handout" tabindex="0" role="region" aria-label="Handout">
    <section v-for="group in groups" :key="group.steps[0]">
      <h2 v-if="group.title">{{ group.title }}</h2>
      <ol>
        <li v-for="index in group.steps" :key="index" ref="rows" :data-step="index">
          <HandoutStep
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
ol {
  list-style: none;
  margin: 0;
  padding: 0;
}
</style>
