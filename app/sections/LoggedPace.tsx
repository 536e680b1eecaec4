import { memo, useMemo } from 'react';
import { setPace } from '../../core/edits/hem.ts';
import { paceKnown, paceOf } from '../../core/evidence/estimates.ts';
import { learnedBasisWords, handsWords } from '../../core/hands/handsWords.ts';
import { useHemStore, usePlan } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';

/** Pace by the record of a hem, where it is another than the one in force; and a way to take it. */
export const LoggedPace = memo(function LoggedPace() {
  const plan = usePlan();
  const store = useHemStore();
  const time = useMemo(() => paceKnown(plan), [plan]);
  const pace = paceOf(time);
  if (time.basis === 'rule of thumb' || pace === plan.hem.pace) return null;
  return (
    <p className="small">
      Your log says: {handsWords('time', time)} <span className="quiet">{learnedBasisWords(time)}</span>{' '}
      <Button size="small" onClick={() => store.do(setPace(pace))}>
        {`Use ${pace} a minute`}
      </Button>
    </p>
  );
});
