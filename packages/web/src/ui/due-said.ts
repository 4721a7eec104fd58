import dayjs from "dayjs";

/** A due date in words: `due tomorrow`, `due Friday 4 December`, `was due 3 days ago`. */
export function dueSaid(on: string | null, now = dayjs()): string {
  if (on === null) return "no date";
  const days = dayjs(on).startOf("day").diff(now.startOf("day"), "day");
  if (days === 0) return "due today";
  if (days === 1) return "due tomorrow";
  if (days > 1) return `due ${dayjs(on).format("dddd D MMMM")}`;
  return days === -1 ? "was due yesterday" : `was due ${-days} days ago`;
}
