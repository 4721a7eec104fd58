/** A sentence as it stands in quotation marks: to the letter, but that an inch mark does not end it; with a capital and its full stop. */
export function quoted(said: string): string {
  const text = said.trim().replace(/["“”„]/g, "″");
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}${/[.!?]$/.test(text) ? "" : "."}`;
}
