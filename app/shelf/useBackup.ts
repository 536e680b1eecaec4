/** Downloading a backup of the whole shelf. */
import { useState } from 'react';
import { plural } from '../../core/say/measures.ts';
import type { Notices } from '../look/notices.tsx';
import type { Pack } from '../storage/backup.ts';
import { saveBlob } from '../storage/exports.ts';
import { library } from '../storage/here.ts';
import { photosOf } from '../storage/photos.ts';
import type { Attempt } from './telling.ts';

export interface Backup {
  /** Whether it holds the photos of the work. */
  readonly photosToo: boolean;
  readonly setPhotosToo: (wanted: boolean) => void;
  readonly save: () => void;
}

const pack: Pack = async (texts, now, photos) => {
  const { workers } = await import('../workers/pool.ts');
  return workers().ask('packBackup', [texts, now, photos]).done;
};

export function useBackup(attempt: Attempt, notices: Notices): Backup {
  const [photosToo, setPhotosToo] = useState(true);
  const save = (): void =>
    void attempt(async () => {
      const [{ backupOf, noteBackup }, { wishesHere }] = await Promise.all([
        import('../storage/backup.ts'),
        import('../storage/wishes.ts'),
      ]);
      const now = new Date();
      // Read anew: another tab may have changed the shelf since it was shown.
      const all = await library.list();
      const photos = photosToo ? await photosOf(new Set(all.map((f) => f.id))) : [];
      const parts = await backupOf(all, now, await wishesHere(), photos, pack);
      for (const { name, bytes } of parts)
        saveBlob(name, new Blob([new Uint8Array(bytes)], { type: 'application/zip' }));
      if (parts.length > 1)
        notices.info({
          key: 'backup in parts',
          title: `This backup is ${plural(parts.length, 'file')}`,
          description: 'Keep them together. To bring all back, open them all at once or one by one.',
          duration: 0,
        });
      await noteBackup(all, now);
    });
  return { photosToo, setPhotosToo, save };
}
