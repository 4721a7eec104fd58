<script setup lang="ts">
import { run } from "@lodrin/core";
import { DrawingTooLarge, drawBoard, drawPieces, PAPER_KEYS, type PaperKey, PAPERS, planTiles, strokeData } from "@lodrin/formats";
import { computed, onBeforeUnmount, ref } from "vue";
import { RouterLink, useRoute } from "vue-router";
import { useSession } from "../../stores/session.js";
import LoadState from "../../ui/LoadState.vue";
import { useLoad } from "../../ui/use-load.js";
import { useOpenDraft } from "../draft/use-draft.js";

/** The sheet plan as it will come off the printer. */
const route = useRoute();
const session = useSession();
const { open, load, close } = useOpenDraft(() => String(route.params["id"]));
const { ready, why, again } = useLoad(load);
onBeforeUnmount(close);

const paper = ref<PaperKey>(session.unit === "in" ? "Letter" : "A4");
const what = ref<"pieces" | "board">("pieces");
const failed = ref("");

const drafted = computed(() => {
  if (!open.value) return undefined;
  const { local } = open.value.autosave;
  return run(open.value.system.loaded.plan, local.measurements, local.settings, local.unit);
});
const drawing = computed(() => {
  if (!open.value || !drafted.value) return undefined;
  return what.value === "pieces" ? drawPieces(drafted.value) : drawBoard(open.value.system.loaded.plan, drafted.value);
});
const planned = computed(() => {
  if (!drawing.value) return undefined;
  try {
    return { tiles: planTiles(drawing.value, paper.value), tooLarge: "" };
  } catch (error) {
    if (error instanceof DrawingTooLarge) return { tiles: undefined, tooLarge: error.message };
    throw error;
  }
});
const tiles = computed(() => planned.value?.tiles);
const strokes = computed(() =>
  (drawing.value?.marks ?? []).flatMap((m) => (m.kind === "stroke" ? [{ layer: m.layer, d: strokeData(m) }] : [])),
);
const box = computed(() => {
  const last = tiles.value?.tiles[tiles.value.tiles.length - 1];
  const b = drawing.value?.bounds;
  return last && b
    ? { x: b.minX - 6, y: b.minY - 6, w: last.window.maxX - b.minX + 12, h: last.window.maxY - b.minY + 12 }
    : { x: 0, y: 0, w: 1, h: 1 };
});
const printed = computed(() => tiles.value?.tiles.filter((t) => !t.blank).length ?? 0);
const cover = computed(() => tiles.value?.head === 0);

async function take(file: "pattern.pdf" | "handout.pdf"): Promise<void> {
  failed.value = "";
  if (!open.value || !(await open.value.autosave.flush())) {
    failed.value = "The draft is not saved yet, so the print would be an older one. Wait for the connection, then try again.";
    return;
  }
  window.open(
    `/api/drafts/${open.value.draft.id}/files/${file}?paper=${paper.value}&unit=${session.unit}${file === "pattern.pdf" ? `&what=${what.value}` : ""}`,
    "_blank",
    "noopener",
  );
}
</script>

<template>
  <div class="page">
    <LoadState v-if="!ready || !open || !drafted" what="the draft" :why="why" @again="again" />
    <div v-else class="print">
      <section class="choose">
        <p>
          <RouterLink :to="{ name: 'draft', params: { id: open.draft.id } }">← {{ open.autosave.local.name }}</RouterLink>
        </p>
        <h1>Print</h1>
        <p v-if="drafted.missing.length" class="callout warn">
          Some measurements are still missing: what is printed now is not the whole draft.
        </p>
        <label class="text-field">
          <span>Paper</span>
          <select v-model="paper">
            <option v-for="key in PAPER_KEYS" :key="key" :value="key">{{ PAPERS[key].name }}</option>
          </select>
        </label>
        <label class="text-field">
          <span>What</span>
          <select v-model="what">
            <option value="pieces">the pieces</option>
            <option value="board">the construction</option>
          </select>
        </label>
        <p v-if="planned?.tooLarge" class="callout fail" role="alert">{{ planned.tooLarge }}</p>
        <p v-if="tiles" class="big">
          {{ printed }} {{ printed === 1 ? "sheet" : "sheets"
          }}<template v-if="cover"> and one page with the map and the test squares</template
          ><template v-else>, the test squares at its head</template>.
        </p>
        <p v-if="tiles" class="small quiet">
          {{ tiles.rows }} {{ tiles.rows === 1 ? "row" : "rows" }}, {{ tiles.columns }} {{ tiles.columns === 1 ? "column" : "columns" }};
          margins {{ tiles.margin }} mm, neighbours overlap {{ tiles.overlap }} mm. Blank sheets are not printed.
        </p>
        <el-button type="primary" :disabled="!tiles" @click="take('pattern.pdf')">Open the pattern (PDF)</el-button>
        <el-button @click="take('handout.pdf')">Open the handout (PDF)</el-button>
        <p v-if="failed" class="callout fail small" role="alert">{{ failed }}</p>
        <p class="callout small">
          Print at 100 %, never “fit to page”. Then lay a rule on the 5 cm and the 2 in square before you cut anything.
        </p>
      </section>
      <svg
        v-if="tiles"
        class="plan on-paper"
        :viewBox="`${box.x} ${box.y} ${box.w} ${box.h}`"
        role="img"
        :aria-label="`${printed} sheets of ${PAPERS[paper].name} with the drawing over them`"
      >
        <g v-for="t in tiles.tiles" :key="`${t.row}-${t.column}`" :class="{ blank: t.blank }">
          <rect :x="t.window.minX" :y="t.window.minY" :width="t.window.maxX - t.window.minX" :height="t.window.maxY - t.window.minY" />
          <text :x="t.window.minX + 14" :y="t.window.minY + 34">{{ t.row }}-{{ t.column }}{{ t.blank ? " blank" : "" }}</text>
        </g>
        <path v-for="(s, i) in strokes" :key="i" :d="s.d" :class="s.layer" />
      </svg>
    </div>
  </div>
</template>

<style scoped>
.page {
  max-width: 1240px;
}
.print {
  display: grid;
  grid-template-columns: 330px minmax(0, 1fr);
  gap: 32px;
  align-items: start;
}
.choose {
  display: grid;
  gap: 14px;
}
.big {
  font-size: 20px;
}
.plan {
  width: 100%;
  max-height: calc(100vh - 130px);
  padding: 14px;
  background: var(--table-deep);
  border-radius: var(--radius);
}
rect {
  fill: #fffdf6;
  fill-opacity: 0.72;
  stroke: #6f6b5e;
  stroke-width: 1.4;
  stroke-dasharray: 8 5;
}
.blank rect {
  fill: none;
}
text {
  font: 700 24px var(--face);
  fill: #6b6557;
}
path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}
.levels,
.construction,
.grain {
  stroke: #8a8e90;
  stroke-width: 1;
}
.fold {
  stroke-dasharray: 10 4 2 4;
}
@media (width < 860px) {
  .print {
    grid-template-columns: 1fr;
  }
}
</style>
