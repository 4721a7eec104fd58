/** A word of the trade, in the words of the workshop (common practice, no source). */
export interface TradeWord {
  readonly word: string;
  /** What learners also call it. */
  readonly also: readonly string[];
  readonly means: string;
  /** Further spellings by which the word stands in a text: plurals and verbs. */
  readonly forms: readonly string[];
}

const word = (name: string, means: string, also: readonly string[] = [], forms: readonly string[] = []): TradeWord => ({
  word: name,
  also,
  means,
  forms,
});

/** The glossary of all systems: what a handout does not explain where it uses it. */
export const TRADE_WORDS: readonly TradeWord[] = [
  word("allowance", "Cloth beyond the line on which a seam is sewn or a hem is turned.", ["seam allowance", "turning"], ["allowances"]),
  word("armhole", "The edge into which a sleeve is set, or round which a sleeveless garment ends.", ["armscye", "scye"], ["armholes"]),
  word("balance", "How front and back share the length from the shoulder down, so that the garment hangs plumb.", [], ["balanced"]),
  word("bias", "The direction at 45° to the grain, in which woven cloth gives.", ["cross", "on the cross"]),
  word("block", "A plain draft that fits, from which others are drawn; it is never cut up itself.", ["sloper", "foundation"], ["blocks"]),
  word("boning", "Strips that keep a close bodice from folding down.", ["bones", "whalebone"], ["bone", "bones"]),
  word("break point", "Where the lapel begins to turn over, at the front edge.", ["break"], ["break", "breaks"]),
  word("bust line", "The level of the bust points.", ["bust level"]),
  word("bust point", "The highest place of the bust, at which darts aim.", ["apex", "nipple point"], ["bust points"]),
  word("bust span", "From one bust point to the other.", ["point to point"]),
  word("button stand", "What the front has beyond its centre, so that the two sides overlap.", ["wrap", "extension"], ["wrap"]),
  word("cap", "The upper part of a sleeve, from the cap line to its crown.", ["sleeve head", "crown"], ["cap line", "sleeve cap"]),
  word("centre back", "The middle of the back, from nape to hem.", ["back middle"]),
  word("centre front", "The middle of the front, from the pit of the neck down.", ["front middle"]),
  word("chest line", "The level at which the armhole ends.", ["armhole line", "scye line"]),
  word("crown", "The highest place of a sleeve, which comes to the shoulder.", ["sleeve top"]),
  word(
    "cut-on sleeve",
    "A sleeve drawn in one with the body, without an armhole.",
    ["kimono sleeve", "grown-on sleeve"],
    ["cut-on sleeves"],
  ),
  word("dart", "A wedge sewn away, so that flat cloth becomes round.", ["pinch", "tuck"], ["darts"]),
  word("dart leg", "One of the two lines of a dart that are sewn together.", ["dart line"], ["legs", "leg", "dart legs"]),
  word("ease", "What a garment measures more than the body, or an edge more than the one it is sewn to.", ["room"], ["eased"]),
  word("facing", "A piece sewn along an edge and turned in, to finish it.", ["inside facing"], ["facings", "faced"]),
  word("fall", "The part of a collar that turns over and is seen.", ["cape of the collar"]),
  word("fold", "The edge along which the cloth lies double, so that a piece is cut in one.", ["place on fold"]),
  word("gorge", "The seam between lapel and collar.", ["gorge seam"]),
  word("grading", "Making a draft larger and smaller by steps, without drafting it again.", ["sizing"], ["grade"]),
  word("grain", "The direction of the threads along the cloth; the arrow on a piece lies on it.", ["straight grain", "thread line"]),
  word("hem", "The lower edge, turned up.", ["turn-up"], ["hems"]),
  word("hip line", "The level of the fullest hip.", ["seat line"]),
  word("in-set", "How far an armhole is hollowed in from its plumb line.", ["hollow"]),
  word("intake", "How much a dart takes out of the line it stands on.", ["dart width"]),
  word("lapel", "The part of the front that is turned back.", ["revers"], ["lapels"]),
  word("lining", "An inside garment of thin cloth, so that the outside slips on and hides its seams.", ["lined"], ["linings", "lined"]),
  word("nape", "The bone at the back of the neck where neck and back meet.", ["cervicale", "seventh neck bone"]),
  word("net", "Without seam allowance: a net line is the line that is sewn.", ["stitching line", "nett"], ["net line"]),
  word(
    "notch",
    "A short mark across the edge, which meets its like on the other piece; on a jacket also the step between lapel and collar.",
    ["nick", "balance mark"],
    ["notches"],
  ),
  word("panel", "One of the long pieces a bodice is made of when seams take the place of darts.", ["gore"], ["panels"]),
  word("placket", "The slit by which a sleeve or neck is opened, and the strip that finishes it.", ["slit band"]),
  word("plumb", "Straight up and down on the paper, as a weight hangs.", ["vertical"]),
  word(
    "princess seam",
    "A long seam over the bust that takes in what darts would.",
    ["princess line", "panel seam"],
    ["princess", "princess seams"],
  ),
  word("raglan", "A sleeve that runs up to the neck in one with the shoulder.", ["saddle sleeve"]),
  word("rib", "A knitted band that pulls an edge in.", ["ribbing", "cuffing"]),
  word("roll line", "The line on which lapel and collar turn over.", ["crease line"]),
  word("shoulder tip", "Where shoulder and arm meet.", ["shoulder point", "acromion"]),
  word("slope", "How far the shoulder falls from the neck to its tip.", ["slant"]),
  word("square", "At a right angle, by the set square.", ["at right angles"]),
  word("stand", "The part of a collar that stands up round the neck, under its fall.", ["collar stand", "neckband"]),
  word("toile", "The garment sewn once in cheap cloth, to see how it fits.", ["muslin", "mock-up"]),
  word("trued", "Seams laid on each other and the edges across them drawn through as one line.", ["walked"], ["true", "walk", "walked"]),
  word("under collar", "The side of a collar that lies against the jacket, cut on the bias and a hair smaller.", ["melton side"]),
  word("vent", "A slit left open at a hem, with an underlap, for walking or for the hand.", ["slit"]),
  word("waist line", "The level of the natural waist.", ["waist"], ["waistline"]),
  word("welt", "The strip that finishes the mouth of a pocket.", ["pocket welt"], ["welts"]),
  word("yoke", "A piece over the shoulders, or at the top of a bodice or skirt, from which the rest hangs.", ["saddle"], ["yokes"]),
  word("zip extension", "What the centre has beyond its line for the zip to lie on.", ["closure extension", "zip allowance"]),
];
