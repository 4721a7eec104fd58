import type { Knex } from "knex";

/** Systems an instructor is writing, and who published a version, with what changed in it. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable("works", (t) => {
    t.uuid("id").primary().defaultTo(knex.raw("gen_random_uuid()"));
    t.uuid("owner_id").notNullable().references("accounts.id").onDelete("CASCADE").index();
    t.text("slug").notNullable().unique();
    t.text("title").notNullable();
    t.text("notation").notNullable();
    // What it was copied from, for the credit.
    t.text("from_slug");
    t.integer("from_version");
    t.integer("version").notNullable().defaultTo(1);
    t.timestamp("created_at", { useTz: true }).notNullable().defaultTo(knex.fn.now());
    t.timestamp("updated_at", { useTz: true }).notNullable().defaultTo(knex.fn.now());
    t.timestamp("deleted_at", { useTz: true });
    t.check("slug ~ '^[a-z0-9-]{1,80}$'", [], "works_slug_shape");
  });
  await knex.schema.alterTable("system_versions", (t) => {
    t.uuid("owner_id").references("accounts.id").onDelete("SET NULL");
    t.text("change_note").notNullable().defaultTo("");
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable("system_versions", (t) => t.dropColumns("owner_id", "change_note"));
  await knex.schema.dropTable("works");
}
