import { type AlongItem, type Pressed, withPicked } from "../edit/edge-along.js";
import type { Plan } from "../plan/plan.js";
import type { Run } from "../run/run.js";
import { pointText } from "../verb/form.js";
import { type Filled, type Gap, type GapKind, gapsOf, isWhole, MANY_KINDS } from "./gaps.js";
import type { Template } from "./template.js";

/** A template that is being filled in: the values of its gaps, and the current gap. */
export interface Filling {
  readonly template: Template;
  readonly filled: Filled;
  readonly asked: string | undefined;
}

/** The draft on which things are pressed. */
export interface Draft {
  readonly plan: Plan;
  readonly run: Run;
}

/** What each kind is filled with when it is pressed, before anything else. */
const TAKES: Readonly<Record<Pressed["kind"], ReadonlySet<GapKind>>> = {
  point: new Set(["point", "points", "places", "walk"]),
  path: new Set(["path", "paths", "line", "ends", "walk", "dart"]),
  edge: new Set(["edge", "edges"]),
  piece: new Set(["piece"]),
};
/** Kinds that are measured off what is pressed. */
const MEASURED: ReadonlySet<GapKind> = new Set(["length"]);

/**
 * A template with nothing filled in but what is usual: the first of words that are written otherwise than they are said, and for a
 * line a name that is free.
 */
export function beginFilling(template: Template, { plan }: Pick<Draft, "plan">): Filling {
  const usual = gapsOf(template.parts).flatMap(({ gap: { name, kind, options }, must }) => {
    if (must && options.some(({ says, writes }) => says !== writes)) return [[name, [options[0]?.says ?? ""]] as const];
    return kind === "newKey" && template.group === "line" ? [[name, [freeName(plan, template.label)]] as const] : [];
  });
  const filled = Object.fromEntries(usual);
  return { template, filled, asked: nextAsked(template, filled) };
}

/** What it is, and the first number that no line has with it. */
function freeName(plan: Plan, label: string): string {
  const [base = "line"] = /curve|arc|guideline/.exec(label) ?? [];
  for (let n = 1; ; n++) if (!plan.scope.paths.has(`${base}_${n}`)) return `${base} ${n}`;
}

const PRESSED: ReadonlySet<GapKind> = new Set([...Object.values(TAKES)].flatMap((kinds) => [...kinds]));

/** The gap to be filled next: places and lines, which are pressed, before figures and names, which are typed. */
export function nextAsked({ parts }: Template, filled: Filled): string | undefined {
  const open = gapsOf(parts).flatMap(({ gap, must }) => (must && !isWhole(gap, filled[gap.name]) ? [gap] : []));
  return (open.find(({ kind }) => PRESSED.has(kind)) ?? open[0])?.name;
}

/** The filling with new values in a gap; a full gap makes the next one current. */
export function fillGap({ template, filled, asked }: Filling, gap: Gap, values: readonly string[]): Filling {
  const now = { ...filled, [gap.name]: values };
  const full = isWhole(gap, values) && !MANY_KINDS.has(gap.kind);
  return { template, filled: now, asked: full && asked === gap.name ? nextAsked(template, now) : asked };
}

/**
 * What was pressed on the paper goes into the current gap, or else into the next one that accepts it. Undefined when
 * none does.
 */
export function pressInto(filling: Filling, pressed: Pressed, draft: Draft): Filling | undefined {
  const { template, filled, asked } = filling;
  const gaps = gapsOf(template.parts);
  const now = gaps.find(({ gap }) => gap.name === asked)?.gap;
  const open = gaps.filter(({ gap, must }) => must && gap !== now && !isWhole(gap, filled[gap.name])).map(({ gap }) => gap);
  for (const gap of [
    ...(now && (MANY_KINDS.has(now.kind) || !isWhole(now, filled[now.name])) ? [now] : []),
    ...open.filter(({ kind }) => TAKES[pressed.kind].has(kind)),
    ...(now ? [now] : []),
    ...open.filter(({ kind }) => MEASURED.has(kind)),
  ]) {
    const values = valuesWith(gap, filled[gap.name] ?? [], pressed, draft);
    if (values) return fillGap({ ...filling, asked: gap.name }, gap, values);
  }
  return undefined;
}

/** A template that begins with what is picked already, in that order; undefined when something of it finds no gap. */
export function beginWith(template: Template, picked: readonly Pressed[], draft: Draft): Filling | undefined {
  return picked.reduce<Filling | undefined>(
    (filling, pressed) => {
      if (!filling) return undefined;
      const takes = (kind: GapKind): boolean =>
        TAKES[pressed.kind].has(kind) || (MEASURED.has(kind) && template.group === "check" && pressed.kind !== "piece");
      const gaps = gapsOf(template.parts).filter(({ must }) => must);
      const gap = gaps.find(({ gap: g }) => takes(g.kind) && (MANY_KINDS.has(g.kind) || !isWhole(g, filling.filled[g.name])))?.gap;
      const values = gap && valuesWith(gap, filling.filled[gap.name] ?? [], pressed, draft);
      if (!values) return undefined;
      const now = { ...filling.filled, [gap.name]: values };
      return { template, filled: now, asked: nextAsked(template, now) };
    },
    beginFilling(template, draft),
  );
}

type Take = (values: readonly string[], pressed: Pressed, draft: Draft) => readonly string[] | undefined;

const onePlace: Take = (_, { kind, name }) => (kind === "point" ? [name] : undefined);
const morePlaces: Take = (values, { kind, name }) => (kind === "point" && values.at(-1) !== name ? [...values, name] : undefined);
/** What each kind of gap makes of something that is pressed; the others take nothing. */
const TAKE: Partial<Record<GapKind, Take>> = {
  point: onePlace,
  points: morePlaces,
  places: morePlaces,
  path: (_, { kind, name }) => (kind === "path" || kind === "edge" ? [name] : undefined),
  paths: (values, { kind, name }) => (kind === "path" && !values.includes(name) ? [...values, name] : undefined),
  dart: (_, { kind, name }, { plan }) => (kind === "path" && isDart(plan, name) ? [name] : undefined),
  line: ([text = ""], { kind, name }) => lineWith(text, kind, name),
  ends: ([text = ""], { kind, name }, { plan }) => (kind === "path" ? endsNamed(plan, name) : lineWith(text, kind, name)),
  walk: (values, pressed, { plan, run }) =>
    pressed.kind === "point" || pressed.kind === "path" ? withPicked(plan, run, values.map(itemOf), pressed).map(itemText) : undefined,
  piece: (_, { kind, name }) => (kind === "piece" || kind === "edge" ? [name.split(".")[0] ?? name] : undefined),
  edge: (_, { kind, name }) => (kind === "edge" ? [name] : undefined),
  edges: (values, { kind, name }) =>
    kind !== "edge" ? undefined : values.includes(name) ? values.filter((edge) => edge !== name) : [...values, name],
  length: ([text = ""], { kind, name }) => lengthWith(text, kind, name),
  direction: (values, { kind, name }) => directionWith(values, kind, name),
};

/** What stands in a gap once something more was pressed; undefined where such a thing does not belong. */
const valuesWith = ({ kind }: Gap, values: readonly string[], pressed: Pressed, draft: Draft): readonly string[] | undefined =>
  TAKE[kind]?.(values, pressed, draft);

const isDart = (plan: Plan, key: string): boolean =>
  plan.steps.some(({ source }) => source.is === "path" && source.type === "dart" && source.key === key);

/** The points a drawn line runs between. */
function endsNamed(plan: Plan, key: string): readonly string[] | undefined {
  const source = plan.steps.find((step) => step.source.is === "path" && step.source.key === key)?.source;
  const through = source?.is === "path" ? source.through : [];
  const [first, last] = [through[0], through.at(-1)];
  return first === undefined || last === undefined || first === last ? undefined : [`${pointText(first)}-${pointText(last)}`];
}

/** A line is drawn already, or lies between two points that are pressed one after the other. */
function lineWith(text: string, is: Pressed["kind"], name: string): readonly string[] | undefined {
  if (is === "path") return [name];
  if (is !== "point") return undefined;
  return text.endsWith("-") ? [`${text}${pointText(name)}`] : [`${pointText(name)}-`];
}

const OPEN_DISTANCE = /dist\(\S+, $/;

/** A length is how long what is pressed is, or how far from one point to the next; it is put behind a sign that stands there. */
function lengthWith(text: string, is: Pressed["kind"], name: string): readonly string[] | undefined {
  if (is === "point" && OPEN_DISTANCE.test(text)) return [`${text}${pointText(name)})`];
  if (is === "piece" || !/^$|[-+*/(]\s*$/.test(text)) return undefined;
  return [`${text}${is === "point" ? `dist(${pointText(name)}, ` : `len(${name})`}`];
}

/** A direction along a line or square to it; along it when nothing was said. */
function directionWith([way = "along", line = ""]: readonly string[], is: Pressed["kind"], name: string): readonly string[] | undefined {
  if (way !== "along" && way !== "square to") return undefined;
  const on = lineWith(line, is, name);
  return on && [way, ...on];
}

/** An item of a way round, as the notation writes it, and back. */
const itemText = (item: AlongItem): string =>
  "point" in item
    ? pointText(item.point)
    : item.from !== undefined && item.to !== undefined
      ? `${item.path} from ${pointText(item.from)} to ${pointText(item.to)}`
      : `${item.path}${item.reversed ? " reversed" : ""}`;
export function itemOf(text: string): AlongItem {
  const [, path, from, to] = /^(\S+) from #?(\S+) to #?(\S+)$/.exec(text) ?? [];
  if (path !== undefined && from !== undefined && to !== undefined) return { path, from, to };
  if (/^#|^[A-Z]+\d/.test(text)) return { point: text.replace("#", "") };
  return text.endsWith(" reversed") ? { path: text.replace(" reversed", ""), reversed: true } : { path: text };
}
