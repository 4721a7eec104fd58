import type { Assignment } from "@lodrin/contract";
import type { Page } from "@playwright/test";
import { expect, type Lodrin, signIn, test } from "./lodrin.js";
import { sound } from "./axe.js";
import { theClass, two } from "./school.js";

test.describe.configure({ timeout: 120_000 });

const ASKED = {
  ...{ text: "", slug: "13-short-set-in-sleeve", systemVersion: 1, body: { kind: "own" }, settings: {}, free: [] },
  ...{ readings: [], picture: true, note: false, dueOn: null, toleranceMm: 3, rubric: [] },
};

async function choose(page: Page, label: string, option: string | RegExp): Promise<void> {
  await page.getByRole("combobox", { name: label }).click();
  await page.getByRole("option", { name: option }).first().click();
}

/** What a camera writes into its pictures (Exif 2.32, CIPA DC-008): turned by a quarter (orientation 6), who made it, and where. */
function withExif(jpeg: Buffer): Buffer {
  const tiff = Buffer.alloc(80);
  tiff.write("II*\0", 0, "latin1");
  tiff.writeUInt32LE(8, 4);
  tiff.writeUInt16LE(3, 8);
  const entry = (at: number, tag: number, type: number, count: number, value: number): void => {
    tiff.writeUInt16LE(tag, at);
    tiff.writeUInt16LE(type, at + 2);
    tiff.writeUInt32LE(count, at + 4);
    tiff.writeUInt32LE(value, at + 8);
  };
  entry(10, 0x010f, 2, 9, 68);
  entry(22, 0x0112, 3, 1, 6);
  entry(34, 0x8825, 4, 1, 50);
  tiff.writeUInt16LE(1, 50);
  entry(52, 1, 2, 2, 0x4e);
  tiff.write("QUILLCAM\0", 68, "latin1");
  const head = Buffer.from([0xff, 0xe1, 0, 0, ...Buffer.from("Exif\0\0", "latin1")]);
  head.writeUInt16BE(2 + 6 + tiff.length, 2);
  return Buffer.concat([jpeg.subarray(0, 2), head, tiff, jpeg.subarray(2)]);
}

test("a picture turned by its EXIF stands upright, and what the camera wrote into it is gone", async ({ page, lodrin }) => {
  const { student, path } = await asked(page, lodrin, "A turned picture");
  await student.goto(path);
  // Its left half is red: turned by a quarter, red is on top.
  const made = await student.evaluate(() => {
    const canvas = document.createElement("canvas");
    [canvas.width, canvas.height] = [400, 200];
    const context = canvas.getContext("2d");
    if (!context) return "";
    context.fillStyle = "#2040c0";
    context.fillRect(0, 0, 400, 200);
    context.fillStyle = "#d02020";
    context.fillRect(0, 0, 200, 200);
    return canvas.toDataURL("image/jpeg", 0.95);
  });
  const buffer = withExif(Buffer.from(made.split(",")[1] ?? "", "base64"));
  expect(buffer.toString("latin1")).toContain("QUILLCAM");
  await student.locator("input[type=file]").setInputFiles({ name: "paper.jpg", mimeType: "image/jpeg", buffer });
  const picture = student.getByAltText("The paper");
  await expect(picture).toBeVisible();
  const seen = await picture.evaluate((image: HTMLImageElement) => {
    const canvas = document.createElement("canvas");
    [canvas.width, canvas.height] = [image.naturalWidth, image.naturalHeight];
    const context = canvas.getContext("2d");
    context?.drawImage(image, 0, 0);
    const [red = 0, , blue = 0] = context?.getImageData(100, 50, 1, 1).data ?? [];
    return { size: [canvas.width, canvas.height], redOnTop: red > blue, data: image.src };
  });
  expect([seen.size, seen.redOnTop]).toEqual([[200, 400], true]);
  const kept = Buffer.from(seen.data.split(",")[1] ?? "", "base64").toString("latin1");
  expect(kept).not.toMatch(/Exif|QUILLCAM/);
  await student.context().close();
});

/** An assignment of the demo's class that asks for a picture, and a student before it. */
async function asked(page: Page, lodrin: Lodrin, title: string): Promise<{ student: Page; path: string }> {
  const student = await two(page, lodrin);
  await signIn(page, "ottoline");
  const klass = await theClass(page);
  const made = (await (
    await page.request.post(`/api/classes/${klass.id}/assignments`, { data: { ...ASKED, title } })
  ).json()) as Assignment;
  await signIn(student, "jory");
  return { student, path: `/assignments/${klass.id}/${made.id}` };
}

test("a picture of the paper is laid under the true draft, and a wrong point on it is named", async ({ page, lodrin }) => {
  const { student, path } = await asked(page, lodrin, "A picture");
  await student.goto(path);
  await student.getByRole("button", { name: "Use the simulated camera" }).click();
  // A slip of one's choice is in the picture.
  await choose(student, "Step of a slip", "run");
  await choose(student, "What goes wrong", /ease, bust ease, was forgotten/);
  await expect(student.getByText("was forgotten", { exact: false }).first()).toBeVisible();
  await sound(student, "the simulated camera");
  await student.getByRole("button", { name: "Take it" }).click();
  const picture = student.getByAltText("The paper");
  await expect(picture).toBeVisible();
  const svg = student.locator(".frame svg");
  const box = await svg.boundingBox();
  if (!box) throw new Error("There is no picture.");
  // Four corners as a hand marks them, a fifth point quite elsewhere.
  const marks = await student.evaluate(() => document.querySelectorAll(".frame polyline").length);
  expect(marks).toBe(0);
  const click = ([x, y]: readonly [number, number]): Promise<void> => svg.click({ position: { x: box.width * x, y: box.height * y } });
  for (const place of [
    [0.5, 0.2],
    [0.52, 0.45],
    [0.3, 0.8],
    [0.8, 0.5],
  ] as const)
    await click(place);
  await student.getByText("To be judged", { exact: true }).click();
  await click([0.15, 0.15]);
  await expect(student.getByText(/The marked points agree to/)).toBeVisible();
  await expect(student.getByText(/about \d+ mm off/)).toBeVisible();
  await sound(student, "a picture");
  await student.getByRole("button", { name: "Hand it in" }).click();
  await expect(student.getByRole("heading", { name: "Attempt 1" })).toBeVisible();
  await page.goto(path);
  await page.getByRole("button", { name: "Open" }).click();
  await expect(page.getByAltText("The paper")).toBeVisible();
  await student.context().close();
});
