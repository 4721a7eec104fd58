/** A text in parts, those that are fractions by themselves: only they are set as fractions. */
export const fractionsIn = (text: string): { readonly part: string; readonly fraction: boolean }[] =>
  text.split(/(\d+\/\d+)/).map((part) => ({ part, fraction: /^\d+\/\d+$/.test(part) }));
