import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import { Copy, DownloadSimple, Package, Plus, Trash, UploadSimple } from '@phosphor-icons/react';
import { nanoid } from 'nanoid';
import { useEffect, useEffectEvent, useMemo, useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { tinykeys } from 'tinykeys';
import { writeHem } from '../../core/document/check.ts';
import type { Hem } from '../../core/document/hem.ts';
import { plan, type Plan } from '../../core/plan.ts';
import { problemLine } from '../../core/problems.ts';
import { plural, sizeWords } from '../../core/words/measures.ts';
import { PlanDrawing } from '../drawing/PlanDrawing.tsx';
import { KeysButton } from '../look/KeysButton.tsx';
import { GroundButton } from '../look/GroundButton.tsx';
import { fileName } from '../../core/document/fileName.ts';
import { useNotices } from '../look/notices.tsx';
import { saveBlob, saveFile } from '../storage/exports.ts';
import { deleteHem, listHems, saveHem } from '../storage/hems.ts';
import { listWords } from '../../core/base/run.ts';
import { newHem } from '../../core/document/newHem.ts';
import type { RefusedFile } from './opening.ts';
import './shelf.css';

/** A long shelf is laid out as it is scrolled, so many hems at once. */
const LAID_AT_ONCE = 60;

/** All hems, each drawn to scale with its border. */
export function ShelfPage() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const notices = useNotices();
  const chooser = useRef<HTMLInputElement>(null);
  const [refused, setRefused] = useState<readonly RefusedFile[]>([]);
  const [over, setOver] = useState(false);
  const [laid, setLaid] = useState(LAID_AT_ONCE);
  const lastDeleted = useRef<Hem[]>([]);
  const { data: hems, isPending, error } = useQuery({ queryKey: ['shelf'], queryFn: listHems });
  const changed = (): void => void queries.invalidateQueries({ queryKey: ['shelf'] });
  const save = useMutation({ mutationFn: saveHem, onSuccess: changed });
  const remove = useMutation({ mutationFn: deleteHem, onSuccess: changed });

  const putBack = useEffectEvent(async (): Promise<void> => {
    const hem = lastDeleted.current.pop();
    if (hem) await save.mutateAsync(hem);
  });
  useEffect(
    () =>
      tinykeys(window, {
        '$mod+z': (event) => {
          event.preventDefault();
          void putBack();
        },
      }),
    [],
  );

  const start = async (): Promise<void> => {
    const hem = newHem(nanoid(10), new Date());
    await save.mutateAsync(hem);
    await navigate(`/hem/${hem.id}/piece`);
  };
  const duplicate = (hem: Hem): void =>
    save.mutate({ ...hem, id: nanoid(10), name: `${hem.name}, again`, changed: new Date().toISOString() });
  const discard = async (hem: Hem): Promise<void> => {
    await remove.mutateAsync(hem.id);
    lastDeleted.current.push(hem);
    const key = hem.id;
    notices.info({
      key,
      title: `${hem.name} is off the shelf`,
      duration: 12,
      actions: (
        <Button
          size="small"
          onClick={() => {
            lastDeleted.current = lastDeleted.current.filter((h) => h !== hem);
            save.mutate(hem);
            notices.destroy(key);
          }}
        >
          Put it back
        </Button>
      ),
    });
  };
  const open = async (files: readonly File[]): Promise<void> => {
    // What reads files is fetched with the first of them, to keep the first page small.
    const { readFiles } = await import('./opening.ts');
    const found = await readFiles(files, new Date());
    await putOnShelf(found.hems);
    setRefused(found.refused);
  };
  const putOnShelf = async (found: readonly Hem[]): Promise<void> => {
    const ids = new Set((hems ?? []).map((h) => h.id));
    for (const hem of found) {
      // A hem that is here already is never overwritten: the file comes in as one of its own.
      const fresh = ids.has(hem.id) ? { ...hem, id: nanoid(10) } : hem;
      ids.add(fresh.id);
      await saveHem(fresh);
    }
    changed();
  };
  const saveAll = async (): Promise<void> => {
    const { writeBundle } = await import('../../core/document/bundle.ts');
    const now = new Date();
    const bytes = writeBundle(hems ?? [], now);
    saveBlob(
      `hems-${now.toISOString().slice(0, 10)}.zip`,
      new Blob([new Uint8Array(bytes)], { type: 'application/zip' }),
    );
  };

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
        void open([...e.dataTransfer.files]);
      }}
    >
      <header className="shelf-head">
        <div>
          <h1>Zig Hem</h1>
          <p className="quiet">See, count and trust a border before you pick up the hook.</p>
        </div>
        <div className="shelf-tools">
          <Button type="primary" icon={<Plus />} onClick={() => void start()}>
            New hem
          </Button>
          <Button icon={<UploadSimple />} onClick={() => chooser.current?.click()}>
            Open a file
          </Button>
          <Button icon={<Package />} disabled={!hems?.length} onClick={() => void saveAll()}>
            Save all
          </Button>
          <input
            ref={chooser}
            type="file"
            accept=".json,.zip,.csv,.tsv"
            multiple
            hidden
            aria-label="Project files, bundles or tables"
            onChange={(e) => {
              void open([...(e.target.files ?? [])]);
              e.target.value = '';
            }}
          />
          <Link to="/stitches" className="to-stitches">
            Stitches
          </Link>
          <KeysButton />
          <GroundButton />
        </div>
      </header>
      {refused.map((file) => (
        <section key={file.name} className="problem refused" role="alert">
          <h2>{file.name} was not opened</h2>
          <ul>
            {file.problems.map((p, i) => (
              <li key={i}>{problemLine(p)}</li>
            ))}
          </ul>
          {file.salvaged && (
            <p>
              Some of it is sound. Opened as far as that goes, it would come in as “{file.salvaged.hem.name}”
              {file.salvaged.lost.length > 0 && ` without ${listWords(file.salvaged.lost)}`}. The file itself
              stays as it is.
            </p>
          )}
          <p className="refused-choices">
            {file.salvaged && (
              <Button
                size="small"
                onClick={() => {
                  void putOnShelf([file.salvaged!.hem]);
                  setRefused(refused.filter((f) => f !== file));
                }}
              >
                Open what is sound
              </Button>
            )}
            <Button size="small" onClick={() => setRefused(refused.filter((f) => f !== file))}>
              {file.salvaged ? 'Leave it' : 'Done reading'}
            </Button>
          </p>
        </section>
      ))}
      {error ? (
        <p className="problem">
          This browser’s storage cannot be read. Allow this site to keep data, then reload.
        </p>
      ) : isPending ? (
        <p className="loading quiet">Looking through the shelf …</p>
      ) : hems.length === 0 ? (
        <p className="empty quiet">The shelf is empty. Start a new hem, or open a project file.</p>
      ) : (
        <ul className="hems">
          {hems.slice(0, laid).map((hem) => (
            <ShelfHem
              key={hem.id}
              hem={hem}
              onDuplicate={() => duplicate(hem)}
              onDiscard={() => void discard(hem)}
            />
          ))}
          {laid < hems.length && <MoreHems key={laid} onNear={() => setLaid(laid + LAID_AT_ONCE)} />}
        </ul>
      )}
    </div>
  );
}

/** The end of what is laid out, which asks for more when it comes near. */
function MoreHems({ onNear }: { readonly onNear: () => void }) {
  const item = useNear<HTMLLIElement>(onNear);
  return <li ref={item} className="shelf-hem" aria-hidden="true" />;
}

/** Tells once when an element is about to be seen. */
function useNear<E extends Element>(onNear: () => void): React.RefObject<E | null> {
  const element = useRef<E>(null);
  const near = useEffectEvent(onNear);
  useEffect(() => {
    const watch = new IntersectionObserver(
      ([entry]) => {
        if (!entry!.isIntersecting) return;
        watch.disconnect();
        near();
      },
      { rootMargin: '300px' },
    );
    watch.observe(element.current!);
    return () => watch.disconnect();
  }, []);
  return element;
}

interface ShelfHemProps {
  readonly hem: Hem;
  readonly onDuplicate: () => void;
  readonly onDiscard: () => void;
}

/** One hem of the shelf. It is planned and drawn when it is about to be seen. */
function ShelfHem({ hem, onDuplicate, onDiscard }: ShelfHemProps) {
  const [near, setNear] = useState(false);
  const item = useNear<HTMLLIElement>(() => setNear(true));
  const made = useMemo(() => (near ? plan(hem) : null), [hem, near]);
  return (
    <li className="shelf-hem" ref={item}>
      <Link to={`/hem/${hem.id}/base`} className="shelf-link">
        <div className="shelf-drawing">{made && <PlanDrawing plan={made} bare />}</div>
        <h2>{hem.name}</h2>
      </Link>
      {made && <ShelfWords made={made} onDuplicate={onDuplicate} onDiscard={onDiscard} />}
    </li>
  );
}

/** What there is to say of a hem on the shelf, and what can be done with it. */
function ShelfWords({ made, onDuplicate, onDiscard }: Omit<ShelfHemProps, 'hem'> & { readonly made: Plan }) {
  const { hem } = made;
  return (
    <>
      <p className="quiet small">
        {borderWords(made)}
        <br />
        changed{' '}
        {new Date(hem.changed).toLocaleDateString(undefined, {
          day: 'numeric',
          month: 'long',
          year: 'numeric',
        })}
      </p>
      <div className="shelf-actions">
        <Button
          size="small"
          type="text"
          icon={<Copy />}
          aria-label={`Duplicate ${hem.name}`}
          onClick={onDuplicate}
        />
        <Button
          size="small"
          type="text"
          icon={<DownloadSimple />}
          aria-label={`Export ${hem.name}`}
          onClick={() => saveFile(fileName(hem.name, '.hem.json'), writeHem(hem), 'application/json')}
        />
        <Button
          size="small"
          type="text"
          icon={<Trash />}
          aria-label={`Take ${hem.name} off the shelf`}
          onClick={onDiscard}
        />
      </div>
    </>
  );
}

function borderWords({ hem, finishedSize, rounds }: Plan): string {
  const odd = rounds.filter((r) => !r.even).length;
  const even = odd > 0 ? `${odd} not even` : 'all even';
  return `${sizeWords(finishedSize, hem.preferences.length)} with ${plural(rounds.length - 1, 'round')}, ${even}`;
}
