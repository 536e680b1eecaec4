import { useMemo, useState } from 'react';
import { sideWords } from '../../core/print/placeWords.ts';
import { seamWays, type SeamAhead, type SeamWay } from '../../core/work/seam.ts';
import { seamWayOutcome, seamWayWords } from '../../core/work/seamWords.ts';
import type { Plan } from '../../core/plan/types.ts';
import { useHemStore } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import type { Shown } from './PlaceView.tsx';
import styles from './work.module.css';

/** Ways across the seam ahead, each drawn; this one alone, or all that follow it. */
export function SeamSheet({
  plan,
  seam,
  onShow,
  onClose,
}: {
  readonly plan: Plan;
  readonly seam: SeamAhead;
  readonly onShow: (shown: Shown | null) => void;
  readonly onClose: () => void;
}) {
  const store = useHemStore();
  const { language } = plan.hem.preferences;
  const [all, setAll] = useState(false);
  const [chosen, setChosen] = useState<SeamWay['crossing'] | null>(null);
  const ways = useMemo(() => seamWays(plan, seam, all), [plan, seam, all]);
  const show = (way: SeamWay | undefined): void => {
    setChosen(way?.crossing ?? null);
    onShow(way ? { plan: way.then, at: { round: 0, entry: way.entry } } : null);
  };
  return (
    <div className={styles.sheet} role="group" aria-label="The seam">
      <h2>
        Seam {seam.join + 1} of {sideWords(plan, seam.side)}
      </h2>
      {seam.further > 0 && (
        <label className={styles.check}>
          <input
            type="checkbox"
            checked={all}
            onChange={(e) => {
              setAll(e.target.checked);
              show(undefined);
            }}
          />
          All {seam.further} further seams like this one
        </label>
      )}
      <ol className={styles.repairs}>
        {ways.map((way) => (
          <li key={way.crossing}>
            <button
              type="button"
              className={styles.repair}
              aria-expanded={chosen === way.crossing}
              onClick={() => show(chosen === way.crossing ? undefined : way)}
            >
              <span>{seamWayWords(plan, way, seam, language)}.</span>
              <span className="quiet small">{seamWayOutcome(plan, way)}</span>
            </button>
            {chosen === way.crossing && (
              <p className={styles.take}>
                <span className="quiet small">The drawing shows how it will be.</span>
                <Button
                  type="primary"
                  onClick={() => {
                    store.note(...way.deeds);
                    onClose();
                  }}
                >
                  Do this
                </Button>
              </p>
            )}
          </li>
        ))}
      </ol>
      <p className={styles.tools}>
        <Button onClick={onClose}>Close</Button>
      </p>
    </div>
  );
}
