import type { SystemSheet, Work } from "@lodrin/contract";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { enter, type Harness, openHarness } from "../test/harness.js";

let h: Harness;
type Visitor = Awaited<ReturnType<typeof enter>>;
let author: Visitor;
let other: Visitor;
let student: Visitor;
beforeAll(async () => {
  h = await openHarness();
  author = await enter(h, "author@disclosure.example", "instructor");
  other = await enter(h, "other@disclosure.example", "instructor");
  student = await enter(h, "student@disclosure.example");
});
afterAll(() => h.close());

const base = (secret: string): string => `system "Base ${secret}"\n  unit cm\nboard M\nM0 start\n  why "${secret}"\nM1 down 10 from M0\n`;
const onTop = (slug: string): string => `system "On top of ${slug}"\n  unit cm\nuses ${slug}\n`;

async function begin(v: Visitor, notation: string, audience: Work["audience"] = "everyone"): Promise<Work> {
  const work = (await v.send("post", "/api/works", { notation })).body as Work;
  return (await v.send("patch", `/api/works/${work.id}/place`, { audience })).body as Work;
}
const publish = (v: Visitor, work: Work, more: object = {}): ReturnType<Visitor["send"]> =>
  v.send("post", `/api/works/${work.id}/publish`, { version: work.version, note: "", ...more });

describe("a private system", () => {
  it("is not read by another who knows its slug: neither published nor in the booklet", async () => {
    const mine = await begin(author, base("SECRET-ONE"), "me");
    expect((await publish(author, mine)).status).toBe(201);
    const thief = await begin(other, onTop(mine.slug));
    const refused = await publish(other, thief);
    expect(refused.status).toBe(422);
    expect(refused.text).not.toContain("SECRET-ONE");
    const asked = { unit: "cm", paper: "A4", rules: true, name: "", measurements: {}, writtenIn: "cm" };
    const booklet = await other.send("post", `/api/works/${thief.id}/booklet`, asked);
    expect(Buffer.from(booklet.body as Buffer).toString("latin1")).not.toContain("SECRET-ONE");
  });

  it("goes out with its author's public one only when the author agrees, who is shown what becomes readable", async () => {
    const mine = await begin(author, base("SECRET-TWO"), "me");
    await publish(author, mine);
    const above = await begin(author, onTop(mine.slug));
    const asked = await publish(author, above);
    expect([asked.status, (asked.body as { discloses: object }).discloses]).toEqual([428, { [mine.slug]: "Base SECRET-TWO" }]);
    expect((await student.get(`/api/systems/${above.slug}/1`)).status).toBe(404);
    expect((await publish(author, above, { discloses: [mine.slug] })).status).toBe(201);
    const sheet = (await student.get(`/api/systems/${above.slug}/1`)).body as SystemSheet;
    expect(sheet.bases[mine.slug]).toContain("SECRET-TWO");
    // Fixed when it was published: what the base becomes later is not shown by it.
    await author.send("patch", `/api/works/${mine.id}`, { version: 1, notation: base("SECRET-LATER") });
    await publish(author, { ...mine, version: 2 });
    expect(JSON.stringify((await student.get(`/api/systems/${above.slug}/1`)).body)).not.toContain("SECRET-LATER");
  });

  it("is asked about as well when the audience of what builds on it grows afterwards", async () => {
    const mine = await begin(author, base("SECRET-THREE"), "me");
    await publish(author, mine);
    const above = await begin(author, onTop(mine.slug), "me");
    expect((await publish(author, above)).status).toBe(201);
    const widen = (more: object = {}): ReturnType<Visitor["send"]> =>
      author.send("patch", `/api/works/${above.id}/place`, { audience: "everyone", ...more });
    expect((await widen()).status).toBe(428);
    expect((await student.get(`/api/systems/${above.slug}/1`)).status).toBe(404);
    expect((await widen({ discloses: [mine.slug] })).status).toBe(200);
    expect((await student.get(`/api/systems/${above.slug}/1`)).status).toBe(200);
  });

  it("is not known to be there by copying it", async () => {
    const mine = await begin(author, base("SECRET-FOUR"), "me");
    await publish(author, mine);
    const copy = (slug: string): ReturnType<Visitor["send"]> =>
      other.send("post", "/api/works", { notation: 'system "x"', from: { slug, version: 1 } });
    const [there, notThere] = [await copy(mine.slug), await copy("no-such-system")];
    expect([there.status, there.body]).toEqual([notThere.status, notThere.body]);
  });
});

describe("publishing twice", () => {
  it("the same text is one version, also at the same moment", async () => {
    const work = await begin(author, base("TWICE"));
    const answers = await Promise.all([publish(author, work), publish(author, work), publish(author, work)]);
    expect(answers.map((a) => a.status)).toEqual([201, 201, 201]);
    expect((await publish(author, work)).body).toMatchObject({ published: 1 });
    await author.send("patch", `/api/works/${work.id}`, { version: 1, notation: base("AGAIN") });
    expect((await publish(author, { ...work, version: 2 })).body).toMatchObject({ published: 2 });
  });
});
