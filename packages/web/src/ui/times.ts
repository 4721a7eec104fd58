import dayjs from "dayjs";

/** A moment as people say it: "10:42", "yesterday 18:05", "3 Nov 2026". */
export function sayMoment(iso: string, now = dayjs()): string {
  const at = dayjs(iso);
  if (at.isSame(now, "day")) return at.format("HH:mm");
  if (at.isSame(now.subtract(1, "day"), "day")) return `yesterday ${at.format("HH:mm")}`;
  return at.format("D MMM YYYY");
}

/** A day as people say it: "14 September 2026". */
export const sayDay = (day: string): string => dayjs(day).format("D MMMM YYYY");
