import type { LessonPage } from "@lodrin/contract";

/** A student of the workshop's class, with the figures a short sleeve asks for (inches) and how far the draft has come. */
export interface DemoStudent {
  readonly name: string;
  /** Of an account that is there already; else one is made under it. */
  readonly email: string;
  readonly group: string;
  readonly shares: boolean;
  readonly written: Readonly<Record<string, string>>;
  /** How many steps are ticked, and how long it took (s). */
  readonly ticked: number;
  readonly seconds: number;
  /** How far each reading is from what it should be (inches); undefined where nothing is handed in. */
  readonly handedIn?: Readonly<Record<string, number>>;
}

export const SLEEVE = "13-short-set-in-sleeve";

/** What is read on the paper, on all drafts of the assignment. */
export const READINGS = ["S1", "S3", "dist(S3, S6)", "S12"] as const;

const figures = (bust: string, depth: string, opening: string, bicep: string): DemoStudent["written"] => ({
  bust,
  armhole_depth: depth,
  sleeve_length: "9",
  sleeve_opening: opening,
  bicep,
});

/** Twelve invented students. Three of those who handed in have slipped, each in another way. */
export const DEMO_CLASS_STUDENTS: readonly DemoStudent[] = [
  {
    ...{ name: "Pim Castellan", email: "pim@quillmoor.example", group: "Stilts", shares: true },
    ...{ written: figures("36", "7 1/2", "13", "11"), ticked: 38, seconds: 2_900 },
    // The ease was forgotten in the slant: a half inch on each side.
    handedIn: { S1: 0, S3: -0.5, "dist(S3, S6)": -1, S12: 0 },
  },
  {
    ...{ name: "Jory Mallow", email: "jory@quillmoor.example", group: "Stilts", shares: true },
    ...{ written: figures("39 1/2", "8 1/4", "14", "12 1/2"), ticked: 9, seconds: 800 },
  },
  {
    ...{ name: "Wenna Tarrow", email: "wenna@quillmoor.example", group: "Lanterns", shares: false },
    ...{ written: figures("34", "7 1/4", "12 1/2", "10 1/2"), ticked: 3, seconds: 240 },
  },
  {
    ...{ name: "Corin Aldous", email: "corin@quillmoor.example", group: "Lanterns", shares: true },
    ...{ written: figures("41", "8 1/2", "15", "13 1/2"), ticked: 38, seconds: 3_400 },
    // The hem was laid off whole where half of it goes to each side.
    handedIn: { S1: 0.0625, S3: 0, "dist(S3, S6)": 0, S12: 7.5 },
  },
  {
    ...{ name: "Isolde Fenn", email: "isolde@quillmoor.example", group: "Band", shares: true },
    ...{ written: figures("35 1/2", "7 1/2", "12 3/4", "10 3/4"), ticked: 38, seconds: 2_500 },
    handedIn: { S1: 0, S3: -0.0625, "dist(S3, S6)": -0.125, S12: 0 },
  },
  {
    ...{ name: "Branok Teague", email: "branok@quillmoor.example", group: "Band", shares: true },
    ...{ written: figures("44", "9", "16", "14"), ticked: 38, seconds: 4_100 },
    // A whole inch was lost between the finger and the tape.
    handedIn: { S1: -1, S3: 0, "dist(S3, S6)": 0.0625, S12: 0 },
  },
  {
    ...{ name: "Lowena Marsh", email: "lowena@quillmoor.example", group: "Band", shares: true },
    ...{ written: figures("37", "7 3/4", "13 1/4", "11 1/4"), ticked: 38, seconds: 2_700 },
    handedIn: { S1: 0, S3: 0.0625, "dist(S3, S6)": 0.125, S12: 0.0625 },
  },
  {
    ...{ name: "Hob Sandry", email: "hob@quillmoor.example", group: "Stilts", shares: true },
    ...{ written: figures("40", "8 3/8", "14 1/2", "13"), ticked: 14, seconds: 1_300 },
  },
  {
    ...{ name: "Tressa Oyle", email: "tressa@quillmoor.example", group: "Lanterns", shares: false },
    ...{ written: figures("38", "8", "13 1/2", "12"), ticked: 38, seconds: 3_000 },
    handedIn: { S1: 0, S3: 0, "dist(S3, S6)": 0, S12: 0 },
  },
  {
    ...{ name: "Dewi Pascoe", email: "dewi@quillmoor.example", group: "Stilts", shares: true },
    ...{ written: figures("42 1/2", "8 5/8", "15 1/2", "13 3/4"), ticked: 11, seconds: 1_050 },
  },
  {
    ...{ name: "Nessa Curnow", email: "nessa@quillmoor.example", group: "Lanterns", shares: true },
    ...{ written: figures("33 1/2", "7 1/8", "12", "10"), ticked: 0, seconds: 0 },
  },
  {
    ...{ name: "Gwil Trevose", email: "gwil@quillmoor.example", group: "Band", shares: true },
    ...{ written: figures("46", "9 1/4", "16 1/2", "14 3/4"), ticked: 22, seconds: 2_000 },
  },
];

export const DEMO_CLASS = {
  name: "Lantern sewing, Monday evening",
  term: "Before the festival",
  meets: "Mondays, six to nine, in the sail loft",
  note: "",
  code: "LANTERN",
} as const;

/** The lessons, with how many days from today they are held. */
export const DEMO_LESSONS: readonly {
  readonly title: string;
  readonly days: number;
  readonly minutes: number;
  readonly done: boolean;
  readonly pages: readonly LessonPage[];
}[] = [
  {
    title: "Measuring an arm",
    days: -7,
    minutes: 60,
    done: true,
    pages: [
      {
        kind: "text",
        text: "Measure each other in pairs, over a thin shirt, and **let the person place the tape**. Write every figure down at once, with its unit.",
      },
      { kind: "words", words: ["ease", "armhole", "crown"] },
      { kind: "materials", text: "- tape measure\n- a ribbon for the elbow\n- pencil and card" },
    ],
  },
  {
    title: "The short sleeve, drawn together",
    days: 0,
    minutes: 120,
    done: false,
    pages: [
      {
        kind: "text",
        text: "Tonight everyone draws the same sleeve, each on their own figures. When a figure seems odd, **read it again before you draw on**.",
      },
      {
        kind: "steps",
        slug: SLEEVE,
        from: "S0",
        to: "S6",
        text: "The cap and the slant. The slant carries the *ease of the bodice*: who forgets it has a sleeve that will not close round the arm.",
      },
      { kind: "steps", slug: SLEEVE, from: "S7", to: "S13", text: "The head: draw the back first." },
      { kind: "caution", text: "Cut away from the hand. Close the shears when they lie on the table." },
    ],
  },
  {
    title: "From paper to cloth",
    days: 7,
    minutes: 120,
    done: false,
    pages: [
      { kind: "text", text: "We check each sleeve against its armhole, notch both layers, and cut a first pair in old sheets." },
      { kind: "words", words: ["allowance", "notch", "toile"] },
    ],
  },
];
