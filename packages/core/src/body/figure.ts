/** Our own line drawing of a body, as SVG path data in the figure's own units (200 by 460): its outline, and what is seen of its front and back. */
export const FIGURE = {
  width: 200,
  height: 460,
  outline: [
    "M100 12C88 12 82 22 83 36C84 50 92 59 100 59C108 59 116 50 117 36C118 22 112 12 100 12Z",
    "M92 56V64C91 71 78 73 66 80C56 86 52 100 49 122C46 142 45 160 43 176C41 194 38 210 36 222C34 232 33 242 36 250C40 254 44 248 46 238C47 226 50 212 53 196C57 176 60 152 64 128C65 140 68 152 70 164C71 172 71 178 69 188C64 204 60 218 61 236C62 268 68 298 71 330C73 360 75 392 78 424C77 432 70 440 68 446C74 450 86 448 90 442C91 412 91 368 92 332C94 300 98 268 100 246C102 268 106 300 108 332C109 368 109 412 110 442C114 448 126 450 132 446C130 440 123 432 122 424C125 392 127 360 129 330C132 298 138 268 139 236C140 218 136 204 131 188C129 178 129 172 130 164C132 152 135 140 136 128C140 152 143 176 147 196C150 212 153 226 154 238C156 248 160 254 164 250C167 242 166 232 164 222C162 210 159 194 157 176C155 160 154 142 151 122C148 100 144 86 134 80C122 73 109 71 108 64V56",
  ],
  front: "M92 72Q100 79 108 72M78 132Q84 140 91 133M109 133Q116 140 122 132M99 188q1 2 2 0",
  back: "M100 68V236M82 96Q88 112 84 126M118 96Q112 112 116 126",
} as const;

/** Levels a tape goes round at, as SVG path data in the figure's own units. */
export const GIRTH_LEVELS = {
  head: "M83 28Q100 36 117 28",
  neck: "M90 68Q100 76 110 68",
  chest: "M66 122Q100 132 134 122",
  bust: "M66 134Q100 145 134 134",
  underbust: "M68 148Q100 158 132 148",
  waist: "M72 176Q100 186 128 176",
  high_hip: "M68 196Q100 207 132 196",
  hip: "M62 222Q100 235 138 222",
  thigh: "M63 258Q80.5 267 98 258",
  knee: "M71 332Q81 338 91 332",
  calf: "M73 372Q82 378 91 372",
  ankle: "M77 424Q84 429 91 424",
  upper_arm: "M46 138Q53 144 61 138",
  elbow: "M44 160Q50.5 166 57 160",
  wrist: "M37 217Q42 222 47 217",
} as const;

/** Where the tape runs on the figure, as SVG path data in the figure's own units (200 by 460), by measurement. */
export const FIGURE_LINES: Readonly<Record<string, string>> = {
  neck: GIRTH_LEVELS.neck,
  chest: GIRTH_LEVELS.chest,
  bust: GIRTH_LEVELS.bust,
  underbust: GIRTH_LEVELS.underbust,
  waist: GIRTH_LEVELS.waist,
  hip: GIRTH_LEVELS.hip,
  head: GIRTH_LEVELS.head,
  bicep: GIRTH_LEVELS.upper_arm,
  wrist: GIRTH_LEVELS.wrist,
  armhole_girth: "M62 84Q50 104 66 118Q78 100 62 84",
  sleeve_opening: "M44 158Q50 164 57 158",
  across_shoulder: "M62 84L138 84",
  half_back: "M100 108L66 108",
  back_width: "M100 108L66 108",
  bust_span: "M84 134L116 134",
  shoulder_length: "M90 70L62 84",
  scye_depth: "M100 68L100 118M70 118L130 118",
  armhole_depth: "M62 84L62 118",
  shoulder_to_bust: "M89 70L84 134",
  shoulder_to_underbust: "M89 70Q83 134 85 150",
  shoulder_to_waist: "M89 70Q82 134 86 179",
  shoulder_to_hip: "M89 70Q80 134 84 228",
  shoulder_to_back_waist: "M89 70L88 178",
  back_waist: "M100 68L100 179",
  knee_length: "M89 70Q80 134 80 332",
  full_length: "M89 70Q80 134 82 290",
  garment_length: "M100 68L100 238",
  sleeve_length: "M62 84Q50 120 46 168L41 218",
};
