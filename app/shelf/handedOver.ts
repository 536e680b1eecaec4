/** Files that the system hands to the installed application: opened with it, or shared to it. */
import { held } from '../../core/held.ts';

/** Where the service worker keeps what was shared (app/public/shared-files.js). */
const KEPT = 'zig-hem-shared';
/** End of the address after files were shared and could not be kept. */
export const NOT_SHARED = '#not-shared';

/** Part of a window in browsers that open files with installed applications. */
interface Launching {
  readonly launchQueue?: {
    setConsumer(take: (launched: { readonly files: readonly FileSystemFileHandle[] }) => void): void;
  };
}

/** From now on `open` hears of files that are opened with the application; a promise of them, for one may not be readable. */
export function whenLaunched(open: (files: Promise<readonly File[]>) => void): void {
  (window as Launching).launchQueue?.setConsumer(({ files }) =>
    open(Promise.all(files.map((file) => file.getFile()))),
  );
}

/** Opens what was shared; it is kept until it has been opened. */
export async function openShared(open: (files: readonly File[]) => Promise<void>): Promise<void> {
  if (!('caches' in window) || !(await caches.has(KEPT))) return;
  const kept = await caches.open(KEPT);
  const requests = await kept.keys();
  const files = await Promise.all(
    requests.map(async (request) => {
      const response = held(await kept.match(request), 'it was found just now');
      const name = decodeURIComponent(response.headers.get('X-File-Name') ?? 'shared.json');
      return new File([await response.blob()], name);
    }),
  );
  await open(files);
  await Promise.all(requests.map((request) => kept.delete(request)));
}
