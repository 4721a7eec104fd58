import { randomUUID } from "node:crypto";
import { existsSync } from "node:fs";
import { join } from "node:path";
import compression from "compression";
import express, { type Express } from "express";
import expressStaticGzip from "express-static-gzip";
import helmet from "helmet";
import type { Knex } from "knex";
import type { Pool } from "pg";
import type { Logger } from "pino";
import { pinoHttp } from "pino-http";
import { ownAccountRoutes } from "./auth/account-routes.js";
import { Attempts } from "./auth/attempts.js";
import { forgottenRoutes } from "./auth/forgotten.js";
import { authRoutes } from "./auth/routes.js";
import type { KnownSessions } from "./auth/known-sessions.js";
import { sessions } from "./auth/session.js";
import { signUpRoutes } from "./auth/sign-up.js";
import { draftCards } from "./drafts/cards.js";
import { draftFiles, filePlaceRoute } from "./drafts/files.js";
import { draftsRoutes } from "./drafts/routes.js";
import { tableRoutesOf } from "./drafts/table.js";
import { faultsRoutes } from "./faults/routes.js";
import type { FileMaker } from "./files/file-maker.js";
import { noRoute, problems, ProblemError } from "./http/problem.js";
import type { Mailer } from "./mail/mailer.js";
import { peopleRoutes } from "./people/routes.js";
import { placeRoutesOf } from "./place/routes.js";
import { removalRoutes } from "./removal/routes.js";
import { storageRoutes, withinSpace } from "./storage/routes.js";
import { type Quota, Usage, USUAL_QUOTA } from "./storage/usage.js";
import { FactsKeeper } from "./systems/version-facts.js";
import { systemsRoutes } from "./systems/routes.js";
import { chartsRoutes } from "./charts/routes.js";
import { asksRoutes } from "./classes/asks.js";
import { assignmentsRoutes } from "./classes/assignments.js";
import { handInsRoutes } from "./classes/hand-ins.js";
import { lessonsRoutes } from "./classes/lessons.js";
import type { LiveHub } from "./classes/live-hub.js";
import { livesRoutes } from "./classes/live.js";
import { questionsRoutes } from "./classes/questions.js";
import { classesRoutes } from "./classes/routes.js";
import { bookletRoute } from "./works/booklet.js";
import { worksRoutes } from "./works/routes.js";

/** What the application stands on. */
export interface AppContext {
  readonly knex: Knex;
  readonly pool: Pool;
  readonly log: Logger;
  readonly files: FileMaker;
  /** Brings what happens in a class to its watchers. */
  readonly live: LiveHub;
  /** Sessions that need not be read from the database for every call. */
  readonly knownSessions: KnownSessions;
  readonly sessionSecret: string;
  readonly webRoot: string | undefined;
  readonly secure?: boolean;
  readonly trustProxy?: number | string | false;
  readonly demo?: boolean;
  /** How letters are sent; a place without it sends none. */
  readonly mailer?: Mailer | undefined;
  /** An account begins by a letter to its e-mail. */
  readonly confirmsEmail?: boolean;
  /** What links in letters begin with. */
  readonly address?: string;
  /** How much may be kept. */
  readonly quota?: Quota;
}

/** The web application and its API as one Express application. It keeps no state, so several may serve one database. */
export function createApp(context: AppContext): Express {
  const app = express();
  app.disable("x-powered-by");
  // Answers of the API are kept by nobody; the shelf, which is large, has a stamp of its own.
  app.set("etag", false);
  app.set("trust proxy", context.trustProxy ?? false);
  app.use(security(context.secure ?? false));
  app.use(compression({ threshold: PACKED_FROM }));
  app.use(
    pinoHttp({
      logger: context.log,
      // What a user is shown after a fault is found by it in the log.
      genReqId: () => randomUUID(),
      serializers: {
        req: (r: { method: string; url: string; id: unknown }) => ({ id: r.id, method: r.method, url: r.url.split("?")[0] }),
        res: (r: { statusCode: number }) => ({ status: r.statusCode }),
      },
    }),
  );
  app.use(brokenConnections);
  app.get("/api/health", async (_, response) => {
    await context.knex.raw("select 1");
    response.json({ healthy: true });
  });
  const usage = new Usage(context.knex, context.quota ?? USUAL_QUOTA);
  app.use("/api", neverKept, sessions(context, context.secure ?? false), onlyJson, withinSpace(usage), body);
  const router = express.Router();
  const attempts = new Attempts(context.pool);
  authRoutes(router, context.knex, attempts);
  signUpRoutes(router, context, attempts);
  ownAccountRoutes(router, context);
  storageRoutes(router, context.knex, usage);
  forgottenRoutes(router, context, attempts);
  placeRoutesOf(router, context.knex, { demo: context.demo ?? false, sendsMail: context.mailer !== undefined });
  peopleRoutes(router, context.knex);
  const facts = new FactsKeeper(context.knex, context.files);
  systemsRoutes(router, context.knex, facts);
  worksRoutes(router, context.knex, context.files);
  bookletRoute(router, context.knex, context.files);
  chartsRoutes(router, context.knex);
  draftsRoutes(router, context.knex, context.pool);
  draftFiles(router, context.knex, context.files);
  draftCards(router, context.knex, context.files);
  tableRoutesOf(router, context.knex, facts);
  classesRoutes(router, context.knex, attempts);
  lessonsRoutes(router, context.knex);
  assignmentsRoutes(router, context.knex);
  asksRoutes(router, context.knex);
  handInsRoutes(router, context.knex);
  questionsRoutes(router, context.knex, attempts);
  livesRoutes(router, context.knex, context.live);
  removalRoutes(router, context.knex);
  filePlaceRoute(router, context.files);
  faultsRoutes(router, context.log, attempts);
  app.use(router);
  app.use("/api", noRoute);
  if (context.webRoot !== undefined && existsSync(context.webRoot)) serveWeb(app, context.webRoot);
  app.use(problems);
  return app;
}

/** Smaller answers fit a packet or few: packing a draft of one kilobyte took as long as all the rest of its answer. */
const PACKED_FROM = "8kb";

const jsonOf = { signedIn: express.json({ limit: "1mb" }), stranger: express.json({ limit: "16kb" }) };

/** Reads the body: as much as a draft may hold from whom is known, no more than a sign-in needs from whom is not. */
const body: express.RequestHandler = (request, response, next) =>
  (request.session.accountId === undefined ? jsonOf.stranger : jsonOf.signedIn)(request, response, next);

/** A connection that breaks while it is written to is that reader's alone: without a listener it would be everybody's. */
const brokenConnections: express.RequestHandler = (request, response, next) => {
  const broke = (error: Error): void => request.log.info({ error: error.message }, "a connection broke");
  request.on("error", broke);
  response.on("error", broke);
  next();
};

/** What the API says is about people: no cache keeps it. */
const neverKept: express.RequestHandler = (_, response, next) => {
  response.set("cache-control", "no-store");
  next();
};

function security(secure: boolean): express.RequestHandler {
  return helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        "default-src": ["'self'"],
        "script-src": ["'self'"],
        "style-src": ["'self'", "'unsafe-inline'"],
        "img-src": ["'self'", "data:", "blob:"],
        "font-src": ["'self'"],
        "connect-src": ["'self'"],
        "worker-src": ["'self'"],
        "object-src": ["'none'"],
        "base-uri": ["'self'"],
        "form-action": ["'self'"],
        "frame-ancestors": ["'none'"],
      },
    },
    strictTransportSecurity: secure ? { maxAge: 365 * 24 * 60 * 60 } : false,
  });
}

/** A changing request must say that it sends JSON: a form on another site cannot. */
const onlyJson: express.RequestHandler = (request, _, next) => {
  const changes = request.method === "POST" || request.method === "PATCH";
  if (changes && !request.is("application/json")) throw new ProblemError(415, "JSON only", "Send application/json.");
  next();
};

/** A path that is no text is told as every other fault is: what serves packed files would answer in its own way. */
const readablePath: express.RequestHandler = (request, _, next) => {
  try {
    decodeURIComponent(request.path);
  } catch (error) {
    if (!(error instanceof URIError)) throw error;
    throw new ProblemError(400, "No such address", "The address holds signs that are no text.");
  }
  next();
};

/** The built application; every path that is no file is the application's own. */
function serveWeb(app: Express, root: string): void {
  app.use(
    "/assets",
    readablePath,
    expressStaticGzip(join(root, "assets"), {
      enableBrotli: true,
      orderPreference: ["br", "gz"],
      index: false,
      serveStatic: { immutable: true, maxAge: "1y" },
    }) as express.RequestHandler,
  );
  app.use(express.static(root, { index: false, maxAge: 0 }));
  app.get("/{*splat}", (_, response) => response.set("cache-control", "no-cache").sendFile(join(root, "index.html")));
}
