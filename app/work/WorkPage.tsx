import { capital } from '../../core/terms/words.ts';
import { roundWords } from '../../core/say/rounds.ts';
import { held } from '../../core/held.ts';
import { useEffect, useMemo, useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { writtenPattern } from '../../core/print/steps/pattern.ts';
import { roundIn, saidOfRows } from '../../core/plan/roundNames.ts';
import { plural } from '../../core/say/measures.ts';
import { isUnderWay, progressOf, stepInHand, workedUpTo } from '../../core/work/progress.ts';
import { STRIDES, type Stride } from '../../core/work/steps.ts';
import type { Plan } from '../../core/plan/types.ts';
import { Guard } from '../hem/Guard.tsx';
import { useHemStore, usePlan } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import { CountSheet } from './CountSheet.tsx';
import { Now } from './Now.tsx';
import { PlaceView, type Shown } from './PlaceView.tsx';
import { Closing } from './Closing.tsx';
import { FinishPicture } from './FinishPicture.tsx';
import { SideInQuestion } from './SideInQuestion.tsx';
import { PiecesDone } from './PiecesDone.tsx';
import { LookSheet } from './LookSheet.tsx';
import { RipSheet } from './RipSheet.tsx';
import { SideEndSheet } from './SideEndSheet.tsx';
import { SeamSheet } from './SeamSheet.tsx';
import { TapeSheet } from './TapeSheet.tsx';
import { seamAhead } from '../../core/work/seam.ts';
import { sideInHandOf } from '../../core/work/sideWays.ts';
import { WeighSheet } from './WeighSheet.tsx';
import { readSetting, writeSetting } from '../storage/settings.ts';
import { useAwake } from './awake.ts';
import styles from './work.module.css';

export type WorkSheet = 'count' | 'weigh' | 'look' | 'rip' | 'side end' | 'seam' | 'tape' | 'joined in';

const STRIDE = 'work stride';

/** The border as it is worked: what to do now, where that is, and what to expect. */
export function WorkPage() {
  const plan = usePlan();
  const { id } = plan.hem;
  return (
    <WorkBench plan={plan}>
      <p className="quiet small">
        <Link to={`/hem/${id}/log`}>Log of this hem</Link>
        {' · '}
        <Link to={`/hem/${id}/carry`}>Take it to another device</Link>
        {!isUnderWay(plan) && (
          <>
            {' · '}
            <Link to="/practice">Practice first</Link>
          </>
        )}
      </p>
    </WorkBench>
  );
}

interface WorkBenchProps {
  readonly plan: Plan;
  /** Sheet that is open at first. */
  readonly first?: WorkSheet | null;
  readonly children?: ReactNode;
}

/** The place in hand, what to do there, and what can be said of it. */
export function WorkBench({ plan, first = null, children }: WorkBenchProps) {
  const [stride, setStride] = useStride();
  const [opened, setSheet] = useState<WorkSheet | null>(first);
  // What another page has ripped out can no longer be counted, weighed or looked at.
  const sheet = opened === 'joined in' || isUnderWay(plan) ? opened : null;
  const [shown, setShown] = useState<Shown | null>(null);
  const [counting, setCounting] = useState<number | null>(null);
  const [offBy, setOffBy] = useState(0);
  const side = sheet === 'side end' ? sideInHandOf(plan) : null;
  const seam = sheet === 'seam' ? seamAhead(plan) : null;
  useAwake(isUnderWay(plan));
  const step = stepInHand(plan, stride);
  const finished = step === null && sheet === null;
  const close = (): void => {
    setSheet(null);
    setShown(null);
    setCounting(null);
  };
  return (
    <div className={[styles.work, sheet ? styles.withSheet : '', finished ? styles.finished : ''].join(' ')}>
      <h1 className={styles.title}>{placeTitle(plan)}</h1>
      <section className={styles.view} aria-label="Where you are">
        <Guard what="The drawing of the place" resetKeys={[plan]}>
          {finished ? (
            <FinishPicture plan={plan} />
          ) : sheet === 'count' && shown === null ? (
            <SideInQuestion plan={plan} side={counting} onSide={setCounting} />
          ) : (
            <PlaceView plan={shown?.plan ?? plan} lookAt={shown?.at ?? null} onStitch={shown?.onStitch} />
          )}
        </Guard>
      </section>
      <section className={styles.now} aria-label="What to do now">
        {sheet === 'count' ? (
          <CountSheet plan={plan} side={counting} onSide={setCounting} onShow={setShown} onClose={close} />
        ) : sheet === 'weigh' ? (
          <WeighSheet plan={plan} onClose={close} />
        ) : sheet === 'look' ? (
          <LookSheet plan={plan} onClose={close} />
        ) : sheet === 'rip' ? (
          <RipSheet plan={plan} onClose={close} />
        ) : sheet === 'tape' ? (
          <TapeSheet plan={plan} onShow={setShown} onClose={close} />
        ) : seam ? (
          <SeamSheet plan={plan} seam={seam} onShow={setShown} onClose={close} />
        ) : side ? (
          <SideEndSheet plan={plan} inHand={side} first={offBy} onShow={setShown} onClose={close} />
        ) : sheet === 'joined in' ? (
          <JoinIn plan={plan} onClose={close} />
        ) : step ? (
          <Now
            plan={plan}
            step={step}
            stride={stride}
            onStride={setStride}
            onCount={() => setSheet('count')}
            onWeigh={() => setSheet('weigh')}
            onLook={() => setSheet('look')}
            onRip={() => setSheet('rip')}
            onTape={() => setSheet('tape')}
            onSeam={() => setSheet('seam')}
            onSideEnd={(more) => {
              setOffBy(more);
              setSheet('side end');
            }}
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
        {plan.hem.alike.count > 1 && sheet === null && <PiecesDone />}
        {children}
      </section>
    </div>
  );
}

/** How much is one step, as this browser was told last. */
function useStride(): readonly [Stride, (stride: Stride) => void] {
  const [stride, setStride] = useState<Stride>('repeat');
  useEffect(() => {
    void readSetting(STRIDE).then((kept) => {
      const found = STRIDES.find((s) => s === kept);
      if (found) setStride(found);
    });
  }, []);
  return [
    stride,
    (chosen) => {
      setStride(chosen);
      void writeSetting(STRIDE, chosen);
    },
  ];
}

function placeTitle(plan: Plan): string {
  const { round } = progressOf(plan);
  if (!round) return 'The border is worked';
  const name = capital(roundWords(round.number));
  return saidOfRows(plan)(round.number === 0 ? name : `${name}: ${round.name.toLowerCase()}`);
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
  const last = useMemo(
    () => held(writtenPattern(plan).sections.at(-1), 'a pattern ends with a section'),
    [plan],
  );
  return (
    <>
      <h2>{last.heading}</h2>
      {last.lines.map(({ kind, text }) => (
        <p key={text} className={kind === 'caution' ? styles.caution : undefined}>
          {text}
        </p>
      ))}
      <Closing />
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
              {`${roundIn(plan, r.number)}${r.number === 0 ? '' : `, ${r.name.toLowerCase()}`}`}
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
