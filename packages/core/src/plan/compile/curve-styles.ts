/** How a curve of one kind leaves its first point and arrives at its last, when its author does not say (common practice, no source). */
export interface CurveStyle {
  readonly leaving: string;
  readonly arriving: string;
  readonly fullness: number;
}

/**
 * Styles of curves, each drawn from its upper or outer end to its lower or inner one: a neck from the shoulder to the
 * centre, an armhole from the shoulder tip to the underarm, a hip from the waist down, a hem from the centre to the side,
 * a sleeve head from the crown to the underarm.
 */
export const CURVE_STYLES: Readonly<Record<string, CurveStyle>> = {
  neck: { leaving: "plumb", arriving: "level", fullness: 1 },
  back_neck: { leaving: "plumb", arriving: "level", fullness: 1.15 },
  armhole_front: { leaving: "plumb", arriving: "level", fullness: 1.1 },
  armhole_back: { leaving: "plumb", arriving: "level", fullness: 1 },
  hip: { leaving: "at 80°", arriving: "plumb", fullness: 1 },
  hem: { leaving: "level", arriving: "level", fullness: 1 },
  sleeve_head: { leaving: "level", arriving: "level", fullness: 1 },
};
