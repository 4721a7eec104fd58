const VULGAR: Readonly<Record<string, string>> = { "1/2": "½", "1/4": "¼", "3/4": "¾", "1/8": "⅛", "3/8": "⅜", "5/8": "⅝", "7/8": "⅞" };

/** `7 3/8` as `7⅜`: fractions a face carries as one character are set as one. */
export const setFractions = (text: string): string =>
  text.replace(/(\d)?([ \u00a0]?)\b([1357]\/[248])\b/g, (all, whole: string | undefined, gap: string, fraction: string) => {
    const one = VULGAR[fraction];
    return one ? `${whole ?? ""}${whole === undefined ? gap : ""}${one}` : all;
  });
