import { templateIn } from "./template.js";

const given = templateIn("given");

/** What a draft is made from and how it is parted: settings, figures, boards and headings. */
export const GIVEN_TEMPLATES = [
  given(
    "setting",
    "A setting",
    "A setting called {key:newKey}, as a rule {usual:length}, from {from:length} to {to:length}: {decides:text}",
    'set {key} = {usual} from {from} to {to}  "{decides}"',
  ),
  given("value", "A figure worked out", "Work out {key:newKey} as {formula:length}[: {text:text}]", 'value {key} = {formula}[  "{text}"]'),
  given("board", "A board", "A board called {title:text}, its centre {centre:on the fold=fold|an edge=edge}", [
    'board {board} "{title}" · centre {centre}',
    '{board}0 start  "Start here."',
  ]),
  given("part", "A heading", "A heading {title:text}", 'part "{title}"'),
];
