/** The instructor's own system: a cape for the lantern bearers, in two versions. A student drafts the older one. */
export const CAPE_SLUG = "lantern-bearer-s-cape-demo";

/** What the two versions share; they differ in how long the cape is. */
const cape = (setting: string, length: string): string => `# The workshop's own: written for the bearers' evening walk, cut in felt.
system "Lantern bearer's cape"
  garment cape · unit cm · tape 1mm
  about "A short cape for the lantern bearers: a quarter of a circle from the front edge to the centre back, open in front, so that both arms come free to carry. The neck is a quarter of a circle too."
  suits "Bearers in felt or heavy wool, over the band coat."

measure neck girth 28..52  "Round the base of the neck, over the collar of the coat it is worn on."
measure back_waist length 28..56  "From the nape down the spine to the waist."

set neck_ease = 2 from 0 to 6  "Added to the neck, for the coat beneath."
${setting}set seam = 1 from 0 to 2.5  "Allowance at neck and front."
set turning = 3 from 0 to 6  "Allowance at the hem."

board C "Cape" · centre fold

part "Neck and length"
value radius = (neck + neck_ease)/3.1416  "The radius whose half circle is the neck with its ease."
  why "Half the neck lies on a quarter of a circle, which is as long as its radius times half of 3.1416."
${length}
#0 start  "The centre of both circles: leave paper above and to the left."
#1 down radius from #0  "Down from 0 by the radius: the nape, at the centre back."
#2 down cape_length from #1  "Down from 1 the length of the cape: the hem at the centre back."
  watch "From the nape (1), not from 0."
#3 out radius from #0  "Square out from 0 by the radius: the neck at the front edge."
#4 out cape_length from #3  "Out from 3 the same length: the hem at the front edge."
arc neck: #1 > #3 about #0  "The neck: a quarter circle about 0."
arc hem: #2 > #4 about #0  "The hem: a quarter circle about 0."
line back: #1 > #2  "The centre back, on the fold."
line front: #3 > #4  "The front edge."

piece Cape "Cape" on C · cut 1 on fold
  edge neck: neck · allow seam · faced
  edge front: front · allow seam · faced
  edge hem: hem reversed · allow turning · hemmed
  edge back: back reversed · fold
  grain along #2-#1

check "Neck of the cape against the neck": len(neck) = (neck + neck_ease)/2
check "Front as long as the back": dist(#3, #4) = dist(#1, #2)

caution "Bearers carry a flame: cut the cape of wool, which does not burn easily, hem it well clear of the lantern's swing, and follow the fire rules of the place."
lesson "A circle cape falls in folds from the shoulder. Try the length in an old sheet first: in felt it cannot be let down."
`;

/** As it was first published: it ended at the waist. */
export const CAPE_FIRST = cape("", 'value cape_length = back_waist  "From the nape to the waist, where the cape ends."');

/** As it is now: as long as it is wanted. */
export const CAPE_NOW = cape(
  'set below_waist = 6 from -10 to 40  "How far the cape hangs below the waist."\n',
  'value cape_length = back_waist + below_waist  "From the nape to the hem."',
);

export const CAPE_NOTES = ["For the evening walk.", "Its length can be set: the taller bearers found it short."] as const;
