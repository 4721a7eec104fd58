/** Longer words are no slips of the pen, and among more known words looking would take longer than reading (a system has some hundreds). */
const LONGEST_WORD = 40;
const MOST_KNOWN = 500;

/** The known word nearest to a mistyped one, when it is near enough (a third of its letters) to be meant. */
export function suggest(word: string, known: Iterable<string>): string | undefined {
  if (word.length > LONGEST_WORD) return undefined;
  let best: string | undefined;
  let looked = 0;
  let least = Math.max(1, Math.floor(word.length / 3)) + 1;
  for (const candidate of known) {
    if (++looked > MOST_KNOWN) break;
    const steps = editSteps(word, candidate, least);
    if (steps < least) {
      least = steps;
      best = candidate;
    }
  }
  return best;
}

/** Letters to add, drop, change or swap with their neighbour (optimal string alignment); gives `limit` as soon as it is reached. */
function editSteps(a: string, b: string, limit: number): number {
  if (Math.abs(a.length - b.length) >= limit) return limit;
  let before: number[] = [];
  let row = Array.from({ length: b.length + 1 }, (_, i) => i);
  for (let i = 1; i <= a.length; i++) {
    const next = [i];
    for (let j = 1; j <= b.length; j++) {
      const change = (row[j - 1] as number) + (a[i - 1] === b[j - 1] ? 0 : 1);
      const swapped = i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1] ? (before[j - 2] as number) + 1 : Infinity;
      next.push(Math.min(change, swapped, (next[j - 1] as number) + 1, (row[j] as number) + 1));
    }
    before = row;
    row = next;
  }
  return Math.min(limit, row[b.length] as number);
}
