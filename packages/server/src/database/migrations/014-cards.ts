import type { Knex } from "knex";

/** What cards say and show of versions and drafts, made once. Filled when it is first needed: drafting is not a migration's work. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable("system_versions", (t) => {
    t.jsonb("card");
    t.text("picture");
  });
  await knex.schema.createTable("draft_cards", (t) => {
    t.uuid("draft_id").primary().references("drafts.id").onDelete("CASCADE");
    /** The version of the draft it was made from. */
    t.integer("version").notNullable();
    t.jsonb("facts").notNullable();
    t.text("picture").notNullable();
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable("draft_cards");
  await knex.schema.alterTable("system_versions", (t) => t.dropColumns("card", "picture"));
}
