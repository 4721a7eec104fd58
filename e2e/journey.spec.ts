import { readFileSync } from "node:fs";
import { expect, startShirt, test } from "./lodrin.js";

// The whole journey as someone new goes it: from an account to a pattern on paper.
for (const [on, viewport] of [
  ["table", { width: 1280, height: 800 }],
  ["tablet", { width: 820, height: 1180 }],
] as const)
  test(`from an empty account to a printed pattern, on the ${on}`, async ({ page }) => {
    test.setTimeout(120_000);
    await page.setViewportSize(viewport);
    await test.step("makes an account, and is told what is wrong with what was typed", async () => {
      await page.goto("/");
      await expect(page).toHaveURL(/sign-in/);
      await page.getByRole("button", { name: /make an account/ }).click();
      await page.getByRole("button", { name: "Make my account" }).click();
      await expect(page.getByText("Enter your name so your teacher knows")).toBeVisible();
      await page.getByLabel("Your name").fill("Nell Harrow");
      await page.getByLabel("E-mail").fill("nell");
      await page.getByLabel("Password").fill("short");
      await page.getByRole("button", { name: "Make my account" }).click();
      await expect(page.getByText("Write your e-mail, like wenna@quillmoor.example.")).toBeVisible();
      await page.getByLabel("E-mail").fill(`nell.${on}@quillmoor.example`);
      await page.getByRole("button", { name: "Make my account" }).click();
      await expect(page.getByText("Ten letters or more.", { exact: true })).toBeVisible();
      await page.getByLabel("Password").fill("stilts and lanterns");
      await page.getByRole("button", { name: "Make my account" }).click();
      await expect(page.getByRole("heading", { name: "Good to see you, Nell" })).toBeVisible();
      await expect(page.getByText("Your table is clear")).toBeVisible();
    });

    await test.step("is led round once", async () => {
      for (const title of ["Measure first", "Then take a system down", "Your drafts are kept here"]) {
        await expect(page.getByText(title)).toBeVisible();
        await page.getByRole("button", { name: "Next" }).click();
      }
      await page.getByRole("button", { name: "Finish" }).click();
      await page.reload();
      await expect(page.getByText("Your table is clear")).toBeVisible();
      await expect(page.getByText("Measure first")).toBeHidden();
    });

    await test.step("measures herself: any writing, the figure, doubts in words", async () => {
      await page.getByRole("link", { name: "Bodies" }).click();
      await page.getByRole("button", { name: "Add me" }).click();
      await page.getByRole("button", { name: "Measure again" }).click();
      const chest = page.getByLabel("Chest", { exact: true });
      await chest.fill('38 4/8"');
      await expect(page.getByText("38 1/2 in on the tape · 97.8 cm")).toBeVisible();
      await expect(page.getByRole("img", { name: /Chest: the tape on the front/ })).toBeVisible();
      await chest.fill("97.8");
      await expect(page.getByText("looks like centimetres written as inches")).toBeVisible();
      await expect(chest).toHaveValue("97.8");
      await chest.fill("97.8 cm");
      await expect(page.getByText("looks like centimetres written as inches")).toBeHidden();
      await page.getByLabel("Neck", { exact: true }).fill("fifteen");
      await expect(page.getByText("“fifteen” is not a length")).toBeVisible();
      await page.getByLabel("Neck", { exact: true }).fill("15¼");
      await page.getByLabel("Scye depth", { exact: true }).fill("9 5/8");
      await page.getByLabel("Back waist length", { exact: true }).fill("9");
      await expect(page.getByText("runs further down than scye depth")).toBeVisible();
      await page.getByLabel("Back waist length", { exact: true }).fill("17 1/2");
      await page.getByLabel("Half back", { exact: true }).fill("7,875");
      await expect(page.getByText(/^Saved \d\d:\d\d/)).toBeVisible();
    });

    await test.step("copies the set to another day and compares the two", async () => {
      const first = page.url();
      await page.getByRole("button", { name: "This set" }).click();
      await page.getByRole("menuitem", { name: "Copy to today" }).click();
      await expect(page).not.toHaveURL(first);
      await page.getByLabel("Taken on").fill("1 Jun 2026");
      await page.getByLabel("Taken on").press("Enter");
      await page.getByLabel("Chest", { exact: true }).fill("38");
      await expect(page.getByText(/^Saved/)).toBeVisible();
      await page.getByRole("button", { name: "Compare two dates" }).click();
      const row = page.getByRole("row", { name: /Chest/ });
      await expect(row).toContainText("38 in");
      await expect(row).toContainText("38 1/2 in");
      await expect(row).toContainText("+ 1/2 in");
    });

    await test.step("takes the system from the shelf; what is missing is asked for in the draft", async () => {
      await page.getByRole("link", { name: "Shelf" }).click();
      const card = page.getByRole("article").filter({ has: page.getByRole("heading", { name: "Menswear flat shirt block" }) });
      await expect(card.getByText("You have 5 of the 6 it needs.")).toBeVisible();
      await card.getByRole("link", { name: "Draft it" }).click();
      await page
        .getByRole("button", { name: /Nell Harrow \(me\).*asks for garment length/ })
        .first()
        .click();
      const drawer = page.getByRole("complementary", { name: "Body" });
      await expect(drawer).toContainText("This system also needs garment length");
      await drawer.getByLabel(/Garment length/).fill("29");
      await expect(drawer.getByText("This system also needs")).toBeHidden();
      await page.keyboard.press("Escape");
      await expect(drawer).toBeHidden();
    });

    const handout = page.getByRole("region", { name: "Handout" });
    const current = handout.locator("[aria-current='step']");

    await test.step("steps through it by key and by button; sums, tape and paper go together", async () => {
      await page.keyboard.press("Home");
      await expect(page.getByText("1 / 53")).toBeVisible();
      for (let i = 0; i < 3; i++) await page.keyboard.press("ArrowRight");
      await expect(current).toContainText("Down from 1 the scye depth plus the scye ease");
      await page.keyboard.press("ArrowRight");
      await page.keyboard.press("ArrowLeft");
      await expect(current).toContainText("scye depth + scye ease");
      await page.getByRole("button", { name: "Next step (right arrow)" }).click();
      await expect(current).toContainText("17 1/2 in");
      await expect(page.getByRole("region", { name: "The tape" })).toContainText("17 1/2 in");
      await handout.getByText("Square across from 1: the neck width.").click();
      await expect(current).toContainText("Square across from 1");
      await page.keyboard.press("End");
      // A point on the paper leads back to its step.
      const five = await page.locator(".numbers").getByText("5", { exact: true }).boundingBox();
      await page.mouse.click((five?.x ?? 0) + 4, (five?.y ?? 0) + 8);
      await expect(current).toContainText("Square across from 2: the underarm.");
    });

    await test.step("plays, switches units, keeps the paper under the hands", async () => {
      await page.getByRole("group", { name: /The board/ }).click({ position: { x: 320, y: 430 } });
      await page.keyboard.press("Home");
      await page.keyboard.press("Space");
      await expect(page.getByRole("button", { name: /Stop playing/ })).toBeVisible();
      await expect(page.getByText(/^[2-9] \/ 53/)).toBeVisible();
      await page.keyboard.press("Space");
      await page.keyboard.press("End");
      await page.keyboard.press("u");
      await expect(page.getByRole("region", { name: "The tape" })).toContainText("cm");
      await page.keyboard.press("u");
      const shift = (): Promise<string | null> => page.locator("svg g[transform*=scale]").first().getAttribute("transform");
      const before = await shift();
      await page.keyboard.press("+");
      expect(await shift()).not.toBe(before);
      await page.keyboard.press("f");
      expect(await shift()).toBe(before);
      await page.keyboard.press("Shift+?");
      await expect(page.getByRole("dialog")).toContainText("Keys at the table");
      await page.keyboard.press("Escape");
      await expect(page.getByRole("dialog")).toBeHidden();
    });

    await test.step("changes settings and a choice: the draft follows at once", async () => {
      await page.keyboard.press("s");
      const settings = page.getByRole("complementary", { name: "Settings" });
      const rise = settings.getByLabel("Rise", { exact: true });
      await rise.fill("tall");
      await rise.press("Enter");
      await expect(settings.getByRole("alert")).toContainText("not a length");
      await rise.fill("1 3/8");
      await rise.press("Enter");
      await settings.getByRole("button", { name: /Rise: back to/ }).waitFor();
      await settings.getByText("From the nape: the full length lies on the centre back.").click();
      await handout.getByText("Down from 0 the block length").click();
      await expect(current).toContainText("30 3/8 in");
      await page.getByRole("button", { name: "Close the drawer (Esc)" }).click();
    });

    await test.step("takes it apart into pieces, and reads the checks", async () => {
      await page.getByRole("button", { name: "Pieces", exact: true }).last().click();
      const pieces = page.getByRole("complementary", { name: "Pieces" });
      await expect(pieces).toContainText("cut 1 on the fold");
      await pieces.getByRole("button", { name: "Back", exact: true }).click();
      await expect(page.getByRole("group", { name: /The pieces/ })).toContainText("Back");
      await expect(page.getByRole("group", { name: /The pieces/ })).not.toContainText("Front");
      await pieces.getByRole("button", { name: "armhole" }).first().click();
      await page.keyboard.press("k");
      const checks = page.getByRole("complementary", { name: "Checks" });
      await expect(checks).toContainText(/checks hold|want a look/);
      await checks.getByRole("button", { name: /side edges agree/ }).click();
      await checks.getByRole("button", { name: /Armhole line plumb/ }).click();
      await expect(page.getByRole("group", { name: /The board/ })).toBeVisible();
    });

    await test.step("names it, and finds it again exactly as it was", async () => {
      await page.getByRole("button", { name: "Notes" }).click();
      await page.getByLabel("Name of this draft").fill("Nell's band shirt");
      await page.getByLabel("Name of this draft").press("Enter");
      await page.getByLabel("Note", { exact: true }).fill("Toile in calico first.");
      await expect(page.getByText(/^Saved/)).toBeVisible();
      await page.getByRole("link", { name: "To the workroom" }).click();
      await expect(page.getByRole("heading", { name: "Nell's band shirt" })).toBeVisible();
      await page.getByRole("link", { name: "Go on" }).click();
      await expect(page.getByText("53 / 53")).toBeVisible();
      await handout.getByText("Down from 0 the block length").click();
      await expect(current).toContainText("30 3/8 in");
      await page.getByRole("button", { name: "Notes" }).click();
      await expect(page.getByLabel("Note", { exact: true })).toHaveValue("Toile in calico first.");
    });

    await test.step("sees the sheets and takes the files away", async () => {
      await page.getByRole("button", { name: "Print, files" }).click();
      await page.getByRole("link", { name: /Print the pattern/ }).click();
      await page.getByText("A4", { exact: true }).click();
      await expect(page.getByText(/\d+ sheets and one page with the map/)).toBeVisible();
      const id = /drafts\/([^/]+)/.exec(page.url())?.[1] ?? "";
      for (const file of ["pattern.pdf?paper=A4", "pattern.pdf?paper=roll36in", "handout.pdf", "pattern.svg", "run.json"]) {
        const reply = await page.request.get(`/api/drafts/${id}/files/${file}`);
        expect(reply.status(), file).toBe(200);
        expect((await reply.body()).length, file).toBeGreaterThan(2_000);
      }
      const popup = page.waitForEvent("popup");
      await page.getByRole("button", { name: "Open the pattern (PDF)" }).click();
      // A page behind another is drawn once a second.
      await (await popup).close();
      const square = await page.request.get(`/api/drafts/${id}/files/pattern.pdf?what=square`);
      expect([square.status(), square.headers()["content-type"]]).toEqual([200, "application/pdf"]);
      const sheets = async (): Promise<number> => Number(/^\d+/.exec(await page.getByText(/^\d+ sheets? and/).innerText())?.[0]);
      const all = await sheets();
      await page.locator("fieldset").getByText("Back", { exact: true }).click();
      await expect.poll(sheets).toBeLessThan(all);
    });

    await test.step("duplicates, deletes, and takes the deletion back", async () => {
      await page.goto("/");
      await page.getByRole("link", { name: "Go on" }).click();
      await page.getByRole("button", { name: "More for this draft" }).click();
      await page.getByRole("menuitem", { name: "Duplicate this draft" }).click();
      await expect(page.getByRole("heading", { name: "Nell's band shirt, copy" })).toBeVisible();
      await page.getByRole("button", { name: "More for this draft" }).click();
      await page.getByRole("menuitem", { name: "Delete this draft" }).click();
      await expect(page.getByText("“Nell's band shirt, copy” is deleted.")).toBeVisible();
      await page.getByRole("button", { name: "Restore" }).click();
      await expect(
        page
          .getByRole("link", { name: /Nell's band shirt, copy/ })
          .or(page.getByRole("heading", { name: /copy/ }))
          .first(),
      ).toBeVisible();
    });

    await test.step("signs out, and the door is shut", async () => {
      await page.getByRole("button", { name: "Nell Harrow" }).click();
      await page.getByRole("menuitem", { name: "Sign out" }).click();
      await expect(page.getByRole("heading", { name: "Sign in" })).toBeVisible();
      await page.goto("/bodies");
      await expect(page).toHaveURL(/sign-in\?to=/);
    });
  });

test("values can be typed into a draft without anybody on file", async ({ page }) => {
  await page.goto("/sign-in");
  await page.getByLabel("E-mail").fill("jory@quillmoor.example");
  await page.getByLabel("Password").fill("wrong-password");
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page.getByRole("alert")).toContainText("The e-mail or the password is not right.");
  await page.getByLabel("Password").fill("lantern-night");
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page.getByRole("heading", { name: /Good to see you, Jory/ })).toBeVisible();
  await startShirt(page, /Nobody yet/);
  const body = page.getByRole("complementary", { name: "Body" });
  for (const [label, figure] of [
    ["Chest", "92"],
    ["Scye depth", "23"],
    ["Neck", "36,5"],
    ["Back waist length", "43"],
    ["Half back", "18.4"],
    ["Garment length", "70"],
  ] as const)
    await body.getByLabel(new RegExp(`^${label}`)).fill(figure);
  await expect(body.getByText("This system also needs")).toBeHidden();
  await page.getByRole("button", { name: "Close the drawer (Esc)" }).click();
  await page.keyboard.press("End");
  await expect(page.locator(".numbers").getByText("B17")).toBeVisible();
});

test("the library on the shelf is the one in the tree", async ({ page }) => {
  const text = readFileSync("systems/08-menswear-flat-shirt-block.lodrin", "utf8");
  await page.request.post("/api/session", { data: { email: "pim@quillmoor.example", password: "lantern-night" } });
  const shelf = (await (await page.request.get("/api/systems")).json()) as { slug: string; notation: string }[];
  expect(shelf.find((s) => s.slug.startsWith("08"))?.notation).toBe(text);
});
