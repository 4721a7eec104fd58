/** A record with another text under a key, or without the key where there is no text for it. */
export function withKey<V extends string>(record: Readonly<Record<string, V>>, key: string, text: V | undefined): Record<string, V> {
  const { [key]: _, ...rest } = record;
  return text === undefined || text.trim() === "" ? rest : { ...rest, [key]: text };
}
