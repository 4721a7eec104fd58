import type { Knex } from "knex";

/** Size charts of the workshop; who may see a system, versions taken off the shelf, and who has a text open. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable("size_charts", (t) => {
    t.uuid("id").primary().defaultTo(knex.raw("gen_random_uuid()"));
    t.uuid("owner_id").notNullable().references("accounts.id").onDelete("CASCADE").index();
    t.text("name").notNullable();
    t.text("note").notNullable().defaultTo("");
    t.jsonb("columns").notNullable();
    t.jsonb("sizes").notNullable();
    t.integer("version").notNullable().defaultTo(1);
    t.timestamp("created_at", { useTz: true }).notNullable().defaultTo(knex.fn.now());
    t.timestamp("updated_at", { useTz: true }).notNullable().defaultTo(knex.fn.now());
    t.timestamp("deleted_at", { useTz: true });
  });
  // Who has a text open just now: a hand tells of itself every few seconds.
  await knex.schema.createTable("work_hands", (t) => {
    t.uuid("work_id").notNullable().references("works.id").onDelete("CASCADE");
    t.uuid("hand").notNullable();
    t.timestamp("seen_at", { useTz: true }).notNullable().defaultTo(knex.fn.now());
    t.primary(["work_id", "hand"]);
  });
  await knex.schema.alterTable("works", (t) => {
    t.text("audience").notNullable().defaultTo("everyone");
    t.timestamp("archived_at", { useTz: true });
    t.check("audience in ('me', 'everyone')", [], "works_audience");
  });
  await knex.schema.alterTable("system_versions", (t) => {
    t.text("audience").notNullable().defaultTo("everyone");
    t.boolean("withdrawn").notNullable().defaultTo(false);
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable("system_versions", (t) => t.dropColumns("audience", "withdrawn"));
  await knex.schema.alterTable("works", (t) => t.dropColumns("audience", "archived_at"));
  await knex.schema.dropTable("work_hands");
  await knex.schema.dropTable("size_charts");
}
