/** Something of the draft that was pointed at on the paper, by its name. */
export type { Pressed as Picked } from "@lodrin/core";
