import { HighlightStyle, StreamLanguage, syntaxHighlighting } from "@codemirror/language";
import type { Extension } from "@codemirror/state";
import { tags } from "@lezer/highlight";
import { POINT_ID } from "@lodrin/core";
import { LINE_WORDS } from "./line-words.js";

/** How far into its line the reader is. */
interface Reading {
  first: boolean;
}

const POINT = new RegExp(`^(#(?:${POINT_ID})(?![A-Za-z_])|[A-Z]+\\d+)`);
const FIGURE = /^\d[\d\s./,½¼¾⅓⅔⅛⅜⅝⅞]*(?:in|cm|mm|°|%)?/;

/** The notation's words by their places: what begins a line, points, figures, sentences, comments. */
const notation = StreamLanguage.define<Reading>({
  name: "notation",
  startState: () => ({ first: true }),
  token(stream, state) {
    if (stream.sol()) state.first = true;
    if (stream.eatSpace()) return null;
    if (stream.match(/^["“„][^"”]*["”]?/)) return "string";
    if (stream.match(POINT)) {
      state.first = false;
      return "variableName";
    }
    if (stream.match(/^#.*/)) return "comment";
    if (stream.match(FIGURE)) return "number";
    if (stream.match(/^[A-Za-z_][\w.]*/)) {
      const begins = state.first && LINE_WORDS.includes(stream.current());
      state.first = false;
      return begins ? "keyword" : null;
    }
    stream.next();
    return null;
  },
});

const colours = HighlightStyle.define([
  { tag: tags.comment, color: "var(--ink-3)", fontStyle: "italic" },
  { tag: tags.string, color: "var(--ink-2)" },
  { tag: tags.variableName, color: "var(--now)", fontWeight: "600" },
  { tag: tags.number, fontWeight: "600" },
  { tag: tags.keyword, fontWeight: "700" },
]);

export const notationLanguage: Extension = [notation, syntaxHighlighting(colours)];
