import { loadSystem, type Plan, run } from "@lodrin/core";
import { draftCard, type DraftAnswers, type DraftFacts, DrawingTooLarge, type Wanted } from "@lodrin/formats";
import { FORMATS } from "@lodrin/formats/pdf";
import { LRUCache } from "lru-cache";

/** A version of a system, as it is handed to a worker. */
interface Version {
  /** Its plan is kept by this. */
  readonly systemVersionId: string;
  readonly notation: string;
  readonly bases: Readonly<Record<string, string>>;
}

/** A kept draft whose card is to be made: plain data. */
export interface CardToMake extends Version, DraftAnswers {}

/** A file to be made of a kept draft: plain data, as it is handed to a worker. */
export interface FileToMake extends Version {
  /** Name of a format of the registry. */
  readonly file: string;
  readonly wanted: Wanted;
  readonly slug: string;
  readonly unit: "in" | "cm";
  readonly measurements: Readonly<Record<string, string>>;
  readonly settings: Readonly<Record<string, string>>;
  /** For the top of a print. */
  readonly title: string;
  readonly lines: readonly string[];
}

/** The file, or why no paper is large enough for it. */
export type MadeFile = { readonly body: string | Uint8Array } | { readonly tooLarge: string };

const MOST_PLANS = 60;
const plans = new LRUCache<string, Plan>({ max: MOST_PLANS });

/** A version of a system never changes, so that it is compiled once. */
function planOf({ systemVersionId, notation, bases }: Version): Plan {
  const known = plans.get(systemVersionId);
  if (known) return known;
  const { plan } = loadSystem(notation, bases);
  plans.set(systemVersionId, plan);
  return plan;
}

/** Compiles, drafts and draws one file. Runs in a worker: it may take all the time and memory it is given there. */
export async function makeFile(asked: FileToMake): Promise<MadeFile> {
  const format = FORMATS.find((f) => f.file === asked.file);
  if (!format) throw new Error(`There is no format ${asked.file}.`);
  const plan = planOf(asked);
  const drafted = run(plan, asked.measurements, asked.settings, asked.unit);
  const { slug, title, lines, unit, measurements, settings } = asked;
  try {
    return {
      body: await format.write({ plan, run: drafted, slug, title, lines, answers: { unit, measurements, settings } }, asked.wanted),
    };
  } catch (error) {
    if (error instanceof DrawingTooLarge) return { tooLarge: error.message };
    throw error;
  }
}

/** What the card of a draft says and shows. Runs in a worker. */
export const makeCard = (asked: CardToMake): { readonly facts: DraftFacts; readonly picture: string } => draftCard(planOf(asked), asked);
