import { Button } from '../look/Button.tsx';
import { useEffect } from 'react';
import { useNotices } from '../look/notices.tsx';
import { Workbox } from 'workbox-window';
import { atRest } from './atRest.ts';

const BEFORE = 'zig-hem-version-before';
/** The whole application is fetched and stored when nobody has asked anything of it for so long, ms. */
const REST_MS = 4000;

/**
 * Lets everything but the stand-ins work without the server after one visit, and offers a new version when there is
 * one. It is taken over when the person says so; pages that stay open go on with the parts of their own version.
 */
export function NewVersion() {
  const notices = useNotices();
  useEffect(() => {
    if (!('serviceWorker' in navigator) || import.meta.env.DEV) return;
    const worker = new Workbox('/sw.js');
    let asked = false;
    worker.addEventListener('waiting', () => {
      notices.info({
        key: 'new version',
        title: 'A new version of Zig Hem is here',
        description: 'Update now, or go on: it waits until all tabs of Zig Hem are closed.',
        duration: 0,
        actions: (
          <Button
            size="small"
            type="primary"
            onClick={() => {
              asked = true;
              void keepPartsOfThisVersion().finally(() => worker.messageSkipWaiting());
            }}
          >
            Update now
          </Button>
        ),
      });
    });
    worker.addEventListener('controlling', () => {
      if (asked) window.location.reload();
    });
    // Where it is refused (an address that is not safe, private browsing) all works as long as the server is there.
    return atRest(REST_MS, () => void worker.register().catch(() => undefined));
  }, [notices]);
  return null;
}

/** Other tabs may still need parts of this version that they have not fetched yet. */
async function keepPartsOfThisVersion(): Promise<void> {
  await caches.delete(BEFORE);
  const before = await caches.open(BEFORE);
  for (const name of await caches.keys()) {
    if (!name.includes('precache')) continue;
    const parts = await caches.open(name);
    for (const request of await parts.keys()) {
      const address = new URL(request.url);
      if (!address.pathname.startsWith('/assets/')) continue;
      const part = await parts.match(request);
      if (part) await before.put(address.origin + address.pathname, part);
    }
  }
}
