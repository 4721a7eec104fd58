import type { HomeUnit } from "@lodrin/core";

/** A system of a handout's sentences, a line each below its heading: they are read in the builder, one after the other. */
export function handoutSystem(title: string, unit: HomeUnit, handout: string): string {
  const name = title.replace(/["\n]/g, " ").trim();
  const lines = handout
    .split(/\r\n|\r|\n/)
    .map((line) => line.trim())
    .filter((line) => line !== "");
  return [
    `system "${name === "" ? "A new system" : name}"`,
    `  garment block · unit ${unit} · tape ${unit === "in" ? "1/8" : "1mm"}`,
    "",
    ...lines,
    "",
  ].join("\n");
}
