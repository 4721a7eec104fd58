import { measureLine, measurementByKey, MEASUREMENTS, type System, type Statement } from "@lodrin/core";

/** Something that can be put into a system where it belongs, and is then filled in where it stands. */
export interface Addition {
  readonly says: string;
  /** Lines of the notation: a statement with what is indented under it. */
  readonly lines: readonly string[];
}

/** What every system may have more of; what needs a measurement or points is offered when there are some. */
export function additions({ statements }: System): Addition[] {
  const has = new Set(statements.flatMap((s) => ("key" in s && typeof s.key === "string" ? [s.key] : [])));
  const free = (base: string): string => {
    for (let n = 1; ; n++) if (!has.has(`${base}_${n}`)) return `${base}_${n}`;
  };
  const measure = statements.find((s) => s.is === "measure" && s.kind !== "number");
  const more: Addition[] = [
    { says: "A choice", lines: [`choose ${free("choice")}  "What is chosen."`, '  first  "Suits most."', '  second  "Suits some."'] },
    ...withMeasure(measure, free),
    { says: "A caution", lines: ['caution "What can hurt, and what to do about it."'] },
    { says: "A lesson", lines: ['lesson "What a student should know before the first line."'] },
  ];
  return more;
}

function withMeasure(measure: Statement | undefined, free: (base: string) => string): Addition[] {
  if (measure?.is !== "measure") return [];
  const { key, from } = measure;
  return [{ says: "A table", lines: [`table ${free("table")} by ${key}, steps: up to ${from} -> 1 · above -> 2`] }];
}

/** The usual measurements that a system does not ask for yet, whole: with range, how it is taken, and the standard's name for it. */
export function usualMeasurements({ statements, unit }: System): (Addition & { readonly key: string })[] {
  const has = new Set(statements.flatMap((s) => (s.is === "measure" ? [s.key] : [])));
  return MEASUREMENTS.filter(({ key }) => !has.has(key)).map(({ key, name }) => {
    const iso = measurementByKey(key)?.iso;
    return { key, says: name, lines: [measureLine(key, unit), ...(iso === undefined ? [] : [`  iso "${iso}"`])] };
  });
}
