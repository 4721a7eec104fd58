import { type Static, Type } from "@sinclair/typebox";
import { closed } from "./common.js";
import { Role, route } from "./route.js";

/** An invented person's login, offered in the demo alone. */
export const DemoLogin = Type.Object({ email: Type.String(), role: Role, password: Type.String() }, closed);
export type DemoLogin = Static<typeof DemoLogin>;

/** What anyone may know of a place before signing in. */
export const Place = Type.Object({ sendsMail: Type.Boolean(), logins: Type.Array(DemoLogin) }, closed);
export type Place = Static<typeof Place>;

export const placeRoutes = { place: route("GET", "/api/place", { who: "anyone", reply: Place }) };
