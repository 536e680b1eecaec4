import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Button, Segmented, Tooltip } from 'antd';
import { ArrowUUpLeft, ArrowUUpRight } from '@phosphor-icons/react';
import { useEffect, useState } from 'react';
import { Link, Navigate, Outlet, useNavigate, useParams } from 'react-router';
import { tinykeys } from 'tinykeys';
import type { Hem } from '../../core/document/hem.ts';
import type { LengthUnit } from '../../core/words/measures.ts';
import { HandChoice, LanguageChoice } from '../look/PreferenceChoice.tsx';
import { KeysButton } from '../look/KeysButton.tsx';
import { unlessTyping } from '../look/typing.ts';
import { GroundButton } from '../look/GroundButton.tsx';
import { NotFound } from '../look/NotFound.tsx';
import { loadHem, saveHem, setAside } from '../storage/hems.ts';
import { HemContext, useHemState, useHemStore } from './context.ts';
import { HemStore } from './store.ts';
import { STOPS } from './stops.ts';
import { Thread } from './Thread.tsx';
import './hem.css';

export const ToFirstStop = () => <Navigate to="base" replace />;

/** One hem: its thread of stops, and the stop that is open. */
export function HemPage() {
  const { id = '' } = useParams();
  const {
    data: hem,
    isPending,
    error,
  } = useQuery({ queryKey: ['hem', id], queryFn: () => loadHem(id), gcTime: 0 });
  if (isPending) return <p className="loading">Unwinding the yarn …</p>;
  if (error)
    return (
      <NotFound what="This browser’s storage cannot be read. Allow this site to keep data, then reload." />
    );
  if (!hem) return <NotFound what="This hem is not on the shelf of this browser." />;
  return <OpenHem key={hem.id} hem={hem} />;
}

function OpenHem({ hem }: { readonly hem: Hem }) {
  const queries = useQueryClient();
  const [store] = useState(
    () =>
      new HemStore(hem, {
        save: async (changed) => {
          await saveHem(changed);
          void queries.invalidateQueries({ queryKey: ['shelf'] });
        },
        setAside,
        now: () => new Date(),
      }),
  );
  useEffect(() => {
    const leave = (): void => store.leave();
    window.addEventListener('pagehide', leave);
    document.addEventListener('visibilitychange', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      document.removeEventListener('visibilitychange', leave);
      leave();
    };
  }, [store]);
  useEffect(
    () =>
      tinykeys(window, {
        '$mod+z': (event) => {
          event.preventDefault();
          store.undo();
        },
        '$mod+Shift+z': (event) => {
          event.preventDefault();
          store.redo();
        },
        '$mod+y': (event) => {
          event.preventDefault();
          store.redo();
        },
      }),
    [store],
  );
  const navigate = useNavigate();
  useEffect(
    () =>
      tinykeys(window, {
        '0': unlessDrawing(() => void navigate('/')),
        ...Object.fromEntries(
          STOPS.map((stop, i) => [
            String(i + 1),
            unlessTyping(() => void navigate(`/hem/${hem.id}/${stop.path}`)),
          ]),
        ),
      }),
    [navigate, hem.id],
  );
  return (
    <HemContext.Provider value={store}>
      <div className="hem">
        <HemHead />
        <Thread />
        <main className="stop">
          <Outlet />
        </main>
      </div>
    </HemContext.Provider>
  );
}

/** On a drawing of stitches 0 means something else. */
const unlessDrawing = (work: () => void): ((event: KeyboardEvent) => void) =>
  unlessTyping((event) => {
    if (!(event.target instanceof HTMLCanvasElement)) work();
  });

function HemHead() {
  const store = useHemStore();
  const { plan, undoLabel, redoLabel, saved } = useHemState();
  const { name, preferences } = plan.hem;
  return (
    <header className="hem-head">
      <Link to="/" className="to-shelf">
        Shelf
      </Link>
      <input
        className="hem-name"
        aria-label="Name of this hem"
        value={name}
        maxLength={200}
        onChange={(e) => {
          const text = e.target.value;
          if (text.trim()) store.edit('name', (d) => void (d.name = text), 'name');
        }}
        onBlur={() => store.endJoin()}
      />
      <span className={`saved ${saved}`} role="status">
        {saved === 'failed'
          ? 'Not saved: this browser’s storage refused. Export the hem to keep it.'
          : saved === 'saved'
            ? 'Kept in this browser'
            : 'Keeping …'}
      </span>
      <div className="hem-tools">
        <Tooltip title={undoLabel ? `Undo: ${undoLabel}` : 'Nothing to undo'}>
          <Button
            type="text"
            aria-label="Undo"
            icon={<ArrowUUpLeft />}
            disabled={!undoLabel}
            onClick={() => store.undo()}
          />
        </Tooltip>
        <Tooltip title={redoLabel ? `Redo: ${redoLabel}` : 'Nothing to redo'}>
          <Button
            type="text"
            aria-label="Redo"
            icon={<ArrowUUpRight />}
            disabled={!redoLabel}
            onClick={() => store.redo()}
          />
        </Tooltip>
        <LanguageChoice
          value={preferences.language}
          onChange={(v) => store.edit(`${v.toUpperCase()} terms`, (d) => void (d.preferences.language = v))}
        />
        <Segmented<LengthUnit>
          aria-label="Unit of length"
          value={preferences.length}
          options={['cm', 'in']}
          onChange={(v) => store.edit(`lengths in ${v}`, (d) => void (d.preferences.length = v))}
        />
        <HandChoice
          value={preferences.hand}
          onChange={(v) => store.edit(`${v} hand`, (d) => void (d.preferences.hand = v))}
        />
        <Link
          className="to-shelf"
          to={`/stitches?terms=${preferences.language}&hand=${preferences.hand}&hem=${plan.hem.id}`}
        >
          Stitches
        </Link>
        <KeysButton />
        <GroundButton />
      </div>
    </header>
  );
}
