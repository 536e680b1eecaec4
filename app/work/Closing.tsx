import { held } from '../../core/held.ts';
import { useState } from 'react';
import { identityOfRound } from '../../core/plan/types.ts';
import { closingWords, pinsWords } from '../../core/work/progressWords.ts';
import { plural } from '../../core/say/measures.ts';
import { closedOf, finishingOf } from '../../core/work/looks.ts';
import { Guard } from '../hem/Guard.tsx';
import { useHemStore, usePlan } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import { whenWords } from '../look/when.ts';
import { FinishCard } from './FinishCard.tsx';
import { noteFinishing } from './finishing.ts';
import styles from './work.module.css';

/** The ends by number, the pins put in and counted back, each noted as it is said; one press ends the border. */
export function Closing() {
  const plan = usePlan();
  const store = useHemStore();
  const closed = closedOf(plan);
  const now = finishingOf(plan);
  const { ends, woven, which, pinsIn, pinsBack } = now;
  const round = identityOfRound(held(plan.rounds.at(-1), 'a plan has a base round'));
  const note = (change: Parameters<typeof noteFinishing>[2]): void => noteFinishing(store, plan, change);
  const all = Array.from({ length: ends }, (_, k) => k);
  const rest = all.filter((k) => !which.includes(k));
  const caution = pinsWords((pinsIn ?? 0) - pinsBack);
  return (
    <>
      {closed && <p className={styles.moment}>{closingWords(now, whenWords(closed.at, new Date()))}</p>}
      {!closed && (
        <p className={styles.tools}>
          <Button
            type="primary"
            onClick={() =>
              store.note({ did: 'closed', round, ends: woven, pins: pinsIn === null ? null : pinsBack })
            }
          >
            It is done
          </Button>
          <span className="quiet small">Ends and pins can be noted afterwards, a look or a photo too.</span>
        </p>
      )}
      <p className={styles.tools}>
        <span>
          {woven} of {plural(ends, 'end')} woven in
        </span>
        <Button disabled={woven === 0} onClick={() => note({ which: which.slice(0, -1) })}>
          One fewer
        </Button>
        <Button disabled={woven >= ends} onClick={() => note({ which: [...which, ...rest.slice(0, 1)] })}>
          One more
        </Button>
        {woven < ends && <Button onClick={() => note({ which: all })}>All</Button>}
      </p>
      {woven < ends && (
        <p className="quiet small">Each end is a dot in the drawing: touch it when it is woven in.</p>
      )}
      <div className={styles.counts}>
        <PinCount
          what="Pins put in"
          value={pinsIn}
          onCount={(n) => note({ pinsIn: n, ...(n === null && { pinsBack: 0 }) })}
        />
        {pinsIn !== null && (
          <PinCount what="Pins taken back" value={pinsBack} onCount={(n) => note({ pinsBack: n ?? 0 })} />
        )}
      </div>
      {(pinsIn ?? 0) < pinsBack && (
        <p className={styles.moment}>More came back than went in: count them again.</p>
      )}
      {caution && <p className={styles.caution}>{caution}</p>}
      {closed && (
        <Guard what="The card" resetKeys={[plan]}>
          <FinishCard plan={plan} />
        </Guard>
      )}
    </>
  );
}

/** A number of pins, noted when the field is left. */
function PinCount({
  what,
  value,
  onCount,
}: {
  readonly what: string;
  readonly value: number | null;
  readonly onCount: (count: number | null) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const shown = typed ?? (value === null ? '' : String(value));
  const take = (): void => {
    if (typed === null) return;
    const count = typed === '' ? null : Number(typed);
    if (count !== value) onCount(count);
    setTyped(null);
  };
  return (
    <label>
      {what}
      <input
        inputMode="numeric"
        maxLength={4}
        value={shown}
        onChange={(e) => setTyped(e.target.value.replace(/\D/g, ''))}
        onBlur={take}
        onKeyDown={(e) => e.key === 'Enter' && take()}
      />
    </label>
  );
}
