import type { SystemCard } from "@lodrin/contract";
import { systemCard } from "@lodrin/formats";
import { basesOf, type Library, loadSystem, problemText, stepName } from "@lodrin/core";

/** A text to be looked through before it is published: plain data, as it is handed to a worker. */
export interface TextToLook {
  readonly notation: string;
  /** The notation of what it may build on, by slug. */
  readonly library: Library;
}

/** What a text says of itself, what it builds on, and its problems, each in a sentence. */
export interface TextLooked {
  readonly title: string;
  readonly garment: string;
  readonly bases: Record<string, string>;
  readonly problems: readonly string[];
  /** As a handout names them. */
  readonly stepNames: readonly string[];
  /** What its card says, and its pieces as SVG. */
  readonly card: SystemCard;
  readonly picture: string;
}

/** Reads and compiles a text. Runs in a worker: it may take all the time and memory it is given there. */
export function lookThrough({ notation, library }: TextToLook): TextLooked {
  const bases = { ...basesOf(notation, library) };
  const { system, plan, problems } = loadSystem(notation, bases);
  const { facts, picture } = systemCard(plan);
  return {
    ...{ title: system.title, garment: system.garment, bases, problems: problems.map(problemText), stepNames: plan.steps.map(stepName) },
    ...{ card: { ...facts, needs: [...facts.needs] }, picture },
  };
}
