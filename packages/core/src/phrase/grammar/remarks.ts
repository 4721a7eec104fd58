import { AMOUNTS as AMOUNT } from "./amounts.js";
import { LINES as LINE } from "./lines.js";
import { DESCRIBES } from "./spots.js";
import { COUNT } from "./figures.js";
import { PLACED } from "./main-rules.js";
import { CLOSE, OPEN, on, p, saying, wordsRow } from "./rules.js";
import { listOf } from "../chart/pattern.js";

/** Why something is done: it places nothing. */
const PURPOSE = saying<true>("purpose").said({
  starts: ({ tokens }, at) => {
    let to = at;
    while (to < tokens.length && tokens[to]?.kind === "word" && to - at < 9) to++;
    const words = tokens.slice(at, to).map(({ text }) => text);
    return to - at < 2 ||
      !/^(?:it|we|you|they|that|this|i|nothing|nobody|there)$/.test(words[0] ?? "") ||
      (to < tokens.length && tokens[to]?.kind !== "mark") ||
      words[1] === "is"
      ? []
      : [{ value: true, to, cost: 0 }];
  },
});
/** What a point is called, at the end of its sentence: `: the shoulder tip`. */
const LABEL = saying<true>("label").said({
  starts: ({ tokens }, at) => {
    const rest = tokens.slice(at);
    const end = rest.at(-1)?.text === "." ? -1 : undefined;
    const words = rest.slice(0, end);
    const plain = words.length > 0 && words.length <= 4 && words.every(({ kind, text }) => kind === "word" && !LAYS.has(text));
    return plain ? [{ value: true, to: at + words.length, cost: 0 }] : [];
  },
});
/** Words that lay something off: what has one of them is no label. */
const LAYS = new Set(
  "down up in out across level square from to by at along join draw mark midway halfway between half quarter third and it is wide long inch inches cut dart curve".split(
    " ",
  ),
);
/** A longer name of the place, or what it is for: words only, up to the next stop. */
const LONG_LABEL = saying<true>("longer label").said({
  starts: ({ tokens }, at) => {
    let to = at;
    while (tokens[to] && (tokens[to]?.kind === "word" || tokens[to]?.text === "-") && to - at < 10) to++;
    const words = tokens.slice(at, to).map(({ text }) => text);
    const ends = to === tokens.length || [".", ";", ","].includes(tokens[to]?.text ?? "");
    return words.length > 0 && ends && !words.some((word) => FIGURE_WORDS.has(word)) && !STARTS_ACT.has(words[0] ?? "")
      ? [{ value: true, to, cost: 0 }]
      : [];
  },
});
const FIGURE_WORDS = new Set(
  "half quarter quarters third thirds eighth eighths inch inches centimetre centimetres cm mm plus minus less twice".split(" "),
);
const STARTS_ACT = new Set(
  "from down up out in across draw rule join mark square measure go come cut trace close move raise lower divide".split(" "),
);
/** The name of a line as the notation writes it: it is drawn in a statement of its own. */
const NOTATION_NAME = saying<true>("name with an underscore").said({
  starts: ({ tokens }, at) => (/_/.test(tokens[at]?.text ?? "") ? [{ value: true, to: at + 1, cost: 0 }] : []),
});
const PART_NAME = wordsRow<true>("part it is for", 2, () => true);
const PURPOSE_NOUN = wordsRow<true>("what it is for", 2, (words) =>
  /^(?:dart|ease|seam|seams|fit|comfort|movement|hem|turnings|overlap|wear|button stand|seam allowance|safety|later|fullness)$/.test(words)
    ? true
    : undefined,
);
/** What stands before a place or an amount and says again what it is: `the shoulder tip from 6`. */
const DESCRIBED = saying<true>("description").said({
  starts: ({ tokens }, at) => {
    let to = at;
    while (tokens[to]?.kind === "word" && DESCRIBES.has(tokens[to]?.text ?? "")) to++;
    const next = tokens[to];
    return to - at > 1 && (next?.kind !== "word" || GOES_ON.has(next.text)) ? [{ value: true, to, cost: 0 }] : [];
  },
});
const GOES_ON = new Set("from at by up down in out half a an one two three four five six is to".split(" "));
const COUNTED = listOf("counting", COUNT, saying<true>("nothing").said({ starts: (_, at) => [{ value: true, to: at, cost: 0 }] }));

/** Words that only say again, in brackets, what something is. */
const IN_BRACKETS = wordsRow<true>("words in brackets", 3, (words) =>
  words.split(" ").some((word) => LAYS.has(word) || FIGURE_WORDS.has(word)) ? undefined : true,
);
const NAMED_LINE = wordsRow<true>("line by name", 3, (words) =>
  /^(?:[a-z]+ ){0,2}(?:line|seam|edge|leg|side)$/.test(words) ? true : undefined,
);

export const REMARK = saying<true>("remark").said(
  on(
    p`(to)? (widen|lower|raise|deepen|drop|shorten|lengthen|narrow|hollow|shape|find|get|place|locate|mark|set|draft|draw) ${LINE} ((by)? ${AMOUNT})? :`,
    () => true,
    0.6,
  ),
  on(p`which (is|are|will be|should be)`, () => true, 0.3),
  on(p`(i|we|you) (like|love|prefer|usually|always|tend|need|want)? (to)?`, () => true, 0.2),
  on(p`(we|you) (need|want|will want|will need)`, () => true, 0.2),
  on(p`, that is (going to be)? ${LONG_LABEL}`, () => true, 1.2),
  on(p`(on|along) (a)? (line|straight line)`, () => true, 0.5),
  on(p`(so|so that) ${PURPOSE}`, () => true),
  on(p`for ${PURPOSE_NOUN}`, () => true),
  on(p`for ${PART_NAME} (:|,)`, () => true, -0.2),
  on(p`(as)? well`, () => true),
  on(p`${OPEN} not (from|to|at|on|past) ${PLACED} ${CLOSE}`, () => true, 0.4),
  on(p`${OPEN} (not from|not to|not at|not on)? ${IN_BRACKETS} ${CLOSE}`, () => true, 0.6),
  on(p`,? along slant ,?`, () => true, 0.4),
  on(p`,? (as|like|same as) (on|in|for) (back|front|other side|other half) ,?`, () => true, 0.6),
  on(p`(;|,|.) (both|two) legs run to ${PLACED}`, () => true, 0.8),
  on(p`(,|;|.)? (draw|rule)? ${NAMED_LINE} ${PLACED} - ${PLACED} ,? (is)? (plumb|level|upright|straight)`, () => true, 1),
  on(
    p`(and)? (i|we|you)? (put|make|place|pop|draw|leave) (a)? (little|small|pencil)? (cross|mark|dot|tick|pin) (there|here)?`,
    () => true,
    0.2,
  ),
  on(p`${DESCRIBED}`, () => true, 0.5),
  on(
    p`(;|,|:|and)? (draw|rule)? ${wordsRow<true>("name of a level", 2, (words) => (/^[a-z]+(?: [a-z]+)?$/.test(words) && !/\b(?:a|draw|rule|level|straight)\b/.test(words) ? true : undefined))} line ,? (square|squared|straight)? across`,
    () => true,
    0.6,
  ),
  on(p`: ${LABEL}`, () => true, 0.5),
  on(p`: ${LONG_LABEL}`, () => true, 1.6),
  on(p`(;|,|.) (draw|see) ${NOTATION_NAME}`, () => true, 0.6),
  on(p`(.|;|,)? ${PLACED} - ${PLACED} (straight)? (is|are|makes|gives) ${LONG_LABEL}`, () => true, 1),
  on(p`; (square|squared|ruled|ruled square|drawn|drawn square)? across (${LONG_LABEL})?`, () => true, 0.8),
  on(p`, (square|squared|ruled|ruled square|drawn|drawn square) across (${LONG_LABEL})?`, () => true, 0.8),
  on(p`(front|back|sleeve|collar|skirt) :`, () => true, 0.6),
  on(p`not straight (across)? (mind)?`, () => true),
  on(p`(,|going|, going) (a)? round (a)? curve`, () => true),
  on(
    p`(with|using|use|take|hold) (tape|tape measure|set square|square|ruler|rule|compass|pencil|curve ruler) (standing|lying|held)? (on its edge|on edge|flat)?`,
    () => true,
  ),
  on(p`(straight)? ,? with (ruler|pencil|tape)`, () => true),
  on(p`so ${COUNT} and (then)? ${COUNTED} (little|small)? (lines|marks|ticks|notches)`, () => true),
  on(p`(is|as) (a)? guide for (whole)? ${LINE}`, () => true),
  on(p`(is|as) (a)? guide (only|line)?`, () => true),
  on(
    p`${saying<true>("opener").said(on(p`(right|on same level|at same level|round|around|let me see|let us see|you know|i think|i guess|like this|like that|whole way|all way|so|now|then|next|first|again|here|and|there)`, () => true))} (i|we|you|they) (am|are|will|would|can|just|want to|need to|have to|should|must|going to|like to)? (am|are|going to|gonna|want to|go ahead and|need to|have to)?`,
    () => true,
    -0.3,
  ),
  on(
    p`(i|we|you|they|let us) (am|are|will|would|can|want to|need to|have to|should|must|going to|like to|to)? (going to|want to|need to|go ahead and|have to)? (do)?`,
    () => true,
    -0.3,
  ),
  on(
    p`(right|please|there you are|as you can see|of course|simple as that|nice and easy|for now|so far|on table|on same level|at same level|round|around|let me see|let us see|you know|i think|i guess|like this|like that|whole way|all way|so|now|then|next|first|again|firstly|finally|like so|as before|it is|go ahead and|on paper|see|you see|this time|in same way|as shown|with it|from here|if you like|indeed|i mean|wait|that one|up first|one|upper one first)`,
    () => true,
    0.4,
  ),
  on(p`(this|that|it) (mark|point|one|line)`, () => true, 0.4),
  on(p`(what|all) (i|we|you) (want|need|do) (now)? is`, () => true),
  on(p`(that|this) is (how far|where|what|how much) (i|we|you)? (go|come|want|need|put|place)?`, () => true),
  on(p`and (go|goes|in|out)? with (it|that)`, () => true, 0.3),
);
