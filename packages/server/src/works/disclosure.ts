import type { Audience } from "@lodrin/contract";
import type { Knex } from "knex";
import { ProblemError } from "../http/problem.js";
import { SystemVersionRow } from "../systems/system-version.js";

const WIDTH: Readonly<Record<Audience, number>> = { me: 0, classes: 1, everyone: 2 };

/**
 * A system goes out with the text of those it builds on. Throws a 428 problem that names the author's own that would become
 * readable for more people than now, unless they are among those agreed to; and a 422 problem for another's, which is not the
 * author's to show.
 */
export async function requireDisclosure(
  knex: Knex,
  accountId: string,
  audience: Audience,
  bases: readonly string[],
  agreed: readonly string[] = [],
): Promise<void> {
  const rows = await SystemVersionRow.onShelf(knex, accountId)
    .clearSelect()
    .whereIn("slug", bases)
    .distinctOn("slug")
    .orderBy([{ column: "slug" }, { column: "version", order: "desc" }])
    .select("slug", "title", "audience", "systemVersions.ownerId");
  const isMine = (row: SystemVersionRow): boolean => row.ownerId === accountId;
  // One teacher's classes are not another's.
  const isNarrower = (row: SystemVersionRow): boolean =>
    WIDTH[row.audience] < WIDTH[audience] || (row.audience === "classes" && audience === "classes" && !isMine(row));
  const narrower = rows.filter(isNarrower);
  const others = narrower.find((row) => !isMine(row));
  if (others)
    throw new ProblemError(
      422,
      "Not yours to show",
      `This system builds on “${others.title}”, which its author keeps for some people. Ask the author to publish it for everyone, or keep yours to yourself.`,
    );
  const asked = narrower.filter(({ slug }) => !agreed.includes(slug));
  if (asked.length === 0) return;
  throw new ProblemError(
    428,
    "This shows a private system",
    `Its text goes out with this one: ${asked.map((r) => `“${r.title}”`).join(", ")}.`,
    {
      discloses: Object.fromEntries(asked.map(({ slug, title }) => [slug, title])),
    },
  );
}
