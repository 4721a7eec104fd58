import { type Static, Type } from "@sinclair/typebox";
import { closed, Comments } from "./words.js";

const Line = Type.String({ maxLength: 4_000 });

/** A line at the margin that could not be read, and what stands indented under it: kept as typed, drawn by nothing. */
export const Unread = Type.Object(
  { is: Type.Literal("unread"), text: Line, details: Type.Optional(Type.Array(Line)), comments: Comments },
  closed,
);

export type Unread = Static<typeof Unread>;
