import type { Knex } from "knex";

export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable("system_versions", (t) => {
    t.uuid("id").primary().defaultTo(knex.raw("gen_random_uuid()"));
    t.text("slug").notNullable();
    t.integer("version").notNullable();
    t.text("title").notNullable();
    t.text("garment").notNullable();
    t.text("notation").notNullable();
    t.timestamp("created_at", { useTz: true }).notNullable().defaultTo(knex.fn.now());
    t.unique(["slug", "version"]);
    t.check("slug ~ '^[a-z0-9-]{1,80}$'", [], "system_slug_shape");
    t.check("version > 0", [], "system_version_positive");
  });
  await knex.schema.createTable("drafts", (t) => {
    t.uuid("id").primary().defaultTo(knex.raw("gen_random_uuid()"));
    t.uuid("owner_id").notNullable().references("accounts.id").onDelete("CASCADE").index();
    t.uuid("system_version_id").notNullable().references("system_versions.id").onDelete("RESTRICT").index();
    t.uuid("person_id").references("people.id").onDelete("SET NULL");
    t.uuid("set_id").references("measurement_sets.id").onDelete("SET NULL");
    t.text("name").notNullable();
    t.text("note").notNullable().defaultTo("");
    t.text("person_name").notNullable().defaultTo("");
    t.text("unit").notNullable();
    t.jsonb("measurements").notNullable().defaultTo("{}");
    t.jsonb("settings").notNullable().defaultTo("{}");
    t.integer("step").notNullable().defaultTo(0);
    t.integer("version").notNullable().defaultTo(1);
    t.timestamp("created_at", { useTz: true }).notNullable().defaultTo(knex.fn.now());
    t.timestamp("updated_at", { useTz: true }).notNullable().defaultTo(knex.fn.now()).index();
    t.timestamp("deleted_at", { useTz: true });
    t.check("length(trim(name)) > 0", [], "drafts_name_said");
    t.check("unit in ('in', 'cm')", [], "drafts_unit_known");
    t.check("jsonb_typeof(measurements) = 'object' and jsonb_typeof(settings) = 'object'", [], "drafts_answers_objects");
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable("drafts").dropTable("system_versions");
}
