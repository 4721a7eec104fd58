import { describe, expect, it } from "vitest";
import { readShelf } from "../test/shelf.js";
import { loadSystem } from "../plan/load.js";
import { askedName, filledFrom, meansTheKnown } from "./asked-name.js";

const asked = (line: string) => {
  const [m] = loadSystem(`system "Try"\n  garment block · unit in\n${line}\n`).plan.measures;
  if (!m) throw new Error(line);
  return m;
};

describe("what a measurement of a system is called", () => {
  it.each([
    // From arm to arm is twice the list's measurement of that key.
    ['measure back_width width 11..18 "Across the back from arm to arm."', "Back width"],
    ['measure back_width width 5..9 "From the spine to the arm."', "Half back to the arm"],
    // Of another kind it is not the same either.
    ['measure bust number 1..9 "A number of her own."', "Bust"],
    ['measure nape_to_hem length 30..60 "Her own."', "Nape to hem"],
    ['measure bust girth 30..56 "Round the fullest part."', "Bust"],
    // A range so wide says nothing against it.
    ['measure back_width width 1..50 "From the spine to the arm."', "Half back to the arm"],
  ])("%s is called %s", (line, name) => expect(askedName(asked(line))).toBe(name));

  it("a kept figure fills what is meant by it, never another measurement of that key", () => {
    const whole = asked('measure back_width width 11..18 "Across the back from arm to arm."');
    const own = asked('measure nape_to_hem length 30..60 "Her own."');
    const kept = { back_width: "7", nape_to_hem: "40", bust: "36" };
    expect(filledFrom(kept, [whole, own])).toEqual({ nape_to_hem: "40" });
    expect(filledFrom(kept, [asked('measure back_width width 5..9 "From the spine."')])).toEqual({ back_width: "7" });
  });

  it("every known measurement of the library keeps its known name", () => {
    const other = readShelf().flatMap(({ system, plan }) =>
      plan.measures.filter((m) => !meansTheKnown(m)).map((m) => `${system.title}: ${m.key}`),
    );
    // Those the library defines itself, under keys that the list does not have.
    expect(other.filter((one) => / (?:bust|waist|hip|back_waist|back_width|shoulder_length|sleeve_length)$/.test(one))).toEqual([]);
  });
});
