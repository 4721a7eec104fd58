import type { Page } from "@playwright/test";
import { type Given, loadSystem, type Plan, run, sampleBody } from "@lodrin/core";
import { readFileSync } from "node:fs";
import { sound } from "./axe.js";
import { expect, signIn, test } from "./lodrin.js";

test.describe.configure({ timeout: 180_000 });

// Whole systems drawn by mouse and keyboard: what is made is never typed as notation, and the text is never looked at.

async function begin(page: Page, name: string, garment: string): Promise<string> {
  page.setDefaultTimeout(8_000);
  await signIn(page, "ottoline");
  await page.goto("/builder");
  await page.getByRole("button", { name: "Begin a new one" }).click();
  await page.getByLabel("Name of the system").fill(name);
  await page.getByText("One board with nothing on it.").click();
  await page.getByRole("combobox", { name: "Garment" }).click();
  await page.getByRole("combobox", { name: "Garment" }).fill(garment);
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: "Begin", exact: true }).click();
  await expect(page.getByRole("toolbar", { name: "Draw by hand" })).toBeVisible();
  return page.url().split("/").pop() ?? "";
}

const sentence = (page: Page): ReturnType<Page["locator"]> => page.locator("#hand-sentence");

/** Presses a number on the paper. */
async function press(page: Page, name: string): Promise<void> {
  const box = await page
    .locator(".numbers .number")
    .filter({ hasText: new RegExp(`^${name}$`) })
    .boundingBox();
  if (!box) throw new Error(`${name} is not on the paper`);
  await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2);
}

/** Fills a gap of the sentence: a number of the paper is pressed, a choice is made by its words, everything else is typed. */
async function fill(page: Page, gap: string, value: string): Promise<void> {
  const field = sentence(page).locator(`[data-gap="${gap}"]`);
  const select = field.getByRole("combobox");
  if (value.startsWith("press ")) {
    await field.click({ position: { x: 4, y: 4 } });
    await page.keyboard.press("Escape").catch(() => undefined);
    for (const name of value.slice(6).split(" ")) await press(page, name);
  } else if ((await select.count()) > 0) {
    for (const name of value.split(", ")) {
      await select.first().click({ force: true });
      if (await select.first().isEditable()) {
        await select.first().fill(name);
        await page.getByRole("option", { name, exact: true }).first().click();
      } else await page.getByRole("option", { name, exact: true }).click();
    }
    await page.keyboard.press("Tab");
  } else {
    await field.getByRole("textbox").click();
    await page.keyboard.press("ControlOrMeta+a");
    await page.keyboard.type(value);
  }
}

/** Makes one thing by hand: its menu, its name there, and its gaps; `+ words` opens what may be left out. */
async function hand(page: Page, menu: string, item: string, ...gaps: readonly (readonly [string, string])[]): Promise<void> {
  const from =
    menu === "Add"
      ? page.getByRole("button", { name: "Add", exact: true })
      : page.getByRole("toolbar", { name: "Draw by hand" }).getByRole("button", { name: menu });
  await from.click();
  await page.getByRole("menuitem", { name: item, exact: true }).click();
  await expect(sentence(page)).toBeVisible();
  for (const [gap, value] of gaps) {
    if (gap === "+")
      await sentence(page)
        .getByRole("button", { name: `+ ${value}`, exact: true })
        .click();
    else await fill(page, gap, value);
  }
  const insert = sentence(page).getByRole("button", { name: "Insert" });
  await expect(insert, `${menu} ${item}: ${await sentence(page).innerText()}`).toBeEnabled();
  await insert.click();
  await expect(sentence(page)).toBeHidden();
}

async function measure(page: Page, ...names: readonly string[]): Promise<void> {
  await page.getByRole("button", { name: "Add", exact: true }).click();
  await page.getByRole("menuitem", { name: "A measurement …" }).click();
  const dialog = page.getByRole("dialog", { name: "A measurement" });
  for (const name of names) {
    await dialog.getByRole("list", { name: "Usual measurements" }).getByRole("button", { name, exact: true }).click();
    await dialog.getByRole("button", { name: "Insert" }).click();
  }
  await page.keyboard.press("Escape");
  await expect(dialog).toBeHidden();
}

const setting = (page: Page, name: string, usual: string, from: string, to: string, decides: string): Promise<void> =>
  hand(page, "Add", "A setting", ["key", name], ["usual", usual], ["from", from], ["to", to], ["decides", decides]);

const pieces = (page: Page): Promise<void> => page.getByRole("toolbar", { name: "The paper" }).getByText("Pieces", { exact: true }).click();

/** What was built draws the fixture, point by point and piece by piece, on three bodies. */
async function isFixture(page: Page, id: string, fixture: string): Promise<void> {
  await expect(page.getByText(/^Saved/)).toBeVisible();
  await expect(page.getByText(/No errors/)).toBeVisible();
  const { notation } = (await (await page.request.get(`/api/works/${id}`)).json()) as { notation: string };
  const built = loadSystem(notation);
  const wanted = loadSystem(readFileSync(new URL(`by-hand/${fixture}.lodrin`, import.meta.url), "utf8"));
  expect(built.problems).toEqual([]);
  expect(wanted.problems).toEqual([]);
  expect([...built.plan.scope.points.keys()].sort()).toEqual([...wanted.plan.scope.points.keys()].sort());
  for (const share of [0.25, 0.5, 0.75]) {
    const body = sampleBody(wanted.plan, share);
    const [a, b] = [drawn(built.plan, body), drawn(wanted.plan, body)];
    expect(a, notation).toEqual(b);
  }
}

/** Every point, and every piece with its net and cutting line and what it is marked with, to a hundredth of a millimetre. */
function drawn(plan: Plan, body: Given): unknown {
  const { board, pieces: made } = run(plan, body);
  const at = ({ x, y }: { readonly x: number; readonly y: number }): string => `${x.toFixed(2)} ${y.toFixed(2)}`.replace(/-0\.00/g, "0.00");
  return {
    points: [...plan.scope.points].map(([name, slot]) => `${name} ${board.points[slot] ? at(board.points[slot]) : ""}`).sort(),
    pieces: made
      .map(({ key, cut, onFold, mirrored, net, cutting, notches, grain }) => ({
        key,
        cut,
        onFold,
        mirrored,
        net: net.map(at).sort(),
        cutting: cutting.map(at).sort(),
        notches: notches.map((n) => `${at(n.at)} ${n.ticks}`).sort(),
        grain: grain?.map(at),
      }))
      .sort((p, q) => p.key.localeCompare(q.key)),
  };
}

test("a shirt sleeve with its cuff and placket is drawn by hand", async ({ page }) => {
  const id = await begin(page, "Shirt sleeve for the brass band", "sleeve");
  await measure(page, "Upper arm", "Sleeve length", "Wrist");
  await setting(page, "cap", "11", "8", "15", "Height of the cap.");
  await setting(page, "cuff depth", "6", "4", "8", "Depth of the cuff.");
  await hand(page, "Point", "down", ["from", "press A0"], ["distance", "cap"]);
  await hand(page, "Point", "down", ["from", "press A0"], ["distance", "sleeve_length - cuff_depth"]);
  await hand(page, "Point", "out", ["from", "press A1"], ["distance", "(bicep + 6)/2"]);
  await hand(page, "Point", "through a fold", ["point", "press A3"], ["line", "press A0 A2"]);
  await hand(page, "Point", "out", ["from", "press A2"], ["distance", "(wrist + 8)/2"]);
  await hand(page, "Point", "through a fold", ["point", "press A5"], ["line", "press A0 A2"]);
  await hand(
    page,
    "Line",
    "curve",
    ["through", "press A4 A0 A3"],
    ["key", "head"],
    ["+", "leaving"],
    ["leaving", "level"],
    ["+", "arriving"],
    ["arriving", "level"],
    ["+", "where it passes"],
    ["passing", "level"],
    ["past", "press A0"],
  );
  await hand(page, "Line", "straight line", ["through", "press A6 A5"], ["key", "hem"]);
  await hand(page, "Point", "part of the way", ["from", "press A6"], ["to", "press A5"], ["share", "3/4"]);
  await hand(page, "Point", "up", ["from", "press A7"], ["distance", "10"]);
  await hand(page, "Line", "straight line", ["through", "press A7 A8"], ["key", "slit"]);
  await hand(
    page,
    "Piece",
    "its outline, gone round",
    ["round", "head, A5, hem, A4"],
    ["title", "Sleeve"],
    ["cut", "two as a pair"],
    ["+", "allowance"],
    ["allow", "1"],
    ["+", "the grain along"],
    ["grain", "press A0 A2"],
  );
  await hand(
    page,
    "Piece",
    "strip or band of a size",
    ["long", "wrist + 6"],
    ["wide", "2*cuff_depth"],
    ["title", "Cuff"],
    ["cut", "twice"],
  );
  await hand(
    page,
    "Piece",
    "strip or band of a size",
    ["long", "22"],
    ["wide", "5"],
    ["title", "Placket"],
    ["cut", "twice"],
    ["grain", "on the bias"],
  );
  await isFixture(page, id, "shirt-sleeve");
  await page.request.delete(`/api/works/${id}`);
});

test("a princess bodice with its facing is drawn by hand, cut along its line and its dart", async ({ page }) => {
  const id = await begin(page, "Princess bodice for the stilt walkers", "bodice");
  await measure(page, "Bust", "Waist", "Across shoulder", "Back waist length");
  await hand(page, "Point", "down", ["from", "press A0"], ["distance", "back_waist"]);
  await hand(page, "Point", "out", ["from", "press A0"], ["distance", "across_shoulder/2"]);
  await hand(page, "Point", "down", ["from", "press A2"], ["distance", "4"]);
  await hand(page, "Point", "out", ["from", "press A0"], ["distance", "7"]);
  await hand(page, "Point", "down", ["from", "press A0"], ["distance", "8"]);
  await hand(page, "Point", "down", ["from", "press A0"], ["distance", "bust/6 + 4"]);
  await hand(page, "Point", "out", ["from", "press A6"], ["distance", "bust/4 + 1"]);
  await hand(page, "Point", "out", ["from", "press A1"], ["distance", "waist/4 + 4"]);
  await hand(page, "Point", "midway", ["a", "press A4"], ["b", "press A3"]);
  await hand(page, "Point", "down", ["from", "press A0"], ["distance", "bust/6 + 8"]);
  await hand(page, "Point", "out", ["from", "press A10"], ["distance", "9"]);
  await hand(page, "Point", "out", ["from", "press A1"], ["distance", "9"]);
  await hand(
    page,
    "Line",
    "curve",
    ["through", "press A4 A5"],
    ["key", "neck"],
    ["+", "leaving"],
    ["leaving", "square to …"],
    ["leaving", "press A4 A3"],
    ["+", "arriving"],
    ["arriving", "level"],
  );
  await hand(
    page,
    "Line",
    "curve",
    ["through", "press A3 A7"],
    ["key", "armhole"],
    ["+", "leaving"],
    ["leaving", "square to …"],
    ["leaving", "press A4 A3"],
    ["+", "arriving"],
    ["arriving", "level"],
  );
  await hand(page, "Line", "straight line", ["through", "press A9 A11"], ["key", "princess"]);
  await hand(
    page,
    "Dart",
    "by its middle",
    ["label", "Waist dart"],
    ["at", "press A12"],
    ["intake", "3"],
    ["to", "press A11"],
    ["+", "pressed"],
    ["pressed", "in"],
  );
  await hand(
    page,
    "Piece",
    "its outline, gone round",
    ["round", "neck, A3, armhole, A8, waist dart, A1"],
    ["title", "Front"],
    ["+", "allowance"],
    ["allow", "1"],
  );
  await pieces(page);
  await hand(
    page,
    "Shape",
    "cut in two along darts and lines",
    ["piece", "Front"],
    ["lines", "princess, waist dart"],
    ["first", "Centre front"],
    ["second", "Side front"],
    ["+", "allowing there"],
    ["allow", "1"],
  );
  await hand(
    page,
    "Piece",
    "facing",
    ["edges", "Centre front: neck"],
    ["width", "5"],
    ["title", "Neck facing"],
    ["+", "cut"],
    ["cut", "one on the fold"],
  );
  await pieces(page);
  await hand(page, "Shape", "smooth a corner", ["piece", "Side front"], ["at", "A11"], ["before", "2"], ["after", "2"]);
  await sound(page, "a system drawn by hand");
  await isFixture(page, id, "princess-bodice");
  await page.request.delete(`/api/works/${id}`);
});

test("a gored dress with pockets is drawn by hand, and every act is taken back one by one", async ({ page }) => {
  const id = await begin(page, "Gored dress for the lantern bearers", "dress");
  const first = ((await (await page.request.get(`/api/works/${id}`)).json()) as { notation: string }).notation;
  await measure(page, "Waist", "Hip", "Full length");
  await hand(page, "Point", "down", ["from", "press A0"], ["distance", "20"]);
  await hand(page, "Point", "down", ["from", "press A0"], ["distance", "full_length - 40"]);
  await hand(page, "Point", "out", ["from", "press A0"], ["distance", "waist/8 + 0.5"]);
  await hand(page, "Point", "out", ["from", "press A1"], ["distance", "hip/8 + 0.5"]);
  await hand(page, "Point", "out", ["from", "press A2"], ["distance", "hip/8 + 9"]);
  await hand(page, "Line", "straight line", ["through", "press A0 A3"], ["key", "top"]);
  await hand(
    page,
    "Line",
    "curve",
    ["through", "press A3 A4 A5"],
    ["key", "flare"],
    ["+", "arriving"],
    ["arriving", "along …"],
    ["arriving", "press A4 A5"],
  );
  await hand(
    page,
    "Line",
    "curve",
    ["through", "press A2 A5"],
    ["key", "hem"],
    ["+", "leaving"],
    ["leaving", "level"],
    ["+", "arriving"],
    ["arriving", "square to …"],
    ["arriving", "press A4 A5"],
  );
  await hand(page, "Point", "along a line", ["line", "flare"], ["from", "press A3"], ["distance", "6"]);
  await hand(page, "Point", "along a line", ["line", "flare"], ["from", "press A3"], ["distance", "22"]);
  await hand(page, "Piece", "its outline, gone round", ["round", "top, flare, hem"], ["title", "Gore"], ["+", "allowance"], ["allow", "1"]);
  // What is special about a piece is said on its own line of the handout.
  await page.getByRole("spinbutton", { name: "How many are cut" }).fill("4");
  await page.getByRole("spinbutton", { name: "How many are cut" }).press("Enter");
  await page.getByRole("textbox", { name: "Edge 2", exact: true }).fill("side");
  await page.getByRole("textbox", { name: "Edge 2", exact: true }).press("Enter");
  const allowance = page.getByRole("textbox", { name: "Allowance of edge 2" });
  await allowance.click();
  await page.keyboard.press("ControlOrMeta+a");
  await page.keyboard.type("1.5");
  await page.keyboard.press("Enter");
  await hand(page, "Piece", "notch at a point", ["piece", "Gore"], ["at", "A6"]);
  await hand(page, "Piece", "notch at a point", ["ticks", "double"], ["piece", "Gore"], ["at", "A7"]);
  await hand(
    page,
    "Piece",
    "strip or band of a size",
    ["long", "26"],
    ["wide", "18"],
    ["title", "Pocket bag"],
    ["cut", "as a pair"],
    ["grain", "across it"],
  );
  await pieces(page);
  await hand(page, "Sew", "sew edges", ["first", "Gore: side"], ["second", "Gore: side"]);
  await hand(
    page,
    "Check",
    "between two figures",
    ["title", "Hem against the hip"],
    ["got", "8*len(hem)"],
    ["low", "hip"],
    ["high", "3*hip"],
  );
  await isFixture(page, id, "gored-dress");
  await page.locator("h1").click();
  const undo = page.getByRole("button", { name: "Undo (Ctrl Z)" });
  for (let i = 0; i < 80 && (await undo.isEnabled()); i++) await undo.click();
  await expect.poll(async () => ((await (await page.request.get(`/api/works/${id}`)).json()) as { notation: string }).notation).toBe(first);
  await page.request.delete(`/api/works/${id}`);
});
