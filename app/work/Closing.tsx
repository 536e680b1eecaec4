import { useState } from 'react';
import { workedRound, type Plan } from '../../core/plan/types.ts';
import { plural } from '../../core/words/measures.ts';
import { closedOf, endsOf, looksAt } from '../../core/work/looks.ts';
import { useHemStore, useInTerms } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import { whenWords } from '../look/when.ts';
import styles from './work.module.css';

/** The ends by number, the pins counted out and back: then the border is done. */
export function Closing({ plan }: { readonly plan: Plan }) {
  const inTerms = useInTerms();
  const store = useHemStore();
  const all = endsOf(plan);
  const closed = closedOf(plan);
  const looked = looksAt(plan, plan.rounds.at(-1)!).length > 0;
  const [woven, setWoven] = useState(0);
  const [out, setOut] = useState('');
  const [back, setBack] = useState('');
  if (closed) {
    return (
      <p className={styles.moment}>
        Done {whenWords(closed.at, new Date())}: {plural(closed.ends, 'end')} woven in
        {closed.pins === null ? '' : `, ${plural(closed.pins, 'pin')} back in the box`}.
      </p>
    );
  }
  const pins = out.trim() === '' ? null : Number(out);
  const missing = pins === null ? 0 : pins - Number(back || 0);
  return (
    <>
      <p className={styles.tools}>
        <span>
          {woven} of {plural(all, 'end')} woven in
        </span>
        <Button disabled={woven === 0} onClick={() => setWoven(woven - 1)}>
          One fewer
        </Button>
        <Button disabled={woven >= all} onClick={() => setWoven(woven + 1)}>
          One more
        </Button>
      </p>
      <div className={styles.counts}>
        {(
          [
            ['Pins put in', out, setOut],
            ['Pins taken back', back, setBack],
          ] as const
        ).map(([what, value, set]) => (
          <label key={what}>
            {what}
            <input
              inputMode="numeric"
              maxLength={4}
              value={value}
              onChange={(e) => set(e.target.value.replace(/\D/g, ''))}
            />
          </label>
        ))}
      </div>
      {missing < 0 && <p className={styles.moment}>More came back than went in: count them again.</p>}
      {missing > 0 && (
        <p className={styles.caution}>
          {plural(missing, 'pin')} still in the blanket, or under it: find {missing === 1 ? 'it' : 'them'}{' '}
          before anyone lies on it.
        </p>
      )}
      <p className={styles.tools}>
        <Button
          type="primary"
          disabled={woven < all || missing !== 0 || !looked}
          onClick={() =>
            store.note({ did: 'closed', round: workedRound(plan.rounds.at(-1)!), ends: woven, pins })
          }
        >
          The border is done
        </Button>
        {woven < all ? (
          <span className="quiet small">{inTerms('Weave in every end first.')}</span>
        ) : (
          !looked && (
            <span className="quiet small">
              Measure it and look at it first: how it lies belongs to its record.
            </span>
          )
        )}
      </p>
    </>
  );
}
