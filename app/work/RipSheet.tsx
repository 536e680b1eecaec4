import type { Plan } from '../../core/plan/types.ts';
import { lastGoodRound } from '../../core/work/looks.ts';
import { placesToRipTo } from '../../core/work/progress.ts';
import { goodWords, priceWords, ripPlaceWords } from '../../core/work/recountWords.ts';
import { WaitingLine } from './WaitingLine.tsx';
import { noteWithdrawing } from '../hem/note.ts';
import { useHemStore } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import styles from './work.module.css';

/** Back to a corner, or to a round, with what it costs. */
export function RipSheet({ plan, onClose }: { readonly plan: Plan; readonly onClose: () => void }) {
  const store = useHemStore();
  const good = lastGoodRound(plan);
  const places = placesToRipTo(plan);
  return (
    <div className={styles.sheet} role="group" aria-label="Rip back">
      <h2>Rip back</h2>
      <p className="quiet small">
        What comes off is noted as ripped. Counts of sides that stay whole are kept; what was changed for the
        others goes with them.
      </p>
      <p className="small">{goodWords(good)}</p>
      {places[0] && <WaitingLine plan={plan} place={places[0]} />}
      <ol className={styles.repairs}>
        {places.map((place) => (
          <li key={`${place.round} ${place.made}`}>
            <button
              type="button"
              className={styles.repair}
              onClick={() => {
                if (noteWithdrawing(store, place.deed)) onClose();
              }}
            >
              <span>{ripPlaceWords(plan, place)}.</span>
              <span className="quiet small">{priceWords(plan, place.price)}</span>
              {place.made === 0 && good && place.round === good.number + 1 && (
                <span className="small">Down to the last good round.</span>
              )}
            </button>
          </li>
        ))}
      </ol>
      <p className={styles.tools}>
        <Button onClick={onClose}>Close</Button>
      </p>
    </div>
  );
}
