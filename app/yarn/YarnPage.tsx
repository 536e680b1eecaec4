import { useMemo } from 'react';
import { timeWords } from '../../core/say/measures.ts';
import { setPace } from '../../core/edits/hem.ts';
import { estimatesOf } from '../../core/evidence/estimates.ts';
import {
  timeEstimateWords,
  tryFirstWords,
  yarnSuretyWords,
  yarnRestsOn,
} from '../../core/evidence/estimateWords.ts';
import { basketWords } from '../../core/forecast/supplyWords.ts';
import { HandsOfHem } from './HandsOfHem.tsx';
import { paceRestsOn } from '../../core/hands/handsWords.ts';
import { LoggedPace } from '../sections/LoggedPace.tsx';
import { Guard } from '../hem/Guard.tsx';
import { useHemStore, usePlan } from '../hem/context.ts';
import { BallsOnPiece } from './BallsOnPiece.tsx';
import { Basket } from './Basket.tsx';
import { HowFar } from './HowFar.tsx';
import { RoundsChart } from './RoundsChart.tsx';
import { WeighIns } from './WeighIns.tsx';
import styles from './yarn.module.css';
import { NumberField } from '../look/NumberField.tsx';

/** How much yarn each round and colour takes, whether it lasts, and how far the rest goes. */
export function YarnPage() {
  const plan = usePlan();
  const store = useHemStore();
  const { alike } = plan.hem;
  const { minutes } = useMemo(() => estimatesOf(plan), [plan]);
  const reach = basketWords(plan);
  return (
    <div className={styles.page}>
      <section>
        <h1>Yarn</h1>
        {reach && <p className={styles.reach}>{reach}</p>}
        <Guard what="The drawing of the piece" resetKeys={[plan]}>
          <BallsOnPiece />
        </Guard>
        <h2>Yarn for each round</h2>
        <p className="quiet small">
          An estimate, with {plan.hem.preferences.length === 'cm' ? '15 cm' : '6 in'} for each end.{' '}
          {yarnSuretyWords(plan)} {tryFirstWords(plan.hem.preferences.length)}
          {alike.count > 1 && ` The basket is for all ${alike.count}, each round below for one.`}
        </p>
        <details className="quiet small">
          <summary>Details</summary>
          From the path of the yarn through every stitch of the border.{' '}
          {plan.yarns.map(yarnRestsOn).join(' ')} {paceRestsOn(plan.hem.preferences.language)}
        </details>
        <Guard what="The chart of yarn" resetKeys={[plan]}>
          <RoundsChart />
        </Guard>
        <div className={styles.pace}>
          {timeEstimateWords(minutes)} of work{alike.count > 1 && ' on each'} at{' '}
          <NumberField
            size="small"
            aria-label="Stitches in a minute"
            min={1}
            max={200}
            value={plan.hem.pace}
            onChange={(v) => v && store.do(setPace(v))}
            onBlur={() => store.endJoin()}
          />{' '}
          stitches a minute.
          {alike.count > 1 && ` All ${alike.count}, joining included: ${timeWords(plan.minutesInAll)}.`} Rest
          your hands and stretch in between.
        </div>
        <LoggedPace />
        <HandsOfHem />
        <Guard what="What the leftovers allow" resetKeys={[plan]}>
          <HowFar />
        </Guard>
      </section>
      <div>
        <Basket />
        <WeighIns />
      </div>
    </div>
  );
}
