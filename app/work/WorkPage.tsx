import { useMemo, useState } from 'react';
import { patternOf } from '../../core/words/pattern.ts';
import { plural } from '../../core/words/measures.ts';
import { isUnderWay, progressOf, stepInHand, workedUpTo } from '../../core/work/progress.ts';
import type { Stride } from '../../core/work/steps.ts';
import type { Plan } from '../../core/plan/types.ts';
import type { Found } from '../../drawing/find.ts';
import { Guard } from '../hem/Guard.tsx';
import { useHemStore, usePlan } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import { CountSheet } from './CountSheet.tsx';
import { Now } from './Now.tsx';
import { PlaceView } from './PlaceView.tsx';
import { Closing } from './Closing.tsx';
import { LookSheet } from './LookSheet.tsx';
import { RipSheet } from './RipSheet.tsx';
import { useAwake } from './awake.ts';
import styles from './work.module.css';

type Sheet = 'count' | 'look' | 'rip' | 'joined in';

/** The border as it is worked: what to do now, where that is, and what to expect. */
export function WorkPage() {
  const plan = usePlan();
  const [stride, setStride] = useState<Stride>('repeat');
  const [sheet, setSheet] = useState<Sheet | null>(null);
  const [lookAt, setLookAt] = useState<Found | null>(null);
  useAwake(isUnderWay(plan));
  const step = stepInHand(plan, stride);
  const close = (): void => {
    setSheet(null);
    setLookAt(null);
  };
  return (
    <div className={styles.work}>
      <h1 className={styles.title}>{placeTitle(plan)}</h1>
      <section className={styles.view} aria-label="Where you are">
        <Guard what="The drawing of the place" resetKeys={[plan]}>
          <PlaceView plan={plan} lookAt={sheet === 'count' ? lookAt : null} />
        </Guard>
      </section>
      <section className={styles.now} aria-label="What to do now">
        {sheet === 'count' ? (
          <CountSheet plan={plan} onLook={setLookAt} onClose={close} />
        ) : sheet === 'look' ? (
          <LookSheet plan={plan} onClose={close} />
        ) : sheet === 'rip' ? (
          <RipSheet plan={plan} onClose={close} />
        ) : sheet === 'joined in' ? (
          <JoinIn plan={plan} onClose={close} />
        ) : step ? (
          <Now
            plan={plan}
            step={step}
            stride={stride}
            onStride={setStride}
            onCount={() => setSheet('count')}
            onLook={() => setSheet('look')}
            onRip={() => setSheet('rip')}
            onJoinIn={() => setSheet('joined in')}
          />
        ) : (
          <Finished
            plan={plan}
            onCount={() => setSheet('count')}
            onLook={() => setSheet('look')}
            onRip={() => setSheet('rip')}
          />
        )}
      </section>
    </div>
  );
}

function placeTitle(plan: Plan): string {
  const { round } = progressOf(plan);
  if (!round) return 'The border is worked';
  return round.number === 0 ? 'Base round' : `Round ${round.number}: ${round.name.toLowerCase()}`;
}

/** After the last round: ends, blocking, and the cautions that go with them. */
function Finished({
  plan,
  onCount,
  onLook,
  onRip,
}: {
  readonly plan: Plan;
  readonly onCount: () => void;
  readonly onLook: () => void;
  readonly onRip: () => void;
}) {
  const last = useMemo(() => patternOf(plan).sections.at(-1)!, [plan]);
  return (
    <>
      <h2>{last.heading}</h2>
      {last.lines.map(({ kind, text }) => (
        <p key={text} className={kind === 'caution' ? styles.caution : undefined}>
          {text}
        </p>
      ))}
      <Closing plan={plan} />
      <p className={styles.tools}>
        <Button onClick={onCount}>Count</Button>
        <Button onClick={onLook}>Look</Button>
        <Button onClick={onRip}>Rip back</Button>
      </p>
    </>
  );
}

/** For whoever comes in mid-way: rounds that are there already. */
function JoinIn({ plan, onClose }: { readonly plan: Plan; readonly onClose: () => void }) {
  const store = useHemStore();
  const [last, setLast] = useState(0);
  return (
    <div className={styles.sheet} role="group" aria-label="Rounds that are there already">
      <h2>Rounds that are there already</h2>
      <p className="quiet small">They count as worked the way they are planned now. Count them afterwards.</p>
      <label>
        Worked up to{' '}
        <select value={last} onChange={(e) => setLast(Number(e.target.value))}>
          {plan.rounds.map((r) => (
            <option key={r.number} value={r.number}>
              {r.number === 0 ? 'the base round' : `round ${r.number}, ${r.name.toLowerCase()}`}
            </option>
          ))}
        </select>
      </label>
      <p className={styles.tools}>
        <Button
          type="primary"
          onClick={() => {
            store.note(...workedUpTo(plan, last));
            onClose();
          }}
        >
          {`Note ${plural(last + 1, 'round')}`}
        </Button>
        <Button onClick={onClose}>Close</Button>
      </p>
    </div>
  );
}
