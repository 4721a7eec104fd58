import { CAPE_SLUG } from "./cape.js";

/** The costume workshop of the Quillmoor Lantern Festival. Festival, people and bodies are invented. */
export interface DemoAccount {
  readonly email: string;
  readonly name: string;
  readonly role: "student" | "instructor";
  readonly unit: "in" | "cm";
  readonly people: readonly DemoPerson[];
}

interface DemoPerson {
  readonly name: string;
  readonly isSelf?: boolean;
  readonly isChild?: boolean;
  readonly note: string;
  readonly sets: readonly {
    readonly takenOn: string;
    readonly unit: "in" | "cm";
    readonly written: Readonly<Record<string, string>>;
    readonly note: string;
    readonly draft?: { readonly slug: string; readonly name: string; readonly note: string; readonly step: number };
  }[];
}

export const DEMO_PASSWORD = "lantern-night";

const SHIRT = "08-menswear-flat-shirt-block";
const JACKET = "05-cropped-lapel-jacket";
const DRESS = "07-knee-dress-balanced-back";

/** Merrin's tape, in inches: every measurement that the women's systems on the shelf ask for, with a short sleeve. */
const MERRIN = {
  bust: "37 1/2",
  chest: "37 1/2",
  underbust: "32 1/2",
  waist: "30",
  hip: "40 1/2",
  neck: "14 3/4",
  across_shoulder: "15 1/8",
  shoulder_length: "4 7/8",
  back_width: "6 7/8",
  back_waist: "16 1/4",
  bust_span: "7 1/2",
  shoulder_to_bust: "10 3/8",
  shoulder_to_underbust: "13 3/8",
  shoulder_to_waist: "16 7/8",
  shoulder_to_back_waist: "16",
  shoulder_to_hip: "24 1/2",
  full_length: "26",
  garment_length: "26",
  knee_length: "39 1/2",
  armhole_girth: "16 3/4",
  armhole_depth: "8 3/8",
  bicep: "11 1/4",
  sleeve_length: "9",
  sleeve_opening: "13",
  arm_opening: "12 3/4",
  head: "22 1/4",
};

/** What is measured besides for a sleeve to the wrist and a dress. */
const MERRINS_ARM = {
  sleeve_length: "22 1/2",
  elbow_length: "13 1/4",
  wrist: "6 1/4",
  hand: "8",
  sleeve_opening: "11 1/2",
  full_length: "38",
};

const SUNNIVA = {
  bust: "32 1/2",
  chest: "32 1/2",
  underbust: "28 1/2",
  waist: "25 1/4",
  hip: "35 1/2",
  neck: "13 1/2",
  across_shoulder: "14",
  shoulder_length: "4 5/8",
  back_width: "6 3/8",
  back_waist: "15 1/2",
  bust_span: "6 3/4",
  shoulder_to_bust: "9 3/4",
  shoulder_to_underbust: "12 3/4",
  shoulder_to_waist: "16",
  shoulder_to_back_waist: "15 1/2",
  shoulder_to_hip: "23 1/4",
  full_length: "25",
  garment_length: "24 1/2",
  knee_length: "37 1/2",
  armhole_girth: "14 3/4",
  armhole_depth: "7 1/2",
  bicep: "9 3/4",
  sleeve_length: "8",
  sleeve_opening: "11 1/2",
  arm_opening: "11",
  head: "21 1/2",
};

const SUNNIVAS_ARM = {
  sleeve_length: "22",
  elbow_length: "12 3/4",
  wrist: "5 3/4",
  hand: "7 1/4",
  sleeve_opening: "11",
  full_length: "36",
};

const ODA = {
  bust: "46 1/2",
  chest: "46 1/2",
  underbust: "40 1/2",
  waist: "40",
  hip: "49 1/2",
  neck: "16 1/4",
  across_shoulder: "16 1/4",
  shoulder_length: "5",
  back_width: "7 5/8",
  back_waist: "16 3/4",
  bust_span: "8 3/4",
  shoulder_to_bust: "11 3/4",
  shoulder_to_underbust: "15",
  shoulder_to_waist: "17 1/2",
  shoulder_to_back_waist: "16 1/2",
  shoulder_to_hip: "25 1/4",
  full_length: "27",
  garment_length: "28",
  knee_length: "40 1/2",
  armhole_girth: "19 1/2",
  armhole_depth: "9 1/4",
  bicep: "14 1/4",
  sleeve_length: "10",
  sleeve_opening: "16 1/2",
  arm_opening: "16",
  head: "22 3/4",
};

const ODAS_ARM = {
  sleeve_length: "22 3/4",
  elbow_length: "13 1/2",
  wrist: "7",
  hand: "8 3/4",
  sleeve_opening: "14 1/2",
  full_length: "40",
};

export const DEMO_ACCOUNTS: readonly DemoAccount[] = [
  {
    email: "ottoline@quillmoor.example",
    name: "Ottoline Vance",
    role: "instructor",
    unit: "cm",
    people: [
      {
        name: "Barnaby Thrupp",
        note: "Tuba, brass band. Band shirts are cut from his block.",
        sets: [
          {
            takenOn: "2026-09-14",
            unit: "cm",
            written: {
              chest: "104",
              neck: "41",
              scye_depth: "25",
              back_waist: "45",
              half_back: "20,6",
              garment_length: "77",
              shoulder_length: "16,2",
              waist: "96",
              hip: "103",
            },
            note: "Measured after the first rehearsal.",
            draft: { slug: SHIRT, name: "Band shirt, Barnaby", note: "The block the whole band is cut from.", step: 12 },
          },
          {
            takenOn: "2026-11-02",
            unit: "cm",
            written: {
              chest: "106,5",
              neck: "41,5",
              scye_depth: "25",
              back_waist: "45",
              half_back: "20,8",
              garment_length: "78",
              shoulder_length: "16,2",
              waist: "99",
              hip: "104",
              across_shoulder: "46",
              sleeve_length: "24",
              sleeve_opening: "38",
              bicep: "33",
            },
            note: "Again before cutting: a good autumn.",
          },
        ],
      },
      {
        name: "Merrin Quaile",
        note: "Leads the stilt walkers. Her measurements are the class example for women's blocks.",
        sets: [
          {
            takenOn: "2026-11-12",
            unit: "in",
            written: MERRIN,
            note: "Measured over a close vest, shoes off.",
            draft: { slug: JACKET, name: "Parade jacket, Merrin", note: "Lapel in brass-band red.", step: 62 },
          },
          {
            takenOn: "2026-11-19",
            unit: "in",
            written: { ...MERRIN, ...MERRINS_ARM, waist: "30 1/4" },
            note: "Again before the dress.",
            draft: { slug: DRESS, name: "Lantern dress, Merrin", note: "The back is folded out at the waist.", step: 84 },
          },
        ],
      },
      {
        name: "Sunniva Pell",
        note: "Stilt walker, the slightest of the women. Every fit is tried on her first, then on Oda.",
        sets: [
          { takenOn: "2026-11-12", unit: "in", written: SUNNIVA, note: "Over a close vest, shoes off." },
          { takenOn: "2026-11-19", unit: "in", written: { ...SUNNIVA, ...SUNNIVAS_ARM }, note: "The arm, bent, for the long sleeve." },
        ],
      },
      {
        name: "Oda Marrick",
        note: "Bass drum. Full in the bust and stout in the arm: what fits her fits the rest of the band.",
        sets: [
          { takenOn: "2026-11-12", unit: "in", written: ODA, note: "Asked first, measured by Merrin." },
          { takenOn: "2026-11-19", unit: "in", written: { ...ODA, ...ODAS_ARM }, note: "The arm, bent, for the long sleeve." },
        ],
      },
      {
        name: "Joss Tilling",
        note: "Cornet, seventeen and still growing.",
        sets: [
          {
            takenOn: "2026-11-16",
            unit: "cm",
            written: {
              chest: "91",
              neck: "36,5",
              scye_depth: "23",
              back_waist: "43",
              half_back: "18,5",
              garment_length: "72",
              shoulder_length: "14,5",
              waist: "74",
              across_shoulder: "42",
              sleeve_length: "22",
              sleeve_opening: "34",
              bicep: "28",
            },
            note: "",
          },
        ],
      },
      {
        name: "Elowen Oskell",
        isChild: true,
        note: "Lantern bearer, four. Her mother held her hand; one finger under the tape.",
        sets: [
          {
            takenOn: "2026-11-10",
            unit: "in",
            written: {
              age: "4",
              bust: "22 1/2",
              hip: "23 1/2",
              neck: "10 1/2",
              full_length: "20",
              shoulder_length: "3",
              armhole_girth: "10 1/2",
              sleeve_length: "4",
              sleeve_opening: "8 1/2",
              back_waist: "9 1/2",
            },
            note: "In her play clothes, with her mother.",
          },
        ],
      },
      {
        name: "Perrin Cade",
        isChild: true,
        note: "Lantern bearer, seven. Wants pockets.",
        sets: [
          {
            takenOn: "2026-11-10",
            unit: "in",
            written: {
              age: "7",
              bust: "25",
              hip: "26 1/2",
              neck: "11 1/4",
              full_length: "24",
              shoulder_length: "3 1/2",
              armhole_girth: "12",
              sleeve_length: "5",
              sleeve_opening: "9 1/2",
              back_waist: "11",
            },
            note: "With his father there.",
          },
        ],
      },
    ],
  },
  {
    email: "pim@quillmoor.example",
    name: "Pim Castellan",
    role: "student",
    unit: "in",
    people: [
      {
        name: "Pim Castellan",
        isSelf: true,
        note: "",
        sets: [
          {
            takenOn: "2026-10-20",
            unit: "in",
            written: {
              chest: "38 1/2",
              neck: "15 1/4",
              scye_depth: "9 5/8",
              back_waist: "17 1/2",
              half_back: "7 7/8",
              garment_length: "29",
              shoulder_length: "6 1/8",
              waist: "31 1/2",
              bicep: "12",
            },
            note: "",
            draft: { slug: SHIRT, name: "My first shirt block", note: "", step: 6 },
          },
        ],
      },
      {
        name: "Ansel Corrie",
        note: "Stilt walker. Very long in the back; the shirt must stay tucked in.",
        sets: [
          {
            takenOn: "2026-10-27",
            unit: "cm",
            written: { chest: "97,8", neck: "39", scye_depth: "25,5", back_waist: "48,5", half_back: "19,5", shoulder_length: "15,5" },
            note: "Length still to be asked: over or under the harness?",
          },
        ],
      },
    ],
  },
  {
    email: "jory@quillmoor.example",
    name: "Jory Mallow",
    role: "student",
    unit: "cm",
    people: [
      {
        name: "Jory Mallow",
        isSelf: true,
        note: "",
        sets: [
          {
            takenOn: "2026-11-08",
            unit: "cm",
            written: {
              chest: "92",
              neck: "36,5",
              scye_depth: "23",
              back_waist: "43",
              half_back: "18,4",
              garment_length: "70",
              shoulder_length: "14",
            },
            note: "",
            draft: { slug: CAPE_SLUG, name: "Lantern bearer's cape, Jory", note: "In the workshop's grey felt.", step: 4 },
          },
        ],
      },
    ],
  },
  {
    email: "wenna@quillmoor.example",
    name: "Wenna Tarrow",
    role: "student",
    unit: "in",
    people: [
      {
        name: "Wenna Tarrow",
        isSelf: true,
        note: "",
        sets: [
          {
            takenOn: "2026-11-08",
            unit: "in",
            written: {
              bust: "37",
              underbust: "38",
              waist: "30",
              shoulder_to_bust: "10 1/4",
              shoulder_to_waist: "16 1/2",
              across_shoulder: "14 3/4",
              bust_span: "7 1/2",
            },
            note: "Under bust looks wrong, measure again. Hip is missing.",
          },
        ],
      },
      {
        name: "Tam Oskell",
        isChild: true,
        note: "Lantern bearer, eight. His aunt was there when he was measured.",
        sets: [
          { takenOn: "2026-11-10", unit: "in", written: { age: "8", chest: "26 1/2", neck: "11 3/4", back_waist: "11 1/2" }, note: "" },
        ],
      },
    ],
  },
];
