import type { EdgeText } from "@lodrin/core";

/** What may become of an edge that is sewn to no other, by how the notation calls it. */
export const FINISHES = [
  { value: "fold", label: "on the fold" },
  { value: "finished", label: "finished as it is" },
  { value: "hemmed", label: "turned up, a hem" },
  { value: "faced", label: "faced or bound" },
  { value: "zip", label: "holds the closure" },
  { value: "open", label: "left for another pattern" },
] as const;

/** An edge of which this is said, and nothing else of the kind; any other word says nothing. */
export function withFinish({ finish: _, treatment: __, ...edge }: EdgeText, is: string): EdgeText {
  const found = FINISHES.find(({ value }) => value === is)?.value;
  if (found === undefined) return edge;
  return found === "fold" || found === "finished" ? { ...edge, finish: found } : { ...edge, treatment: found };
}
