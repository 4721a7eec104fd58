import { readFileSync } from "node:fs";
import { loadSystem, type Plan } from "@lodrin/core";
import { readLibrary as readNotations } from "@lodrin/formats/library";

/** A system of the library with the body and the settings of its worked example. */
export interface Worked {
  readonly slug: string;
  readonly plan: Plan;
  readonly measurements: Record<string, number>;
  readonly settings: Record<string, string | number>;
}

/** Every system of the library. */
export function readLibrary(): Worked[] {
  const library = readNotations("systems");
  return Object.entries(library).map(([slug, notation]) => {
    const { examples } = JSON.parse(readFileSync(`systems/worked/${slug}.json`, "utf8")) as {
      examples: [Pick<Worked, "measurements" | "settings">];
    };
    return { slug, plan: loadSystem(notation, library).plan, ...examples[0] };
  });
}

/** Forty bodies round the worked one, five to fifteen per cent smaller and larger. */
export function fortyBodies({ measurements }: Worked): Record<string, number>[] {
  return Array.from({ length: 40 }, (_, i) => {
    const by = 0.92 + (0.2 * i) / 39;
    return Object.fromEntries(Object.entries(measurements).map(([key, value]) => [key, key === "age" ? value : value * by]));
  });
}
