/** How two figures of an amount hang together: what must stand in brackets when more is done to it. */
export type Bond = "one" | "product" | "sum";

/** Stands in a formula before a measurement of the known list that the system does not ask for yet. */
export const COMES_ALONG = "¤";

/** An amount as it was said. */
export interface Amount {
  /** As a formula. */
  readonly formula: string;
  readonly bond: Bond;
  /** A plain figure without a unit: it may be a point as well. */
  readonly plain?: boolean;
  /** It could be meant in another way, with the question that parts the two. */
  readonly doubt?: { readonly question: string; readonly or: string };
  /** A name that is no measurement here. */
  readonly unknown?: string;
  /** Stands for the amount said before. */
  readonly same?: boolean;
}

/** A place: a point by its name, one to be found by a rule, one that was said just before, or one that is not there. */
export type Spot =
  | { readonly id: string }
  | { readonly rule: string; readonly board: string; readonly mentions: readonly string[] }
  | { readonly before: "it" }
  | { readonly unknown: string };

/** A line as it was said. */
export interface Line {
  readonly text: string;
  readonly board: string;
  readonly path?: string;
  readonly piece?: string;
  readonly role?: string;
  readonly ends?: readonly [string, string];
  readonly straight: boolean;
  /** The place it runs from, `⟨0⟩` in its text, when that has no name yet. */
  readonly spot?: Spot;
  /** What is missing when the line is not there. */
  readonly unknown?: string;
}

export type Direction = "up" | "down" | "in" | "out";
/** A side of a line for somebody who walks along it. */
export type Hand = "left" | "right";
/** `level` and `plumb` say the line but not the side. */
export type Heading = Direction | "level" | "plumb" | "back";

/** How a line is drawn. */
export interface Manner {
  readonly curve?: boolean;
  readonly straight?: boolean;
  readonly like?: string;
  readonly dashed?: boolean;
  /** Square to a line, at whichever end is on it. */
  readonly squareTo?: Line;
  /** Places it goes through on its way to the last. */
  readonly via?: readonly Spot[];
  /** Square at its beginning, to the line that is there. */
  readonly squareStart?: boolean;
  /** Bowed or hollowed by a figure in its middle. */
  readonly bend?: { readonly how: "hollow" | "bow"; readonly by: Amount; readonly side?: Direction };
  readonly leaving?: string;
  readonly arriving?: string;
  /** Square to the fold or level, as its words say, where it starts or ends. */
  readonly level?: boolean;
}

/** The point in which two lines end. */
export const sharedEnd = (a: Pick<Line, "ends"> | undefined, b: Pick<Line, "ends"> | undefined): string | undefined =>
  a?.ends?.find((end) => b?.ends?.includes(end));
