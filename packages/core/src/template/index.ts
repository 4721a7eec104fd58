export { changeOf, fillingOfStatement, sayFilling } from "./change.js";
export {
  type Filled,
  FORMULA_KINDS,
  type Gap,
  type GapKind,
  gapsOf,
  isWhole,
  MANY_KINDS,
  type SentencePart,
  type TemplateGap,
  WORD_KINDS,
} from "./gaps.js";
export { type Insertion, insertionOf, withItsSentence } from "./insert.js";
export { beginFilling, beginWith, fillGap, type Filling, nextAsked, pressInto } from "./press.js";
export type { Template, TemplateGroup } from "./template.js";
export { TEMPLATES } from "./templates.js";
