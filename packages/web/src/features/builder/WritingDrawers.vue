<script setup lang="ts">
import type { Work } from "@lodrin/contract";
import { type Difference, type Finding, isPressing, type LoadedSystem, type Statement } from "@lodrin/core";
import { computed, defineAsyncComponent } from "vue";
import { useSession } from "../../stores/session.js";
import DrawerFrame from "../../drawers/DrawerFrame.vue";
import DrawerRail from "../../drawers/DrawerRail.vue";
import type { Stage } from "./panels/order-of-work.js";
import type { WorkAutosave, Writing } from "./use-writing.js";

// What is pulled out is fetched when it is: the table opens sooner.
const ClassesGotWrong = defineAsyncComponent(() => import("./range/ClassesGotWrong.vue"));
const FilesPanel = defineAsyncComponent(() => import("./panels/FilesPanel.vue"));
const HelpPanel = defineAsyncComponent(() => import("./panels/HelpPanel.vue"));
const OrderPanel = defineAsyncComponent(() => import("./panels/OrderPanel.vue"));
const ProblemsPanel = defineAsyncComponent(() => import("./range/ProblemsPanel.vue"));
const SeamsPanel = defineAsyncComponent(() => import("./panels/SeamsPanel.vue"));
const TryPanel = defineAsyncComponent(() => import("./panels/TryPanel.vue"));
const VersionsPanel = defineAsyncComponent(() => import("./panels/VersionsPanel.vue"));

/** The drawers of the writing table, and the rail that pulls them out. The range takes the place of the paper and is only called here. */
const props = defineProps<{
  work: Work;
  writing: Writing;
  autosave: WorkAutosave;
  published: number;
  ranging: boolean;
  findings: readonly Finding[];
  sum: string;
  /** The word the hand is on, for the help. */
  word: string;
}>();
const drawer = defineModel<DrawerKey | undefined>("drawer", { required: true });
const emit = defineEmits<{
  range: [];
  statement: [index: number];
  difference: [difference: Difference];
  ghost: [system: LoadedSystem | undefined];
  put: [lines: readonly string[]];
  placed: [work: Work];
  stage: [key: Stage["key"]];
  sew: [edge: string];
  change: [index: number, statement: Statement];
}>();
export type DrawerKey = "order" | "seams" | "problems" | "try" | "versions" | "files" | "help";
const session = useSession();
const { loaded, drafted, figures, settings, bodies, body } = props.writing;
const beside = defineModel<string | undefined>("beside", { required: true });
/** Where the run is kept, for fields that follow it by themselves. */
const drafting = { run: drafted };

const DRAWERS: readonly { key: DrawerKey | "range"; name: string }[] = [
  { key: "order", name: "Order" },
  { key: "seams", name: "Seams" },
  { key: "problems", name: "Problems" },
  { key: "range", name: "Range" },
  { key: "try", name: "Try" },
  { key: "versions", name: "Versions" },
  { key: "files", name: "Print, files" },
  { key: "help", name: "Help" },
];
const pressing = computed(() => props.findings.filter(isPressing).length);
const rail = computed(() =>
  DRAWERS.map((d) => ({ ...d, badge: d.key === "problems" && pressing.value > 0 ? `${pressing.value} to look at` : undefined })),
);
function toggle(key: DrawerKey | "range"): void {
  if (key === "range") emit("range");
  else drawer.value = drawer.value === key ? undefined : key;
}
</script>

<template>
  <DrawerFrame v-if="drawer" class="drawer" :name="DRAWERS.find((d) => d.key === drawer)?.name ?? ''" @close="drawer = undefined">
    <ProblemsPanel v-if="drawer === 'problems'" :findings="findings" :sum="sum" @go="$emit('statement', $event)">
      <ClassesGotWrong :slug="work.slug" :loaded="loaded" @go="$emit('statement', $event)" />
    </ProblemsPanel>
    <OrderPanel
      v-else-if="drawer === 'order'"
      :loaded="loaded"
      :run="drafting.run"
      :findings="findings"
      :published="published"
      @stage="$emit('stage', $event)"
    />
    <SeamsPanel
      v-else-if="drawer === 'seams'"
      :loaded="loaded"
      :run="drafting.run"
      @sew="$emit('sew', $event)"
      @go="$emit('statement', $event)"
      @change="(index, statement) => $emit('change', index, statement)"
    />
    <TryPanel
      v-else-if="drawer === 'try'"
      v-model:figures="figures"
      v-model:settings="settings"
      v-model:beside="beside"
      :bodies="bodies"
      :body="body"
      :draft="{ plan: loaded.plan, run: drafting.run }"
      :unit="session.unit"
    />
    <VersionsPanel
      v-else-if="drawer === 'versions'"
      :work="work"
      :loaded="loaded"
      :published="published"
      @ghost="$emit('ghost', $event)"
      @go="$emit('difference', $event)"
      @placed="$emit('placed', $event)"
    />
    <FilesPanel v-else-if="drawer === 'files'" :work="work" :writing="writing" :autosave="autosave" />
    <HelpPanel v-else :word="word" @put="$emit('put', $event)" />
  </DrawerFrame>
  <DrawerRail class="rail" :drawers="rail" :open="drawer ?? (ranging ? 'range' : undefined)" @toggle="toggle" />
</template>

<style scoped>
.drawer {
  grid-column: 3;
  grid-row: 2;
}
.rail {
  grid-column: 4;
  grid-row: 2;
}
@media (width < 1100px) {
  .rail {
    grid-column: 2;
    grid-row: 2 / 4;
  }
  .drawer {
    grid-column: 1;
    grid-row: 2 / 4;
    justify-self: end;
    z-index: 4;
    box-shadow: var(--shadow);
  }
}
@media (width < 620px) {
  .rail {
    grid-column: 1;
    grid-row: 4;
  }
}
</style>
