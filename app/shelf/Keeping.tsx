import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { Button } from '../look/Button.tsx';
import { useEffect } from 'react';
import { Link } from 'react-router';
import { plural } from '../../core/say/measures.ts';
import { useNotices } from '../look/notices.tsx';
import { whenWords } from '../look/when.ts';
import * as backup from '../storage/backup.ts';
import { bin, library } from '../storage/here.ts';
import { photoStore } from '../storage/photos.ts';
import type { RecordFound } from '../storage/records.ts';
import { askToKeep, bytesWords, roomHere } from '../storage/room.ts';
import { BinList } from './BinList.tsx';
import { withWarning } from './telling.ts';
import styles from './shelf.module.css';

export interface KeepingProps {
  readonly shelf: readonly RecordFound[];
  /** When it was read: another time is another shelf. */
  readonly read: number;
  /** Whether a backup holds the photos of the work. */
  readonly photosToo: boolean;
  readonly onPhotosToo: (wanted: boolean) => void;
  readonly onBackup: () => void;
  readonly onChange: () => void;
}

/** Where the hems live, how safe they are there, and what is in the bin. */
export function Keeping({ shelf, read, photosToo, onPhotosToo, onBackup, onChange }: KeepingProps) {
  const notices = useNotices();
  const queries = useQueryClient();
  const room = useQuery({ queryKey: ['room', read], queryFn: roomHere }).data;
  const state = useQuery({
    queryKey: ['backup', read],
    queryFn: () => backup.backupState(shelf, new Date()).catch(() => null),
  }).data;
  const binned =
    useQuery({ queryKey: ['bin', read], queryFn: bin, placeholderData: keepPreviousData }).data ?? [];
  const folder = useQuery({
    queryKey: ['folder'],
    queryFn: () => backup.folderHere().catch(() => null),
  }).data;
  const attempt = (work: () => Promise<unknown>): void =>
    void withWarning(notices, work).then(() => {
      void queries.invalidateQueries({ queryKey: ['folder'] });
      void queries.invalidateQueries({ queryKey: ['backup'] });
      void queries.invalidateQueries({ queryKey: ['room'] });
    });
  const photos =
    useQuery({ queryKey: ['photos', read], queryFn: () => photoStore.keys().catch(() => []) }).data ?? [];
  const ready = folder?.state === 'ready';
  useEffect(() => {
    if (!ready) return;
    void backup.writeFolder(shelf, new Date()).then(
      (written) => {
        if (written) void queries.invalidateQueries({ queryKey: ['backup'] });
      },
      () =>
        notices.warning({
          key: 'folder',
          title: 'The backup folder could not be written',
          description:
            'See whether it is still there, or choose another. Your hems are safe in this browser.',
          duration: 0,
        }),
    );
  }, [ready, shelf, queries, notices]);
  return (
    <footer className={styles.keeping} aria-label="Where your hems are kept">
      <p>
        Your hems live in this browser only. Clearing its data deletes them: download a backup now and then.
      </p>
      {state && (
        <p className={state.remind ? 'problem' : 'quiet'}>
          {state.at
            ? `Last backup: ${whenWords(state.at, new Date())}. ${state.changed > 0 ? `${plural(state.changed, 'hem')} changed since. ` : ''}`
            : `No backup yet. ${state.changed > 0 ? `You have worked on ${plural(state.changed, 'hem')}. ` : ''}`}
          {state.remind && (
            <Button size="small" onClick={onBackup}>
              Download a backup
            </Button>
          )}
        </p>
      )}
      {photos.length > 0 && (
        <p className="quiet">
          <label>
            <input type="checkbox" checked={photosToo} onChange={(e) => onPhotosToo(e.target.checked)} /> Put{' '}
            {photos.length === 1 ? 'the photo' : `the ${photos.length} photos`} of your work into a downloaded
            backup too. They are not in a backup folder.
          </label>
        </p>
      )}
      {room && <RoomLine room={room} attempt={attempt} />}
      {backup.canKeepFolder() && <FolderLine folder={folder} attempt={attempt} />}
      {!library.tabs.locked && (
        <p className="problem">
          This address is not secure (https): tabs cannot wait for each other, and nothing works without the
          server. Keep each hem in one tab.
        </p>
      )}
      {binned.length > 0 && <BinList binned={binned} onChange={onChange} />}
      <p className="quiet small">
        <Link to="/licences">Licenses</Link>
      </p>
    </footer>
  );
}

type Attempted = (work: () => Promise<unknown>) => void;

/** How much room is taken up, and whether the browser has promised not to clear it. */
function RoomLine({
  room,
  attempt,
}: {
  readonly room: Awaited<ReturnType<typeof roomHere>>;
  readonly attempt: Attempted;
}) {
  const notices = useNotices();
  return (
    <p className="quiet">
      {room.used !== null &&
        `Uses ${bytesWords(room.used)}${room.allowed === null ? '' : ` of the ${bytesWords(room.allowed)} that this browser allows`}. `}
      {room.promised ? (
        'The browser has promised not to clear it by itself.'
      ) : (
        <>
          The browser may clear it when space gets short.{' '}
          <Button
            size="small"
            onClick={() =>
              attempt(async () => {
                if (await askToKeep()) return;
                notices.info({
                  title: 'The browser did not promise it',
                  description:
                    'Some do so only for a site that is installed or bookmarked. A backup is safe.',
                });
              })
            }
          >
            Protect my hems
          </Button>
        </>
      )}
    </p>
  );
}

interface FolderProps {
  readonly folder: Awaited<ReturnType<typeof backup.folderHere>> | undefined;
  readonly attempt: Attempted;
}

/** The folder that is kept up to date, where the browser can do that. */
function FolderLine({ folder, attempt }: FolderProps) {
  return (
    <p className="quiet">
      {folder ? (
        <>
          {folder.state === 'ready'
            ? `The folder “${folder.name}” is kept up to date.`
            : `The folder “${folder.name}” is not kept up to date: the browser wants to be allowed again.`}{' '}
          {folder.state !== 'ready' && (
            <Button size="small" onClick={() => attempt(backup.allowFolder)}>
              Allow it
            </Button>
          )}
          <Button size="small" type="text" onClick={() => attempt(backup.forgetFolder)}>
            Stop keeping it
          </Button>
        </>
      ) : (
        <Button size="small" onClick={() => attempt(backup.chooseFolder)}>
          Keep a backup in a folder
        </Button>
      )}
    </p>
  );
}
