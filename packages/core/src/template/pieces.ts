import { type Template, templateIn } from "./template.js";

const piece = templateIn("piece");
const CUT = "[, cut {cut:one=cut 1|one on the fold=cut 1 on fold|two as a pair=cut 2 mirrored|two=cut 2}]";
const TICKS = "{ticks:single=|double=double |triple=triple }";

/** A rectangle on a board of its own: a waistband, a cuff, a binding. */
const strip = (key: string, label: string, cut: string, centre: "edge" | "fold"): Template =>
  piece(
    key,
    label,
    `A strip {long:length} long and {wide:length} wide, called {title:newPiece}, cut ${cut}, the grain {grain:along it=|across it= at 90°|on the bias= at 45°}`,
    [
      `board {board} "{title}" · centre ${centre}`,
      "{board}0 start",
      "{board}1 out {long} from {board}0",
      "{board}2 down {wide} from {board}0",
      "{board}3 down {wide} from {board}1",
      'piece {title.key} "{title}" on {board} · cut {cut}',
      "  edge upper: {board}0 > {board}1",
      "  edge end: {board}1 > {board}3",
      "  edge lower: {board}3 > {board}2",
      `  edge start: {board}2 > {board}0${centre === "fold" ? " · fold" : ""}`,
      "  grain along {board}0-{board}1{grain}",
    ],
  );

/** Pieces of a given size or made from others, and what is marked on them. */
export const PIECE_TEMPLATES = [
  piece(
    "outline",
    "its outline, gone round",
    "Go round {round:walk}: the piece is called {title:newPiece}, cut {cut:one on the fold=cut 1 on fold|one=cut 1|two as a pair=cut 2 mirrored|two=cut 2}[, allowance {allow:length}][, the grain along {grain:ends}]",
    'piece {title.key} "{title}" on {board} · {cut}',
    { outline: true },
  ),
  strip("strip", "strip or band of a size", "{cut:once=1|twice=2|as a pair=2 mirrored}", "edge"),
  strip("strip-fold", "strip or band on the fold", "{cut:once on the fold=1 on fold|twice on the fold=2 on fold}", "fold"),
  piece(
    "facing",
    "facing",
    `A facing {width:length} wide along {edges:edges}, called {title:newPiece}${CUT}`,
    'piece {title.key} "{title}" from {edges.piece}, strip {width} along {edges.role}[ · {cut}]',
  ),
  piece(
    "lining",
    "lining, or the same again",
    `{piece:piece} again, called {title:newPiece}${CUT}`,
    'piece {title.key} "{title}" from {piece}[ · {cut}]',
  ),
  piece(
    "without-strip",
    "lining without the facing",
    "What is left without {width:length} along {edges:edges}, called {title:newPiece}",
    'piece {title.key} "{title}" from {edges.piece}, less {width} along {edges.role}',
  ),
  piece("notch", "notch at a point", `A ${TICKS} notch on {piece:piece} at {at:point}`, "piece {piece} also: {ticks}notch at {at}"),
  piece(
    "notch-along",
    "notch along an edge",
    `A ${TICKS} notch on {edge:edge}, {by:length} from its {end:beginning=|end= from its end}`,
    "piece {edge.piece} also: {ticks}notch on {edge.role} at {by}{end}",
  ),
  piece("buttons", "buttons", "Buttons on {piece:piece} at {at:places}", "piece {piece} also: button at {at}"),
  piece(
    "buttonholes",
    "buttonholes",
    "Buttonholes on {piece:piece} at {at:places}, {length:length} long, {way:across|down}",
    "piece {piece} also: buttonhole at {at}, length {length} {way}",
  ),
  piece("drill", "drill holes", "Holes to drill in {piece:piece} at {at:places}", "piece {piece} also: drill at {at}"),
  piece(
    "inside",
    "line drawn inside",
    "On {piece:piece} a line marked {label:text} along {along:walk}",
    'piece {piece} also: inside "{label}": {along}',
  ),
  piece("allow", "another allowance", "Allow {allow:length} on {edges:edges}", "piece {edges.piece} also: allow {allow} on {edges.role}"),
  piece(
    "grain",
    "grain",
    "The grain of {piece:piece} along {line:ends}[, turned by {turned:angle}]",
    "piece {piece} also: grain along {line}[ at {turned}]",
  ),
  piece("pleat", "pleat let in", "A pleat {depth:length} deep at {edge:edge}", "piece {edge.piece} also: pleat {depth} at {edge.role}"),
  piece("note", "words on a piece", "On {piece:piece} the words {note:text}", 'piece {piece} also: note "{note}"'),
  piece("leave-out", "not cut", "{piece:piece} is not cut[, when {when:condition}]", "leave out {piece}[ when {when}]"),
];
