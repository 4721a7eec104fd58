export { Account, accountRoutes } from "./account.js";
export { bodyRoutes, MeasurementSet, Person } from "./body.js";
export { DONE, Done, Id, Problem } from "./common.js";
export { Draft, draftRoutes } from "./draft.js";
export { type BodyOf, type ParamsOf, type ReplyOf, type Route, route } from "./route.js";
export { SystemSheet, systemRoutes } from "./system.js";
