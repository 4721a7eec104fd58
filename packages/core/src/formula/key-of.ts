/** A name of the notation made of words, which `inWords` says again: "Nape to waist" is nape_to_waist. Empty where no letter is left. */
export const keyOf = (words: string): string =>
  words
    .toLowerCase()
    .replace(/⟨\d+⟩/g, "")
    .replace(/[^a-z0-9]+/g, "_")
    .replace(/^[_\d]+|_+$/g, "");
