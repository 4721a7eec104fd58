export { Account, AccountEvent, accountRoutes, SignedIn } from "./account.js";
export { bodyRoutes, MeasurementSet, Person } from "./body.js";
export { chartRoutes, SizeChart } from "./chart.js";
export { DONE, Done, Id, Problem } from "./common.js";
export { Draft, draftRoutes } from "./draft.js";
export { DemoLogin, Place, placeRoutes } from "./place.js";
export { type BodyOf, type ParamsOf, ranksAbove, type ReplyOf, Role, type Route, route } from "./route.js";
export { SystemSheet, systemRoutes, VersionLine } from "./system.js";
export { Audience, Work, workRoutes } from "./work.js";

import { accountRoutes } from "./account.js";
import { bodyRoutes } from "./body.js";
import { chartRoutes } from "./chart.js";
import { draftRoutes } from "./draft.js";
import { placeRoutes } from "./place.js";
import type { Route } from "./route.js";
import { systemRoutes } from "./system.js";
import { workRoutes } from "./work.js";

/** Every call of the API. */
export const ROUTES: readonly Route[] = [
  placeRoutes,
  accountRoutes,
  bodyRoutes,
  systemRoutes,
  workRoutes,
  chartRoutes,
  draftRoutes,
].flatMap((routes) => Object.values(routes));
