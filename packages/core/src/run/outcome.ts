/** How a step came out. */
export type StepOutcome =
  | { readonly status: "drawn"; readonly doubt?: string }
  | { readonly status: "skipped"; readonly why: string }
  | { readonly status: "failed"; readonly why: string; readonly fix: string };
