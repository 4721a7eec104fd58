import type { HomeUnit } from "@lodrin/core";

/** What a new system begins with: a frame that draws at once, to be written over. */
export const NEW_SYSTEM = `system "A new system"
  garment block · unit cm · tape 1mm
  about "What it makes, and for whom."

measure chest girth 70..140  "Round the fullest part of the chest."
measure back_waist length 32..56  "From the nape down the spine to the waist."
set ease = 4 from 0 to 12  "Ease of the quarter chest."

board B "Back" · centre fold

part "Frame"
value width = chest/4 + ease  "A quarter of the chest and its ease."
#0 start  "The nape."
#1 down back_waist from #0  "Down from 0 the back waist length: the waist."
#2 out width from #0  "Square out from 0 the width."
#3 out width from #1  "Square out from 1 the width."
line side: #2 > #3  "The side."
`;

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
