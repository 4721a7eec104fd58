/** How a measurement is taken: round the body, along it, or straight across it. */
export type TapeRun = "girth" | "length" | "width" | "number";

/** A body measurement Lodrin knows. Ranges are in mm: the smallest child to a very large adult (common practice, no source). */
export interface MeasurementDefinition {
  readonly key: string;
  readonly name: string;
  /** What learners also call it. */
  readonly also: readonly string[];
  readonly run: TapeRun;
  readonly how: string;
  /** The ISO 8559-1 term, where one exists (terms from memory). */
  readonly iso: string | undefined;
  readonly from: number;
  readonly to: number;
  /** Which side of the figure shows it. */
  readonly view: "front" | "back";
}
