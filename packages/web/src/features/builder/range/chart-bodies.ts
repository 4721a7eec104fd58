import type { SizeChart } from "@lodrin/contract";
import { filledFrom, type Given, type Plan, sampleBody } from "@lodrin/core";
import { sizeWritten } from "../../../measures/size-body.js";
import type { RangeChoice } from "./use-range.js";
import type { TryBody } from "../use-writing.js";

/** The figures of a size that the system means as the chart does. What the chart lacks comes from the middle of the ranges: the draft goes on. */
const sizeFor = (plan: Plan, chart: SizeChart, size: SizeChart["sizes"][number]): Given => ({
  ...sampleBody(plan),
  ...filledFrom(sizeWritten(chart, size), plan.measures),
});

/** The sizes of a chart as bodies to try a system on. */
export function sizeBodies(chart: SizeChart): TryBody[] {
  return chart.sizes.map((size) => ({
    id: `${chart.id} ${size.name}`,
    name: `${chart.name}, ${size.name}`,
    given: (plan: Plan) => ({ measurements: sizeFor(plan, chart, size), unit: plan.system.unit }),
  }));
}

/** A chart as a range: every size of it. */
export function chartRange(chart: SizeChart): RangeChoice {
  return {
    id: chart.id,
    name: `${chart.name}: ${chart.sizes.length} sizes`,
    bodies: ({ plan }) =>
      chart.sizes.map((size) => ({
        size: size.name,
        measurements: sizeFor(plan, chart, size),
        unit: plan.system.unit,
      })),
  };
}
