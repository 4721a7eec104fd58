import type { DraftCard, SystemSheet } from "@lodrin/contract";
import request from "supertest";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type Harness, openHarness } from "../test/harness.js";
import { NEW_DRAFT, SHIRT } from "../test/new-draft.js";

let harness: Harness;
let visitor: ReturnType<typeof request.agent>;
beforeAll(async () => {
  harness = await openHarness();
  visitor = request.agent(harness.app);
  await visitor.post("/api/accounts").send({ email: "cards@quillmoor.example", name: "Cards", password: "long enough 1" }).expect(201);
});
afterAll(() => harness.close());

const PICTURE = `/api/systems/${SHIRT}/1/picture`;

describe("a version's card and picture", () => {
  it("come with the shelf, made when it was put there: nothing is drafted to show it", async () => {
    const shelf = (await visitor.get("/api/systems").expect(200)).body as SystemSheet[];
    expect(shelf.filter(({ card }) => card === null)).toEqual([]);
    const shirt = shelf.find(({ slug }) => slug === SHIRT);
    expect(shirt?.card).toMatchObject({ unit: "cm", needs: ["chest", "scye_depth", "neck", "back_waist", "half_back", "garment_length"] });
    const [{ without } = {}] = (await harness.knex("system_versions").whereNull("picture").count("* as without")) as { without?: string }[];
    expect(Number(without)).toBe(0);
  });

  it("the picture is an SVG that is sent once", async () => {
    const first = await visitor
      .get(PICTURE)
      .expect(200)
      .expect("content-type", /image\/svg\+xml/);
    expect(Buffer.from(first.body as Buffer).toString()).toMatch(/^<svg xmlns/);
    await visitor
      .get(PICTURE)
      .set("if-none-match", first.headers["etag"] as string)
      .expect(304);
  });

  it("of a version that was published before there were cards are made when they are first wanted, and kept", async () => {
    await harness.knex("system_versions").where({ slug: SHIRT }).update({ card: null, picture: null });
    await visitor.get(PICTURE).expect(200);
    const row = (await harness.knex("system_versions").where({ slug: SHIRT }).first()) as { card: object | null; picture: string | null };
    expect(row.card).toMatchObject({ unit: "cm" });
    expect(row.picture).toMatch(/^<svg/);
  });
});

describe("a draft's card and picture", () => {
  const card = async (id: string): Promise<DraftCard> => (await visitor.get(`/api/drafts/${id}/card`).expect(200)).body as DraftCard;

  it("are made when they are first looked at, kept, and made again after a change", async () => {
    const { id } = (await visitor.post("/api/drafts").send(NEW_DRAFT).expect(201)).body as { id: string };
    expect((await card(id)).missing).toBe(6);
    const empty = await visitor.get(`/api/drafts/${id}/picture`).expect(200);
    const measurements = { chest: "104", neck: "41", scye_depth: "25", back_waist: "45", half_back: "20.6", garment_length: "77" };
    await visitor.patch(`/api/drafts/${id}`).send({ version: 1, measurements }).expect(200);
    // Asked for twice at once it is made once.
    const [one, two] = await Promise.all([card(id), card(id)]);
    expect(one).toEqual({ steps: 53, checks: 33, misses: 0, missing: 0 });
    expect(two).toEqual(one);
    const drawn = await visitor
      .get(`/api/drafts/${id}/picture`)
      .set("if-none-match", empty.headers["etag"] as string)
      .expect(200);
    expect(drawn.headers["etag"]).not.toBe(empty.headers["etag"]);
    expect(await harness.knex("draft_cards").where({ draftId: id })).toMatchObject([{ version: 2 }]);
  });

  it("go with the draft", async () => {
    const { id } = (await visitor.post("/api/drafts").send(NEW_DRAFT).expect(201)).body as { id: string };
    await card(id);
    await harness.knex("drafts").where({ id }).delete();
    expect(await harness.knex("draft_cards").where({ draftId: id })).toEqual([]);
  });
});
