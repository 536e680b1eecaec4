/** Serves the built application under a strict content security policy. No data of the user comes here. */
import { randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import compression from 'compression';
import express, { type Express, type Request, type Response } from 'express';
import helmet from 'helmet';

/** @param dist folder of the built application */
export function createApp(dist: string): Express {
  const page = readFileSync(join(dist, 'index.html'), 'utf8');
  const app = express();
  app.disable('x-powered-by');
  app.use(compression());
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
