import type { Bounds, Point } from "@lodrin/core";

/** How the paper lies under the glass: screen = mm × k + (x, y), in CSS pixels. */
export interface View {
  readonly k: number;
  readonly x: number;
  readonly y: number;
}

export const toScreen = (view: View, p: Point): Point => ({ x: p.x * view.k + view.x, y: p.y * view.k + view.y });

/** True when the whole of `bounds` lies under the glass. */
export function inView(view: View, bounds: Bounds, width: number, height: number): boolean {
  const a = toScreen(view, { x: bounds.minX, y: bounds.minY });
  const b = toScreen(view, { x: bounds.maxX, y: bounds.maxY });
  return a.x >= 0 && a.y >= 0 && b.x <= width && b.y <= height;
}

/** The view that shows `bounds` whole, in the middle of a glass of the given size, with `pad` pixels round it. */
export function fitView(
  bounds: Bounds,
  width: number,
  height: number,
  pad: { left: number; top: number; right: number; bottom: number },
): View {
  const wide = Math.max(1, bounds.maxX - bounds.minX);
  const high = Math.max(1, bounds.maxY - bounds.minY);
  const k = Math.max(0.02, Math.min((width - pad.left - pad.right) / wide, (height - pad.top - pad.bottom) / high));
  return {
    k,
    x: pad.left + (width - pad.left - pad.right - wide * k) / 2 - bounds.minX * k,
    y: pad.top + (height - pad.top - pad.bottom - high * k) / 2 - bounds.minY * k,
  };
}
