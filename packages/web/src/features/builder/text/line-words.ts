/** The words a line of the notation may begin with. */
export const LINE_WORDS: readonly string[] = [
  ...["system", "garment", "about", "suits", "uses", "measure", "set", "choose", "table", "value", "board", "part"],
  ...["level", "line", "curve", "arc", "dart", "join", "trace", "grade", "evenly"],
  ...["piece", "edge", "grain", "notch", "inside", "drill", "button", "buttonhole", "note", "shape", "leave"],
  ...["check", "sew", "passes", "closes", "caution", "control", "lesson"],
  ...["why", "watch", "when", "only", "iso", "runs", "cause", "look", "at"],
];
