import { loadSystem } from "@lodrin/core";
import { describe, expect, it } from "vitest";
import { fitAnswers } from "./fit-answers.js";

const { plan } = loadSystem(`system "Try"
measure bust girth 20..60 "Round the bust."
set ease = 1 from 0 to 4 "More."
choose style "Which."
  plain
  flared
board A "A"
A0 start
`);

describe("answers from a file", () => {
  it("are taken where the system asks for them, and the others are named", () => {
    const answers = { measurements: { bust: "38", ease: "2", waist: "30" }, settings: { style: "flared", ease: "2", colour: "red" } };
    expect(fitAnswers(plan, answers)).toEqual({
      measurements: { bust: "38" },
      settings: { style: "flared", ease: "2" },
      unknown: ["ease", "waist", "colour"],
    });
  });
});
