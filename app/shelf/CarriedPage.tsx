import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useLocation, useNavigate } from 'react-router';
import type { Hem } from '../../core/document/hem.ts';
import { problemLine } from '../../core/problems.ts';
import { plan as planOf } from '../../core/plan/planner.ts';
import { listWords } from '../../core/say/lists.ts';
import { plural, sizeWords } from '../../core/say/measures.ts';
import { PlanDrawing } from '../drawing/PlanDrawing.tsx';
import { Guard } from '../hem/Guard.tsx';
import { Button } from '../look/Button.tsx';
import { useNotices } from '../look/notices.tsx';
import { arrived } from '../storage/carry.ts';
import { library, libraryReady } from '../storage/here.ts';
import { shelfChanged } from '../storage/shelfQuery.ts';
import { TwoCopies } from './Meeting.tsx';
import { versionsOf } from './incoming.ts';
import { withWarning } from './telling.ts';
import styles from './shelf.module.css';

/** A hem that was carried here from another device: its parts are collected, and it meets the copy that is here. */
export function CarriedPage() {
  const { hash } = useLocation();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const notices = useNotices();
  const { data, error } = useQuery({
    queryKey: ['carried', hash],
    queryFn: async () => {
      await libraryReady();
      const come = await arrived(hash);
      const hem = come.hem?.ok ? come.hem.value : null;
      const found = hem && (await library.peek(hem.id));
      const here = found?.outcome.ok ? found.outcome.value : null;
      return { ...come, here, versions: here ? await versionsOf(here.id, library) : [] };
    },
    gcTime: 0,
  });
  const keep = async (hems: readonly Hem[]): Promise<void> => {
    const { id } = hems[0]!;
    const kept = await withWarning(notices, async () => {
      await library.add(hems, 'came from another device');
      await library.keepCarried(hems[hems.length - 1]!);
      return true;
    });
    if (!kept) return;
    await shelfChanged(queries);
    await navigate(`/hem/${id}/work`, { replace: true });
  };
  return (
    <main className={`${styles.shelf} ${styles.openedLink}`}>
      {error ? (
        <p className="problem">
          This browser’s storage cannot be read. Allow this site to keep data, then reload.
        </p>
      ) : !data ? (
        <p className="loading">Loading …</p>
      ) : data.missing.length > 0 ? (
        <>
          <h1>{`${data.of - data.missing.length} of ${data.of} codes read`}</h1>
          <p>
            Point the camera at code {listWords(data.missing.map(String))} now. What has been read waits here.
          </p>
        </>
      ) : !data.hem?.ok ? (
        <>
          <h1>This link cannot be opened</h1>
          <ul className="problem">
            {data.hem?.problems.slice(0, 20).map((p, i) => (
              <li key={i}>{problemLine(p)}</li>
            ))}
          </ul>
        </>
      ) : data.here ? (
        <>
          <h1>{data.hem.value.name}</h1>
          <TwoCopies
            here={data.here}
            there={data.hem.value}
            versions={data.versions}
            onChoice={(goesOn, kept) => void keep([...kept, goesOn])}
          />
        </>
      ) : (
        <NewHere hem={data.hem.value} onKeep={(hem) => void keep([hem])} />
      )}
      <p>
        <Link to="/">To the shelf</Link>
      </p>
    </main>
  );
}

/** A hem that this device has not yet. */
function NewHere({ hem, onKeep }: { readonly hem: Hem; readonly onKeep: (hem: Hem) => void }) {
  const plan = planOf(hem);
  return (
    <>
      <h1>{hem.name}</h1>
      <p className="quiet">
        {sizeWords(plan.finishedSize, hem.preferences.length)}
        {hem.record.length > 0 && `, with what was done: ${plural(hem.record.length, 'entry')}`}. It came from
        another device, and nothing was sent anywhere.
      </p>
      <div className={styles.drawing}>
        <Guard what="This drawing">
          <PlanDrawing plan={plan} bare />
        </Guard>
      </div>
      <p>
        <Button type="primary" onClick={() => onKeep(hem)}>
          Put it on my shelf
        </Button>
      </p>
    </>
  );
}
