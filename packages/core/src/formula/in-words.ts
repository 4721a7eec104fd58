const KEY = /\b[a-z][a-z0-9]*(?:_[a-z0-9]+)+\b/gi;

/** A text as people read it: what a formula calls `across_shoulder` is the across shoulder. */
export const inWords = (text: string): string => (text.includes("_") ? text.replace(KEY, (key) => key.replace(/_/g, " ")) : text);
