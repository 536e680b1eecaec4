import dayjs from 'dayjs';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { Rhythm } from '../../core/log/log.ts';
import { paceKnown, paceOf } from '../../core/evidence/estimates.ts';
import type { Plan } from '../../core/plan/types.ts';
import { leftOf } from '../../core/work/progress.ts';
import { plural, timeWords } from '../../core/say/measures.ts';
import { usePlan } from '../hem/context.ts';
import { trialPlan } from '../hem/trialPlan.ts';
import { WaysOff } from '../sections/WaysOff.tsx';
import { NumberField } from '../look/NumberField.tsx';
import { dayWords } from './days.ts';
import styles from './log.module.css';

export interface ReadyByProps {
  /** Null when nothing was worked of late. */
  readonly rhythm: Rhythm | null;
}

/** Minutes a day to reckon with where there is no rhythm yet. */
const USUAL_MINUTES = 45;

/** The border as it is worked by the log, where that says another pace than the one in force. */
function atLoggedPace(plan: Plan): Plan {
  const known = paceKnown(plan);
  const pace = paceOf(known);
  return known.basis === 'rule of thumb' || pace === plan.hem.pace ? plan : trialPlan({ ...plan.hem, pace });
}

/** When the border will be done at this rhythm, what a day must bring to be ready by another, and what to leave off if it cannot. */
export function ReadyBy({ rhythm }: ReadyByProps) {
  const shown = usePlan();
  const plan = useMemo(() => atLoggedPace(shown), [shown]);
  const [by, setBy] = useState('');
  const [typed, setTyped] = useState<number | null>(null);
  const minutesLeft = leftOf(plan).border.minutes;
  if (minutesLeft < 1) return <p>All rounds are worked.</p>;
  const days = by === '' ? 0 : 1 + dayjs(by).diff(dayjs().startOf('day'), 'day');
  const aDay = typed ?? Math.max(1, Math.round(rhythm?.minutesADay ?? USUAL_MINUTES));
  return (
    <div className={styles.ready}>
      <p>
        About {timeWords(minutesLeft)} of work are left
        {plan === shown ? '' : `, at ${plan.hem.pace} stitches a minute as your log says`}.{' '}
        {rhythm
          ? `At this rhythm, ${Math.round(rhythm.minutesADay)} minutes a day over the last ${plural(rhythm.days, 'day')}, the border is done about ${dayWords(
              dayjs()
                .add(Math.ceil(minutesLeft / rhythm.minutesADay), 'day')
                .format('YYYY-MM-DD'),
            )}.`
          : 'Nothing was worked in the last two weeks, so there is too little to go by.'}
      </p>
      <div className={styles.by}>
        <label>
          To be ready by{' '}
          <input
            type="date"
            min={dayjs().format('YYYY-MM-DD')}
            value={by}
            onChange={(e) => setBy(e.target.value)}
          />
        </label>{' '}
        <label>
          at{' '}
          <NumberField
            size="small"
            aria-label="Minutes of work on a day"
            min={1}
            max={1440}
            value={aDay}
            onChange={(v) => v !== null && setTyped(v)}
          />{' '}
          minutes a day
        </label>
      </div>
      {by !== '' && days <= 0 && <p className="problem">That day has gone by: choose a later one.</p>}
      {days > 0 && (
        <>
          <p>
            {`Work about ${timeWords(minutesLeft / days)} a day, today included (${plural(days, 'day')}). `}
            {minutesLeft <= aDay * days
              ? `With ${plural(aDay, 'minute')} a day it is ready.`
              : `With ${plural(aDay, 'minute')} a day it is not: ${timeWords(minutesLeft - aDay * days)} are too many.`}
          </p>
          {minutesLeft > aDay * days && (
            <WaysOff
              plan={plan}
              minutes={aDay * days}
              none="Leaving rounds off does not help: what has been begun takes longer, or nothing else fits."
            />
          )}
          <p>
            <Link
              to={`/hem/${plan.hem.id}/propose?minutes=${Math.round((aDay * days * plan.hem.pace) / shown.hem.pace)}`}
            >
              Which borders would be ready by then?
            </Link>
          </p>
        </>
      )}
    </div>
  );
}
