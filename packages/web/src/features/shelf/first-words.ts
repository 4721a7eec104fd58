/** The beginning of a text, whole words only, ended by a sentence where one ends in time. */
export function firstWords(text: string, most: number): string {
  if (text.length <= most) return text;
  const room = text.slice(0, most + 1);
  const sentence = room.search(/[.!?] [^.!?]*$/);
  if (sentence > most / 2) return room.slice(0, sentence + 1);
  return `${room.slice(0, room.lastIndexOf(" ")).replace(/[,;:]$/, "")} …`;
}
