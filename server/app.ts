/** Serves the built application under a strict content security policy. No data of the user comes here. */
import { randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import compression from 'compression';
import express, { type Express, type Request, type Response } from 'express';
import helmet from 'helmet';
import { SimulatedScale, scaleRoutes } from './scale.ts';
import { shopRoutes } from './shop.ts';

/** @param dist folder of the built application */
export function createApp(dist: string): Express {
  const page = readFileSync(join(dist, 'index.html'), 'utf8');
  const schema = readFileSync(new URL('../core/document/hem.schema.json', import.meta.url), 'utf8');
  const app = express();
  app.disable('x-powered-by');
  // Events must reach the page one by one, so they are not gathered up for compression.
  app.use(
    compression({
      filter: (req, res) => !req.originalUrl.startsWith('/api/scale') && compression.filter(req, res),
    }),
  );
  app.use((_, res, next) => {
    res.locals.nonce = randomBytes(16).toString('base64');
    next();
  });
  app.use(
    helmet({
      strictTransportSecurity: false,
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'self'"],
          scriptSrc: ["'self'"],
          styleSrc: ["'self'", (_, res) => `'nonce-${(res as Response).locals.nonce as string}'`],
          // Positions and colours computed by drawings and by the component library are set as attributes.
          styleSrcAttr: ["'unsafe-inline'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          fontSrc: ["'self'"],
          connectSrc: ["'self'"],
          workerSrc: ["'self'"],
          objectSrc: ["'none'"],
          baseUri: ["'none'"],
          formAction: ["'none'"],
          frameAncestors: ["'none'"],
        },
      },
    }),
  );
  app.get('/schema/hem.json', (_, res) => void res.type('application/schema+json').send(schema));
  app.use('/api/shop', shopRoutes());
  app.use('/api/scale', scaleRoutes(new SimulatedScale(Math.random)));
  app.use('/api', (_, res) => void res.status(404).json({ problem: 'there is nothing at this address' }));
  const sendPage = (_: Request, res: Response): void => {
    res.type('html').send(page.replace('__NONCE__', res.locals.nonce as string));
  };
  app.get(['/', '/index.html'], sendPage);
  app.use(
    '/assets',
    express.static(join(dist, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }),
  );
  app.use(express.static(dist, { index: false }));
  app.get('/{*path}', sendPage);
  return app;
}
