/**
 * The slips of a hand at the table, each by a code that never changes, and how common it is beside the others (common
 * practice, no source): the weight parts causes that explain the same readings equally well.
 */
export const SLIPS = {
  "term-left-out": 3,
  "term-twice": 1,
  "sign-turned": 1.5,
  "ease-forgotten": 5,
  "ease-twice": 2,
  "allowance-forgotten": 4,
  "allowance-twice": 2,
  "intake-forgotten": 4,
  "intake-twice": 2,
  "division-forgotten": 3,
  "division-halved": 3,
  "division-doubled": 2,
  "factor-forgotten": 2,
  "order-of-sums": 2,
  "other-measurement": 2.5,
  "other-setting": 1.5,
  "from-other-point": 2.5,
  "to-other-point": 1.5,
  "to-other-line": 1.5,
  "other-direction": 1.5,
  "along-not-square": 1.5,
  "tape-other-side": 1.5,
  "eighths-as-tenths": 2,
  "digits-swapped": 1.5,
  "whole-unit-off": 3,
  rounded: 2,
  "running-total": 3,
  misread: 1,
  unexplained: 0.05,
} as const;

export type SlipCode = keyof typeof SLIPS;
