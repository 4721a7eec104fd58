<script setup lang="ts">
import { bodyRoutes, type MeasurementSet } from "@lodrin/contract";
import { MEASUREMENTS, measurementName } from "@lodrin/core";
import { computed, onBeforeUnmount, ref } from "vue";
import { call } from "../../api/call.js";
import { startAutosave } from "../../api/autosave.js";
import { usePeople } from "../../stores/people.js";
import { useShelf } from "../../stores/shelf.js";
import BodyFigure from "../../ui/BodyFigure.vue";
import CollisionNotice from "../../ui/CollisionNotice.vue";
import SaveState from "../../ui/SaveState.vue";
import TapeField from "../../ui/TapeField.vue";
import { doubtsByKey } from "./doubts.js";

/** One dated set of measurements: fields, the figure that shows the tape, doubts beside the fields. Saves by itself. */
const props = defineProps<{ set: MeasurementSet; child: boolean }>();

const FIELDS = ["takenOn", "unit", "written", "note"] as const;
const people = usePeople();
const shelf = useShelf();

const autosave = startAutosave(props.set, {
  what: "measurement set",
  fields: FIELDS,
  send: async (id, version, patch) => {
    const saved = await call(bodyRoutes.changeSet, { params: { id }, body: { version, ...patch } });
    people.refresh(saved);
    return saved;
  },
});
onBeforeUnmount(() => autosave.stop());
const { local, state, savedAt, why } = autosave;

const focus = ref<string>();
const forSystem = ref("");
const system = computed(() => shelf.bySlug(forSystem.value)?.loaded.plan);
const doubts = computed(() => doubtsByKey(local.written, local.unit));

const GROUPS = [
  { title: "Round the body", run: ["girth"] },
  { title: "Straight across", run: ["width"] },
  { title: "Along the body", run: ["length"] },
  { title: "Other", run: ["number"] },
];

/** All fields, or those the chosen system asks for; a figure that is there is always shown. */
const groups = computed(() =>
  GROUPS.map((group) => ({
    title: group.title,
    fields: MEASUREMENTS.filter(
      (m) =>
        group.run.includes(m.run) &&
        (!system.value || system.value.measures.some((s) => s.source.key === m.key) || (forSystem.value === "" && m.key in local.written)),
    ),
  })).filter((group) => group.fields.length > 0),
);
const how = computed(() => system.value?.measures.find((m) => m.source.key === focus.value)?.source.how);

function write(key: string, text: string): void {
  const { [key]: _, ...others } = local.written;
  local.written = text.trim() === "" ? others : { ...others, [key]: text };
}
</script>

<template>
  <div class="editor">
    <CollisionNotice class="wide" :autosave="autosave" what="measurement set" :fields="FIELDS" />
    <div class="wide head">
      <label class="text-field"><span>Taken on</span><input v-model="local.takenOn" type="date" required /></label>
      <label class="text-field">
        <span>Written in</span>
        <select v-model="local.unit">
          <option value="in">inches</option>
          <option value="cm">centimetres</option>
        </select>
      </label>
      <label class="text-field">
        <span>Fields</span>
        <select v-model="forSystem">
          <option value="">everything</option>
          <option v-for="s in shelf.systems" :key="s.sheet.slug" :value="s.sheet.slug">{{ s.sheet.title }}</option>
        </select>
      </label>
      <SaveState :state="state" :saved-at="savedAt" :why="why" />
    </div>
    <p v-if="child" class="wide callout warn">
      Measuring a child: a parent or guardian is present, over light clothing, and the child may say stop. Write down no more than the
      garment needs.
    </p>
    <div class="fields">
      <section v-for="group in groups" :key="group.title">
        <h3>{{ group.title }}</h3>
        <div class="grid">
          <TapeField
            v-for="m in group.fields"
            :key="m.key"
            :key-name="m.key"
            :unit="local.unit"
            :plain="m.run === 'number'"
            :doubts="doubts[m.key] ?? []"
            :model-value="local.written[m.key] ?? ''"
            @update:model-value="write(m.key, $event)"
            @focus="focus = m.key"
          />
        </div>
      </section>
      <label class="text-field note"><span>Note</span><textarea v-model="local.note" rows="2" maxlength="4000" /></label>
    </div>
    <div class="figure">
      <BodyFigure :key-name="focus" :how="how" /><span class="visually-hidden" aria-live="polite">{{
        focus ? measurementName(focus) : ""
      }}</span>
    </div>
  </div>
</template>

<style scoped>
.editor {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 270px;
  gap: 20px 28px;
  align-items: start;
}
.wide {
  grid-column: 1 / -1;
}
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 16px;
  align-items: end;
}
.head > :last-child {
  padding-bottom: 12px;
}
.fields {
  padding: 14px 20px 20px;
  border-radius: var(--radius);
  background: var(--panel);
  box-shadow: var(--shadow);
}
h3 {
  font-size: 18px;
  margin: 6px 0 10px;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  gap: 12px 18px;
}
.figure {
  position: sticky;
  top: 12px;
}
.note {
  margin-top: 18px;
}
@media (width < 900px) {
  .editor {
    grid-template-columns: minmax(0, 1fr) 220px;
  }
}
</style>
