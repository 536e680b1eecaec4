/** Who may ask: pages of this server, by an address that it answers to. */
import type { NextFunction, Request, Response } from 'express';
import { networkInterfaces, hostname } from 'node:os';

/** Names by which a server is reached that listens on `host`: of this machine only, or of its network too. */
export function namesOf(host: string, more: readonly string[] = []): ReadonlySet<string> {
  const here = ['localhost', '127.0.0.1', '[::1]'];
  if (isLoopback(host)) return new Set([...here, ...more]);
  const name = hostname().toLowerCase();
  return new Set([...here, host, name, `${name}.local`, ...addressesOf(host), ...more]);
}

export const isLoopback = (host: string): boolean => ['localhost', '127.0.0.1', '::1'].includes(host);

/** Addresses of this machine in its network, as a browser takes them; one alone when the server listens on that alone. */
export function addressesOf(host: string): readonly string[] {
  if (host !== '0.0.0.0' && host !== '::') return [host.includes(':') ? `[${host}]` : host];
  return Object.values(networkInterfaces()).flatMap((list) =>
    (list ?? []).flatMap(({ internal, family, address }) => {
      if (internal || address.startsWith('fe80')) return [];
      return [family === 'IPv6' ? `[${address}]` : address];
    }),
  );
}

/**
 * Turns away requests for another host, which a foreign page could make a browser send here under a name of its own,
 * and requests to the stand-ins that come from a foreign page.
 */
export const onlyOwnPages =
  (names: ReadonlySet<string>) =>
  (req: Request, res: Response, next: NextFunction): void => {
    const host = req.headers.host ?? '';
    if (!names.has(host.replace(/:\d+$/, '').toLowerCase())) {
      res.status(421).json({ problem: 'this server does not answer under that name' });
      return;
    }
    const { origin } = req.headers;
    const foreign = origin !== undefined && hostOf(origin) !== host.toLowerCase();
    if (req.path.startsWith('/api/') && (foreign || req.headers['sec-fetch-site'] === 'cross-site')) {
      res.status(403).json({ problem: 'only pages of this server may ask here' });
      return;
    }
    next();
  };

function hostOf(origin: string): string | null {
  try {
    return new URL(origin).host.toLowerCase();
  } catch {
    return null;
  }
}
