import type { SizeChart } from "@lodrin/contract";

type DemoChart = Pick<SizeChart, "name" | "note" | "columns" | "sizes">;
/** A column: its key, its figure at the middle size, and how much a size more adds; with other steps below and above the middle where it grows unevenly. */
type Growth = readonly [key: string, middle: number, step: number, above?: number];

/** A chart in even steps about its middle size, each figure on its tape's mark. */
function grown(
  unit: "cm" | "in",
  names: readonly string[],
  middle: number,
  growths: readonly Growth[],
): Pick<DemoChart, "columns" | "sizes"> {
  const mark = unit === "cm" ? 10 : 8;
  const written = (figure: number): string => {
    const marks = Math.round(figure * mark);
    if (unit === "cm") return String(marks / mark);
    const [whole, rest] = [Math.floor(marks / mark), marks % mark];
    const part = rest === 0 ? "" : rest % 4 === 0 ? "1/2" : rest % 2 === 0 ? `${rest / 2}/4` : `${rest}/8`;
    return [whole === 0 ? "" : String(whole), part].filter((p) => p !== "").join(" ") || "0";
  };
  return {
    columns: growths.map(([key]) => ({ key, unit })),
    sizes: names.map((name, i) => ({
      name,
      figures: Object.fromEntries(
        growths.map(([key, at, step, above = step]) => [key, written(at + (i - middle) * (i > middle ? above : step))]),
      ),
    })),
  };
}

/** The workshop's charts: made up for the festival's stock of costumes, from the bodies it dresses. */
export const DEMO_CHARTS: readonly DemoChart[] = [
  {
    name: "Workshop women",
    note: "For stock that is fitted later: stilt walkers and bearers. Full busts go by the bust and are taken in at the waist.",
    ...grown("cm", ["8", "10", "12", "14", "16", "18", "20", "22"], 2, [
      ["bust", 92, 4, 5],
      ["chest", 92, 4, 5],
      ["underbust", 79, 3.5, 5],
      ["waist", 74, 4, 5.5],
      ["hip", 99, 4, 5],
      ["neck", 36.5, 0.8, 1],
      ["across_shoulder", 38.5, 0.8],
      ["shoulder_length", 12.4, 0.2],
      ["back_width", 17.6, 0.5],
      ["back_waist", 41, 0.4],
      ["bust_span", 18.8, 0.7],
      ["shoulder_to_bust", 27, 0.7],
      ["shoulder_to_underbust", 34.4, 0.7],
      ["shoulder_to_waist", 43.4, 0.6],
      ["shoulder_to_back_waist", 41.6, 0.4],
      ["shoulder_to_hip", 63, 0.7],
      ["full_length", 66, 0.8],
      ["garment_length", 66, 0.8],
      ["armhole_depth", 21, 0.5],
      ["armhole_girth", 42, 1.6],
      ["bicep", 28.6, 1.1, 1.5],
      ["wrist", 16, 0.4],
      ["sleeve_length", 58.5, 0.4],
      ["head", 56, 0.2],
    ]),
  },
  {
    name: "Band men",
    note: "The brass band's coats and shirts, by the chest in inches. The waist of the heavier sizes is measured low.",
    ...grown("in", ["36", "38", "40", "42", "44", "46", "48", "50"], 2, [
      ["chest", 40, 2],
      ["waist", 34, 2, 2.25],
      ["hip", 40, 2],
      ["neck", 15.5, 0.5],
      ["across_shoulder", 18, 0.375],
      ["half_back", 8, 0.25],
      ["shoulder_length", 6.25, 0.125],
      ["scye_depth", 9.75, 0.25],
      ["back_waist", 17.5, 0.125],
      ["garment_length", 30, 0.25],
      ["bicep", 13, 0.5],
      ["wrist", 7, 0.125],
      ["sleeve_length", 25, 0.125],
      ["head", 22.75, 0.125],
    ]),
  },
  {
    name: "Lantern children, by age",
    note: "Children of the procession, by age; a child may be two sizes from its age. Measure before cutting.",
    ...grown("cm", ["4 years", "6 years", "8 years", "10 years", "12 years", "14 years"], 2, [
      ["age", 8, 2],
      ["bust", 66, 3.5, 5],
      ["chest", 66, 3.5, 5],
      ["waist", 59, 2, 3],
      ["hip", 70, 4, 6],
      ["neck", 29.5, 1, 1.3],
      ["across_shoulder", 29, 1.6, 2.2],
      ["shoulder_length", 9.4, 0.6],
      ["back_waist", 28.5, 2, 2.4],
      ["armhole_depth", 15, 0.9],
      ["bicep", 20, 0.9, 1.3],
      ["wrist", 13.2, 0.4],
      ["sleeve_length", 41, 4, 4.2],
      ["full_length", 60, 6, 7],
      ["head", 52.5, 0.6],
    ]),
  },
];
