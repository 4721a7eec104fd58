const PARTS = /^(.*?)([0-9]+)$/;
const LONGEST = 60;

/** The points from one to another of the same letters, both included: B1 to B5. Undefined when they do not follow on each other. */
export function pointsBetween(first: string, last: string): string[] | undefined {
  const [, letters, from] = PARTS.exec(first) ?? [];
  const [, same, to] = PARTS.exec(last) ?? [];
  if (letters === undefined || letters !== same || Number(to) <= Number(from) || Number(to) - Number(from) >= LONGEST) return undefined;
  return Array.from({ length: Number(to) - Number(from) + 1 }, (_, i) => `${letters}${Number(from) + i}`);
}

/** A list of points in which some stand for all from the one before, written out; or why it cannot be. */
export function pointRange(list: readonly (string | { readonly last: string })[]): string[] | { why: string; fix: string } {
  const out: string[] = [];
  for (const item of list) {
    if (typeof item === "string") out.push(item);
    else {
      const between = pointsBetween(out[out.length - 1] ?? "", item.last);
      if (!between)
        return {
          why: `${out[out.length - 1] ?? ""}..${item.last} is no run of points.`,
          fix: "Both ends have the same letters and the second the higher number: B1..B5.",
        };
      out.push(...between.slice(1));
    }
  }
  return out;
}
