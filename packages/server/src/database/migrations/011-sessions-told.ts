import type { Knex } from "knex";

/** Every process is told when a session is changed or ended, and e-mails wait until they are confirmed. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create function tell_session() returns trigger language plpgsql as $$
    begin
      perform pg_notify('lodrin_sessions', left(encode(sha256(convert_to(old.sid, 'UTF8')), 'hex'), 16));
      return null;
    end $$`);
  await knex.raw("create trigger sessions_told after delete or update of sess on sessions for each row execute function tell_session()");
  await knex.schema.createTable("sign_ups", (t) => {
    t.text("token_digest").primary();
    t.text("email").notNullable().index();
    t.text("name").notNullable();
    t.text("password_hash").notNullable();
    t.timestamp("until", { useTz: true }).notNullable();
  });
}

/** Back to before. */
export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable("sign_ups");
  await knex.raw("drop trigger sessions_told on sessions");
  await knex.raw("drop function tell_session()");
}
