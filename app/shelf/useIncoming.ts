/** Files that come in: read, compared with the shelf, asked about, and put there. */
import { useRef, useState } from 'react';
import type { BundledPhoto } from '../../core/document/bundle.ts';
import type { Hem } from '../../core/document/hem.ts';
import type { RefusedFile } from '../../core/document/opened.ts';
import { plural } from '../../core/say/measures.ts';
import type { Notices } from '../look/notices.tsx';
import { library } from '../storage/here.ts';
import { takePhotos } from '../storage/photos.ts';
import type { RecordFound } from '../storage/records.ts';
import type { Differing, Incoming } from './incoming.ts';
import type { OpenBackup } from './opening.ts';
import type { Attempt } from './telling.ts';

/** Something that takes its time: how far it is. */
export interface TaskProgress {
  readonly words: string;
  readonly done: number;
  readonly of: number;
}

export interface IncomingFiles {
  readonly refused: readonly RefusedFile[];
  readonly incoming: readonly Incoming[];
  readonly progress: TaskProgress | null;
  readonly open: (files: readonly File[]) => Promise<void>;
  /** Takes what is wanted of what was opened; null when nothing is. */
  readonly choose: (differing: Differing | null) => Promise<void>;
  /** Takes these, the one that goes on last. */
  readonly take: (hems: readonly Hem[]) => void;
  readonly openReadable: (hem: Hem) => void;
  readonly close: (file: RefusedFile) => void;
  /** Ends what is under way; hems that were put on the shelf by then stay there. */
  readonly cancel: () => void;
}

/** From so many hems on it is told how far they are. */
const MANY = 20;

const openBackup: OpenBackup = async (name, bytes, told) => {
  const [{ workers }, { proxy }] = await Promise.all([import('../workers/pool.ts'), import('comlink')]);
  return workers().ask('openBackup', [name, bytes, new Date(), proxy(told)]).done;
};

export function useIncoming(attempt: Attempt, notices: Notices): IncomingFiles {
  const [refused, setRefused] = useState<readonly RefusedFile[]>([]);
  const [incoming, setIncoming] = useState<readonly Incoming[]>([]);
  const [progress, setProgress] = useState<TaskProgress | null>(null);
  const stop = useRef<AbortController | null>(null);
  const under = (words: string) => {
    const { signal } = (stop.current = new AbortController());
    const tell = (done: number, of: number): void => {
      if (!signal.aborted && of >= MANY) setProgress({ words, done, of });
    };
    return { signal, tell };
  };
  const over = (): void => {
    stop.current = null;
    setProgress(null);
  };

  const open = async (files: readonly File[]): Promise<void> => {
    if (files.length === 0) return;
    const { signal, tell } = under('Reading hems');
    // What reads files is fetched with the first of them, to keep the first page small.
    const found = await attempt(async () => {
      const [{ readFiles }, { standings }, { takeWishes }] = await Promise.all([
        import('./opening.ts'),
        import('./incoming.ts'),
        import('../storage/wishes.ts'),
      ]);
      const opened = await readFiles(files, new Date(), openBackup, tell);
      if (signal.aborted) return null;
      if (opened.wishes) await takeWishes(opened.wishes);
      const here = await library.list();
      return { ...opened, here, incoming: await standings(opened.hems, here, library) };
    }).finally(over);
    if (!found || signal.aborted) return;
    setRefused(found.refused);
    // Photos that find no room keep no hem out.
    if (found.photos.length > 0) void attempt(() => keepPhotos(found.photos, found.hems, found.here));
    // One new hem needs no question.
    const plain = found.incoming.length === 1 && found.incoming[0]!.standing === 'new';
    if (plain) await put(found.incoming, 'leave');
    else setIncoming(found.incoming);
  };
  const keepPhotos = async (
    photos: readonly BundledPhoto[],
    hems: readonly Hem[],
    here: readonly RecordFound[],
  ): Promise<void> => {
    const ids = new Set([...here, ...hems].map(({ id }) => id));
    await library.awaitHems([...new Set(photos.map((p) => p.hem))].filter((id) => !ids.has(id)));
    const { signal, tell } = under('Keeping photos');
    await takePhotos(photos, (done) => tell(done, photos.length), signal).finally(over);
    if (hems.length === 0)
      notices.info({
        title: `${plural(photos.length, 'photo')} of your work came in`,
        description: 'Open the other files of the backup too: the hems are in the first.',
      });
  };
  const put = async (from: readonly Incoming[], differing: Differing | null): Promise<void> => {
    setIncoming([]);
    if (differing === null) return;
    const { chosen } = await import('./incoming.ts');
    const taken = chosen(from, differing, new Date().toISOString());
    if (taken.length === 0) return;
    const { signal, tell } = under('Putting hems on the shelf');
    tell(0, taken.length);
    const told = (done: number): void => tell(done, taken.length);
    await attempt(() => library.add(taken, 'opened from a file', { told, signal })).finally(over);
  };
  return {
    refused,
    incoming,
    progress,
    open,
    choose: (differing) => put(incoming, differing),
    take: (hems) => {
      setIncoming([]);
      void attempt(async () => {
        await library.add(hems, 'came from another device');
        await library.keepCarried(hems[hems.length - 1]!);
      });
    },
    openReadable: (hem) => void attempt(() => library.add([hem], 'the readable part of a file')),
    close: (file) => setRefused(refused.filter((f) => f !== file)),
    cancel: () => {
      stop.current?.abort();
      setProgress(null);
    },
  };
}
