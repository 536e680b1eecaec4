import { useMemo } from 'react';
import { plan } from '../../core/plan/planner.ts';
import type { Plan } from '../../core/plan/types.ts';
import { capital } from '../../core/terms/words.ts';
import { plural, sizeWords } from '../../core/words/measures.ts';
import { placeInWords } from '../../core/words/progressWords.ts';
import { isUnderWay } from '../../core/work/progress.ts';
import { PlanDrawing } from '../drawing/PlanDrawing.tsx';
import { Guard } from '../hem/Guard.tsx';
import { keepCard } from '../storage/pictures.ts';
import { HemCard, type HemCardProps } from './HemCard.tsx';

type PlannedHemProps = Pick<HemCardProps, 'hem' | 'onDuplicate' | 'onDiscard'> & { readonly stamp: string };

/** A hem of which nothing is kept: planned and drawn, and then kept. */
export function PlannedHem(props: PlannedHemProps) {
  const { hem, stamp } = props;
  const made = useMemo(() => plan(hem), [hem]);
  const place = isUnderWay(made) ? capital(placeInWords(made)) : null;
  const border = borderWords(made);
  return (
    <HemCard
      {...props}
      place={place}
      border={border}
      drawing={
        <Guard what="The drawing of this hem" resetKeys={[made]}>
          <PlanDrawing
            plan={made}
            bare
            onPainted={(picture) => void keepCard(hem.id, stamp, { picture, place, border })}
          />
        </Guard>
      }
    />
  );
}

function borderWords({ hem, finishedSize, rounds }: Plan): string {
  const odd = rounds.filter((r) => !r.even).length;
  const fits = odd > 0 ? `${odd} do not fit` : 'all fit';
  return `${sizeWords(finishedSize, hem.preferences.length)} with border. Base round + ${plural(rounds.length - 1, 'round')}, ${fits}.`;
}
