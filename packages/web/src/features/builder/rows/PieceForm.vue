<script setup lang="ts">
import { Aim, Delete, Plus, Top } from "@element-plus/icons-vue";
import { alongText, type EdgeText, type LoadedSystem, type Run, type Statement, withPicked } from "@lodrin/core";
import { computed, type Ref } from "vue";
import type { Picked } from "../../../board/picked.js";
import LineField from "../text/LineField.vue";
import { FINISHES, withFinish } from "./edge-finishes.js";
import { unquoted } from "./row-fields.js";
import { usePicking } from "../paper/use-picking.js";
import SettledInput from "../../../ui/SettledInput.vue";

/** A piece: its edges one a row, gone round in order and pressed on the paper; how it is cut, its grain and its notches. */
type Piece = Extract<Statement, { is: "piece" }>;
const props = defineProps<{ statement: Piece; loaded: LoadedSystem; run: Readonly<Ref<Run>> }>();
const emit = defineEmits<{ change: [statement: Statement] }>();

const edges = computed(() => props.statement.edges ?? []);
const notches = computed(() => props.statement.notches ?? []);
/** A part that is emptied is left out. */
function put(change: { readonly [K in keyof Piece]?: Piece[K] | undefined }): void {
  emit(
    "change",
    Object.fromEntries(Object.entries({ ...props.statement, ...change }).filter(([, v]) => v !== undefined)) as unknown as Piece,
  );
}
function putEdge(at: number, change: { readonly [K in keyof EdgeText]?: EdgeText[K] | undefined }): void {
  const changed = edges.value.map((edge, i) => (i === at ? without({ ...edge, ...change }) : edge));
  put({ edges: changed });
}
const without = (edge: object): EdgeText =>
  Object.fromEntries(Object.entries(edge).filter(([, v]) => v !== undefined && v !== "")) as EdgeText;

/** Names are of the notation: small letters, digits and low lines. */
function rename(at: number, said: string): void {
  const role = said
    .trim()
    .toLowerCase()
    .replace(/\W+/g, "_")
    .replace(/^[^a-z]+|_+$/g, "");
  if (role !== "") putEdge(at, { role });
}
const EDGES_ARE = [{ value: "", label: "a seam" }, ...FINISHES];
const CORNERS = [
  { value: "", label: "as it comes" },
  { value: "mitre", label: "mitred" },
  { value: "square", label: "square" },
  { value: "mirrored", label: "mirrored" },
];

const { field, ask } = usePicking((asked, what: Picked) => {
  if (asked === "notch") {
    if (what.kind === "point") put({ notches: [...notches.value, { at: what.name, ticks: 1 }] });
    return;
  }
  const at = Number(asked);
  const edge = edges.value[at];
  if (edge) putEdge(at, { along: withPicked(props.loaded.plan, props.run.value, edge.along, what) });
  else {
    // The first that is pressed begins the edge, and names it where it has a name.
    const role = what.kind === "path" ? what.name : `edge_${at + 1}`;
    put({ edges: [...edges.value, { role, along: withPicked(props.loaded.plan, props.run.value, [], what) }] });
  }
});
/** Edges are gone round in order. */
const earlier = (at: number): void =>
  put({
    edges: [
      ...edges.value.slice(0, at - 1),
      ...edges.value.slice(at, at + 1),
      ...edges.value.slice(at - 1, at),
      ...edges.value.slice(at + 1),
    ],
  });
const drop = (at: number, i: number): void => {
  const along = edges.value[at]?.along.filter((_, k) => k !== i) ?? [];
  if (along.length > 0) putEdge(at, { along });
  else put({ edges: edges.value.filter((_, k) => k !== at) });
};
</script>

<template>
  <div class="piece">
    <div class="line">
      <SettledInput :text="statement.title" label="What the piece is called" @put="put({ title: unquoted($event) })" />
      <label class="small" for="piece-cut">cut</label>
      <el-input-number
        id="piece-cut"
        :model-value="statement.cut"
        :min="1"
        :max="20"
        aria-label="How many are cut"
        @change="put({ cut: $event ?? 1 })"
      />
      <el-checkbox :model-value="statement.onFold === true" @change="put({ onFold: $event ? true : undefined })">on the fold</el-checkbox>
      <el-checkbox :model-value="statement.mirrored === true" @change="put({ mirrored: $event ? true : undefined })">as a pair</el-checkbox>
    </div>
    <p class="small quiet">Its edges, in the order they are gone round. Ask for the paper at one, then press its points and lines there.</p>
    <div v-for="(edge, at) in edges" :key="at" class="edge" :class="{ asked: field === String(at) }">
      <SettledInput :text="edge.role.replace(/_/g, ' ')" :label="`Edge ${at + 1}`" @put="rename(at, $event)" />
      <div class="along">
        <el-tag v-for="(item, i) in edge.along" :key="i" type="info" closable :disable-transitions="true" @close="drop(at, i)">{{
          alongText(item)
        }}</el-tag>
        <el-button
          size="small"
          :type="field === String(at) ? 'primary' : ''"
          :icon="Aim"
          :aria-pressed="field === String(at)"
          :aria-label="`Press edge ${at + 1} on the paper`"
          @click="ask(String(at))"
          >{{ field === String(at) ? "that is all" : "on the paper" }}</el-button
        >
      </div>
      <div class="facts">
        <LineField
          formula
          :label="`Allowance of edge ${at + 1}`"
          :loaded="loaded"
          placeholder="allowance"
          :model-value="edge.allow ?? ''"
          @update:model-value="putEdge(at, { allow: $event })"
        />
        <el-select
          :model-value="edge.finish ?? edge.treatment ?? ''"
          :empty-values="[undefined]"
          :aria-label="`What edge ${at + 1} is`"
          @change="put({ edges: edges.map((e, i) => (i === at ? withFinish(e, $event) : e)) })"
        >
          <el-option v-for="o in EDGES_ARE" :key="o.value" v-bind="o" />
        </el-select>
        <el-select
          :model-value="edge.corner ?? ''"
          :empty-values="[undefined]"
          :aria-label="`Corner of edge ${at + 1}`"
          @change="putEdge(at, { corner: $event === '' ? undefined : $event })"
        >
          <el-option v-for="o in CORNERS" :key="o.value" v-bind="o" />
        </el-select>
        <el-button text :icon="Top" :disabled="at === 0" :aria-label="`Edge ${at + 1} earlier`" @click="earlier(at)" />
        <el-button text :icon="Delete" :aria-label="`Take edge ${at + 1} away`" @click="put({ edges: edges.filter((_, i) => i !== at) })" />
      </div>
    </div>
    <div class="line">
      <el-button
        size="small"
        :type="field === String(edges.length) ? 'primary' : ''"
        :icon="Plus"
        :aria-pressed="field === String(edges.length)"
        @click="ask(String(edges.length))"
        >Another edge, pressed on the paper</el-button
      >
      <el-button size="small" :type="field === 'notch' ? 'primary' : ''" :icon="Aim" :aria-pressed="field === 'notch'" @click="ask('notch')"
        >Notches, pressed on the paper</el-button
      >
      <template v-for="(n, i) in notches" :key="i">
        <el-tag
          v-if="'at' in n"
          type="info"
          closable
          :disable-transitions="true"
          @close="put({ notches: notches.filter((_, k) => k !== i) })"
          >{{ ["", "notch", "double notch", "triple notch"][n.ticks] }} at {{ alongText({ point: n.at }) }}</el-tag
        >
      </template>
    </div>
    <div class="line">
      <span class="small label">Grain along</span>
      <LineField
        formula
        label="Grain along"
        :loaded="loaded"
        placeholder="#0-#1"
        :model-value="statement.grain ?? ''"
        @update:model-value="put({ grain: $event.trim() === '' ? undefined : $event })"
      />
    </div>
  </div>
</template>

<style scoped>
.piece {
  grid-column: 1 / -1;
  display: grid;
  gap: 8px;
}
.line,
.along,
.facts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: center;
}
.line > :deep(.el-input),
.line > .line-field {
  flex: 1;
  min-width: 140px;
}
.edge {
  display: grid;
  grid-template-columns: 130px minmax(0, 1fr);
  gap: 4px 10px;
  align-items: start;
  padding: 6px 0 6px 8px;
  border-left: 4px solid var(--rule);
}
.edge.asked {
  border-color: var(--now);
}
.facts {
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 130px 130px 40px 40px;
}
.el-button + .el-button {
  margin-left: 0;
}
</style>
