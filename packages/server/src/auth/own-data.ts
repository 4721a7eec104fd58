import type { Knex } from "knex";
import { csvText } from "@lodrin/formats";
import { strToU8, zipSync } from "fflate";
import { WorkRow } from "../works/work.js";
import { ChartRow } from "../charts/chart.js";
import { DraftRow } from "../drafts/draft.js";
import { PersonRow } from "../people/person.js";
import { summariesOf } from "../systems/summary.js";
import { AccountRow } from "./account.js";
import { eventsAbout } from "./events.js";
import { accountReply } from "./handover.js";
import { sessionsOf } from "./session-list.js";

/** Everything that is kept of an account, deleted things that are not yet gone among them, as a ZIP: JSON, and the figures as CSV. */
export async function ownData(knex: Knex, accountId: string, here: string): Promise<Uint8Array> {
  const account = await AccountRow.query(knex).findById(accountId).throwIfNotFound();
  const people = await PersonRow.query(knex).where({ ownerId: accountId }).withGraphFetched("sets");
  const drafts = await DraftRow.query(knex).where({ ownerId: accountId });
  const works = await WorkRow.query(knex).where({ ownerId: accountId });
  const charts = await ChartRow.query(knex).where({ ownerId: accountId });
  const of = await summariesOf(
    knex,
    drafts.map((d) => d.systemVersionId),
  );
  const handIns = (await knex("hand_ins").where({ accountId })) as ({ id: string; picture: string | null } & object)[];
  const everything = {
    account: await accountReply(knex, account),
    people: people.map(({ ownerId: _, ...person }) => person),
    systems: works.map((w) => ({ ...w.toReply(0), published: undefined, deletedAt: w.deletedAt })),
    sizeCharts: charts.map((c) => ({ ...c.toReply(accountId), deletedAt: c.deletedAt })),
    drafts: drafts.map((d) => ({ ...d.toReply(of(d.systemVersionId)), deletedAt: d.deletedAt })),
    atTheTable: await knex("draft_tables").whereIn(
      "draftId",
      drafts.map((d) => d.id),
    ),
    readings: await knex("draft_readings").whereIn(
      "draftId",
      drafts.map((d) => d.id),
    ),
    classes: await knex("class_members").where({ accountId }),
    taughtClasses: await knex("classes").where({ teacherId: accountId }),
    handedIn: handIns.map(({ picture, ...rest }) => ({ ...rest, picture: picture === null ? null : pictureFile(rest.id) })),
    comments: await knex("comments")
      .join("accounts", "accounts.id", "comments.byId")
      .where({ byId: accountId })
      .orWhereIn("handInId", knex("hand_ins").where({ accountId }).select("id"))
      .orderBy("comments.at")
      .select("comments.*", "accounts.name as by"),
    questions: await knex("questions").where({ byId: accountId }),
    answers: await knex("answers")
      .join("accounts", "accounts.id", "answers.byId")
      .where({ byId: accountId })
      .orWhereIn("questionId", knex("questions").where({ byId: accountId }).select("id"))
      .orderBy("answers.at")
      .select("answers.*", "accounts.name as by"),
    signedIn: await sessionsOf(knex, accountId, here),
    events: await eventsAbout(knex, accountId),
  };
  const figures = people.flatMap((p) =>
    (p.sets ?? []).flatMap((s) =>
      Object.entries(s.written).map(([name, value]) => ({ person: p.name, taken: s.takenOn, name, value, unit: s.unit })),
    ),
  );
  const answers = everything.drafts.flatMap((d) =>
    [d.measurements, d.settings].flatMap((all, i) =>
      Object.entries(all).map(([name, value]) => ({
        draft: d.name,
        system: d.slug,
        kind: i === 0 ? "measurement" : "setting",
        name,
        value,
      })),
    ),
  );
  const pictures = handIns.flatMap(({ id, picture }) => (picture === null ? [] : [[pictureFile(id), bytesOf(picture)] as const]));
  return zipSync({
    "lodrin.json": strToU8(JSON.stringify(everything, null, 1)),
    "measurements.csv": strToU8(csvText(figures)),
    "drafts.csv": strToU8(csvText(answers)),
    ...Object.fromEntries(pictures),
  });
}

const pictureFile = (handInId: string): string => `pictures/${handInId}.jpg`;

/** The bytes of a picture that is kept as a data URL. */
const bytesOf = (dataUrl: string): Uint8Array => Buffer.from(dataUrl.slice(dataUrl.indexOf(",") + 1), "base64");
