import { isResizeNotice } from "./faults.js";
import { mount } from "@vue/test-utils";
import dayjs from "dayjs";
import { nextTick } from "vue";
import { describe, expect, it } from "vitest";
import { MEASUREMENTS } from "@lodrin/core";
import BodyFigure from "./BodyFigure.vue";
import { FIGURE_LINES } from "@lodrin/core";
import FigureText from "./FigureText.vue";
import SaveState from "./SaveState.vue";
import TapeField from "./TapeField.vue";
import TapeMeasure from "./TapeMeasure.vue";
import { sayDay, sayMoment } from "./times.js";

const words = (text: string): string => text.replace(/\s+/g, " ").trim();

describe("the tape field", () => {
  const field = (written: string, unit: "in" | "cm" = "in", more: object = {}): ReturnType<typeof mount> =>
    mount(TapeField as never, { props: { keyName: "chest", unit, modelValue: written, ...more } as never });

  it("shows the tape reading and the other unit, and leaves what was typed", () => {
    const f = field("38½");
    expect((f.find("input").element as HTMLInputElement).value).toBe("38½");
    expect(words(f.find(".echo").text())).toBe("38 1/2 in on the tape · 97.8 cm");
  });

  it("says what rounding to the tape leaves over", () => {
    expect(words(field("38.55").find(".echo").text())).toContain("38 1/2 in on the tape (+ 1.3 mm)");
    expect(words(field("38 1/2 in", "cm").find(".echo").text())).toBe("97.8 cm on the tape (− 0.1 mm) · 38 1/2 in");
  });

  it("complains in words beside the field, and keeps the text", () => {
    const f = field("wide");
    expect(f.find(".fail-text").text()).toContain("“wide” is not a length");
    expect(f.find("input").attributes("aria-invalid")).toBe("true");
    expect((f.find("input").element as HTMLInputElement).value).toBe("wide");
  });

  it("shows doubts without refusing, and marks what is needed", () => {
    expect(
      field("38", "in", { doubts: ["Measure again."] })
        .find(".look-text")
        .text(),
    ).toBe("Look: Measure again.");
    expect(field("", "in", { needed: true }).find("label").text()).toContain("needed");
    expect(field("", "in").find(".fail-text").exists()).toBe(false);
  });

  it("passes on every letter that is typed", async () => {
    const f = field("");
    await f.find("input").setValue('38 4/8"');
    expect(f.emitted("update:modelValue")).toEqual([['38 4/8"']]);
  });

  it("takes a plain number where one is asked for", () => {
    expect(field("8", "in", { plain: true }).find(".fail-text").exists()).toBe(false);
    expect(field("eight", "in", { plain: true }).find(".fail-text").text()).toContain("not a number");
  });
});

describe("the tape", () => {
  it("reads the value, says what is left over, and keeps the last one greyed when nothing is measured", async () => {
    const tape = mount(TapeMeasure as never, { props: { mm: 182, unit: "in", what: "step 5" } as never });
    expect(words(tape.find(".big").text())).toBe("7 1/8 in");
    expect(words(tape.find(".fine").text())).toBe("step 5 · 7.165 in, 1 mm past the mark");
    await tape.setProps({ mm: undefined } as never);
    await nextTick();
    expect(tape.classes()).toContain("still");
    expect(words(tape.find(".big").text())).toBe("7 1/8 in");
    await tape.setProps({ unit: "cm", mm: 180 } as never);
    expect(words(tape.find(".fine").text())).toBe("step 5 · 18 cm, exactly on the mark");
  });
});

describe("figures", () => {
  it("set fractions apart from whole numbers", () => {
    const f = mount(FigureText as never, { props: { text: "35 1/2 ÷ 6 = 5.917" } as never });
    expect(f.findAll(".fraction").map((s) => s.text())).toEqual(["1/2"]);
    expect(words(f.text())).toBe("35 1/2 ÷ 6 = 5.917");
  });
});

describe("the figure that shows the tape", () => {
  it("has a line for every measurement of the body", () => {
    for (const m of MEASUREMENTS) if (m.run !== "number") expect(FIGURE_LINES[m.key], m.key).toMatch(/^M/);
  });

  it("shows the side, the way and the ISO term", () => {
    const f = mount(BodyFigure as never, { props: { keyName: "scye_depth" } as never });
    expect(f.find("svg").attributes("aria-label")).toContain("back of the figure");
    expect(f.text()).toContain("ISO 8559-1: scye depth");
    expect(f.find(".tape").exists()).toBe(true);
    expect(mount(BodyFigure as never, { props: { keyName: undefined } as never }).text()).toContain("Choose a field");
  });
});

describe("where a change stands, in words", () => {
  it.each([
    ["saved", "Saved"],
    ["saving", "Saving …"],
    ["waiting", "Saving …"],
    ["offline", "Not yet saved: no connection. Kept on this device."],
    ["signed-out", "Not yet saved: your session has ended."],
    ["collision", "Not saved: changed in another tab."],
    ["refused", "Not saved: too long"],
  ])("%s", (state, text) => {
    expect(mount(SaveState as never, { props: { state, savedAt: new Date().toISOString(), why: "too long" } as never }).text()).toContain(
      text,
    );
  });
});

describe("times as people say them", () => {
  const now = dayjs("2026-11-25T15:00:00");
  it.each([
    ["2026-11-25T10:42:00", "10:42"],
    ["2026-11-24T18:05:00", "yesterday 18:05"],
    ["2026-11-03T08:00:00", "3 Nov 2026"],
  ])("%s is %s", (iso, said) => expect(sayMoment(dayjs(iso).toISOString(), now)).toBe(said));
  it("days", () => expect(sayDay("2026-09-14")).toBe("14 September 2026"));
});

describe("a fault of the page", () => {
  it("is not the browser's notice that a size is observed again in the next frame", () => {
    expect(isResizeNotice({ error: null, message: "ResizeObserver loop completed with undelivered notifications." })).toBe(true);
    expect(isResizeNotice({ error: new Error("x"), message: "ResizeObserver loop completed with undelivered notifications." })).toBe(false);
    expect(isResizeNotice({ error: null, message: "Script error." })).toBe(false);
  });
});
