import { useEffect, useEffectEvent, useRef, useState } from 'react';
import { nanoid } from 'nanoid';
import { Suspense } from 'react';
import { Link, useNavigate } from 'react-router';
import type { Hem } from '../../core/document/hem.ts';
import { copyOf } from '../../core/edits/hem.ts';
import { Guard } from '../hem/Guard.tsx';
import { Button } from '../look/Button.tsx';
import { fetched } from '../look/fetched.ts';
import { PackageIcon, PlusIcon, UploadSimpleIcon } from '../look/icons.ts';
import { KeysButton } from '../look/KeysButton.tsx';
import { useNotices } from '../look/notices.tsx';
import { ThemeButton } from '../look/ThemeButton.tsx';
import { GLANCED } from '../storage/glance.ts';
import { library } from '../storage/here.ts';
import { FileDrop } from './FileDrop.tsx';
import { NOT_SHARED, openShared, whenLaunched } from './handedOver.ts';
import { Refused } from './Refused.tsx';
import { ShelfHem, useNear } from './ShelfHem.tsx';
import { whyWords, withWarning } from './telling.ts';
import { UnderWay } from './UnderWay.tsx';
import { useBackup } from './useBackup.ts';
import { useDiscarding } from './useDiscarding.tsx';
import { useIncoming } from './useIncoming.ts';
import { useShelf, type Shelf } from './useShelf.ts';
import styles from './shelf.module.css';

const IncomingHems = fetched(async () => (await import('./Incoming.tsx')).IncomingHems);
const Keeping = fetched(async () => (await import('./Keeping.tsx')).Keeping);

/** A long shelf is laid out as it is scrolled: so many hems at first, and so many with every step. */
const LAID_FIRST = 16;
const LAID_THEN = 100;

const OPEN_FROM_HERE = { description: 'Open the file from here instead. Your hems are safe.' };

/** All hems, each drawn to scale with its border. */
export function ShelfPage() {
  const notices = useNotices();
  const shelf = useShelf();
  /** Does something with storage; a refusal is told, and the shelf shows what is there then. */
  const attempt = <T,>(work: () => Promise<T>): Promise<T | null> =>
    withWarning(notices, work).finally(shelf.refresh);
  const files = useIncoming(attempt, notices);
  const openLaunched = useEffectEvent(async (launched: Promise<readonly File[]>) => {
    const opened = await launched.catch(() => null);
    if (opened) await files.open(opened);
    else notices.error({ title: 'The file could not be read', ...OPEN_FROM_HERE });
  });
  const openKept = useEffectEvent(() => attempt(() => openShared(files.open)));
  const notShared = useEffectEvent(() =>
    notices.error({ title: 'What was shared could not be kept', ...OPEN_FROM_HERE }),
  );
  useEffect(() => {
    whenLaunched((launched) => void openLaunched(launched));
    void openKept();
    if (location.hash === NOT_SHARED) {
      history.replaceState(null, '', '/');
      notShared();
    }
  }, []);
  const backup = useBackup(attempt, notices);
  const discard = useDiscarding(attempt, notices);
  const duplicate = (hem: Hem): void => {
    const copy = copyOf(hem, nanoid(10), `${hem.name} (copy)`, new Date().toISOString());
    void attempt(() => library.add([copy], 'a copy'));
  };
  const { all } = shelf;
  return (
    <FileDrop onFiles={(dropped) => void files.open(dropped)}>
      <ShelfHead
        isEmpty={all?.length === 0}
        onFiles={(chosen) => void files.open(chosen)}
        onBackup={backup.save}
      />
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
        <Hems shelf={shelf} onDuplicate={duplicate} onDiscard={discard} />
      </main>
      {all && (
        <Guard what="What is told about storage" resetKeys={[all]}>
          <Suspense fallback={null}>
            <Keeping
              shelf={all}
              read={shelf.read}
              photosToo={backup.photosToo}
              onPhotosToo={backup.setPhotosToo}
              onBackup={backup.save}
              onChange={shelf.refresh}
            />
          </Suspense>
        </Guard>
      )}
    </FileDrop>
  );
}

interface HeadProps {
  readonly isEmpty: boolean;
  readonly onFiles: (files: readonly File[]) => void;
  readonly onBackup: () => void;
}

/** Heading of the shelf, with actions on all of it. */
function ShelfHead({ isEmpty, onFiles, onBackup }: HeadProps) {
  const navigate = useNavigate();
  const chooser = useRef<HTMLInputElement>(null);
  return (
    <header className={styles.head}>
      <div>
        <h1>Zig Hem</h1>
        <p className="quiet">
          Plan the border of a finished piece: how many stitches, whether it lies flat, how much yarn. Each
          hem here is one piece with its border plan.
        </p>
      </div>
      <div className={styles.tools}>
        <Button type="primary" icon={<PlusIcon />} onClick={() => void navigate('/new')}>
          New hem
        </Button>
        <Button icon={<UploadSimpleIcon />} onClick={() => chooser.current?.click()}>
          Open a file
        </Button>
        <Button icon={<PackageIcon />} disabled={isEmpty} onClick={onBackup}>
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
            onFiles([...(e.target.files ?? [])]);
            e.target.value = '';
          }}
        />
        <Link to="/stitches" className="to-stitches">
          Stitches
        </Link>
        <Link to="/log" className="to-stitches">
          Log
        </Link>
        <Link to="/hands" className="to-stitches">
          My hands
        </Link>
        <Link to="/practice" className="to-stitches">
          Practice
        </Link>
        <KeysButton />
        <ThemeButton />
      </div>
    </header>
  );
}

interface HemsProps {
  readonly shelf: Shelf;
  readonly onDuplicate: (hem: Hem) => void;
  readonly onDiscard: ReturnType<typeof useDiscarding>;
}

/** The hems of the shelf, or what it showed last, or why there are none. */
function Hems({ shelf: { all, error, again, glanced, drawn, refresh }, onDuplicate, onDiscard }: HemsProps) {
  const [laid, setLaid] = useState(LAID_FIRST);
  if (error)
    return (
      <div className="problem fault" role="alert">
        <p>The shelf cannot be read. {whyWords(error)}</p>
        <p>
          <Button size="small" onClick={again}>
            Try again
          </Button>
        </p>
      </div>
    );
  if (!all && glanced.size === 0) return <p className="loading quiet">Loading …</p>;
  if (all?.length === 0)
    return (
      <p className={`${styles.empty} quiet`}>
        Nothing here yet. A hem is one piece with its border plan. Start a new hem, or open a hem file.
      </p>
    );
  return (
    <ul className={styles.hems}>
      {(all?.slice(0, laid) ?? [...glanced.values()]).map((shown, k) => (
        <ShelfHem
          key={shown.id}
          found={'outcome' in shown ? shown : null}
          glanced={glanced.get(shown.id) ?? null}
          onDuplicate={onDuplicate}
          onDiscard={(found) => void onDiscard(found)}
          onChange={refresh}
          onKept={() => k < GLANCED && drawn()}
        />
      ))}
      {all && laid < all.length && <MoreHems key={laid} onNear={() => setLaid(laid + LAID_THEN)} />}
    </ul>
  );
}

/** The end of what is laid out, which asks for more when it comes near. */
function MoreHems({ onNear }: { readonly onNear: () => void }) {
  const item = useNear<HTMLLIElement>(onNear);
  return <li ref={item} className={styles.hem} aria-hidden="true" />;
}
