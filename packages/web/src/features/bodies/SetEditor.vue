<script setup lang="ts">
import { bodyRoutes, type MeasurementSet } from "@lodrin/contract";
import { MEASUREMENTS, measurementName } from "@lodrin/core";
import { computed, onBeforeUnmount, ref, useTemplateRef } from "vue";
import { call } from "../../api/call.js";
import { startAutosave } from "../../api/autosave.js";
import { usePeople } from "../../stores/people.js";
import { useShelf } from "../../stores/shelf.js";
import BodyFigure from "../../ui/BodyFigure.vue";
import CollisionNotice from "../../ui/CollisionNotice.vue";
import SaveState from "../../ui/SaveState.vue";
import TapeField from "../../ui/TapeField.vue";
import { useRest } from "../../ui/use-rest.js";
import { withKey } from "../../ui/with-key.js";
import { doubtsByKey } from "../../measures/doubts.js";

/** One dated set of measurements: fields, the figure that shows the tape, doubts beside the fields. Saves by itself. */
const props = defineProps<{ set: MeasurementSet; child: boolean }>();

const UNITS = [
  { value: "in", label: "inches" },
  { value: "cm", label: "centimetres" },
];
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
const asked = (key: string): boolean => !system.value || system.value.measures.some((s) => s.source.key === key);
const isWritten = (key: string): boolean => (local.written[key] ?? "").trim() !== "";

/** Fields by how the tape runs, with how full each group is; what the chosen system does not ask for is folded away at the end. */
const groups = computed(() => {
  const of = (title: string, fields: readonly (typeof MEASUREMENTS)[number][]) => ({
    title,
    fields,
    filled: fields.filter((m) => isWritten(m.key)).length,
  });
  const asks = GROUPS.map(({ title, run }) =>
    of(
      title,
      MEASUREMENTS.filter((m) => run.includes(m.run) && asked(m.key)),
    ),
  );
  return [...asks, of("Not asked for by it", system.value ? MEASUREMENTS.filter((m) => !asked(m.key)) : [])].filter(
    (group) => group.fields.length > 0,
  );
});
const SHOWN = GROUPS.map(({ title }) => title);
const open = ref<string[]>([...SHOWN]);
/** The first group is in sight when a set is opened; the others are drawn next. */
const rest = useRest();
const rooms = useTemplateRef<HTMLElement>("rooms");
function jump(title: string): void {
  if (!open.value.includes(title)) open.value = [...open.value, title];
  rooms.value?.querySelector(`[data-group="${title}"]`)?.scrollIntoView({ behavior: "smooth", block: "start" });
}
const focused = computed(() => system.value?.measures.find((m) => m.source.key === focus.value)?.source);

function write(key: string, text: string): void {
  local.written = withKey(local.written, key, text);
}
</script>

<template>
  <div class="editor">
    <CollisionNotice class="wide" :autosave="autosave" what="measurement set" :fields="FIELDS" />
    <div class="wide head">
      <el-form-item label="Taken on" label-position="top">
        <el-date-picker v-model="local.takenOn" type="date" value-format="YYYY-MM-DD" format="D MMM YYYY" :clearable="false" />
      </el-form-item>
      <el-form-item label="Written in" label-position="top">
        <el-segmented v-model="local.unit" :options="UNITS" aria-label="Written in" />
      </el-form-item>
      <el-form-item label="What for" label-position="top" class="what">
        <el-select v-model="forSystem" filterable placeholder="everything" @visible-change="shelf.load().catch(() => undefined)">
          <el-option value="" label="everything" />
          <el-option v-for="s in shelf.systems" :key="s.sheet.slug" :value="s.sheet.slug" :label="s.sheet.title" />
        </el-select>
      </el-form-item>
      <SaveState :state="state" :saved-at="savedAt" :why="why" />
    </div>
    <el-alert
      v-if="child"
      class="wide"
      type="warning"
      :closable="false"
      show-icon
      title="Measuring a child: a parent or guardian is present, over light clothing, and the child may say stop. Write down no more than the garment needs."
    />
    <div ref="rooms" class="fields">
      <nav class="jumps" aria-label="Groups of measurements">
        <el-button v-for="group in groups" :key="group.title" link type="primary" @click="jump(group.title)"
          >{{ group.title }}&nbsp;<span class="quiet">{{ group.filled }} of {{ group.fields.length }}</span></el-button
        >
      </nav>
      <el-collapse v-model="open">
        <el-collapse-item
          v-for="group in rest ? groups : groups.slice(0, 1)"
          :key="group.title"
          :name="group.title"
          :data-group="group.title"
        >
          <template #title>
            <span class="title">{{ group.title }}</span>
            <el-progress
              class="full"
              :percentage="Math.round((100 * group.filled) / group.fields.length)"
              :show-text="false"
              :aria-label="`${group.title}: ${group.filled} of ${group.fields.length} written`"
            />
          </template>
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
        </el-collapse-item>
      </el-collapse>
      <el-form-item class="note" label="Note" label-position="top"
        ><el-input v-model="local.note" type="textarea" :autosize="{ minRows: 2, maxRows: 8 }" maxlength="4000"
      /></el-form-item>
    </div>
    <div class="figure">
      <BodyFigure :key-name="focus" :how="focused?.how" :course="focused?.course" /><span class="visually-hidden" aria-live="polite">{{
        focus ? measurementName(focus) : ""
      }}</span>
      <p class="small quiet">Enter goes on to the next field.</p>
    </div>
  </div>
</template>

<style scoped>
.editor {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 270px;
  gap: 12px 28px;
  align-items: start;
}
.wide {
  grid-column: 1 / -1;
}
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 0 16px;
  align-items: end;
}
.head .el-form-item {
  margin-bottom: 8px;
}
.what {
  flex: 1;
  min-width: 220px;
  max-width: 380px;
}
.head > :last-child {
  padding-bottom: 20px;
}
.fields {
  padding: 0 20px 20px;
  border-radius: var(--radius);
  background: var(--panel);
  box-shadow: var(--shadow);
}
.jumps {
  position: sticky;
  top: 0;
  z-index: 2;
  display: flex;
  flex-wrap: wrap;
  gap: 0 20px;
  padding: 6px 0;
  background: var(--panel);
  border-bottom: 1px solid var(--rule);
}
.fields :deep(.el-collapse-item) {
  scroll-margin-top: 52px;
}
.fields :deep(.el-collapse-item__header) {
  gap: 16px;
  min-height: 52px;
}
.title {
  font: 560 18px var(--face-title);
}
.full {
  width: 120px;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  gap: 12px 18px;
  padding-top: 4px;
}
.figure {
  position: sticky;
  top: 12px;
  display: grid;
  gap: 8px;
}
.note {
  margin-top: 18px;
}
@media (width < 1000px) {
  .editor {
    grid-template-columns: minmax(0, 1fr) 220px;
  }
}
@media (width < 620px) {
  .editor {
    grid-template-columns: minmax(0, 1fr);
  }
  .figure {
    grid-row: 3;
    position: static;
  }
  .fields {
    padding-inline: 12px;
  }
}
</style>
