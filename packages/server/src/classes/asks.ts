import { type Ask, assignmentRoutes } from "@lodrin/contract";
import type { Router } from "express";
import type { Knex } from "knex";
import { mount } from "../http/mount.js";

// Counted, not shown: nobody's work is looked at for it, and no log tells that it was. How many handed in is their teacher's to know.
const ASKS = `
  select a.id, a.class_id as "classId", a.title, a.due_on as "dueOn", c.name as "className", t.id is not null as mine,
    case when t.id is null then 0 else
      (select count(*)::int from hand_ins h where h.assignment_id = a.id and h.state = 'handed' and not exists
        (select 1 from hand_ins later where later.assignment_id = a.id and later.account_id = h.account_id and later.attempt > h.attempt))
    end as fresh,
    (select h.state from hand_ins h where h.assignment_id = a.id and h.account_id = :me order by h.attempt desc limit 1) as last
  from assignments a join classes c on c.id = a.class_id
    left join accounts t on t.id = c.teacher_id and t.id = :me and t.role <> 'student'
  where a.deleted_at is null and c.deleted_at is null
    and (t.id is not null or exists (select 1 from class_members m where m.class_id = c.id and m.account_id = :me))
  order by a.due_on, a.created_at`;

/** What an account's classes ask of it. */
export function asksRoutes(router: Router, knex: Knex): void {
  mount(router, assignmentRoutes.asks, async ({ accountId }) => {
    const { rows } = (await knex.raw(ASKS, { me: accountId })) as { rows: Ask[] };
    return rows;
  });
}
