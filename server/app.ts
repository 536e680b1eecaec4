/** Serves the built application under a strict content security policy. No data of the user comes here. */
import { randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { constants } from 'node:zlib';
import { join } from 'node:path';
import compression from 'compression';
import express, { type Express, type NextFunction, type Request, type Response } from 'express';
import helmet from 'helmet';
import { namesOf, onlyOwnPages } from './guard.ts';
import { SimulatedScale, scaleRoutes } from './scale.ts';
import { shopRoutes } from './shop.ts';

/** Features of the device that a page may use: the screen kept awake, the clipboard, and nothing that listens or watches. */
const PERMISSIONS =
  'camera=(), microphone=(), geolocation=(), payment=(), usb=(), serial=(), midi=(), ' +
  'accelerometer=(), gyroscope=(), magnetometer=(), display-capture=(), screen-wake-lock=(self), clipboard-write=(self)';

/**
 * @param dist folder of the built application
 * @param names of hosts under which it answers
 */
export function createApp(dist: string, names = namesOf('localhost')): Express {
  const page = readFileSync(join(dist, 'index.html'), 'utf8');
  const schema = readFileSync(new URL('../core/document/hem.schema.generated.json', import.meta.url), 'utf8');
  const app = express();
  app.disable('x-powered-by');
  app.set('env', 'production');
  app.set('query parser', 'simple');
  // Events must reach the page one by one, so they are not gathered up for compression.
  app.use(
    compression({
      // How hard it tries: 75 ms in place of 25 for the largest script, for a fourteenth less that a phone waits for.
      brotli: { params: { [constants.BROTLI_PARAM_QUALITY]: 7 } },
      filter: (req, res) => !req.originalUrl.startsWith('/api/scale') && compression.filter(req, res),
    }),
  );
  app.use((_, res, next) => {
    res.locals.nonce = randomBytes(16).toString('base64');
    res.set('Permissions-Policy', PERMISSIONS);
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
          manifestSrc: ["'self'"],
          objectSrc: ["'none'"],
          baseUri: ["'none'"],
          formAction: ["'none'"],
          frameAncestors: ["'none'"],
        },
      },
    }),
  );
  app.use(onlyOwnPages(names));
  app.get('/schema/hem.json', (_, res) => void res.type('application/schema+json').send(schema));
  app.use('/api', (_, res, next) => {
    res.set('Cache-Control', 'no-store');
    next();
  });
  app.use('/api/shop', shopRoutes());
  app.use('/api/scale', scaleRoutes(new SimulatedScale(Math.random)));
  app.use('/api', (_, res) => void res.status(404).json({ problem: 'there is nothing at this address' }));
  const sendPage = (_: Request, res: Response): void => {
    res.set('Cache-Control', 'no-cache');
    res.type('html').send(page.replace('__NONCE__', res.locals.nonce as string));
  };
  app.get(['/', '/index.html'], sendPage);
  app.use(
    '/assets',
    express.static(join(dist, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }),
  );
  // What keeps its name from version to version is asked for anew each time, the service worker above all.
  app.use(
    express.static(dist, {
      index: false,
      setHeaders: (res) => void res.setHeader('Cache-Control', 'no-cache'),
    }),
  );
  // An address with an ending names a file; every other one is a page of the application.
  app.get('/{*path}', (req, res, next) => {
    if (/\.\w+$/.test(req.path)) next();
    else sendPage(req, res);
  });
  app.use((_, res) => void res.status(404).json({ problem: 'there is nothing at this address' }));
  app.use(failure);
  return app;
}

/** Answer to a fault, without how it came about: a fault of the request by its own status, everything else as 500. */
function failure(error: unknown, _: Request, res: Response, next: NextFunction): void {
  if (res.headersSent) {
    next(error);
    return;
  }
  const status = (error as { status?: unknown } | null)?.status;
  const known = typeof status === 'number' && status >= 400 && status < 500 ? status : 500;
  const words: Readonly<Record<number, string>> = {
    400: 'the request cannot be read',
    404: 'there is nothing at this address',
    413: 'the request is too large',
  };
  res.status(known).json({ problem: words[known] ?? 'the server could not answer' });
}
