import type { Knex } from "knex";

/** A version keeps the notation of the systems it builds on, so that a draft made with it never changes under it. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable("system_versions", (t) => {
    t.jsonb("bases").notNullable().defaultTo("{}");
    t.check("jsonb_typeof(bases) = 'object'", [], "system_bases_object");
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable("system_versions", (t) => {
    t.dropChecks("system_bases_object");
    t.dropColumn("bases");
  });
}
