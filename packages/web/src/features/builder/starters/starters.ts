import { type HomeUnit, measureLine, type System } from "@lodrin/core";

/** What a new system begins with, and what it is called and drawn in. */
export interface StarterWish {
  readonly title: string;
  readonly garment: string;
  readonly unit: HomeUnit;
  readonly tape: System["tape"];
}

export interface Starter {
  readonly key: string;
  readonly label: string;
  /** What it is, in one line. */
  readonly says: string;
  readonly garment: string;
  /** Its statements; lengths in the unit that is wanted, the first figure for centimetres. */
  readonly lines: (figure: (cm: string, inches: string) => string, asks: (...keys: readonly string[]) => string) => string;
}

/** The tapes people have, by unit: the one most have first. */
export const TAPES: Readonly<Record<HomeUnit, readonly System["tape"][]>> = { cm: ["1mm"], in: ["1/8in", "1/16in"] };

/** The notation of a new system. A title stands in quotation marks: it has none of its own. */
export function newSystem({ lines }: Starter, { title, garment, unit, tape }: StarterWish): string {
  const name = title.replace(/["\n]/g, " ").trim();
  const body = lines(
    (cm, inches) => (unit === "cm" ? cm : inches),
    (...keys) => keys.map((key) => measureLine(key, unit)).join("\n"),
  );
  return [
    `system "${name === "" ? "A new system" : name}"`,
    `  garment ${garment.trim() === "" ? "block" : garment.trim()} · unit ${unit} · tape ${tape.replace(/in$/, "")}`,
    '  about "What it makes, and for whom."',
    "",
    body,
    "",
  ].join("\n");
}

/** What a new system may begin with. */
export const STARTERS: readonly Starter[] = [
  {
    key: "frame",
    label: "A frame",
    says: "One board with a rectangle of the chest and the back waist, to be written over.",
    garment: "block",
    lines: (f) => `measure chest girth ${f("70..140", "28..56")}  "Round the fullest part of the chest."
measure back_waist length ${f("32..56", "13..22")}  "From the nape down the spine to the waist."
set ease = ${f("4 from 0 to 12", "1 1/2 from 0 to 5")}  "Ease of the quarter chest."

board B "Back" · centre fold

part "Frame"
value width = chest/4 + ease  "A quarter of the chest and its ease."
#0 start  "The nape."
#1 down back_waist from #0  "Down from 0 the back waist length: the waist."
#2 out width from #0  "Square out from 0 the width."
#3 out width from #1  "Square out from 1 the width."
line side: #2 > #3  "The side."`,
  },
  {
    key: "empty",
    label: "Empty",
    says: "One board with nothing on it.",
    garment: "block",
    lines: () => `board A "Board" · centre fold

A0 start  "Start here."`,
  },
  {
    key: "bodice",
    label: "Bodice outline",
    says: "Back and front from the shoulder to the waist, without darts: the shape everything else is put into.",
    garment: "bodice",
    lines: (f, asks) => `${asks("bust", "across_shoulder", "back_waist")}
set ease = ${f("2 from 0 to 6", "3/4 from 0 to 2 1/2")}  "Ease of the quarter bust."
set neck_width = ${f("7 from 6 to 9", "2 3/4 from 2 3/8 to 3 1/2")}  "Half the neck, along the shoulder line."
set slope = ${f("3.5 from 2 to 5", "1 3/8 from 3/4 to 2")}  "How far the shoulder falls."

board B "Back" · centre fold

part "Back"
value chest_depth = bust/6 + ${f("4", "1 5/8")}  "Depth of the chest line."
${half("B", f("2", "3/4"))}

board F "Front" · centre fold

part "Front"
${half("F", f("8", "3 1/8"))}

${outline("Back", "B", "back", f)}
${outline("Front", "F", "front", f)}
sew Front.shoulder with Back.shoulder
sew Front.side with Back.side
closes "A slit at the back neck."`,
  },
  {
    key: "sleeve",
    label: "Sleeve outline",
    says: "A set-in sleeve from a cap height and the arm: half of it drawn, cut on the fold.",
    garment: "sleeve",
    lines: (f, asks) => `${asks("bicep", "sleeve_length", "wrist")}
set cap = ${f("13 from 8 to 17", "5 from 3 1/4 to 6 3/4")}  "Height of the cap, from the crown to the cap line."
set arm_ease = ${f("5 from 2 to 10", "2 from 3/4 to 4")}  "Room round the upper arm."
set wrist_ease = ${f("6 from 3 to 12", "2 3/8 from 1 1/8 to 4 3/4")}  "Room round the wrist."

board S "Sleeve" · centre fold

part "Sleeve"
S0 start  "Start: the crown."
S1 down cap from S0  "Down by the height of the cap: the cap line."
S2 down sleeve_length from S0  "Down from S0 by the sleeve length: the hem line."
S3 out (bicep + arm_ease)/2 from S1  "Out along the cap line: half the arm with its room, the underarm."
S4 out (wrist + wrist_ease)/2 from S2  "Out along the hem line: half the wrist with its room."
line underarm: S3 > S4  "Rule the underarm seam."
curve head: S0 > S3, leaving level, arriving square to S3-S4  "Draw the head: level at the crown, square into the underarm."
curve hem: S4 > S2, leaving square to S3-S4, arriving level  "Draw the hem: square at the underarm, level in the middle."

piece Sleeve "Sleeve" on S · cut 2 on fold
  edge head: head · allow ${f("1", "3/8")} · open
  edge underarm: underarm · allow ${f("1", "3/8")}
  edge hem: hem · allow ${f("3", "1 1/4")} · hemmed · corner mirrored
  edge fold: S2 > S0 · fold
  grain along S0-S2
sew Sleeve.underarm with Sleeve.underarm`,
  },
  {
    key: "shirt",
    label: "Shirt outline",
    says: "Straight back and buttoned front from the shoulder to the hem, with a button stand.",
    garment: "shirt",
    lines: (f, asks) => `${asks("chest", "across_shoulder", "back_waist")}
set ease = ${f("5 from 3 to 9", "2 from 1 1/4 to 3 1/2")}  "Ease of the quarter chest."
set neck_width = ${f("7.5 from 6.5 to 9", "3 from 2 1/2 to 3 1/2")}  "Half the neck, along the shoulder line."
set slope = ${f("4 from 2 to 5", "1 1/2 from 3/4 to 2")}  "How far the shoulder falls."
set below_waist = ${f("28 from 15 to 40", "11 from 6 to 16")}  "Length below the waist."
set stand = ${f("1.5 from 1 to 2.5", "5/8 from 3/8 to 1")}  "Button stand beyond the centre front."

board B "Back" · centre fold

part "Back"
value chest_depth = chest/6 + ${f("6", "2 3/8")}  "Depth of the chest line."
value bust = chest  "The chest is what the widths are taken from."
${half("B", f("2", "3/4"), "back_waist + below_waist")}

board F "Front" · centre edge

part "Front"
${half("F", f("8", "3 1/8"), "back_waist + below_waist")}
F9 in stand from F3  "In beyond the centre by the stand, at the neck."
F10 in stand from F6  "The same at the hem."

${outline("Back", "B", "back", f)}
piece Front "Front" on F · cut 2 mirrored
  edge neck: F9 > F3 > front_neck reversed · allow ${f("1", "3/8")} · faced
  edge shoulder: F2 > F4 · allow ${f("1", "3/8")}
  edge armhole: front_armhole · allow ${f("1", "3/8")} · open
  edge side: F7 > F8 · allow ${f("1", "3/8")}
  edge hem: F8 > F6 > F10 · allow ${f("2", "3/4")} · hemmed
  edge front: F10 > F9 · allow ${f("6", "2 3/8")} · faced
  grain along F9-F10
sew Front.shoulder with Back.shoulder
sew Front.side with Back.side
closes "Buttons down the front."`,
  },
  {
    key: "dress",
    label: "Dress outline",
    says: "An A-line dress, back and front, from the shoulder to the hem.",
    garment: "dress",
    lines: (f, asks) => `${asks("bust", "across_shoulder", "full_length")}
set ease = ${f("3 from 1 to 6", "1 1/8 from 3/8 to 2 3/8")}  "Ease of the quarter bust."
set neck_width = ${f("9 from 7 to 12", "3 1/2 from 2 3/4 to 4 3/4")}  "Half the neck, along the shoulder line."
set slope = ${f("3.5 from 2 to 5", "1 3/8 from 3/4 to 2")}  "How far the shoulder falls."
set flare = ${f("8 from 0 to 20", "3 1/8 from 0 to 8")}  "How far the hem stands out beyond the underarm."

board B "Back" · centre fold

part "Back"
value chest_depth = bust/6 + ${f("4.5", "1 3/4")}  "Depth of the chest line."
${half("B", f("4", "1 1/2"), "full_length", "flare")}

board F "Front" · centre fold

part "Front"
${half("F", f("12", "4 3/4"), "full_length", "flare")}

${outline("Back", "B", "back", f)}
${outline("Front", "F", "front", f)}
sew Front.shoulder with Back.shoulder
sew Front.side with Back.side
closes "A slit at the back neck."`,
  },
];

/** Half a body on a board: neck, shoulder, armhole and side, from the shoulder line down. */
function half(letter: "B" | "F", neckDepth: string, length = "back_waist", flare?: string): string {
  const is = letter === "B" ? "back" : "front";
  const p = (n: number): string => `${letter}${n}`;
  const side =
    flare === undefined
      ? `${p(8)} down from ${p(7)} to line across from ${p(6)}  "Straight down to the lower edge."`
      : `${p(8)} out bust/4 + ease + ${flare} from ${p(6)}  "Out along the hem: the quarter and the flare."`;
  const below =
    flare === undefined
      ? `line ${is}_hem: ${p(6)} > ${p(8)}  "Rule the lower edge."`
      : `curve ${is}_hem: ${p(6)} > ${p(8)}, leaving level, arriving square to ${p(7)}-${p(8)}  "Draw the hem: level at the centre, square at the side."`;
  return `${p(0)} start  "Start: the centre on the shoulder line."
${p(1)} out across_shoulder/2 from ${p(0)}  "Out along the shoulder line: half the shoulder."
${p(2)} out neck_width from ${p(0)}  "Out by the neck width."
${p(3)} down ${neckDepth} from ${p(0)}  "Down the centre: the depth of the neck."
${p(4)} down slope from ${p(1)}  "Down by the slope: the shoulder tip."
${p(5)} down chest_depth from ${p(0)}  "Down the centre: the chest line."
${p(6)} down ${length} from ${p(0)}  "Down from ${p(0)}: the lower edge."
${p(7)} out bust/4 + ease from ${p(5)}  "Out along the chest line: a quarter and its ease, the underarm."
${side}
curve ${is}_neck: ${p(2)} > ${p(3)}, leaving square to ${p(2)}-${p(4)}, arriving level  "Draw the neck."
curve ${is}_armhole: ${p(4)} > ${p(7)}, leaving square to ${p(2)}-${p(4)}, arriving square to ${p(7)}-${p(8)}  "Draw the armhole."
${below}`;
}

/** The piece of such a half, on the fold. */
function outline(name: string, letter: string, is: string, f: (cm: string, inches: string) => string): string {
  const seam = f("1", "3/8");
  return `piece ${name} "${name}" on ${letter} · cut 1 on fold
  edge neck: ${is}_neck reversed · allow ${seam} · faced
  edge shoulder: ${letter}2 > ${letter}4 · allow ${seam}
  edge armhole: ${is}_armhole · allow ${seam} · open
  edge side: ${letter}7 > ${letter}8 · allow ${seam}
  edge hem: ${is}_hem reversed · allow ${f("3", "1 1/4")} · hemmed
  edge centre: ${letter}6 > ${letter}3 · fold
  grain along ${letter}3-${letter}6`;
}
