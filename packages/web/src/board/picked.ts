/** Something of the draft that was pointed at on the paper, by its name. */
export interface Picked {
  readonly kind: "point" | "path";
  readonly name: string;
}
