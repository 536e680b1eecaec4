import { useState } from 'react';
import { leaveOffRounds } from '../../core/edits/rounds.ts';
import { earlyEndWords, earlyEndsWords } from '../../core/work/hintWords.ts';
import { useHemStore, usePlan } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import { useWorked } from '../workers/useWorked.ts';
import styles from './work.module.css';

/** Rounds with which the border may end sooner than planned, asked for when it is opened. */
export function EarlyEnds() {
  const [open, setOpen] = useState(false);
  return (
    <details className={styles.ball} onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary>Where it may end sooner</summary>
      {open && <Ends />}
    </details>
  );
}

function Ends() {
  const plan = usePlan();
  const store = useHemStore();
  const { value: ends, pending, failed } = useWorked('earlyEndsOf', plan.hem);
  if (failed) return <p className="problem">This could not be worked out. Your hem is safe.</p>;
  if (!ends || pending) return <p className="quiet">Looking for good places …</p>;
  return (
    <>
      {earlyEndsWords(plan, ends).map((text) => (
        <p key={text}>{text}</p>
      ))}
      <p className={styles.tools}>
        {ends.map((end) => (
          <Button key={end.round} onClick={() => store.do(leaveOffRounds(end.entries))}>
            {earlyEndWords(plan, end)}
          </Button>
        ))}
      </p>
    </>
  );
}
