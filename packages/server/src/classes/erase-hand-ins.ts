import type { Knex } from "knex";

/** A hand-in that a teacher must keep a result of: marks were given for it, or it was returned or finished. SQL over `hand_ins`. */
export const HAS_RESULT = `(state in ('returned', 'done') or exists (select 1 from jsonb_array_elements(marks) mark where mark <> 'null'))`;

/**
 * Erases hand-ins: those without a result are gone; of the others it is left that there was one, and its marks. No name, no
 * figure, no picture, no comment stays.
 */
export async function eraseHandIns(knex: Knex, which: Readonly<Record<string, string>>): Promise<void> {
  await knex("hand_ins").where(which).whereRaw(`not ${HAS_RESULT}`).delete();
  await knex("comments").whereIn("handInId", knex("hand_ins").where(which).select("id")).delete();
  const nothing = { measurements: "{}", settings: "{}", readings: "[]", marksOnPicture: "[]", note: "", picture: null };
  await knex("hand_ins")
    .where(which)
    .update({ ...nothing, personName: "", personId: null, erasedAt: knex.fn.now() });
}
