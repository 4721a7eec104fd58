<script setup lang="ts">
import { breaksAt, fromMm, type HomeUnit, inWords, type LoadedSystem, ownIndex, rowFaults, rowLooks, tapeText } from "@lodrin/core";
import { useElementSize } from "@vueuse/core";
import { computed, ref, useTemplateRef } from "vue";
import SizeChart from "./SizeChart.vue";
import type { Range } from "./use-range.js";

/** A system over a whole chart: all drafts laid on each other, and every check and key length against size. */
const props = defineProps<{ range: Range; loaded: LoadedSystem; unit: HomeUnit }>();
const emit = defineEmits<{ size: [index: number]; light: [statement: number]; problems: [] }>();
const { choices, choice, ends, isBetween, tryBodies, anchor, rows, ms } = props.range;

const holder = useTemplateRef<HTMLElement>("holder");
const { width, height } = useElementSize(holder);
const sizes = computed(() =>
  rows.value.map(({ row }) => ({ size: row.size, broken: breaksAt(row), faults: rowFaults(row), looks: rowLooks(row), row })),
);
const looked = computed(() => sizes.value.filter(({ looks }) => looks.length > 0));
const first = computed(() => sizes.value.findIndex((s) => s.broken));
/** The rule that breaks first, where its author wrote it here; what a base brings along stands in another text. */
const rule = computed(() => {
  const { plan, system } = props.loaded;
  const at = sizes.value[first.value]?.row.checks.find((c) => c.status === "fail")?.statement;
  return ownIndex(system, at === undefined ? undefined : plan.system.statements[at]);
});

/** The box of all drafts, and how it is fitted into the paper. */
const fitted = computed(() => {
  const boxes = rows.value.flatMap(({ bounds }) => (bounds ? [bounds] : []));
  if (boxes.length === 0 || width.value === 0) return undefined;
  const [x0, y0] = [Math.min(...boxes.map((b) => b.minX)), Math.min(...boxes.map((b) => b.minY))];
  const [x1, y1] = [Math.max(...boxes.map((b) => b.maxX)), Math.max(...boxes.map((b) => b.maxY))];
  const PAD = 24;
  const k = Math.min((width.value - 2 * PAD) / Math.max(1, x1 - x0), (height.value - 2 * PAD) / Math.max(1, y1 - y0));
  return { k, x: PAD - x0 * k + (width.value - 2 * PAD - (x1 - x0) * k) / 2, y: PAD - y0 * k };
});
const points = computed(() => [...props.loaded.plan.scope.points.keys()]);

/** What can be drawn against size: the figures of checks, and the lengths of edges. */
const courses = computed(() => {
  const [row] = rows.value;
  return row
    ? [
        ...row.row.checks.map((c) => ({ id: c.id, name: c.name })),
        ...Object.keys(row.row.lengths).map((name) => ({ id: `len ${name}`, name: inWords(name.replace(".", ", ")) })),
      ]
    : [];
});
const course = ref("");
const shown = computed(
  () => courses.value.find((c) => c.id === course.value) ?? courses.value.find((c) => c.id.startsWith("len ")) ?? courses.value[0],
);
const lines = computed(() => {
  const id = shown.value?.id ?? "";
  const length = (mm: number | undefined): number | null => (mm === undefined ? null : Math.round(fromMm(mm, props.unit) * 1000) / 1000);
  if (id.startsWith("len ")) return [{ name: shown.value?.name ?? "", y: rows.value.map(({ row }) => length(row.lengths[id.slice(4)])) }];
  const of = (pick: (c: (typeof rows.value)[number]["row"]["checks"][number]) => number): (number | null)[] =>
    rows.value.map(({ row }) => {
      const check = row.checks.find((c) => c.id === id);
      return check ? length(pick(check)) : null;
    });
  const ends = rows.value.some(({ row }) => typeof row.checks.find((c) => c.id === id)?.expected !== "number");
  const wanted = ends
    ? [0, 1].map((end) => ({
        name: end === 0 ? "at least" : "at most",
        y: of((c) => (typeof c.expected === "number" ? c.expected : (c.expected[end] ?? NaN))),
      }))
    : [{ name: "wanted", y: of((c) => c.expected as number) }];
  return [{ name: "comes to", y: of((c) => c.got) }, ...wanted];
});
const lengthOf = (mm: number | undefined): string => (mm === undefined ? "" : tapeText(mm, props.unit));
</script>

<template>
  <div class="range">
    <div class="asks">
      <el-select v-model="choice" aria-label="Over which bodies" class="which">
        <el-option v-for="c in choices" :key="c.id" :value="c.id" :label="c.name" />
      </el-select>
      <template v-if="isBetween">
        <el-select
          v-for="(said, end) in ['from', 'to']"
          :key="said"
          class="end"
          filterable
          :model-value="ends[end] ?? ''"
          :aria-label="`${said} this body`"
          @update:model-value="ends = end === 0 ? [$event, ends[1]] : [ends[0], $event]"
        >
          <el-option v-for="b in tryBodies" :key="b.id" :value="b.id" :label="`${said} ${b.name}`" />
        </el-select>
      </template>
      <el-select v-model="anchor" clearable filterable placeholder="as they lie" aria-label="Laid on each other by point" class="anchor">
        <el-option v-for="p in points" :key="p" :value="p" :label="`laid on point ${p}`" />
      </el-select>
      <span class="small quiet" role="status">{{ rows.length }} sizes, worked out in {{ Math.round(ms) }} ms</span>
    </div>
    <el-alert v-if="first >= 0" type="warning" show-icon :closable="false">
      <template #title>
        <b>{{ sizes[first]?.size }} is the first size that breaks:</b> {{ sizes[first]?.faults[0] }}
        <el-button link type="primary" @click="emit('size', first)">Open this size</el-button>
        <el-button v-if="rule !== undefined" link type="primary" @click="emit('light', rule)">Show the rule</el-button>
      </template>
    </el-alert>
    <el-alert v-else-if="looked.length" type="info" show-icon :closable="false">
      <template #title>
        Nothing fails at any size.
        {{
          looked.length === sizes.length
            ? "Every size has"
            : looked.length === 1
              ? "One size has"
              : `${looked.length} of ${sizes.length} sizes have`
        }}
        something to look at: {{ looked[0]?.looks[0] }}
        <el-button link type="primary" @click="emit('problems')">Show the problems</el-button>
      </template>
    </el-alert>
    <el-alert v-else-if="rows.length" type="success" show-icon :closable="false" title="Everything holds at every size of this range." />
    <div ref="holder" class="nest on-paper" role="img" :aria-label="`${rows.length} drafts laid on each other`">
      <svg v-if="fitted" :width="width" :height="height">
        <g :transform="`translate(${fitted.x} ${fitted.y}) scale(${fitted.k})`">
          <path
            v-for="(r, i) in rows"
            :key="r.row.size"
            :d="r.data"
            :class="{ broken: sizes[i]?.broken }"
            :style="{ opacity: 0.35 + (0.65 * (i + 1)) / rows.length }"
          >
            <title>{{ r.row.size }}</title>
          </path>
        </g>
      </svg>
    </div>
    <div class="sizes">
      <el-table :data="sizes" size="small" max-height="210" @row-click="(row: (typeof sizes)[number]) => emit('size', sizes.indexOf(row))">
        <el-table-column label="Size" width="90">
          <template #default="{ row }"
            ><el-button link type="primary" @click.stop="emit('size', sizes.indexOf(row))">{{ row.size }}</el-button></template
          >
        </el-table-column>
        <el-table-column label="What it says">
          <template #default="{ row }">{{ row.faults[0] ?? (row.looks[0] ? `Look: ${row.looks[0]}` : "all holds") }}</template>
        </el-table-column>
        <el-table-column v-if="shown?.id.startsWith('len ')" :label="shown.name" width="130">
          <template #default="{ row }">{{ lengthOf(row.row.lengths[shown!.id.slice(4)]) }}</template>
        </el-table-column>
      </el-table>
      <div class="course">
        <el-select v-model="course" filterable :placeholder="shown?.name ?? ''" aria-label="Against size">
          <el-option v-for="c in courses" :key="c.id" :value="c.id" :label="c.name" />
        </el-select>
        <SizeChart
          v-if="rows.length"
          :sizes="sizes.map((s) => s.size)"
          :lines="lines"
          :unit="unit"
          :broken="sizes.map((s) => s.broken)"
          :name="shown?.name ?? ''"
        />
      </div>
    </div>
  </div>
</template>

<style scoped>
.range {
  display: grid;
  grid-template: max-content max-content minmax(220px, 1fr) max-content / minmax(0, 1fr);
  gap: 8px;
  height: 100%;
  padding: 10px 12px;
  overflow: auto;
  container-type: inline-size;
}
.asks {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.end {
  width: 190px;
}
.which {
  width: 250px;
}
.anchor {
  width: 190px;
}
.nest {
  min-height: 220px;
  background: var(--paper);
  border-radius: var(--radius);
}
.nest path {
  fill: none;
  stroke: #2f3437;
  stroke-width: 1.4;
  vector-effect: non-scaling-stroke;
}
.nest path.broken {
  stroke: #a3341c;
  stroke-dasharray: 6 4;
}
.sizes {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 12px;
}
/* Beside an open drawer there is little room: the sizes then stand above their course. */
@container (width < 480px) {
  .sizes {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
