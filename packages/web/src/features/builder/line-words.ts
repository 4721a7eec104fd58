/** The words a line of the notation may begin with. */
export const LINE_WORDS = [
  ...["system", "garment", "about", "suits", "uses", "measure", "set", "choose", "table", "value", "board", "part"],
  ...[
    "level",
    "line",
    "curve",
    "dart",
    "join",
    "trace",
    "piece",
    "grade",
    "evenly",
    "mark",
    "cut",
    "check",
    "sew",
    "closes",
    "caution",
    "lesson",
  ],
  ...["why", "watch", "only", "when", "iso"],
] as const as readonly string[];
