import { type Cause, type HomeUnit, type ReviewedReading, tapeText } from "@lodrin/core";
import type { HandReading } from "@lodrin/contract";

/** A name of a reading as it is said: `back_side` is the back side, `dist(F3, F9)` from F3 to F9. */
export function readingSaid(name: string): string {
  const dist = /^dist\(\s*(\S+?)\s*,\s*(\S+?)\s*\)$/.exec(name);
  if (dist) return `${dist[1] ?? ""} straight to ${dist[2] ?? ""}`;
  return name.replace(/_/g, " ").replace("#", "");
}

/** What is wrong with a reading, in figures: `Your tape reads 7 3/4 in, it should read 8 1/4 in: 1/2 in short`. */
export function offSaid({ expected, read, difference }: ReviewedReading, unit: HomeUnit, whose = "Your tape reads"): string {
  if (expected === undefined || read === undefined || difference === undefined) return "";
  const by = tapeText(Math.abs(difference), unit);
  return `${whose} ${tapeText(read, unit)}, it should read ${tapeText(expected, unit)}: ${by} ${difference < 0 ? "short" : "over"}.`;
}

/** How sure the program is, in a word. */
export function howSure({ confidence, code }: Cause): string {
  if (code === "unexplained") return "";
  return confidence > 0.75 ? "Most likely" : confidence > 0.4 ? "Probably" : "Perhaps";
}

/** A judged reading as it is kept. */
export function keptReading({ name, verdict, causes }: ReviewedReading, written: string): HandReading | undefined {
  if (verdict === "unread") return undefined;
  const [first] = causes;
  return {
    name,
    written: written.trim(),
    verdict,
    code: verdict === "off" ? (first?.code ?? "") : "",
    step: verdict === "off" ? (first?.step ?? "") : "",
    says: verdict === "off" ? (first?.says ?? "").slice(0, 600) : "",
  };
}
