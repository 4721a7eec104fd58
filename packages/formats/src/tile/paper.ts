/** A paper Lodrin prints on. Sizes in mm (ISO 216; ANSI/ASME Y14.1 for Letter). A roll is as long as it needs to be. */
export interface Paper {
  readonly key: PaperKey;
  readonly name: string;
  readonly width: number;
  /** Undefined for a roll. */
  readonly height: number | undefined;
}

export const PAPER_KEYS = ["A4", "Letter", "A3", "A0", "roll36in", "roll90cm"] as const;
export type PaperKey = (typeof PAPER_KEYS)[number];

export const PAPERS: Readonly<Record<PaperKey, Paper>> = {
  A4: { key: "A4", name: "A4", width: 210, height: 297 },
  Letter: { key: "Letter", name: "US Letter", width: 215.9, height: 279.4 },
  A3: { key: "A3", name: "A3", width: 297, height: 420 },
  A0: { key: "A0", name: "A0", width: 841, height: 1189 },
  roll36in: { key: "roll36in", name: "36 in roll", width: 914.4, height: undefined },
  roll90cm: { key: "roll90cm", name: "90 cm roll", width: 900, height: undefined },
};
