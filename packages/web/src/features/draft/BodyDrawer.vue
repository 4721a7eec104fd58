<script setup lang="ts">
import { askedName, filledFrom, meansTheKnown, type Plan } from "@lodrin/core";
import { computed, ref } from "vue";
import { usePeople } from "../../stores/people.js";
import BodyFigure from "../../ui/BodyFigure.vue";
import TapeField from "../../ui/TapeField.vue";
import { withKey } from "../../ui/with-key.js";
import { sayDay } from "../../ui/times.js";
import { doubtsByKey } from "../../measures/doubts.js";
import type { DraftAutosave } from "../../drafting/use-draft.js";

/** The body this draft is made for: the figures as they were taken, what is still missing, doubts, and another set to take. */
const props = defineProps<{ autosave: DraftAutosave; plan: Plan; missing: readonly string[] }>();
const people = usePeople();
// Out of reach: there is nothing to choose from, and the figures can be typed.
if (!people.loaded) void people.load().catch(() => undefined);
const { local } = props.autosave;
const focus = ref<string>();

const doubts = computed(() => {
  const by = doubtsByKey(local.measurements, local.unit);
  return by;
});
const measures = computed(() =>
  props.plan.measures.filter((m) => !m.when || props.missing.includes(m.source.key) || m.source.key in local.measurements),
);
const focused = computed(() => measures.value.find((m) => m.source.key === focus.value));
const asked = computed(() => focused.value?.source);
const ownName = computed(() => (focused.value && !meansTheKnown(focused.value) ? askedName(focused.value) : undefined));
const others = computed(() => people.people.flatMap((person) => person.sets.map((set) => ({ person, set }))));

const nameOf = (key: string): string => {
  const measure = props.plan.measures.find((m) => m.key === key);
  return measure ? askedName(measure) : key;
};

function write(key: string, text: string): void {
  local.measurements = withKey(local.measurements, key, text);
}

function take(id: string): void {
  const found = others.value.find(({ set }) => set.id === id);
  if (!found) return;
  local.measurements = filledFrom(found.set.written, props.plan.measures);
  local.unit = found.set.unit;
  local.personId = found.person.id;
  local.personName = found.person.name;
  local.setId = found.set.id;
}
</script>

<template>
  <div class="drawer-body">
    <el-alert v-if="missing.length" type="warning" role="status" show-icon :closable="false">
      <template #title
        >This system also needs <b>{{ missing.map((k) => nameOf(k).toLowerCase()).join(", ") }}</b>. Fill it in here and the draft goes
        on.</template
      >
    </el-alert>
    <BodyFigure :key-name="focus" :own-name="ownName" :how="asked?.how" :course="asked?.course" />
    <el-form-item label="Figures taken from" label-position="top">
      <el-select :model-value="local.setId ?? ''" :placeholder="local.personName || 'typed here'" @change="take">
        <el-option v-for="o in others" :key="o.set.id" :value="o.set.id" :label="`${o.person.name}, ${sayDay(o.set.takenOn)}`" />
      </el-select>
    </el-form-item>
    <p class="small quiet">
      The draft keeps these figures as they are now, in {{ local.unit === "in" ? "inches" : "centimetres" }}. Changing them here does not
      change the person's set.
    </p>
    <TapeField
      v-for="m in measures"
      :key="m.source.key"
      :key-name="m.source.key"
      :unit="local.unit"
      :plain="m.source.kind === 'number'"
      :needed="missing.includes(m.source.key)"
      :label="m.source.checkOnly ? `${askedName(m)} (for a check)` : askedName(m)"
      :doubts="doubts[m.source.key] ?? []"
      :model-value="local.measurements[m.source.key] ?? ''"
      @update:model-value="write(m.source.key, $event)"
      @focus="focus = m.source.key"
    />
  </div>
</template>

<style scoped>
.drawer-body {
  display: grid;
  gap: 12px;
}
.drawer-body :deep(figure svg) {
  height: 220px;
}
</style>
