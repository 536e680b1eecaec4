import { fetched } from '../look/fetched.ts';
import { useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { Suspense, useEffect, useEffectEvent, useRef, useState } from 'react';
import { Link, Navigate, Outlet, ScrollRestoration, useLocation, useNavigate, useParams } from 'react-router';
import { tinykeys } from 'tinykeys';
import type { Hem } from '../../core/document/hem.ts';
import { problemLine } from '../../core/problems.ts';
import { partWords } from '../../core/document/partWords.ts';
import { PlanGuard } from '../hem/Guard.tsx';
import { unlessTyping } from '../look/typing.ts';
import { NotFound } from '../look/NotFound.tsx';
import { useNotices, type Notices } from '../look/notices.tsx';
import { TroubleCard } from '../shelf/Trouble.tsx';
import { library, libraryReady } from '../storage/here.ts';
import { isUnderWay } from '../../core/work/progress.ts';
import type { OpenedHem } from '../storage/library.ts';
import { ownWorkSaved } from '../storage/room.ts';
import { readSetting, writeSetting } from '../storage/settings.ts';
import { shelfChanged } from '../storage/shelfQuery.ts';
import { HemContext, useHem } from '../hem/context.ts';
import { HemStore } from '../hem/store.ts';
import { HemHead } from './HemHead.tsx';
import { BESIDE, STOPS } from './stops.ts';
import { Thread } from './Thread.tsx';
import styles from './thread.module.css';
import { Themed } from '../look/Themed.tsx';

const Versions = fetched(async () => (await import('./Versions.tsx')).Versions);

/** Where a hem opens: at the work that is under way, any other where one was. */
export function ToFirstStop() {
  const id = useHem((state) => state.plan.hem.id);
  const underWay = useHem((state) => isUnderWay(state.plan));
  const [stop, setStop] = useState<string | null>(underWay ? 'work' : null);
  useEffect(() => {
    if (stop !== null) return;
    let over = false;
    void readSetting(lastStop(id)).then((kept) => {
      if (!over) setStop(STOPS.some((s) => s.path === kept) ? (kept as string) : 'base');
    });
    return () => {
      over = true;
    };
  }, [id, stop]);
  return stop === null ? <p className="loading">Loading …</p> : <Navigate to={stop} replace />;
}

const lastStop = (id: string): string => `stop ${id}`;

/** One hem: its thread of stops, and the stop that is open. */
export function HemPage() {
  const { id = '' } = useParams();
  const {
    data: opened,
    isPending,
    error,
    refetch,
  } = useQuery({
    queryKey: ['hem', id],
    queryFn: async () => {
      await libraryReady();
      return library.open(id);
    },
    gcTime: 0,
  });
  if (isPending) return <p className="loading">Loading …</p>;
  if (error)
    return (
      <NotFound what="This browser’s storage cannot be read. Allow this site to keep data, then reload." />
    );
  if (!opened) return <NotFound what="This hem is not on the shelf of this browser." />;
  const { outcome } = opened.found;
  if (!outcome.ok) {
    return (
      <main className={`${styles.stop} ${styles.troublePage}`}>
        <TroubleCard found={opened.found} problems={outcome.problems} onChange={() => void refetch()} />
        <Link to="/">Back to the shelf</Link>
      </main>
    );
  }
  return <OpenHem key={id} opened={opened} hem={outcome.value} />;
}

/** A store for a hem that was opened; null when it cannot be planned. */
function storeOf(opened: OpenedHem, hem: Hem, notices: Notices, queries: QueryClient): HemStore | null {
  const { id } = hem;
  try {
    return new HemStore(
      hem,
      {
        page: library.page,
        now: () => new Date(),
        refused: (problems) =>
          notices.warning({
            key: 'refused',
            title: 'Not changed',
            description: problems.map(problemLine).join(' '),
            duration: 8,
          }),
      },
      {
        storage: {
          nextEdit: () => library.nextEdit(),
          write: async (writing) => {
            const written = await library.write(writing);
            void shelfChanged(queries);
            void ownWorkSaved();
            return written;
          },
          read: async () => {
            const found = await library.peek(id);
            if (!found) return null;
            if (!found.outcome.ok) throw new Error('what is stored cannot be read');
            return { hem: found.outcome.value, revision: found.revision };
          },
          keepAgain: async (kept) => void (await library.add([kept], 'kept again')),
          setAside: (draft) => library.setAside(draft),
          dropAside: (edit) => library.drafts.drop(id, library.page, edit),
          conflicting: (parts, kept) =>
            notices.info({
              key: `conflict ${id}`,
              title: 'Changed in two tabs at once',
              description: `${parts.map((p) => partWords(kept, p)).join(', ')}: as in this tab now. What the other tab had is among the earlier versions.`,
              duration: 12,
            }),
          writtenAnew: () =>
            notices.warning({
              key: 'cleared',
              title: 'This browser’s storage was cleared',
              description:
                'This hem has been saved again. Others may be gone: open your backup to bring them back.',
              duration: 0,
            }),
        },
        revision: opened.found.revision,
        steps: opened.steps,
        stored: opened.stored,
      },
    );
  } catch {
    return null;
  }
}

function OpenHem({ opened, hem }: { readonly opened: OpenedHem; readonly hem: Hem }) {
  const queries = useQueryClient();
  const notices = useNotices();
  const [store] = useState(() => storeOf(opened, hem, notices, queries));
  if (!store) {
    return (
      <main className={`${styles.stop} ${styles.troublePage}`}>
        <TroubleCard
          found={opened.found}
          problems={[]}
          onChange={() => void queries.invalidateQueries({ queryKey: ['hem', hem.id] })}
        />
        <Link to="/">Back to the shelf</Link>
      </main>
    );
  }
  return (
    <Themed>
      <HemContext.Provider value={store}>
        <PlannedHem store={store} id={hem.id} />
      </HemContext.Provider>
    </Themed>
  );
}

function PlannedHem({ store, id }: { readonly store: HemStore; readonly id: string }) {
  const { pathname } = useLocation();
  const stop = useRef<HTMLElement>(null);
  const [looking, setLooking] = useState(false);
  useSavedOnLeaving(store);
  useEffect(
    () =>
      library.tabs.hear((news) => {
        if (news.id === id) void store.heard();
      }),
    [store, id],
  );
  useHemKeys(store, id);
  // What is entered is where the keyboard and the reader of the screen are.
  useEffect(() => {
    const here = document.activeElement;
    if (!here || here === document.body || !stop.current?.parentElement?.contains(here)) {
      stop.current?.focus({ preventScroll: true });
    }
  }, [pathname]);
  const name = useHem((state) => state.plan.hem.name);
  const stopHere = STOPS.find((s) => pathname.endsWith(`/${s.path}`));
  const at = stopHere ?? BESIDE.find((s) => pathname.endsWith(`/${s.path}`));
  useEffect(() => {
    document.title = `${at ? `${at.name} – ` : ''}${name} – Zig Hem`;
    return () => {
      document.title = 'Zig Hem';
    };
  }, [at, name]);
  useEffect(() => {
    if (stopHere) void writeSetting(lastStop(id), stopHere.path);
  }, [id, stopHere]);
  return (
    <div className={styles.hem}>
      {/* Every page that is opened by its address has the same key: it is known by that address. */}
      <ScrollRestoration getKey={({ key, pathname }) => (key === 'default' ? pathname : key)} />
      <HemHead onVersions={() => setLooking(true)} />
      <PlanGuard what="The row of pages">
        <Thread />
      </PlanGuard>
      <main className={styles.stop} ref={stop} tabIndex={-1} aria-label={at?.name}>
        <PlanGuard key={pathname} what="This page">
          <Outlet />
        </PlanGuard>
      </main>
      {looking && (
        <Suspense fallback={null}>
          <Versions id={id} onClose={() => setLooking(false)} />
        </Suspense>
      )}
    </div>
  );
}

/** Edits that are not yet saved are set aside when the page may be closed, and the person is warned where it would be lost. */
function useSavedOnLeaving(store: HemStore): void {
  useEffect(() => {
    const leave = (): void => store.leave();
    const warn = (event: BeforeUnloadEvent): void => {
      store.leave();
      const { saved } = store.get();
      if (store.unsaved && saved !== 'saving' && saved !== 'saved') event.preventDefault();
    };
    window.addEventListener('pagehide', leave);
    window.addEventListener('beforeunload', warn);
    document.addEventListener('visibilitychange', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      window.removeEventListener('beforeunload', warn);
      document.removeEventListener('visibilitychange', leave);
      leave();
    };
  }, [store]);
}

function useHemKeys(store: HemStore, id: string): void {
  const navigate = useNavigate();
  const go = useEffectEvent((path: string): void => void navigate(path));
  useEffect(() => {
    const undo = (event: KeyboardEvent): void => {
      event.preventDefault();
      store.undo();
    };
    const redo = (event: KeyboardEvent): void => {
      event.preventDefault();
      store.redo();
    };
    return tinykeys(window, {
      '$mod+z': undo,
      '$mod+Shift+z': redo,
      '$mod+y': redo,
      '0': unlessDrawing(() => go('/')),
      ...Object.fromEntries(
        STOPS.map((stop, i) => [String(i + 1), unlessTyping(() => go(`/hem/${id}/${stop.path}`))]),
      ),
    });
  }, [store, id]);
}

/** On a drawing of stitches 0 means something else. */
const unlessDrawing = (work: () => void): ((event: KeyboardEvent) => void) =>
  unlessTyping((event) => {
    if (!(event.target instanceof HTMLCanvasElement)) work();
  });
