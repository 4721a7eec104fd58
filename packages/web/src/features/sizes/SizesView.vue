<script setup lang="ts">
import { Delete, Plus } from "@element-plus/icons-vue";
import type { SizeChart } from "@lodrin/contract";
import { readChart } from "@lodrin/formats";
import { useFileDialog } from "@vueuse/core";
import { computed, ref } from "vue";
import { RouterLink, useRoute, useRouter } from "vue-router";
import { useCharts } from "../../stores/charts.js";
import { useSession } from "../../stores/session.js";
import LoadState from "../../ui/LoadState.vue";
import { useAttempt } from "../../ui/use-attempt.js";
import { useLoad } from "../../ui/use-load.js";
import ChartEditor from "./ChartEditor.vue";

/** The workshop's size charts: sizes down, measurements across. */
const charts = useCharts();
const session = useSession();
const route = useRoute();
const router = useRouter();
const { ready, why, again } = useLoad(() => charts.load());
const { why: failed, attempt } = useAttempt();
const chart = computed(() => charts.charts.find((c) => c.id === route.params["id"]) ?? charts.charts[0]);
const mayWrite = computed(() => session.account?.role !== "student");

const add = (given: Pick<SizeChart, "name" | "note" | "columns" | "sizes">): Promise<void> =>
  attempt(async () => {
    const made = await charts.add(given);
    await router.push({ name: "sizes", params: { id: made.id } });
  });
const NEW = { name: "New chart", note: "", columns: [{ key: "bust", unit: "cm" as const }], sizes: [{ name: "10", figures: {} }] };

const told = ref("");
const { open: choose, onChange } = useFileDialog({ accept: ".csv,text/csv", multiple: false, reset: true });
onChange(async (files) => {
  const file = files?.[0];
  if (!file) return;
  const { sizes, problems } = readChart(await file.text());
  told.value = problems.map((p) => `Line ${p.line}: ${p.why} ${p.fix}`).join(" ");
  if (sizes.length === 0) return;
  const keys = [...new Set(sizes.flatMap((s) => Object.keys(s.measurements)))];
  const unitOf = (key: string): "in" | "cm" => (sizes.some((s) => /\bin$/.test(s.measurements[key] ?? "")) ? "in" : "cm");
  await add({
    name: file.name.replace(/\.csv$/i, "").slice(0, 100) || "Chart",
    note: "",
    columns: keys.map((key) => ({ key, unit: unitOf(key) })),
    sizes: sizes.map((s) => ({
      name: s.name.slice(0, 40),
      figures: Object.fromEntries(
        Object.entries(s.measurements).map(([key, text]) => [key, text.replace(/\s*(in|cm)$/i, "").slice(0, 40)]),
      ),
    })),
  });
});
</script>

<template>
  <div class="page">
    <h1>Sizes</h1>
    <p class="lead quiet">
      Charts a system can be drafted on as on a body, and tried over. Whose figures lie nearest to a size is told with each person's.
    </p>
    <LoadState v-if="!ready" what="the size charts" :why="why" @again="again" />
    <template v-else>
      <el-alert v-if="failed" :title="failed" type="error" role="alert" :closable="false" />
      <el-alert v-if="told" :title="told" type="warning" show-icon @close="told = ''" />
      <div class="charts">
        <nav aria-label="Charts">
          <RouterLink
            v-for="c in charts.charts"
            :key="c.id"
            :to="{ name: 'sizes', params: { id: c.id } }"
            :class="{ here: c.id === chart?.id }"
          >
            <b>{{ c.name }}</b> <span class="small quiet">{{ c.sizes.length }} sizes · {{ c.by }}</span>
          </RouterLink>
        </nav>
        <template v-if="mayWrite">
          <el-button type="primary" :icon="Plus" @click="add(NEW)">New chart</el-button>
          <el-button @click="choose()">From a CSV file</el-button>
          <el-button v-if="chart?.mine" text :icon="Delete" @click="attempt(() => charts.remove(chart!))">Delete this chart</el-button>
        </template>
      </div>
      <ChartEditor v-if="chart" :key="chart.id" :chart="chart" />
      <el-empty v-else description="No chart yet. Begin one, or bring one in from a spreadsheet as CSV: size, bust, waist …" />
    </template>
  </div>
</template>

<style scoped>
.page {
  max-width: 1680px;
}
.lead {
  margin: 6px 0 16px;
  max-width: 70ch;
}
.charts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin-bottom: 14px;
}
.charts .el-button {
  margin: 0;
}
nav {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-right: 12px;
}
nav a {
  display: grid;
  padding: 8px 14px;
  border-radius: var(--radius);
  color: var(--ink);
  text-decoration: none;
}
nav a.here {
  background: var(--panel);
  box-shadow: inset 4px 0 0 var(--now);
}
</style>
