import { undoRoutes } from './undo/routes.ts';
import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join, posix } from 'node:path';
import compression from 'compression';
import express, { type Express } from 'express';
import helmet from 'helmet';
import { computeRoutes } from './compute/routes.ts';
import type { ServerContext } from './serverContext.ts';
import { ownHost, ownOrigin, type Names } from './ownHost.ts';
import { jsonOnly, notFound, problemHandler } from './problem.ts';
import { apiPage } from './apiPage.ts';
import { openApiOf } from './openApi.ts';
import { Doors, MOST_JSON } from './people/door.ts';
import { guard } from './people/guard.ts';
import { peopleRoutes } from './people/routes.ts';
import { scaleRoutes } from './devices/scale.ts';
import { checkRoutes } from './stations/check/routes.ts';
import { fileInRoutes, fileRoutes } from './stations/files/routes.ts';
import { gatherRoutes } from './stations/gather/routes.ts';
import { lendRoutes } from './stations/lend/routes.ts';
import { termPlanRoutes } from './stations/lend/termPlan/routes.ts';
import { todayRoutes } from './stations/today/routes.ts';
import { batchRoutes } from './stations/make/batchRoutes.ts';
import { makeRoutes } from './stations/make/routes.ts';
import { backupInRoutes } from './stations/place/uploads.ts';
import { placeRoutes } from './stations/place/routes.ts';
import { healthRoutes } from './health.ts';
import { photoInRoutes, photoRoutes } from './stations/photo/routes.ts';
import { endsStalled } from './stall.ts';
import { patternRoutes } from './stations/shape/patterns.ts';
import { shapeRoutes } from './stations/shape/routes.ts';
import { watchRoutes } from './stations/watch/routes.ts';

/**
 * The whole server, without listening. `webFolder` holds the built interface, or null for the API alone; `names` are
 * what the server answers to besides this machine's own names.
 */
export function makeApp(
  serverContext: ServerContext,
  webFolder: string | null,
  names: Names = { host: '127.0.0.1', hosts: [] },
): Express {
  const app = express();
  app.disable('x-powered-by');
  // A proxy on this machine says who asks and whether by TLS; nobody else is believed.
  app.set('trust proxy', 'loopback');
  app.use((_req, res, next) => {
    (res.locals as { nonce: string }).nonce = randomBytes(16).toString('base64');
    next();
  });
  app.use(
    helmet({
      strictTransportSecurity: false,
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'self'"],
          baseUri: ["'none'"],
          objectSrc: ["'none'"],
          frameAncestors: ["'none'"],
          formAction: ["'self'"],
          // Codes are read by WebAssembly.
          scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
          styleSrc: [
            "'self'",
            // The empty style element that charts begin with.
            "'sha256-47DEQpj8HBSa+/TImW+5JCeuQeRkm5NMpJWZG3hSuFU='",
            (_req, res) => `'nonce-${(res as unknown as { locals: { nonce: string } }).locals.nonce}'`,
          ],
          styleSrcAttr: ["'unsafe-inline'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          fontSrc: ["'self'"],
          connectSrc: ["'self'"],
          workerSrc: ["'self'"],
        },
      },
    }),
  );
  app.use((req, res, next) => {
    // Whoever has come by TLS once comes by it again; half a year, in seconds.
    if (req.secure) res.set('strict-transport-security', 'max-age=15552000');
    next();
  });
  app.use(ownHost(names));
  app.use(compression());
  const api = express.Router();
  api.use(endsStalled());
  api.use((_req, res, next) => {
    res.set('cache-control', 'no-store');
    next();
  });
  api.use(ownOrigin(names));
  // While the place's file is exchanged everybody waits before the door; health tells how long that takes.
  api.use(async (req, res, next) => {
    if (req.path === '/health') return next();
    const leave = await serverContext.gate.enter();
    res.once('close', leave);
    // Gone while it waited.
    if (res.destroyed) leave();
    next();
  });
  api.use(guard(serverContext));
  api.use(fileInRoutes(serverContext), backupInRoutes(serverContext), photoInRoutes(serverContext));
  api.use(jsonOnly, express.json({ limit: MOST_JSON }));
  api.use(healthRoutes(serverContext));
  api.use(patternRoutes(serverContext));
  api.use('/compute', computeRoutes(serverContext.workerPool));
  api.use(
    peopleRoutes(serverContext),
    placeRoutes(serverContext),
    checkRoutes(serverContext),
    scaleRoutes(),
    gatherRoutes(serverContext),
    photoRoutes(serverContext),
    fileRoutes(serverContext),
    shapeRoutes(serverContext),
    makeRoutes(serverContext),
    batchRoutes(serverContext),
    todayRoutes(serverContext),
    undoRoutes(serverContext),
    lendRoutes(serverContext),
    termPlanRoutes(serverContext),
    watchRoutes(serverContext),
  );
  const described = new Doors();
  described.get(
    '/openapi.json',
    { about: 'every door as OpenAPI 3.1, with the schemas of what it takes' },
    () => openApiOf(app),
  );
  described.get('/docs', { about: 'the same to read, as a page' }, ({ res }) =>
    res.type('html').send(apiPage(openApiOf(app))),
  );
  api.use(described.router);
  api.use((req) => {
    throw notFound(`${req.method} ${req.baseUrl}${req.path}`.slice(0, 200));
  });
  app.use('/api', api);
  if (webFolder && existsSync(join(webFolder, 'index.html'))) {
    const page = readFileSync(join(webFolder, 'index.html'), 'utf8');
    const files = express.static(webFolder, { index: false, immutable: true, maxAge: '1y' });
    const isPage = (path: string): boolean => {
      try {
        return posix.normalize(decodeURIComponent(path)) === '/index.html';
      } catch {
        return false;
      }
    };
    // The page has a nonce to be filled in, by whatever name it is asked for.
    app.use((req, res, next) => (isPage(req.path) ? next() : void files(req, res, next)));
    app.get('/{*path}', (req, res) => {
      // A missing file must not come back as the page: a browser would try to run it.
      if (/\.[a-z0-9]{2,5}$/i.test(req.path) && !isPage(req.path))
        throw notFound(`file ${req.path.slice(0, 100)}`);
      res
        .set('cache-control', 'no-store')
        .type('html')
        .send(page.replaceAll('__CSP_NONCE__', (res.locals as { nonce: string }).nonce));
    });
  }
  app.use((req) => {
    throw notFound(`${req.method} ${req.path}`.slice(0, 200));
  });
  app.use(problemHandler(serverContext.log));
  return app;
}
