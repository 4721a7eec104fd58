/** What a table has under a word that somebody typed: “constructor” is a word like any other, and none of a table's own. */
export const wordOf = <T>(table: Readonly<Record<string, T>>, word: string): T | undefined =>
  Object.hasOwn(table, word) ? table[word] : undefined;
