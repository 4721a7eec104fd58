import { inWords } from "../../formula/in-words.js";
import type { HomeUnit } from "../../quantity/units.js";
import type { ShapeStep } from "../../system/model.js";
import { wordOf } from "../words/word-of.js";
import { sayAmount } from "./amount.js";

/** What a shaping's blanks hold, in words; each undefined where it is not sayable. */
interface Spoken {
  readonly plain: (name: string) => string;
  readonly point: (name: string) => string;
  readonly piece: (name: string) => string;
  readonly edge: (name: string) => string | undefined;
  readonly amount: (name: string) => string | undefined;
}

type Say = (spoken: Spoken, form: number) => readonly (string | undefined)[];

const cutInto = ({ plain, amount }: Spoken, allows: boolean): readonly (string | undefined)[] => [
  "into",
  keyWords(plain("first")),
  "and",
  keyWords(plain("second")),
  ...(allows ? [", with", amount("allow"), "allowance on the cut"] : []),
];

const SHAPINGS: Readonly<Record<string, Say>> = {
  close: ({ plain, point }, form) => [
    form === 1 ? "Turning on" : undefined,
    point("about"),
    ", close the",
    inWords(plain("dart")),
    "and open it at",
    point("from"),
  ],
  spread: ({ piece, point, amount }, form) => [
    form === 2 ? "Spread" : undefined,
    piece("piece"),
    "from",
    point("from"),
    "to",
    point("to"),
    "by",
    amount("by"),
  ],
  fold: ({ point, amount }, form) => [
    form === 1 ? "Fold away" : undefined,
    amount("by"),
    "at",
    point("from"),
    ", running to nothing at",
    point("to"),
  ],
  split: (spoken, form) => {
    const cut = ["Cut", spoken.piece("piece")];
    if (form === 0 || form === 1) return [...cut, "along the", inWords(spoken.plain("line")), ...cutInto(spoken, form === 0)];
    if (form === 4 || form === 5) return [...cut, "from", spoken.point("from"), "to", spoken.point("to"), ...cutInto(spoken, form === 4)];
    return [undefined];
  },
  smooth: ({ piece, plain, ...spoken }) => [
    "Smooth",
    piece("piece"),
    "at",
    plain("places").replace(/#/g, ""),
    ",",
    ...eachSide({ plain, ...spoken }),
  ],
  unfold: ({ piece }) => ["Unfold", piece("piece")],
  extend: ({ edge, amount }, form) => [form === 1 ? "Lengthen the" : undefined, edge("edge"), "by", amount("by")],
  true: ({ edge }, form) => [form === 1 ? "Make the" : undefined, edge("edge"), "as long as the", edge("other")],
  run: ({ edge, ...spoken }) => [
    "Run the",
    edge("edge"),
    "into the",
    edge("other"),
    "over the",
    edge("seam"),
    "and the",
    edge("otherSeam"),
    ",",
    ...eachSide(spoken),
  ],
};

const eachSide = ({ plain, amount }: Pick<Spoken, "plain" | "amount">): readonly (string | undefined)[] =>
  plain("before") === plain("after") ? [amount("before"), "on each side"] : [amount("before"), "before and", amount("after"), "after"];

const keyWords = (key: string): string => key.replace(/_/g, " ");

/**
 * A shaping of pieces as a teacher says it; undefined for what is not said in one sentence.
 *
 * @example sayShaping({ is: "shape", verb: "unfold", form: 0, args: { piece: "Front" } }, "in") // "Unfold Front"
 */
export function sayShaping({ verb, form, args }: ShapeStep, unit: HomeUnit): string | undefined {
  const say = wordOf(SHAPINGS, verb);
  if (!say) return undefined;
  const plain = (name: string): string => args[name] ?? "";
  const parts = say(
    {
      plain,
      point: (name) => plain(name).replace("#", ""),
      piece: (name) => keyWords(plain(name)),
      edge: (name) => {
        const [piece, role] = plain(name).split(".");
        return piece === undefined || role === undefined ? undefined : `${inWords(role)} of ${keyWords(piece)}`;
      },
      amount: (name) => sayAmount(plain(name), unit),
    },
    form,
  );
  return parts.includes(undefined) ? undefined : parts.join(" ").replace(/ ,/g, ",");
}
