import Papa from "papaparse";
import { expect, it } from "vitest";
import { writeResults } from "./results.js";

it("results go out a row a student with every point and the sum, and come back as they were by a reader of CSV", () => {
  const text = writeResults(
    ["Lines, clean", "Figures"],
    [
      {
        student: "Odo",
        group: "Brass",
        state: "given back",
        handedAt: "2026-11-20T10:00:00Z",
        attempt: 2,
        off: ["S3: ease-forgotten"],
        marks: [4, null],
      },
      { student: "=Wyn", group: "", state: "not handed in", handedAt: "", attempt: 0, off: [], marks: [] },
    ],
  );
  const { data } = Papa.parse<Record<string, string>>(text.trim(), { header: true });
  expect(data[0]).toEqual({
    student: "Odo",
    group: "Brass",
    state: "given back",
    "handed in": "2026-11-20T10:00:00Z",
    attempt: "2",
    "readings off": "S3: ease-forgotten",
    "Lines, clean": "4",
    Figures: "",
    marks: "4",
  });
  // What a spreadsheet would reckon with is text.
  expect(data[1]?.["student"]).toBe("'=Wyn");
  expect(data[1]?.["marks"]).toBe("");
});
