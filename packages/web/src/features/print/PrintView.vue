<script setup lang="ts">
import { Back, Printer } from "@element-plus/icons-vue";
import { run } from "@lodrin/core";
import { DrawingTooLarge, drawBoard, drawPieces, type PaperKey, planTiles, strokeLength } from "@lodrin/formats";
import { computed, onBeforeUnmount, ref } from "vue";
import { RouterLink, useRoute } from "vue-router";
import { useSession } from "../../stores/session.js";
import LoadState from "../../ui/LoadState.vue";
import { useLoad } from "../../ui/use-load.js";
import { useAttempt } from "../../ui/use-attempt.js";
import { takeFile } from "../../ui/take-file.js";
import { useOpenDraft } from "../../drafting/use-draft.js";
import PaperChoice from "./PaperChoice.vue";
import SheetPlan from "./SheetPlan.vue";

/** What to print, on which paper, and the sheets as they will come off the printer. */
const route = useRoute();
const session = useSession();
const { open, load, close } = useOpenDraft(() => String(route.params["id"]));
const { ready, why, again } = useLoad(load);
onBeforeUnmount(close);

const WHAT = [
  { value: "pieces", label: "The pieces" },
  { value: "board", label: "The construction" },
];
const paper = ref<PaperKey>(session.unit === "in" ? "Letter" : "A4");
const what = ref<"pieces" | "board">("pieces");
const left = ref<string[]>([]);
const joins = ref(true);
const { why: failed, attempt } = useAttempt();

const drafted = computed(() => {
  if (!open.value) return undefined;
  const { local } = open.value.autosave;
  return run(open.value.system.loaded.plan, local.measurements, local.settings, local.unit);
});
const pieces = computed(() => drafted.value?.pieces ?? []);
/** The pieces to print; those left out are remembered, so that a new one is printed. */
const chosen = computed({
  get: () => pieces.value.map((p) => p.key).filter((key) => !left.value.includes(key)),
  set: (keys) => (left.value = pieces.value.map((p) => p.key).filter((key) => !keys.includes(key))),
});
const drawing = computed(() => {
  if (!open.value || !drafted.value) return undefined;
  if (what.value === "board") return drawBoard(open.value.system.loaded.plan, drafted.value);
  return chosen.value.length > 0 ? drawPieces(drafted.value, chosen.value) : undefined;
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
const printed = computed(() => tiles.value?.tiles.filter((t) => !t.blank).length ?? 0);
const cover = computed(() => tiles.value?.head === 0);
/** All lines together, in metres: what a printer's ink goes into. */
const metres = computed(() => Math.round((drawing.value ? strokeLength(drawing.value) : 0) / 1_000));

async function take(file: string, query: Record<string, string>): Promise<void> {
  failed.value = "";
  if (!open.value || !(await open.value.autosave.flush())) {
    failed.value = "The draft is not saved yet, so the print would be an older one. Wait for the connection, then try again.";
    return;
  }
  const asked = new URLSearchParams({ paper: paper.value, unit: session.unit, ...query });
  const { id } = open.value.draft;
  await attempt(() => takeFile(`/api/drafts/${id}/files/${file}?${asked.toString()}`, file));
}
const takePattern = (): Promise<void> =>
  take("pattern.pdf", {
    what: what.value,
    ...(what.value === "pieces" && left.value.length > 0 ? { pieces: chosen.value.join(",") } : {}),
  });
</script>

<template>
  <div class="page">
    <LoadState v-if="!ready || !open || !drafted" what="the draft" :why="why" @again="again" />
    <div v-else class="print">
      <section class="choose">
        <p>
          <RouterLink class="back" :to="{ name: 'draft', params: { id: open.draft.id } }"
            ><el-icon><Back /></el-icon> {{ open.autosave.local.name }}</RouterLink
          >
        </p>
        <h1>Print</h1>
        <el-alert
          v-if="drafted.missing.length"
          type="warning"
          :closable="false"
          show-icon
          title="Some measurements are still missing: what is printed now is not the whole draft."
        />
        <PaperChoice v-model="paper" />
        <el-segmented v-model="what" :options="WHAT" aria-label="What to print" block />
        <fieldset v-if="what === 'pieces' && pieces.length > 1">
          <legend>Which pieces</legend>
          <el-checkbox-group v-model="chosen" class="pieces">
            <el-checkbox v-for="p in pieces" :key="p.key" :value="p.key">{{ p.title }}</el-checkbox>
          </el-checkbox-group>
        </fieldset>
        <el-alert v-if="planned?.tooLarge" type="error" role="alert" :closable="false" :title="planned.tooLarge" />
        <el-alert v-if="!drawing" type="warning" :closable="false" title="Choose a piece to print." />
        <p v-if="tiles" class="big">
          {{ printed }} {{ printed === 1 ? "sheet" : "sheets"
          }}<template v-if="cover"> and one page with the map and the test squares</template
          ><template v-else>, the test squares at its head</template>.
        </p>
        <p v-if="tiles" class="small quiet">
          {{ tiles.rows }} {{ tiles.rows === 1 ? "row" : "rows" }}, {{ tiles.columns }} {{ tiles.columns === 1 ? "column" : "columns" }};
          margins {{ tiles.margin }} mm, neighbours overlap {{ tiles.overlap }} mm. Blank sheets are not printed. About {{ metres }} m of
          line: little ink, no grey.
        </p>
        <ol class="order">
          <li>
            <b>The test squares first</b>, at 100 %, never “fit to page”: lay a rule on the 5 cm and the 2 in square.
            <el-button :icon="Printer" @click="take('pattern.pdf', { what: 'square' })">Test squares (PDF)</el-button>
          </li>
          <li>
            <b>Then the pattern</b>, with the same settings of the printer.
            <el-button type="primary" :icon="Printer" :disabled="!tiles" @click="takePattern">Open the pattern (PDF)</el-button>
          </li>
          <li v-if="printed > 1">
            <b>Join it</b>: trim one of two neighbours at its dashed frame, lay diamond on diamond, tape. Each row from left to right, then
            the rows.
            <el-checkbox v-model="joins">Show the order</el-checkbox>
          </li>
        </ol>
        <el-button text :icon="Printer" @click="take('handout.pdf', {})">Open the handout (PDF)</el-button>
        <el-alert v-if="failed" type="error" role="alert" :closable="false" :title="failed" />
      </section>
      <SheetPlan v-if="tiles && drawing" :tiles="tiles" :drawing="drawing" :joins="joins && printed > 1" />
    </div>
  </div>
</template>

<style scoped>
.page {
  max-width: 1240px;
}
.print {
  display: grid;
  grid-template-columns: 370px minmax(0, 1fr);
  gap: 32px;
  align-items: start;
}
.choose {
  display: grid;
  gap: 12px;
}
.back {
  display: inline-flex;
  align-items: center;
  gap: 6px;
}
fieldset {
  margin: 0;
  padding: 0;
  border: 0;
  min-width: 0;
}
legend {
  padding: 0;
  font-weight: 600;
}
.pieces {
  display: flex;
  flex-wrap: wrap;
  gap: 0 18px;
}
.pieces .el-checkbox {
  margin: 0;
}
.big {
  font-size: 20px;
}
.order {
  display: grid;
  gap: 10px;
  margin: 0;
  padding-left: 22px;
}
.order .el-button {
  display: flex;
  margin-top: 6px;
}
@media (width < 860px) {
  .page {
    padding: 16px 14px 60px;
  }
  .print {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
