import { useQueryClient } from '@tanstack/react-query';
import { Button } from '../look/Button.tsx';
import { nanoid } from 'nanoid';
import { useMemo } from 'react';
import { Link, useLocation, useNavigate } from 'react-router';
import { plan } from '../../core/plan/planner.ts';
import { problemLine } from '../../core/problems.ts';
import { sizeWords } from '../../core/say/measures.ts';
import { PlanDrawing } from '../drawing/PlanDrawing.tsx';
import { Guard } from '../hem/Guard.tsx';
import { useNotices } from '../look/notices.tsx';
import { library, libraryReady } from '../storage/here.ts';
import { isCarried } from '../storage/carry.ts';
import { hemOfLink } from '../storage/link.ts';
import { shelfChanged } from '../storage/shelfQuery.ts';
import { CarriedPage } from './CarriedPage.tsx';
import { withWarning } from './telling.ts';
import styles from './shelf.module.css';

/** A hem that came in a link: carried here from another device, or given away. */
export function OpenLinkPage() {
  const { hash } = useLocation();
  return isCarried(hash) ? <CarriedPage key={hash} /> : <GivenPage key={hash} hash={hash} />;
}

/** A hem that was given away: shown, and put on the shelf as a copy when the user says so. */
function GivenPage({ hash }: { readonly hash: string }) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const outcome = useMemo(() => hemOfLink(hash), [hash]);
  const notices = useNotices();
  const made = useMemo(() => {
    try {
      return outcome.ok ? plan(outcome.value) : null;
    } catch {
      return null;
    }
  }, [outcome]);
  if (!outcome.ok || !made) {
    return (
      <main className={`${styles.shelf} ${styles.openedLink}`}>
        <h1>This link cannot be opened</h1>
        <ul className="problem">
          {outcome.ok ? (
            <li>It is sound, but cannot be worked out: this is a fault of Zig Hem.</li>
          ) : (
            outcome.problems.slice(0, 20).map((p, i) => <li key={i}>{problemLine(p)}</li>)
          )}
        </ul>
        <p>
          <Link to="/">Back to the shelf</Link>
        </p>
      </main>
    );
  }
  const keep = async (): Promise<void> => {
    const hem = { ...outcome.value, id: nanoid(10), changed: new Date().toISOString() };
    const kept = await withWarning(notices, async () => {
      await libraryReady();
      await library.add([hem], 'opened from a link');
      return true;
    });
    if (!kept) return;
    await shelfChanged(queries);
    await navigate(`/hem/${hem.id}/base`, { replace: true });
  };
  return (
    <main className={`${styles.shelf} ${styles.openedLink}`}>
      <h1>{outcome.value.name}</h1>
      <p className="quiet">
        {sizeWords(made.finishedSize, outcome.value.preferences.length)}. It came in a link and is not on your
        shelf yet; nothing was sent anywhere.
      </p>
      <div className={styles.drawing}>
        <Guard what="This drawing">
          <PlanDrawing plan={made} bare />
        </Guard>
      </div>
      <p>
        <Button type="primary" onClick={() => void keep()}>
          Put a copy on my shelf
        </Button>{' '}
        <Link to="/">Leave it</Link>
      </p>
    </main>
  );
}
