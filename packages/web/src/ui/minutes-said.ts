/** So many steps at a pace, as people say it: `about 20 minutes`, `about an hour and a half`. Empty before there is a pace. */
export function timeLeft(steps: number, ticked: number, seconds: number): string {
  if (ticked < 3 || seconds === 0) return "";
  return minutesSaid((steps * seconds) / ticked / 60);
}

/** Minutes as people say them. */
export function minutesSaid(minutes: number): string {
  if (minutes < 2) return "a minute or two";
  if (minutes < 55) return `about ${roundTo(minutes, minutes < 10 ? 1 : 5)} minutes`;
  const halves = Math.round(minutes / 30);
  const hours = Math.floor(halves / 2);
  if (halves === 2) return "about an hour";
  if (halves === 3) return "about an hour and a half";
  return halves % 2 === 0 ? `about ${hours} hours` : `about ${hours} and a half hours`;
}

const roundTo = (value: number, to: number): number => Math.max(to, Math.round(value / to) * to);
