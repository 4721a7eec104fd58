import type { Environment } from "../formula/scope.js";
import { distance, type Point } from "../geometry/point.js";
import type { HomeUnit } from "../quantity/units.js";
import { SLIPS, type SlipCode } from "./codes.js";
import { crossReadings, type Measured, type NamedMeasure, nameOf, ownReadings } from "./reading.js";
import { redraw, type Redrawing } from "./redraw.js";
import type { Slip, SlipPlace } from "./slip.js";
import { slipsOf } from "./slips.js";
import { tapeSlips } from "./tape-slips.js";

/** A reading that was taken: what it measures, what it should be and what was read, mm. */
export interface TakenReading {
  readonly name: string;
  readonly measured: Measured;
  readonly expected: number;
  readonly read: number;
}

/** What probably happened. */
export interface Cause {
  readonly code: SlipCode;
  /** The step it happened at; undefined when none is known. */
  readonly step: string | undefined;
  readonly says: string;
  /** What the tape would then read, mm. */
  readonly wouldRead: number;
  /** How likely beside the others that explain this reading, from 0 to 1. */
  readonly confidence: number;
  /** Other slips that would give the very same draft. */
  readonly also: readonly string[];
  /** Which slips those are, the one told first; none where only a reading is wrong. */
  readonly slips: readonly SlipPlace[];
  /** The reading that would tell it from the next likely cause, where the two explain what was read about equally well. */
  readonly decideBy?: string;
}

/** True for a reading further from what it should be than a hand may be. */
export const isOff = ({ read, expected }: Pick<TakenReading, "read" | "expected">, toleranceMm: number): boolean =>
  Math.abs(read - expected) > toleranceMm + 1e-9;

export interface FoundCauses {
  /** Of each reading, in order. */
  readonly found: readonly { readonly causes: readonly Cause[]; readonly affects: readonly string[] }[];
  readonly together: readonly Cause[];
  /** The slips of those, in the order they were found. */
  readonly slips: readonly Slip[];
}

/** A slip with what the tape would read if it had been made. */
interface Hypothesis {
  readonly code: SlipCode;
  readonly step: number | undefined;
  readonly says: string;
  readonly also: Slip[];
  readonly weight: number;
  /** Of each reading, what it would be. */
  readonly would: readonly number[];
  /** Where it puts its step: a place, or a figure in mm. */
  readonly made: Point | number | undefined;
  /** The slip itself; undefined where only a reading is wrong. */
  readonly slip: Slip | undefined;
}

/** So far a reading that a slip does not explain counts against it, at most. */
const MOST_AGAINST = 8;
/** Two causes are a tie when one is less than so much likelier than the other. */
const TIE = 4;
/** Slips that come to the same on all readings within this are the same to a tape (mm). */
const SAME_MM = 0.4;
const MOST_CAUSES = 3;

/** Finds the slips that explain readings which are off; all readings together rank them. */
export function causesOf(drawing: Redrawing, taken: readonly TakenReading[], unit: HomeUnit, toleranceMm: number): FoundCauses {
  const off = taken.map((reading) => isOff(reading, toleranceMm));
  if (!off.includes(true)) return { found: taken.map(() => ({ causes: [], affects: [] })), together: [], slips: [] };
  const rank = new Ranking(drawing, taken, off, unit, toleranceMm);
  return { found: taken.map((_, i) => (off[i] ? rank.of(i) : { causes: [], affects: [] })), ...rank.together() };
}

class Ranking {
  private readonly all: readonly Hypothesis[];
  private readonly sigma: number;

  constructor(
    private readonly drawing: Redrawing,
    private readonly taken: readonly TakenReading[],
    private readonly off: readonly boolean[],
    unit: HomeUnit,
    private readonly tolerance: number,
  ) {
    this.sigma = tolerance / 3;
    this.all = [...merged(this.drawn(unit)), ...this.misread(unit)];
  }

  /** The slips, of all steps that a wrong reading hangs on, that explain one of these; each with what all readings would be. */
  private drawn(unit: HomeUnit): Hypothesis[] {
    const { drawing, taken } = this;
    const wrong = taken.flatMap(({ measured }, i) => (this.off[i] ? [{ i, ...measured }] : []));
    const steps = [...new Set(wrong.flatMap(({ dependencies }) => [...dependencies]))].sort((a, b) => a - b);
    const wanted = new Set(taken.flatMap(({ measured }) => [...measured.dependencies]));
    return steps.flatMap((step) => {
      const hanging = wrong.filter(({ dependencies }) => dependencies.has(step));
      return slipsOf(drawing, step, unit).flatMap((slip): Hypothesis[] => {
        // Most slips explain nothing that was read: they are let go before the whole draft is drawn with them.
        const explains = hanging.some(({ i, dependencies, on }) =>
          this.near(i, on(redraw(drawing, step, slip.draw, dependencies).environment)),
        );
        if (!explains) return [];
        const { environment } = redraw(drawing, step, slip.draw, wanted);
        const would = taken.map(({ measured, expected }) => (measured.dependencies.has(step) ? measured.on(environment) : expected));
        return [{ ...slip, also: [], would, made: madeBy(drawing, environment, step), slip }];
      });
    });
  }

  /** The paper right, and the tape read wrongly at one reading. */
  private misread(unit: HomeUnit): Hypothesis[] {
    return this.taken.flatMap(({ name, expected }, at) =>
      this.off[at]
        ? tapeSlips(expected, unit).map(({ mm, says }) => ({
            code: "misread" as const,
            step: undefined,
            says: `The paper is right and ${name} was misread: ${says}.`,
            also: [],
            weight: SLIPS.misread,
            would: this.taken.map((t, i) => (i === at ? mm : t.expected)),
            made: undefined,
            slip: undefined,
          }))
        : [],
    );
  }

  /** How badly a slip explains the readings asked about; less is better. */
  private cost({ would, weight }: Hypothesis, about: (reading: number) => boolean): number {
    let sum = -Math.log(weight);
    this.taken.forEach(({ read }, i) => {
      if (!about(i)) return;
      const by = (read - (would[i] as number)) / this.sigma;
      sum += Number.isFinite(by) ? Math.min(MOST_AGAINST, (by * by) / 2) : MOST_AGAINST;
    });
    return sum;
  }

  private explains(h: Hypothesis, reading: number): boolean {
    return this.near(reading, h.would[reading] as number);
  }

  private near(reading: number, would: number): boolean {
    return Math.abs(would - (this.taken[reading] as TakenReading).read) <= this.tolerance;
  }

  /** The causes of one reading that is off, the likeliest first. */
  of(reading: number): { causes: readonly Cause[]; affects: readonly string[] } {
    const ranked = this.ranked(this.all.filter((h) => this.explains(h, reading)));
    const [first] = ranked;
    const causes = ranked
      .slice(0, MOST_CAUSES)
      .map(({ h, confidence }, i) => this.told(h, confidence, reading, i === 0 ? ranked[1] : undefined));
    return { causes: first ? causes : [this.unexplained(reading)], affects: first ? this.affects(first.h, reading) : [] };
  }

  private ranked(list: readonly Hypothesis[], about: (reading: number) => boolean = () => true): { h: Hypothesis; confidence: number }[] {
    const costs = list.map((h) => this.cost(h, about));
    const least = Math.min(...costs);
    const likely = costs.map((cost) => Math.exp(least - cost));
    const nothing = MOST_AGAINST * this.off.filter((is, i) => is && about(i)).length;
    const all = likely.reduce((sum, p) => sum + p, SLIPS.unexplained * Math.exp(least - nothing));
    return list.map((h, i) => ({ h, confidence: (likely[i] as number) / all })).sort((a, b) => b.confidence - a.confidence);
  }

  private told(h: Hypothesis, confidence: number, reading: number, next: { h: Hypothesis; confidence: number } | undefined): Cause {
    const decideBy = next && next.confidence * TIE > confidence ? this.decider(h, next.h) : undefined;
    return {
      code: h.code,
      step: h.step === undefined ? undefined : nameOf(this.drawing.plan, h.step),
      says: h.says,
      wouldRead: h.would[reading] as number,
      confidence,
      also: h.also.map(({ says }) => says),
      slips: [...(h.slip ? [h.slip] : []), ...h.also].map(({ step, code, place }) => ({ step, code, place })),
      ...(decideBy !== undefined && { decideBy }),
    };
  }

  private unexplained(reading: number): Cause {
    const { name, read, measured } = this.taken[reading] as TakenReading;
    const step = measured.step === undefined ? undefined : nameOf(this.drawing.plan, measured.step);
    return {
      code: "unexplained",
      step,
      says: `No single slip gives this figure. Measure ${name} once more; if the tape says the same, draw it again from what it is measured from.`,
      wouldRead: read,
      confidence: 1,
      also: [],
      slips: [],
    };
  }

  /** The reading not yet taken on which two causes differ most: of a step, or else between two points. */
  private decider(a: Hypothesis, b: Hypothesis): string | undefined {
    const frames = [this.frameOf(a), this.frameOf(b)] as const;
    const untaken = (list: readonly NamedMeasure[]): NamedMeasure[] => list.filter(({ name }) => !this.taken.some((t) => t.name === name));
    const best =
      widest(untaken(ownReadings(this.drawing)), frames, 2 * this.tolerance) ??
      widest(
        untaken([a, b].flatMap(({ step }) => (step === undefined ? [] : crossReadings(this.drawing, step)))),
        frames,
        2 * this.tolerance,
      );
    return best ?? (a.slip === undefined || b.slip === undefined ? this.again(a.slip === undefined ? a : b) : undefined);
  }

  /** A reading that may have been misread is decided by taking it again. */
  private again({ would }: Hypothesis): string | undefined {
    return this.taken.find((t, i) => would[i] !== t.expected)?.name;
  }

  private frameOf({ slip }: Hypothesis): Environment {
    return slip ? redraw(this.drawing, slip.step, slip.draw).environment : this.drawing.environment;
  }

  /** The steps whose own figure, or whose place, a slip changes beyond the tolerance. */
  private affects(h: Hypothesis, reading: number): string[] {
    if (!h.slip) return [];
    const { plan, environment, dependents } = this.drawing;
    const wrong = this.frameOf(h);
    return dependents(h.slip.step).flatMap((i) => {
      const step = plan.steps[i];
      if (!step || i === this.taken[reading]?.measured.step) return [];
      const [was, is] = [environment.points[step.target], wrong.points[step.target]];
      if (step.makes === "value") {
        const by = Math.abs((environment.slots[step.target] as number) - (wrong.slots[step.target] as number));
        return by > this.tolerance ? [nameOf(plan, i)] : [];
      }
      if (step.makes === "path") return [];
      return !was || !is || Math.hypot(was.x - is.x, was.y - is.y) > this.tolerance ? [nameOf(plan, i)] : [];
    });
  }

  /** The fewest slips that explain all that is off: the best for what is left, again and again. */
  together(): Pick<FoundCauses, "together" | "slips"> {
    const left = new Set(this.off.flatMap((is, i) => (is ? [i] : [])));
    const settled = new Set<number>();
    const found: Cause[] = [];
    const slips: Slip[] = [];
    while (left.size > 0) {
      const about = (reading: number): boolean => !settled.has(reading);
      const able = this.all.filter((h) => [...left].some((i) => this.explains(h, i)));
      const [first, second] = this.ranked(able, about);
      if (!first) break;
      const explained = [...left].filter((i) => this.explains(first.h, i));
      found.push(this.told(first.h, first.confidence, explained[0] ?? 0, second));
      if (first.h.slip) slips.push(first.h.slip);
      for (const i of explained) {
        left.delete(i);
        settled.add(i);
      }
    }
    for (const i of left) found.push(this.unexplained(i));
    return { together: found, slips };
  }
}

/** The reading that differs most between two drafts, where it differs by more than a hand can be off. */
function widest(list: readonly NamedMeasure[], [a, b]: readonly [Environment, Environment], atLeast: number): string | undefined {
  let best: { readonly name: string; readonly by: number } | undefined;
  for (const { name, measured } of list) {
    const by = Math.abs(measured.on(a) - measured.on(b));
    if (by > atLeast && by > (best?.by ?? 0)) best = { name, by };
  }
  return best?.name;
}

/** Slips of one step that put it in the same place told as one, by the most common of them. */
function merged(all: readonly Hypothesis[]): Hypothesis[] {
  const kept: Hypothesis[] = [];
  for (const h of [...all].sort((a, b) => b.weight - a.weight)) {
    const same = kept.find((k) => k.step === h.step && apart(k.made, h.made) < SAME_MM);
    if (same && h.slip) same.also.push(h.slip);
    else kept.push(h);
  }
  return kept;
}

function madeBy({ plan }: Redrawing, environment: Environment, index: number): Point | number | undefined {
  const step = plan.steps[index];
  return step?.makes === "point" ? environment.points[step.target] : step && environment.slots[step.target];
}

function apart(a: Point | number | undefined, b: Point | number | undefined): number {
  if (typeof a === "object" && typeof b === "object") return distance(a, b);
  return typeof a === "number" && typeof b === "number" ? Math.abs(a - b) : Number.POSITIVE_INFINITY;
}
