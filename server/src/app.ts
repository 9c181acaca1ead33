import compression from 'compression';
import express, { type Express, type RequestHandler } from 'express';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { onlyOwnSite, securityHeaders } from './http/guard.js';
import { onlyOwnUser } from './http/own-user.js';
import { signedIn } from './http/sign-in.js';
import { noSuchRoute, problemHandler } from './http/problem.js';
import type { EndpointKey } from '@clever-drawer/contract/api-types';
import { openApiDocument } from '@clever-drawer/contract/openapi';
import { serve, type Handlers } from './http/serve.js';
import { arrangementHandlers } from './routes/arrangement.js';
import { changeHandlers } from './routes/changes.js';
import { computerHandlers } from './routes/computers.js';
import type { Context } from './routes/context.js';
import { exchangeHandlers } from './routes/exchange.js';
import { fileHandlers } from './routes/files.js';
import { pictureHandlers } from './routes/pictures.js';
import { reportHandlers } from './routes/reports.js';
import { scanHandlers } from './routes/scans.js';
import { sessionHandlers } from './routes/sessions.js';
import { useHandlers } from './routes/uses.js';

/** A handler for every endpoint of the table; one that is missing does not compile. */
const handlersOf = (context: Context): Handlers<EndpointKey> => ({
  'GET /health': async () => {
    await context.source.query('SELECT 1');
    return { ok: true };
  },
  'GET /asking': async () => ({ room: await context.askingRoom() }),
  'GET /openapi.json': () => Promise.resolve(openApiDocument()),
  ...computerHandlers(context),
  ...reportHandlers(context),
  ...scanHandlers(context),
  ...arrangementHandlers(context),
  ...changeHandlers(context),
  ...exchangeHandlers(context),
  ...fileHandlers(context),
  ...pictureHandlers(context),
  ...useHandlers(context),
  ...sessionHandlers(context),
});

const letIn: RequestHandler = (_request, _response, next) => next();

/** Quick rather than small: nothing goes further than this computer, but a catalogue of 50,000 plugins is 30 MB of the same words again and again. A line that stays open is written as it comes. */
const compressed = compression({
  level: 1,
  threshold: 16_384,
  filter: (request, response) =>
    !String(response.getHeader('Content-Type')).startsWith('text/event-stream') &&
    compression.filter(request, response),
});

const PLUGIN_PAGE = /^\/([0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})\/(?:sort|load)$/;

/** What a page of plugins asks for first, in header fields that have the browser fetch it while the page's own code is still on its way: RFC 8288; HTML, "preload". */
function askedFirst(path: string): string[] {
  const [, computer] = PLUGIN_PAGE.exec(path) ?? [];
  if (computer === undefined) return [];
  return ['catalogue/columns', 'arrangement'].map(
    (list) => `</api/computers/${computer}/${list}>; rel=preload; as=fetch; crossorigin=anonymous`,
  );
}

/** The web application; `webFolder` holds the built pages, or null for the interface alone. Keeps no state of its own. */
export function createApp(context: Context, webFolder: string | null): Express {
  const app = express();
  app.disable('x-powered-by');
  const { signIn, users } = context;
  const signing = signIn === null ? letIn : signedIn(signIn);
  app.use(securityHeaders, onlyOwnUser(users, signing), signIn?.always === true ? signing : letIn, onlyOwnSite);
  app.use(compressed);
  app.use('/api', (_request, response, next) => {
    response.set('Cache-Control', 'no-store');
    next();
  });
  app.use('/api', serve(context, handlersOf(context)));
  app.use('/api', noSuchRoute);
  if (webFolder !== null && existsSync(join(webFolder, 'index.html'))) {
    app.use(express.static(webFolder, { index: false, maxAge: '1h' }));
    // A missing file is a 404; any other address is a place of the application, which the page itself resolves.
    app.get('/assets/{*path}', noSuchRoute);
    app.get('/{*path}', (request, response) => {
      const ahead = askedFirst(request.path);
      if (ahead.length > 0) response.set('Link', ahead);
      response.set('Cache-Control', 'no-cache').sendFile(join(webFolder, 'index.html'));
    });
  }
  app.use(noSuchRoute);
  app.use(problemHandler(context.log, context.ownData));
  return app;
}
