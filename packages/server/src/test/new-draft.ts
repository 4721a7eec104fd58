export const SHIRT = "08-menswear-flat-shirt-block";

/** The least that the server takes for a new draft of the shirt: no body, nothing set, on the first step. */
export const NEW_DRAFT = {
  name: "Band shirt",
  note: "",
  slug: SHIRT,
  personId: null,
  personName: "",
  setId: null,
  unit: "cm",
  measurements: {},
  settings: {},
  step: 0,
};
