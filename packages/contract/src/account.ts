import { type Static, Type } from "@sinclair/typebox";
import { closed, Done, Id, Name, Unit } from "./common.js";
import { route } from "./route.js";

export const Account = Type.Object(
  {
    id: Id,
    email: Type.String(),
    name: Name,
    role: Type.Union([Type.Literal("student"), Type.Literal("instructor")]),
    unit: Unit,
    look: Type.Union([Type.Literal("day"), Type.Literal("night"), Type.Literal("auto")]),
  },
  closed,
);
export type Account = Static<typeof Account>;

const Email = Type.String({ format: "email", maxLength: 200 });
const Password = Type.String({ minLength: 10, maxLength: 200 });

export const accountRoutes = {
  signUp: route("POST", "/api/accounts", { body: Type.Object({ email: Email, name: Name, password: Password }, closed), reply: Account }),
  signIn: route("POST", "/api/session", {
    body: Type.Object({ email: Type.String({ maxLength: 200 }), password: Type.String({ maxLength: 200 }) }, closed),
    reply: Account,
  }),
  signOut: route("DELETE", "/api/session", { reply: Done }),
  me: route("GET", "/api/session", { reply: Account }),
  prefer: route("PATCH", "/api/session", { body: Type.Partial(Type.Pick(Account, ["name", "unit", "look"]), closed), reply: Account }),
};
