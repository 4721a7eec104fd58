export { Account, AccountEvent, accountRoutes, type PasswordNotice, SignedIn, type Storage } from "./account.js";
export { type Ask, type Assignment, assignmentRoutes, type Comment, type HandIn, type OwnHandIn } from "./assignment.js";
export { bodyRoutes, MeasurementSet, Person } from "./body.js";
export { chartRoutes, SizeChart } from "./chart.js";
export { type ClassMember, classRoutes, type SchoolClass, type SlipCount, type Standing } from "./class.js";
export { DONE, Done, Id, Problem } from "./common.js";
export { Draft, DraftCard, draftRoutes } from "./draft.js";
export { type Lesson, type LessonPage, lessonRoutes } from "./lesson.js";
export { type Follower, type LiveMessage, liveRoutes, type LiveStep } from "./live.js";
export { type DeletableKind, type DeletedThing, DemoLogin, Place, placeRoutes } from "./place.js";
export { type Question, questionRoutes } from "./question.js";
export { type BodyOf, type ParamsOf, ranksAbove, type ReplyOf, Role, type Route, route } from "./route.js";
export { SystemCard, SystemSheet, systemRoutes, VersionLine } from "./system.js";
export { type AtTable, type DraftProgress, type HandReading, tableRoutes } from "./table.js";
export { Audience, Work, workRoutes } from "./work.js";

import { accountRoutes } from "./account.js";
import { assignmentRoutes } from "./assignment.js";
import { bodyRoutes } from "./body.js";
import { classRoutes } from "./class.js";
import { chartRoutes } from "./chart.js";
import { draftRoutes } from "./draft.js";
import { lessonRoutes } from "./lesson.js";
import { liveRoutes } from "./live.js";
import { placeRoutes } from "./place.js";
import { questionRoutes } from "./question.js";
import type { Route } from "./route.js";
import { systemRoutes } from "./system.js";
import { tableRoutes } from "./table.js";
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
  tableRoutes,
  classRoutes,
  lessonRoutes,
  assignmentRoutes,
  questionRoutes,
  liveRoutes,
].flatMap((routes) => Object.values(routes));
