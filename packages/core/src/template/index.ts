export { changeOf, fillingOfStatement, sayFilling } from "./change.js";
export { type Filled, type Gap, type GapKind, gapsOf, isWhole, type SentencePart, type TemplateGap } from "./gaps.js";
export { type Insertion, insertionOf } from "./insert.js";
export { beginFilling, beginWith, fillGap, type Filling, nextAsked, pressInto } from "./press.js";
export type { Template, TemplateGroup } from "./template.js";
export { TEMPLATES } from "./templates.js";
