import { randomUUID } from "node:crypto";
import { writeFileSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Draft } from "@lodrin/contract";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { enter, type Harness, openHarness, type Visitor, visitor } from "../test/harness.js";
import { WaitingFiles } from "./waiting-files.js";
import { FileMaker } from "./file-maker.js";
import type { FileToMake } from "./make-file.js";

let h: Harness;
let v: Visitor;
beforeAll(async () => {
  h = await openHarness();
  v = await visitor(h.app, "evening@quillmoor.example");
});
afterAll(() => h.close());

const SHIRT = { chest: "104", neck: "41", scye_depth: "25", back_waist: "45", half_back: "20,6", garment_length: "77" };
const newDraft = async (slug: string, settings: Record<string, string>, measurements: Record<string, string> = SHIRT): Promise<Draft> =>
  (
    await v.send("post", "/api/drafts", {
      name: "Evil",
      note: "",
      slug,
      personId: null,
      personName: "",
      setId: null,
      unit: "cm",
      measurements,
      settings,
      step: 0,
    })
  ).body as Draft;

describe("no answer stops the server", () => {
  it.each([
    ["08-menswear-flat-shirt-block", { neck_div: "0.000001" }],
    ["08-menswear-flat-shirt-block", { neck_div: "-0.5", seam: "99999 cm" }],
    ["20-child-bodice-with-grading", { steps: "-1000" }],
    ["20-child-bodice-with-grading", { steps: "99999999" }],
  ])("%s with %j", async (slug, settings) => {
    const draft = await newDraft(slug, settings as unknown as Record<string, string>);
    for (const file of ["pattern.pdf", "handout.pdf", "pattern.svg", "pattern.dxf", "run.json"]) {
      const reply = await v.get(`/api/drafts/${draft.id}/files/${file}`);
      expect([200, 422]).toContain(reply.status);
    }
  });

  it("a body that no paper holds is told so, with what to do", async () => {
    const notation = `system "Sail"
  unit cm
board M
A0 start
A1 out 3000 from A0
A2 down 3000 from A1
A3 down 3000 from A0
piece Sail "Sail" on M · cut 1
  edge top: A0 > A1
  edge leech: A1 > A2
  edge foot: A2 > A3
  edge luff: A3 > A0
`;
    await h.knex("system_versions").insert({ slug: "sail", version: 1, title: "Sail", garment: "sail", notation });
    const draft = await newDraft("sail", {}, {});
    const reply = await v.get(`/api/drafts/${draft.id}/files/pattern.pdf`);
    expect(reply.status).toBe(422);
    expect(reply.body).toMatchObject({ title: "Too large to print", detail: expect.stringContaining("Check the measurements") as string });
  });

  it("health is answered while twenty files are being made", async () => {
    const draft = await newDraft("08-menswear-flat-shirt-block", {});
    let made = 0;
    const file = async (): Promise<number> => {
      const { status } = await v.get(`/api/drafts/${draft.id}/files/pattern.pdf`);
      made += 1;
      return status;
    };
    const files = Promise.all(Array.from({ length: 20 }, file));
    for (let i = 0; i < 5; i++) expect((await v.get("/api/health")).status).toBe(200);
    expect(made).toBeLessThan(20);
    expect(await files).toEqual(Array(20).fill(200));
  });
});

const asked: FileToMake = {
  file: "x",
  wanted: { paper: "A4", what: "pieces", unit: "cm" },
  ...{ systemVersionId: "1", slug: "x", notation: "", bases: {}, unit: "cm", measurements: {}, settings: {}, title: "x", lines: [] },
};
const WAITER = { accountId: "somebody" };

describe("files that wait", () => {
  it("have their time from when they begin, whoever waits before them, and each account's turn comes; the place is known", async () => {
    const folder = mkdtempSync(join(tmpdir(), "lodrin-worker-"));
    const worker = join(folder, "worker.mjs");
    writeFileSync(
      worker,
      "export default ({ slug }) => new Promise((r) => setTimeout(() => r({ body: slug }), slug === 'slow' ? 300 : 10));",
    );
    const [one, other] = [await enter(h, "one@files.example"), await enter(h, "other@files.example")];
    // Twelve slow ones take longer together than one may take.
    const maker = new FileMaker(worker, 1, new WaitingFiles(h.knex));
    const ticket = randomUUID();
    try {
      const done: string[] = [];
      const slow = Array.from({ length: 12 }, () =>
        maker.make({ ...asked, slug: "slow" }, { accountId: one.id }).then(() => void done.push("slow")),
      );
      const quick = maker.make({ ...asked, slug: "quick" }, { accountId: other.id, ticket }).then(() => void done.push("quick"));
      await expect.poll(() => maker.ahead(ticket, other.id)).not.toBeNull();
      expect(await maker.ahead(ticket, one.id)).toBeNull();
      await Promise.all([...slow, quick]);
      expect(done.indexOf("quick")).toBeLessThan(4);
      expect(done).toHaveLength(13);
      await expect.poll(() => maker.ahead(ticket, other.id)).toBeNull();
    } finally {
      await maker.close();
      rmSync(folder, { recursive: true });
    }
  });

  it("are turned away with when to come again once there are too many, and let go when nobody waits for them", async () => {
    const folder = mkdtempSync(join(tmpdir(), "lodrin-worker-"));
    const worker = join(folder, "worker.mjs");
    writeFileSync(worker, "export default () => new Promise((r) => setTimeout(() => r({ body: 'made' }), 50));");
    const maker = new FileMaker(worker);
    const gone = new AbortController();
    try {
      const waiting = Array.from({ length: 25 }, () => maker.make(asked, { accountId: "a", signal: gone.signal }).catch((e: Error) => e));
      await expect(maker.make(asked, { accountId: "a" })).rejects.toMatchObject({ status: 503, retryAfter: 2 });
      gone.abort(new Error("gone"));
      expect((await Promise.all(waiting)).filter((made) => made instanceof Error)).toHaveLength(24);
      expect(await maker.make(asked, { accountId: "a" })).toBe("made");
    } finally {
      await maker.close();
      rmSync(folder, { recursive: true });
    }
  });
});

describe("a worker that takes too much", () => {
  it.each([
    ["time", "for (;;);", 422, "took longer than 1 seconds"],
    ["memory", "const all = []; for (;;) all.push(new Array(1e5).fill(Math.random()).map(String));", 422, "took more memory"],
  ])(
    "of %s is ended and told, and the next file is made",
    async (_, doing, status, said) => {
      const folder = mkdtempSync(join(tmpdir(), "lodrin-worker-"));
      const worker = join(folder, "worker.mjs");
      writeFileSync(worker, `export default ({ slug }) => { if (slug === "bad") { ${doing} } return { body: "made" }; };`);
      const maker = new FileMaker(worker, said.includes("longer") ? 1 : 60);
      try {
        await expect(maker.make({ ...asked, slug: "bad" }, WAITER)).rejects.toMatchObject({
          status,
          detail: expect.stringContaining(said) as string,
        });
        expect(await maker.make(asked, WAITER)).toBe("made");
      } finally {
        await maker.close();
        rmSync(folder, { recursive: true });
      }
    },
    90_000,
  );
});
