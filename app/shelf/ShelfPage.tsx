import { fetched } from '../look/fetched.ts';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Button } from '../look/Button.tsx';
import { nanoid } from 'nanoid';
import { Suspense, useEffect, useEffectEvent, useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { tinykeys } from 'tinykeys';
import { listWords } from '../../core/say/lists.ts';
import type { Hem } from '../../core/document/hem.ts';
import { copyOf } from '../../core/edits/hem.ts';
import { problemLine } from '../../core/problems.ts';
import { ThemeButton } from '../look/ThemeButton.tsx';
import { Guard } from '../hem/Guard.tsx';
import { useTheme } from '../look/ThemeAndNotices.tsx';
import { KeysButton } from '../look/KeysButton.tsx';
import { PackageIcon, PlusIcon, UploadSimpleIcon } from '../look/icons.ts';
import { useNotices } from '../look/notices.tsx';
import { glance, library, shelf } from '../storage/here.ts';
import { GLANCED } from '../storage/glance.ts';
import type { RecordFound } from '../storage/records.ts';
import { SHELF, shelfChanged } from '../storage/shelfQuery.ts';
import type { RefusedFile } from '../../core/document/opened.ts';
import { ShelfHem, cardStamp, deletedWords, useNear } from './ShelfHem.tsx';
import { whyWords, withWarning } from './telling.ts';
import { useBackup } from './useBackup.ts';
import { useIncoming, type TaskProgress } from './useIncoming.ts';
import './shelf.css';

const IncomingHems = fetched(async () => (await import('./Incoming.tsx')).IncomingHems);
const Keeping = fetched(async () => (await import('./Keeping.tsx')).Keeping);

/** A long shelf is laid out as it is scrolled: so many hems at first, and so many with every step. */
const LAID_FIRST = 16;
const LAID_THEN = 100;
const GLANCED_FOR_MS = 150;
/** Cards that are made anew follow each other. */
const GLANCE_AFTER_MS = 1000;

/** All hems, each drawn to scale with its border. */
export function ShelfPage() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const notices = useNotices();
  const chooser = useRef<HTMLInputElement>(null);
  const [over, setOver] = useState(false);
  const [laid, setLaid] = useState(LAID_FIRST);
  const deleted = useRef<string[]>([]);
  const theme = useTheme();
  const [glanced] = useState(() => new Map(glance.read().map((card) => [card.id, card])));
  const {
    data: all,
    dataUpdatedAt,
    error,
    refetch,
  } = useQuery({
    ...SHELF,
    // What was shown last is seen before a long shelf takes up the page.
    queryFn: async () => {
      if (glanced.size > 0 && !all) await new Promise((done) => setTimeout(done, GLANCED_FOR_MS));
      return shelf();
    },
  });
  const [kept, setKept] = useState(0);
  useEffect(() => {
    if (!all) return;
    const wait = setTimeout(
      () => void glance.keep(all, (found) => cardStamp(found, theme)).catch(() => undefined),
      GLANCE_AFTER_MS,
    );
    return () => clearTimeout(wait);
  }, [all, theme, kept]);
  const refresh = (): void => void shelfChanged(queries);
  const changed = useEffectEvent(refresh);
  /** Does something with storage; a refusal is told, and the shelf shows what is there then. */
  const attempt = <T,>(work: () => Promise<T>): Promise<T | null> =>
    withWarning(notices, work).finally(refresh);
  useEffect(() => library.tabs.hear(() => changed()), []);

  const putBack = (id: string | undefined): void => {
    if (id === undefined) return;
    void attempt(() => library.putBack(id)).then(() => {
      deleted.current = deleted.current.filter((d) => d !== id);
    });
  };
  const undo = useEffectEvent(() => putBack(deleted.current[deleted.current.length - 1]));
  useEffect(
    () =>
      tinykeys(window, {
        '$mod+z': (event) => {
          event.preventDefault();
          undo();
        },
      }),
    [],
  );

  const duplicate = (hem: Hem): void => {
    const copy = copyOf(hem, nanoid(10), `${hem.name} (copy)`, new Date().toISOString());
    void attempt(() => library.add([copy], 'a copy'));
  };
  const discard = async (found: RecordFound): Promise<void> => {
    const gone = await attempt(() => library.remove(found.id).then(() => true));
    if (!gone) return;
    deleted.current.push(found.id);
    notices.info({
      key: found.id,
      title: deletedWords(found),
      description: 'It stays in the bin for 30 days.',
      duration: 12,
      actions: (
        <Button
          size="small"
          onClick={() => {
            notices.destroy(found.id);
            putBack(found.id);
          }}
        >
          Undo
        </Button>
      ),
    });
  };
  const files = useIncoming(attempt, notices);
  const backup = useBackup(attempt, notices);

  return (
    <div
      className={over ? 'shelf over' : 'shelf'}
      onDragOver={(e) => {
        e.preventDefault();
        setOver(true);
      }}
      onDragLeave={(e) => {
        if (!e.currentTarget.contains(e.relatedTarget as Node | null)) setOver(false);
      }}
      onDrop={(e) => {
        e.preventDefault();
        setOver(false);
        void files.open([...e.dataTransfer.files]);
      }}
    >
      <header className="shelf-head">
        <div>
          <h1>Zig Hem</h1>
          <p className="quiet">
            Plan the border of a finished piece: how many stitches, whether it lies flat, how much yarn.
          </p>
        </div>
        <div className="shelf-tools">
          <Button type="primary" icon={<PlusIcon />} onClick={() => void navigate('/new')}>
            New hem
          </Button>
          <Button icon={<UploadSimpleIcon />} onClick={() => chooser.current?.click()}>
            Open a file
          </Button>
          <Button icon={<PackageIcon />} disabled={all?.length === 0} onClick={backup.save}>
            Download a backup
          </Button>
          <input
            ref={chooser}
            type="file"
            accept=".json,.zip,.csv,.tsv"
            multiple
            hidden
            aria-label="Choose hem files, backups or tables"
            onChange={(e) => {
              void files.open([...(e.target.files ?? [])]);
              e.target.value = '';
            }}
          />
          <Link to="/stitches" className="to-stitches">
            Stitches
          </Link>
          <Link to="/log" className="to-stitches">
            Log
          </Link>
          <Link to="/practice" className="to-stitches">
            Practice
          </Link>
          <KeysButton />
          <ThemeButton />
        </div>
      </header>
      <main>
        {files.progress && <UnderWay progress={files.progress} onCancel={files.cancel} />}
        {files.refused.map((file) => (
          <Refused
            key={file.name}
            file={file}
            onClose={() => files.close(file)}
            onOpen={files.openReadable}
          />
        ))}
        {files.incoming.length > 0 && (
          <Suspense fallback={null}>
            <IncomingHems
              incoming={files.incoming}
              onChoice={(differing) => void files.choose(differing)}
              onHems={files.take}
            />
          </Suspense>
        )}
        {error ? (
          <div className="problem fault" role="alert">
            <p>The shelf cannot be read. {whyWords(error)}</p>
            <p>
              <Button size="small" onClick={() => void refetch()}>
                Try again
              </Button>
            </p>
          </div>
        ) : !all && glanced.size === 0 ? (
          <p className="loading quiet">Loading …</p>
        ) : all?.length === 0 ? (
          <p className="empty quiet">
            Nothing here yet. A hem is one piece with its border plan. Start a new hem, or open a hem file.
          </p>
        ) : (
          <ul className="hems">
            {(all?.slice(0, laid) ?? [...glanced.values()]).map((shown, k) => (
              <ShelfHem
                key={shown.id}
                found={'outcome' in shown ? shown : null}
                glanced={glanced.get(shown.id) ?? null}
                onDuplicate={duplicate}
                onDiscard={(found) => void discard(found)}
                onChange={refresh}
                onKept={() => k < GLANCED && setKept((count) => count + 1)}
              />
            ))}
            {all && laid < all.length && <MoreHems key={laid} onNear={() => setLaid(laid + LAID_THEN)} />}
          </ul>
        )}
      </main>
      {all && (
        <Guard what="What is told about storage" resetKeys={[all]}>
          <Suspense fallback={null}>
            <Keeping
              shelf={all}
              read={dataUpdatedAt}
              photosToo={backup.photosToo}
              onPhotosToo={backup.setPhotosToo}
              onBackup={backup.save}
              onChange={refresh}
            />
          </Suspense>
        </Guard>
      )}
    </div>
  );
}

/** How far something is that takes its time, and a way to end it. */
function UnderWay({
  progress: { words, done, of },
  onCancel,
}: {
  readonly progress: TaskProgress;
  readonly onCancel: () => void;
}) {
  return (
    <section className="under-way" role="status">
      <p>
        {words}: {done} of {of}
      </p>
      <progress aria-label={words} max={of} value={done} />
      <Button size="small" onClick={onCancel}>
        Cancel
      </Button>
    </section>
  );
}

interface RefusedProps {
  readonly file: RefusedFile;
  readonly onOpen: (hem: Hem) => void;
  readonly onClose: () => void;
}

/** A file that was not opened: why, and what can be had of it. */
function Refused({ file: { name, problems, salvaged }, onOpen, onClose }: RefusedProps) {
  return (
    <section className="problem refused" role="alert">
      <h2>{name} was not opened</h2>
      <ul>
        {problems.slice(0, 20).map((p, i) => (
          <li key={i}>{problemLine(p)}</li>
        ))}
        {problems.length > 20 && <li>and {problems.length - 20} more.</li>}
      </ul>
      {salvaged && (
        <p>
          Part of this file can be read. It would open as “{salvaged.hem.name}”
          {salvaged.lost.length > 0 && `, without ${listWords(salvaged.lost.slice(0, 12))}`}. The file is not
          changed.
        </p>
      )}
      <p className="refused-choices">
        {salvaged && (
          <Button
            size="small"
            onClick={() => {
              onOpen(salvaged.hem);
              onClose();
            }}
          >
            Open the readable part
          </Button>
        )}
        <Button size="small" onClick={onClose}>
          {salvaged ? 'Do not open' : 'Close'}
        </Button>
      </p>
    </section>
  );
}

/** The end of what is laid out, which asks for more when it comes near. */
function MoreHems({ onNear }: { readonly onNear: () => void }) {
  const item = useNear<HTMLLIElement>(onNear);
  return <li ref={item} className="shelf-hem" aria-hidden="true" />;
}
