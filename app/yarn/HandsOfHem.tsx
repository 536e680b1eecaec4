import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { USUAL_PACE } from '../../core/hands/hands.ts';
import { reckonWith } from '../../core/edits/hem.ts';
import { knownWords } from '../../core/hands/handsWords.ts';
import { useHemStore, usePlan } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import { handsToBegin } from '../workers/hands.ts';

/** Whether a hem reckons with the hands of its maker or by rules of thumb, and the other way round. */
export function HandsOfHem() {
  const plan = usePlan();
  const store = useHemStore();
  const { id, hands } = plan.hem;
  const { data: now } = useQuery({
    queryKey: ['hands to begin', id],
    queryFn: () => handsToBegin(id),
    staleTime: 0,
  });
  const other = now?.hands && JSON.stringify(now.hands) !== JSON.stringify(hands) ? now : null;
  if (!hands && !other) return null;
  return (
    <p className="small">
      {hands ? (
        <>
          This hem uses your <Link to="/hands">hands</Link>: {knownWords(hands)}.{' '}
          <Button size="small" onClick={() => store.do(reckonWith(null, USUAL_PACE))}>
            Use typical values
          </Button>{' '}
        </>
      ) : (
        <>
          This hem uses typical values; more is known of <Link to="/hands">your hands</Link>.{' '}
        </>
      )}
      {other && (
        <Button size="small" onClick={() => store.do(reckonWith(other.hands, other.pace))}>
          {hands ? 'Use what is known now' : 'Use my hands'}
        </Button>
      )}
    </p>
  );
}
