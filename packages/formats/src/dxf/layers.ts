/**
 * Layers of the apparel exchange standard ASTM D6673 (pattern data in DXF). The numbers of boundary, turn and curve
 * points, notches, grain, internal lines, sew line and text are as the standard is quoted; those of the mirror line and of drill holes are from memory.
 */
export const DXF_LAYER = {
  boundary: "1",
  turnPoints: "2",
  curvePoints: "3",
  notches: "4",
  mirror: "6",
  grain: "7",
  inside: "8",
  drill: "13",
  sew: "14",
  text: "15",
} as const;

export type DxfLayer = (typeof DXF_LAYER)[keyof typeof DXF_LAYER];
