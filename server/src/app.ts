import express, { type Express } from 'express';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { onlyOwnSite, securityHeaders } from './http/guard.js';
import { noSuchRoute, problemHandler } from './http/problem.js';
import { arrangementRoutes } from './routes/arrangement.js';
import { computerRoutes } from './routes/computers.js';
import { exchangeRoutes } from './routes/exchange.js';
import { pictureRoutes } from './routes/pictures.js';
import type { Context } from './routes/context.js';
import { scanRoutes } from './routes/scans.js';

/** The web application; `webFolder` holds the built pages, or null for the interface alone. Keeps no state of its own. */
export function createApp(context: Context, webFolder: string | null): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(securityHeaders, onlyOwnSite);
  app.use('/api', (_request, response, next) => {
    response.set('Cache-Control', 'no-store');
    next();
  });
  // Before the JSON reader: a picture is sent as it is.
  app.use('/api', pictureRoutes(context));
  app.use('/api', express.json({ limit: '32mb' }));
  app.get('/api/health', async (_request, response) => {
    await context.source.query('SELECT 1');
    response.json({ ok: true });
  });
  app.use('/api', computerRoutes(context), scanRoutes(context), arrangementRoutes(context), exchangeRoutes(context));
  app.use('/api', noSuchRoute);
  if (webFolder !== null && existsSync(join(webFolder, 'index.html'))) {
    app.use(express.static(webFolder, { index: false, maxAge: '1h' }));
    // A missing file is a 404; any other address is a place of the application, which the page itself resolves.
    app.get('/assets/{*path}', noSuchRoute);
    app.get('/{*path}', (_request, response) => {
      response.set('Cache-Control', 'no-cache').sendFile(join(webFolder, 'index.html'));
    });
  }
  app.use(noSuchRoute);
  app.use(problemHandler(context.log));
  return app;
}
