import { chartRoutes, type SizeChart } from "@lodrin/contract";
import { defineStore } from "pinia";
import { v4 as uuid } from "uuid";
import { ref } from "vue";
import { call } from "../api/call.js";
import { mayDelete } from "./deleting.js";
import { useUndo } from "./undo.js";

/** The size charts of the house. */
export const useCharts = defineStore("charts", () => {
  const charts = ref<SizeChart[]>([]);
  const loaded = ref(false);

  async function load(): Promise<void> {
    charts.value = await call(chartRoutes.charts, {});
    loaded.value = true;
  }

  async function add(given: Pick<SizeChart, "name" | "note" | "columns" | "sizes">): Promise<SizeChart> {
    const chart = await call(chartRoutes.addChart, { body: { id: uuid(), ...given } });
    charts.value = [...charts.value, chart];
    return chart;
  }

  async function remove(chart: SizeChart): Promise<void> {
    if (!(await mayDelete({ kind: "chart", id: chart.id, title: chart.name }))) return;
    await call(chartRoutes.removeChart, { params: { id: chart.id } });
    charts.value = charts.value.filter(({ id }) => id !== chart.id);
    useUndo().offer(`“${chart.name}” is deleted.`, async () => {
      charts.value = [...charts.value, await call(chartRoutes.restoreChart, { params: { id: chart.id } })];
    });
  }

  /** Takes up what a chart has become after an edit elsewhere. */
  const refresh = (chart: SizeChart): void => void (charts.value = charts.value.map((c) => (c.id === chart.id ? chart : c)));

  return { charts, loaded, load, add, remove, refresh };
});
