import { roleText } from "../piece/piece.js";
import type { Plan, PlannedShaping } from "../plan/plan.js";
import { doingText } from "../system/notation/print.js";

/** What a shaping does, as people read it: its author's words or, without any, the fewest that say it. */
export function shapingSentence({ system }: Plan, { source }: PlannedShaping): string {
  const titled = (key: string): string => {
    const found = system.statements.find((s) => (s.is === "piece" || s.is === "pieceFrom") && s.key === key);
    return `“${found && "title" in found && found.title !== undefined ? found.title : key.replace(/_/g, " ")}”`;
  };
  switch (source.is) {
    case "pieceFrom":
      return source.strip
        ? `Trace ${source.strip.less ? "what a strip leaves of" : "a strip of"} ${titled(source.of)} along ${listed(source.strip.along)}: ${titled(source.key)}.`
        : `Trace ${titled(source.of)} once more: ${titled(source.key)}.`;
    case "amend":
      return `Mark ${titled(source.key)} further.`;
    case "leaveOut":
      return `Lay ${titled(source.key)} aside.`;
    case "shape":
      return source.text ?? `${doingText(source)}.`;
  }
}

const listed = (roles: readonly string[]): string => roles.map((role) => `the ${roleText({ role })}`).join(" and ");
