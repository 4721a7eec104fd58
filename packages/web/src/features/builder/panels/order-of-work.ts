import { edgeStates, type Finding, type LoadedSystem, type Run, type Statement } from "@lodrin/core";

/** A stage of writing a system: what there is of it, and what is still open. */
export interface Stage {
  readonly key: "page" | "measurements" | "frame" | "lines" | "pieces" | "shapings" | "seams" | "checks" | "range" | "publish";
  readonly title: string;
  /** `free`: it need not be; a garment may have none. */
  readonly state: "done" | "open" | "free";
  readonly says: string;
}

const count = (n: number, one: string): string => `${n} ${one}${n === 1 ? "" : "s"}`;
/** What a new system says of itself until its author does. */
const UNSAID = "What it makes, and for whom.";

/** The order in which a system is usually written, each stage with what is still open. Nothing of it is forced. */
export function orderOfWork({ plan, problems }: LoadedSystem, run: Run, findings: readonly Finding[], published: number): Stage[] {
  const { statements, about } = plan.system;
  const has = (...kinds: readonly Statement["is"][]): number => statements.filter((s) => kinds.includes(s.is)).length;
  const points = has("point");
  const lines = has("path");
  const pieces = run.pieces.length;
  const unsaid = edgeStates(plan, run.pieces).filter(({ is }) => is === "unsaid").length;
  const sizes = findings.filter((f) => f.code === "breaks" || f.code === "never-holds").length;
  const broken = run.checks.filter((c) => c.status === "fail").length;
  const checks = has("check", "passes");
  const stage = (key: Stage["key"], title: string, open: string | false, done: string, free = false): Stage => ({
    key,
    title,
    state: open === false ? (free ? "free" : "done") : "open",
    says: open === false ? done : open,
  });
  return [
    stage("page", "The page", (about === undefined || about === UNSAID) && "Say what it makes and for whom.", "It says what it makes."),
    stage("measurements", "Measurements", has("measure") === 0 && "None yet.", count(has("measure"), "measurement")),
    stage("frame", "Frame", points < 2 && "Place the first points.", count(points, "point")),
    stage("lines", "Lines and curves", lines === 0 && "None drawn yet.", count(lines, "line")),
    stage("pieces", "Pieces", pieces === 0 && "None taken off yet.", count(pieces, "piece")),
    stage(
      "shapings",
      "Shaping",
      false,
      has("shape") === 0 ? "None; not every garment has some." : count(has("shape"), "step"),
      has("shape") === 0,
    ),
    stage(
      "seams",
      "Seams",
      pieces > 0 && unsaid > 0 && `${count(unsaid, "edge")} with nothing said.`,
      pieces === 0 ? "Once there are pieces." : "Every edge is settled.",
      pieces === 0,
    ),
    stage(
      "checks",
      "Checks",
      broken > 0 && `${count(broken, "check")} not holding on this body.`,
      checks === 0 ? "Only those made on every draft." : count(checks, "check"),
      checks === 0,
    ),
    stage("range", "Range", sizes > 0 && `${count(sizes, "problem")} over the sizes.`, "Nothing breaks over the sizes."),
    stage(
      "publish",
      "Publish",
      problems.length > 0 ? `${count(problems.length, "line")} to fix first.` : published === 0 && "Not published yet.",
      `Version ${published} is on the shelf.`,
    ),
  ];
}
