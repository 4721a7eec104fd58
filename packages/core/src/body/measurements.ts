import type { MeasurementDefinition, TapeRun } from "./measurement.js";

type View = MeasurementDefinition["view"];

const define = (
  key: string,
  name: string,
  run: TapeRun,
  view: View,
  range: readonly [number, number],
  how: string,
  iso?: string,
  also: readonly string[] = [],
): MeasurementDefinition => ({
  key,
  name,
  also,
  run,
  how,
  iso,
  from: range[0],
  to: range[1],
  view,
});

/** The measurements of the workroom's bodies, in the order they are taken: girths, widths, lengths, arm. */
export const MEASUREMENTS: readonly MeasurementDefinition[] = [
  define(
    "neck",
    "Neck",
    "girth",
    "front",
    [230, 600],
    "Round the base of the neck, over the nape and the hollow between the collar bones.",
    "neck base girth",
    ["neck girth"],
  ),
  define(
    "chest",
    "Chest",
    "girth",
    "front",
    [450, 1700],
    "Round the fullest part of the chest, tape level under the arms, after breathing out.",
    "chest girth",
  ),
  define(
    "bust",
    "Bust",
    "girth",
    "front",
    [450, 1700],
    "Round the fullest part of the bust, tape level, over the shoulder blades behind.",
    "bust girth",
  ),
  define(
    "underbust",
    "Under bust",
    "girth",
    "front",
    [420, 1500],
    "Round the ribs directly under the bust, where the band sits.",
    "underbust girth",
    ["rib"],
  ),
  define(
    "waist",
    "Waist",
    "girth",
    "front",
    [420, 1650],
    "Round the natural waist, the narrowest place or where the body bends sideways.",
    "waist girth",
  ),
  define("hip", "Hip", "girth", "front", [450, 1750], "Round the fullest part of the hip and seat, tape level.", "hip girth"),
  define("head", "Head", "girth", "front", [440, 680], "Round the head at the forehead, above the ears.", "head girth"),
  define("bicep", "Upper arm", "girth", "front", [130, 550], "Round the fullest part of the upper arm, arm hanging.", "upper arm girth", [
    "bicep",
  ]),
  define("wrist", "Wrist", "girth", "front", [100, 280], "Round the wrist bone.", "wrist girth"),
  define(
    "armhole_girth",
    "Armhole",
    "girth",
    "front",
    [200, 700],
    "Round the armhole, over the shoulder tip and under the arm, not tight.",
    "armscye girth",
    ["armscye", "scye"],
  ),
  define(
    "sleeve_opening",
    "Sleeve opening",
    "girth",
    "front",
    [130, 650],
    "Round the arm where the sleeve is to end, as loose as it is wanted.",
  ),
  define(
    "across_shoulder",
    "Across shoulder",
    "width",
    "back",
    [220, 600],
    "Straight across the back from shoulder tip to shoulder tip.",
    "shoulder width",
    ["across back shoulder"],
  ),
  define(
    "half_back",
    "Half back",
    "width",
    "back",
    [90, 300],
    "From the spine level across the shoulder blades to where the arm begins: half the back width.",
    "half of back width",
  ),
  define(
    "back_width",
    "Half back to the arm",
    "width",
    "back",
    [90, 300],
    "From the spine straight to where the arm begins.",
    "half of back width",
  ),
  define("bust_span", "Bust span", "width", "front", [100, 330], "From bust point to bust point.", "bust point to bust point", [
    "point to point",
  ]),
  define(
    "shoulder_length",
    "Shoulder",
    "length",
    "front",
    [50, 220],
    "From the side of the neck along the shoulder to its tip.",
    "shoulder length",
  ),
  define(
    "scye_depth",
    "Scye depth",
    "length",
    "back",
    [90, 360],
    "From the nape down the spine to the level of the underarm: slip a card under both arms and measure to its upper edge.",
    "scye depth",
    ["armhole depth from the nape"],
  ),
  define(
    "armhole_depth",
    "Armhole depth",
    "length",
    "front",
    [90, 340],
    "Straight down from the shoulder to the armhole line wanted; each system says from which point.",
    undefined,
    ["scye"],
  ),
  define(
    "shoulder_to_bust",
    "Shoulder to bust",
    "length",
    "front",
    [120, 420],
    "From the shoulder at the side of the neck, over the front, down to the level of the bust point.",
    "neck shoulder point to bust point",
  ),
  define(
    "shoulder_to_underbust",
    "Shoulder to under bust",
    "length",
    "front",
    [160, 520],
    "The same tape, on down to the under-bust level.",
  ),
  define(
    "shoulder_to_waist",
    "Shoulder to front waist",
    "length",
    "front",
    [210, 620],
    "The same tape, over the bust, down to the waist.",
    "front waist length",
  ),
  define("shoulder_to_hip", "Shoulder to hip", "length", "front", [300, 850], "The same tape, on down to the fullest hip."),
  define(
    "shoulder_to_back_waist",
    "Shoulder to back waist",
    "length",
    "back",
    [210, 580],
    "From the shoulder at the side of the neck down the back to the waist.",
  ),
  define(
    "back_waist",
    "Back waist length",
    "length",
    "back",
    [190, 560],
    "From the nape, the bone that stands out when the head bends, down the spine to the natural waist.",
    "back waist length",
    ["nape to waist"],
  ),
  define(
    "knee_length",
    "Shoulder to knee",
    "length",
    "front",
    [450, 1300],
    "From the shoulder at the side of the neck down the front to the knee.",
  ),
  define(
    "full_length",
    "Full length",
    "length",
    "front",
    [250, 1700],
    "From the shoulder at the side of the neck to where the garment ends.",
  ),
  define(
    "garment_length",
    "Garment length",
    "length",
    "back",
    [250, 1700],
    "As long as the garment is to be; the system says where the tape starts.",
  ),
  define(
    "sleeve_length",
    "Sleeve length",
    "length",
    "front",
    [60, 800],
    "From the shoulder tip over the slightly bent elbow to where the sleeve ends.",
    "arm length",
  ),
  define("age", "Age", "number", "front", [0, 120], "In whole years: the age the garment is for."),
];

const BY_KEY = new Map(MEASUREMENTS.map((m) => [m.key, m]));

/** The definition of a measurement; undefined for a key only one system knows. */
export const measurementByKey = (key: string): MeasurementDefinition | undefined => BY_KEY.get(key);

/** Measurements by every name they have; a name that two have is that of the first. */
const BY_NAME: ReadonlyMap<string, MeasurementDefinition> = new Map(
  [...MEASUREMENTS]
    .reverse()
    .flatMap((m) =>
      [...(m.iso === undefined ? [] : [m.iso]), m.key.replace(/_/g, " "), ...m.also, m.name].map(
        (name) => [name.toLowerCase(), m] as const,
      ),
    ),
);

/** The definition of a measurement by any name it goes by: its name, a learner's, its key in words, or its ISO 8559-1 term. */
export const measurementCalled = (said: string): MeasurementDefinition | undefined => BY_NAME.get(said.trim().toLowerCase());

/** `shoulder_to_bust` as words, when the key is not one Lodrin knows. */
export const measurementName = (key: string): string => BY_KEY.get(key)?.name ?? keyAsName(key);

/** A key as people read it: `nape_to_hem` is Nape to hem. */
export const keyAsName = (key: string): string => key.replace(/_/g, " ").replace(/^./, (c) => c.toUpperCase());
