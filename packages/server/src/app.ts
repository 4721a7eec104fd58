import { existsSync } from "node:fs";
import { join } from "node:path";
import express, { type Express } from "express";
import helmet from "helmet";
import type { Knex } from "knex";
import type { Pool } from "pg";
import type { Logger } from "pino";
import { pinoHttp } from "pino-http";
import { authRoutes } from "./auth/routes.js";
import { sessions } from "./auth/session.js";
import { draftFiles } from "./drafts/files.js";
import { draftsRoutes } from "./drafts/routes.js";
import { noRoute, problems, ProblemError } from "./http/problem.js";
import { peopleRoutes } from "./people/routes.js";
import { systemsRoutes } from "./systems/routes.js";

/** What the application stands on. */
export interface AppContext {
  readonly knex: Knex;
  readonly pool: Pool;
  readonly log: Logger;
  readonly sessionSecret: string;
  readonly webRoot: string | undefined;
}

/** The web application and its API as one Express application. It keeps no state, so several may serve one database. */
export function createApp(context: AppContext): Express {
  const app = express();
  app.disable("x-powered-by");
  app.use(security());
  app.use(
    pinoHttp({
      logger: context.log,
      serializers: {
        req: (r: { method: string; url: string; id: unknown }) => ({ id: r.id, method: r.method, url: r.url.split("?")[0] }),
        res: (r: { statusCode: number }) => ({ status: r.statusCode }),
      },
    }),
  );
  app.get("/api/health", async (_, response) => {
    await context.knex.raw("select 1");
    response.json({ healthy: true });
  });
  app.use("/api", sessions(context.pool, context.sessionSecret), onlyJson, express.json({ limit: "1mb" }));
  const router = express.Router();
  authRoutes(router, context.knex);
  peopleRoutes(router, context.knex);
  systemsRoutes(router, context.knex);
  draftsRoutes(router, context.knex);
  draftFiles(router, context.knex);
  app.use(router);
  app.use("/api", noRoute);
  if (context.webRoot !== undefined && existsSync(context.webRoot)) serveWeb(app, context.webRoot);
  app.use(problems);
  return app;
}

function security(): express.RequestHandler {
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
    strictTransportSecurity: false,
  });
}

/** A changing request must say that it sends JSON: a form on another site cannot. */
const onlyJson: express.RequestHandler = (request, _, next) => {
  const changes = request.method === "POST" || request.method === "PATCH";
  if (changes && !request.is("application/json")) throw new ProblemError(415, "JSON only", "Send application/json.");
  next();
};

/** The built application; every path that is no file is the application's own. */
function serveWeb(app: Express, root: string): void {
  app.use("/assets", express.static(join(root, "assets"), { immutable: true, maxAge: "1y", index: false }));
  app.use(express.static(root, { index: false, maxAge: 0 }));
  app.get("/{*splat}", (_, response) => response.set("cache-control", "no-cache").sendFile(join(root, "index.html")));
}
