import type { Plan } from "@lodrin/core";

/** Where a system's title stops being its name and goes on to tell what sets it apart. */
const TELLS = /,| with | on | from | for /;
const LONGEST = 120;

/** What a new draft is called: the system in few words, and whose it is. “Long jacket, Merrin”; a size keeps its whole name. */
export function draftName(title: string, person: string | undefined, isSize = false): string {
  const [short = title] = title.split(TELLS);
  const first = isSize ? person : person?.trim().split(/\s+/)[0];
  return (first ? `${short}, ${first}` : short).slice(0, LONGEST);
}

/** The first step that puts something on the paper: those before it only reckon. */
export function firstDrawn(plan: Plan): number {
  return Math.max(
    0,
    plan.steps.findIndex(({ source }) => source.is !== "value"),
  );
}
