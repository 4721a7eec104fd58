import { workRoutes } from "@lodrin/contract";
import { applyEdits, readNotation, replaceStatement } from "@lodrin/core";
import { call, callAll } from "../api/call.js";

/** The text of a system with something to watch out for at a step; undefined when it has no such step. */
export function withWatch(notation: string, step: string, text: string): string | undefined {
  const read = readNotation(notation);
  const id = step.replace(/^#/, "");
  const index = read.system.statements.findIndex(
    (s) => (s.is === "point" && s.id === id) || ((s.is === "value" || s.is === "path") && s.key === id),
  );
  const statement = read.system.statements[index];
  if (!statement || !(statement.is === "point" || statement.is === "value" || statement.is === "path")) return undefined;
  const said = text.trim().replace(/\s+/g, " ").replace(/["“”]/g, "'");
  return applyEdits(notation, replaceStatement(read, index, { ...statement, watch: [...(statement.watch ?? []), said] }));
}

/** Puts an answer into the teacher's own text of a system, for everyone who drafts with its next version. Throws Error with a sentence. */
export async function makeNote(slug: string, step: string, text: string): Promise<void> {
  const own = (await callAll(workRoutes.works)).find((w) => w.slug === slug);
  if (!own) throw new Error("This system is not yours to write in. Copy it in the builder to have a version of your own.");
  const work = await call(workRoutes.work, { params: { id: own.id } });
  const notation = withWatch(work.notation, step, text);
  if (notation === undefined) throw new Error(`Your text of this system has no step ${step} any more.`);
  await call(workRoutes.changeWork, { params: { id: work.id }, body: { version: work.version, notation } });
}
