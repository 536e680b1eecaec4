import { held } from '../../core/held.ts';
import { useEffect, useState } from 'react';
import { identityOfRound } from '../../core/plan/types.ts';
import { timeWords } from '../../core/say/measures.ts';
import { isUnderWay, progressOf, stepInHand } from '../../core/work/progress.ts';
import { isPaused, minutesWorked, sittingMinutes } from '../../core/work/session.ts';
import { useHemStore, usePlan } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import { readSetting, writeSetting } from '../storage/settings.ts';
import styles from './work.module.css';

const REST_AFTER = 'rest after';
/** Minutes after which the hands are to rest; 0 never says so. */
const CHOICES = [20, 40, 60, 0] as const;
const USUAL = 40;
const MINUTE_MS = 60_000;

/** How long this sitting has lasted, and a quiet word when the hands should rest. */
export function Rest() {
  const plan = usePlan();
  const store = useHemStore();
  const { record } = plan.hem;
  const { round, made } = progressOf(plan);
  // Up to the next corner at one go is the most that is noted at once.
  const atOneGo = round
    ? held(stepInHand(plan, 'side'), 'there is a step while a round is in hand').to - made
    : 0;
  const [after, setAfter] = useState(USUAL);
  useEffect(() => {
    void readSetting(REST_AFTER).then((kept) => {
      if (typeof kept === 'number') setAfter(kept);
    });
  }, []);
  const [now, setNow] = useState(() => new Date().toISOString());
  useEffect(() => {
    const tick = setInterval(() => setNow(new Date().toISOString()), MINUTE_MS);
    return () => clearInterval(tick);
  }, []);
  // What is noted now may be later than the last tick.
  const moment = record.reduce((last, { at }) => (at > last ? at : last), now);
  const minutes = Math.floor(sittingMinutes(record, moment, atOneGo));
  const all = minutesWorked(record);
  const paused = isPaused(record);
  return (
    <>
      {after > 0 && minutes >= after && (
        <p className={styles.caution} role="status">
          {minutes} minutes at one sitting: put the hook down, stretch the hands, look up. Stop when they
          hurt.
        </p>
      )}
      <div className={styles.timer}>
        <span className="quiet">
          {paused ? 'Paused. Your next step resumes.' : `${minutes} min at this sitting.`}
          {all >= 1 && ` ${timeWords(all)} in all.`}
        </span>
        {!paused && round && isUnderWay(plan) && (
          <Button onClick={() => store.note({ did: 'paused', round: identityOfRound(round) })}>Pause</Button>
        )}
      </div>
      <label className={styles.stride}>
        Rest after{' '}
        <select
          value={after}
          onChange={(e) => {
            const chosen = Number(e.target.value);
            setAfter(chosen);
            void writeSetting(REST_AFTER, chosen);
          }}
        >
          {CHOICES.map((choice) => (
            <option key={choice} value={choice}>
              {choice === 0 ? 'never' : `${choice} min`}
            </option>
          ))}
        </select>
      </label>
    </>
  );
}
