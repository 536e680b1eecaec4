import { useEffect, useState } from 'react';
import type { Plan } from '../../core/plan/types.ts';
import { sittingMinutes } from '../../core/work/session.ts';
import { readSetting, writeSetting } from '../storage/settings.ts';
import styles from './work.module.css';

const REST_AFTER = 'rest after';
/** Minutes after which the hands are to rest; 0 never says so. */
const CHOICES = [20, 40, 60, 0] as const;
const USUAL = 40;
const MINUTE_MS = 60_000;

/** How long this sitting has lasted, and a quiet word when the hands should rest. */
export function Rest({ plan }: { readonly plan: Plan }) {
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
  const minutes = Math.floor(sittingMinutes(plan.hem.record, now));
  return (
    <>
      {after > 0 && minutes >= after && (
        <p className={styles.caution} role="status">
          {minutes} minutes at one sitting: put the hook down, stretch the hands, look up. Stop when they
          hurt.
        </p>
      )}
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
