import { useEffect, useEffectEvent, useMemo } from 'react';
import type { Hem } from '../../core/document/hem.ts';
import { plan } from '../../core/plan/planner.ts';
import { leftOut, type Plan } from '../../core/plan/types.ts';
import { capital } from '../../core/terms/words.ts';
import { plural, sizeWords } from '../../core/say/measures.ts';
import { placeInWords } from '../../core/work/progressWords.ts';
import { isUnderWay } from '../../core/work/progress.ts';
import { PlanDrawing } from '../drawing/PlanDrawing.tsx';
import { Guard } from '../hem/Guard.tsx';
import { keepCard } from '../storage/pictures.ts';

/** Lines under the picture of a hem. */
export interface CardWords {
  /** How far the work is; null when it has not been begun. */
  readonly place: string | null;
  readonly border: string;
}

interface PlannedHemProps {
  readonly hem: Hem;
  /** Of all that what is kept depends on. */
  readonly stamp: string;
  readonly onPlanned: (words: CardWords) => void;
  /** Its picture has been painted, and all is kept. */
  readonly onKept: () => void;
}

/** The drawing of a hem of which nothing is kept: it is planned and drawn, told of, and then kept. */
export function PlannedHem({ hem, stamp, onPlanned, onKept }: PlannedHemProps) {
  const made = useMemo(() => plan(hem), [hem]);
  const words = useMemo(
    (): CardWords => ({
      place: isUnderWay(made) ? capital(placeInWords(made)) : null,
      border: borderWords(made),
    }),
    [made],
  );
  const tell = useEffectEvent(onPlanned);
  useEffect(() => tell(words), [words]);
  return (
    <Guard what="The drawing of this hem" resetKeys={[made]}>
      <PlanDrawing
        plan={made}
        bare
        onPainted={(picture) => void keepCard(hem.id, stamp, { picture, ...words }).then(onKept)}
      />
    </Guard>
  );
}

function borderWords(made: Plan): string {
  const { hem, finishedSize, rounds } = made;
  const odd = rounds.filter((r) => !r.even).length;
  const out = leftOut(made).length > 0;
  const fits = out ? 'others cannot be worked' : odd > 0 ? `${odd} do not fit` : 'all fit';
  return `${sizeWords(finishedSize, hem.preferences.length)} with border. Base round + ${plural(rounds.length - 1, 'round')}, ${fits}.`;
}
