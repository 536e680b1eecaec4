import { setPace } from '../../core/edits/hem.ts';
import type { YarnPlan } from '../../core/plan/types.ts';
import { percentWords, timeWords } from '../../core/words/measures.ts';
import { basketWords } from '../../core/words/supplyWords.ts';
import { LoggedPace } from '../controls/LoggedPace.tsx';
import { Guard } from '../hem/Guard.tsx';
import { useHemStore, usePlan } from '../hem/context.ts';
import { BallsOnPiece } from './BallsOnPiece.tsx';
import { Basket } from './Basket.tsx';
import { HowFar } from './HowFar.tsx';
import { RoundsChart } from './RoundsChart.tsx';
import { WeighIns } from './WeighIns.tsx';
import './yarn.css';
import { NumberField } from '../look/NumberField.tsx';

/** What weighing did to the estimate of a yarn. */
const weighedWords = ({ yarn, calibration: { factor } }: YarnPlan): string =>
  `${yarn.name}: surer now. ${
    Math.abs(factor - 1) < 0.005
      ? 'Your weighing agrees with it.'
      : `Your weighing ${factor > 1 ? 'raised' : 'lowered'} it ${Math.abs(factor - 1) < 0.05 ? 'a little' : 'a lot'}.`
  }`;

/** How much yarn each round and colour takes, whether it lasts, and how far the rest goes. */
export function YarnPage() {
  const plan = usePlan();
  const store = useHemStore();
  const weighed = plan.yarns.filter((y) => y.calibration.weighings > 0);
  const reach = basketWords(plan);
  return (
    <div className="yarn-page">
      <section>
        <h1>Yarn</h1>
        {reach && <p className="reach">{reach}</p>}
        <Guard what="The drawing of the piece" resetKeys={[plan]}>
          <BallsOnPiece plan={plan} />
        </Guard>
        <h2>Yarn for each round</h2>
        <p className="quiet small">
          An estimate, with {plan.hem.preferences.length === 'cm' ? '15 cm' : '6 in'} for each end.{' '}
          {weighed.length === 0
            ? 'It can be a fifth too high or too low. Weigh a swatch to make it surer.'
            : weighed.map(weighedWords).join(' ')}
        </p>
        <details className="quiet small">
          <summary>Details</summary>
          From the path of the yarn through every stitch of the border.{' '}
          {weighed
            .map(
              (y) =>
                `${y.yarn.name}: your weighing moves it by ${percentWords(y.calibration.factor - 1)}, now ±${Math.round(y.calibration.spread * 100)} %.`,
            )
            .join(' ')}
        </details>
        <Guard what="The chart of yarn" resetKeys={[plan]}>
          <RoundsChart plan={plan} />
        </Guard>
        <p className="pace">
          About {timeWords(plan.minutes)} of work at{' '}
          <NumberField
            size="small"
            aria-label="Stitches in a minute"
            min={1}
            max={200}
            value={plan.hem.pace}
            onChange={(v) => v && store.do(setPace(v))}
            onBlur={() => store.endJoin()}
          />{' '}
          stitches a minute. Rest your hands and stretch in between.
        </p>
        <LoggedPace plan={plan} />
        <Guard what="What the leftovers allow" resetKeys={[plan]}>
          <HowFar plan={plan} />
        </Guard>
      </section>
      <div>
        <Basket plan={plan} />
        <WeighIns plan={plan} />
      </div>
    </div>
  );
}
