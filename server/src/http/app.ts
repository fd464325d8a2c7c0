/** The HTTP application: guards, every endpoint, the built pages. Routes only pass on. */
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import express, { type Express } from 'express';
import helmet from 'helmet';
import { Refusal } from '@loom-kin/core/refusal';
import { requireDepth } from './bounds';
import { setWhenQuiet } from './mount';
import { mountEvents } from './events';
import { guard } from './guard';
import type { Parts } from './parts';
import { problems } from './problems';
import { mountBoard } from './routes/board';
import { mountChanges } from './routes/changes';
import { mountDispatches } from './routes/dispatches';
import { mountExport } from './routes/export';
import { mountFamilies } from './routes/families';
import { mountIntake } from './routes/intake';
import { mountLists } from './routes/lists';
import { mountJobs } from './routes/jobs';
import { mountLayouts } from './routes/layouts';
import { mountPictures } from './routes/pictures';
import { mountSetup } from './routes/setup';

const SECURITY = {
  contentSecurityPolicy: {
    directives: {
      defaultSrc: ["'self'"],
      imgSrc: ["'self'", 'data:', 'blob:'],
      styleSrc: ["'self'", "'unsafe-inline'"],
      workerSrc: ["'self'", 'blob:'],
      connectSrc: ["'self'"],
      fontSrc: ["'self'", 'data:'],
      upgradeInsecureRequests: null,
    },
  },
  strictTransportSecurity: false,
} as const;

export function createApp(parts: Parts): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(guard);
  app.use(helmet(SECURITY));
  // What is blown up on its way is not taken: nobody here sends compressed.
  app.use(
    '/api',
    express.json({ limit: '20mb', inflate: false, verify: (_request, _response, bytes) => requireDepth(bytes) }),
  );
  setWhenQuiet(app, parts.store.whenQuiet);
  mountSetup(app, parts);
  mountFamilies(app, parts);
  mountBoard(app, parts);
  mountChanges(app, parts);
  mountIntake(app, parts);
  mountLists(app, parts);
  mountExport(app, parts);
  mountPictures(app, parts);
  mountDispatches(app, parts);
  mountJobs(app, parts);
  mountLayouts(app, parts);
  mountEvents(app, parts.store.events);
  app.use('/api', () => {
    throw new Refusal('api.unknown', {});
  });
  mountPages(app, parts.webFolder);
  app.use(problems(parts.log));
  return app;
}

function mountPages(app: Express, webFolder: string): void {
  if (!existsSync(join(webFolder, 'index.html'))) return;
  app.use(express.static(webFolder, { index: false, maxAge: '1h' }));
  app.get('/{*path}', (_request, response) => response.sendFile('index.html', { root: webFolder, maxAge: 0 }));
}
