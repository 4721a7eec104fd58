<script setup lang="ts">
import { ArrowDown, Close } from "@element-plus/icons-vue";
import { beginWith, type LoadedSystem, pointText, type Run, type Template, TEMPLATES, type TemplateGroup } from "@lodrin/core";
import { computed, type Ref, useTemplateRef } from "vue";
import type { Picked } from "../../../board/picked.js";
import { asksForPieces } from "./gap-words.js";
import type { ByHand } from "./use-by-hand.js";

/** The head of the paper: what can be drawn by hand, of all there is or from what is picked. */
const props = defineProps<{ hand: ByHand; picked: readonly Picked[]; loaded: LoadedSystem; run: Readonly<Ref<Run>> }>();
const pieces = defineModel<boolean>("pieces", { required: true });
const emit = defineEmits<{ clear: [] }>();

const LABELS: Readonly<Record<Exclude<TemplateGroup, "given">, string>> = {
  point: "Point",
  line: "Line",
  dart: "Dart",
  piece: "Piece",
  shape: "Shape",
  sew: "Sew",
  check: "Check",
};
const ON_BOARD: readonly (keyof typeof LABELS)[] = ["point", "line", "dart", "piece", "check"];
const ON_PIECES: readonly (keyof typeof LABELS)[] = ["piece", "shape", "sew", "check"];
/** So many of those that suit what is picked stand ready by themselves. */
const READY = 4;
const draft = computed(() => ({ plan: props.loaded.plan, run: props.run.value }));
const suits = computed(() => TEMPLATES.filter((t) => props.picked.length === 0 || beginWith(t, props.picked, draft.value)));
const menus = computed(() =>
  (pieces.value ? ON_PIECES : ON_BOARD)
    .map((group) => ({ label: LABELS[group], templates: suits.value.filter((t) => t.group === group) }))
    .filter((m) => m.templates.length > 0),
);
const ready = computed(() => (props.picked.length === 0 ? [] : menus.value.flatMap((m) => m.templates).slice(0, READY)));
const pickedWords = computed(() =>
  props.picked
    .map(({ kind, name }) => (kind === "point" ? pointText(name).replace("#", "") : name.replace(/_/g, " ").replace(".", ", ")))
    .join(" · "),
);
const bar = useTemplateRef<HTMLElement>("bar");
defineExpose({ focus: () => bar.value?.querySelector("button")?.focus() });
function begin(template: Template): void {
  props.hand.begin(template, props.picked);
  // Show the paper that the first gap needs.
  if (asksForPieces(template)) pieces.value = true;
  else if (template.group !== "shape") pieces.value = false;
  emit("clear");
}
</script>

<template>
  <div ref="bar" class="tools" role="toolbar" :aria-label="picked.length ? `From ${pickedWords}` : 'Draw by hand'">
    <span v-if="picked.length" class="picked"
      ><b>{{ pickedWords }}</b
      ><el-button text :icon="Close" aria-label="Let go of what is picked" @click="$emit('clear')"
    /></span>
    <el-button v-for="t in ready" :key="t.group + t.key" class="ready" @click="begin(t)">{{ t.label }}</el-button>
    <el-dropdown v-for="m in menus" :key="m.label" trigger="click" max-height="460px" @command="begin($event)">
      <el-button text class="menu"
        >{{ m.label }}<el-icon><ArrowDown /></el-icon
      ></el-button>
      <template #dropdown>
        <el-dropdown-menu>
          <el-dropdown-item v-for="t in m.templates" :key="t.key" :command="t">{{ t.label }}</el-dropdown-item>
        </el-dropdown-menu>
      </template>
    </el-dropdown>
  </div>
</template>

<style scoped>
/* One row, pushed aside where it is longer: the paper below keeps its size. */
.tools {
  display: flex;
  overflow-x: auto;
  align-items: center;
  gap: 2px;
  min-width: 0;
  min-height: 57px;
  padding: 4px 8px;
  background: var(--panel);
  border-bottom: 1px solid var(--rule);
}
.tools > * {
  flex: none;
}
.tools .el-button {
  margin: 0;
  padding-inline: 8px;
}
.picked {
  max-width: 12em;
  padding-left: 6px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
