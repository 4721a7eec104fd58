import type { DraftProgress } from "@lodrin/contract";
import type { SlipCode } from "@lodrin/core";
import { sayMoment } from "../ui/times.js";

/** What each slip is, said of somebody who made it. */
const MADE: Readonly<Record<SlipCode, string>> = {
  "term-left-out": "left a part out of a rule",
  "term-twice": "took a part of a rule twice",
  "sign-turned": "added where the rule takes away, or the other way round",
  "ease-forgotten": "forgot the ease",
  "ease-twice": "counted the ease twice",
  "allowance-forgotten": "forgot the allowance",
  "allowance-twice": "counted the allowance twice",
  "intake-forgotten": "forgot what a dart takes in",
  "intake-twice": "counted what a dart takes in twice",
  "division-forgotten": "forgot to divide",
  "division-halved": "laid off twice the figure",
  "division-doubled": "laid off half the figure",
  "factor-forgotten": "forgot to multiply",
  "order-of-sums": "added before dividing, or divided before adding",
  "other-measurement": "took another measurement",
  "other-setting": "took another setting",
  "from-other-point": "measured from another point",
  "to-other-point": "went to another point",
  "to-other-line": "went to another line",
  "other-direction": "laid a figure off the other way",
  "along-not-square": "laid along in place of square",
  "tape-other-side": "read the other side of the tape",
  "eighths-as-tenths": "took eighths for tenths",
  "digits-swapped": "swapped two digits",
  "whole-unit-off": "lost or gained a whole unit",
  rounded: "dropped what was over the whole figure",
  "running-total": "took a running total for a step",
  misread: "misread the tape",
  unexplained: "were off without a reason that was found",
};

/** So many readings behind the last of a slip, and it counts as put off. */
const PUT_OFF_AFTER = 4;

export interface SlipLine {
  readonly code: string;
  readonly says: string;
  readonly again: boolean;
}

/** The slips made and not made again, and those still made, as plain sentences; the most frequent first. */
export function slipLines(drafts: readonly DraftProgress[]): SlipLine[] {
  const all = drafts.flatMap((d) => d.readings).sort((a, b) => a.at.localeCompare(b.at));
  const codes = [...new Set(all.flatMap((r) => (r.code === "" ? [] : [r.code])))];
  return codes
    .map((code) => {
      const made = all.filter((r) => r.code === code);
      const since = all.slice(all.findLastIndex((r) => r.code === code) + 1).length;
      const last = made.at(-1)?.at ?? "";
      const what = MADE[code as SlipCode] ?? "slipped";
      const times = made.length === 1 ? "once" : made.length === 2 ? "twice" : `${made.length} times`;
      const again = since < PUT_OFF_AFTER;
      const says = again
        ? `You ${what} ${times}, last ${sayMoment(last)}.`
        : `You ${what} ${times}, and not in the ${since} readings since ${sayMoment(last)}.`;
      return { code, says, again, times: made.length };
    })
    .sort((a, b) => b.times - a.times)
    .map(({ code, says, again }) => ({ code, says, again }));
}

/** Readings taken and readings off, day by day. */
export function byDay(drafts: readonly DraftProgress[]): { readonly days: string[]; readonly taken: number[]; readonly off: number[] } {
  const all = drafts.flatMap((d) => d.readings).map((r) => ({ day: r.at.slice(0, 10), off: r.verdict === "off" }));
  const days = [...new Set(all.map((r) => r.day))].sort();
  return {
    days,
    taken: days.map((day) => all.filter((r) => r.day === day).length),
    off: days.map((day) => all.filter((r) => r.day === day && r.off).length),
  };
}
