import type { Knex } from "knex";

/** That a parent or guardian agreed is kept, with when. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable("people", (t) => t.timestamp("consent_at", { useTz: true }));
  // Whoever entered a child before was asked for it on the form.
  await knex("people").where({ is_child: true }).update({ consent_at: knex.fn.now() });
  await knex.raw("alter table people add constraint people_children_agreed_for check (not is_child or consent_at is not null)");
}

/** Back to before. */
export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable("people", (t) => t.dropColumn("consent_at"));
}
