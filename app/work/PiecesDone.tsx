import { describeAlike } from '../../core/edits/hem.ts';
import { piecesDoneWords } from '../../core/work/progressWords.ts';
import { closedOf } from '../../core/work/looks.ts';
import { nextPiece } from '../../core/work/progress.ts';
import { useHemStore, usePlan } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import styles from './work.module.css';

/** Pieces that are ticked one by one; of more they are counted. */
const MOST_TICKED = 60;

/** How many of many alike have their border, ticked as they are done; and the next of them taken up. */
export function PiecesDone() {
  const plan = usePlan();
  const store = useHemStore();
  const { count, done } = plan.hem.alike;
  const set = (to: number): void => void store.do(describeAlike({ done: to }));
  const takeNext = (): void => {
    set(done + 1);
    store.note(nextPiece(plan));
  };
  return (
    <section aria-label="Pieces alike">
      <p>{piecesDoneWords(plan.hem)}</p>
      {count <= MOST_TICKED && (
        <span className={styles.ticks} role="group" aria-label="Pieces done">
          {Array.from({ length: count }, (_, k) => (
            <button
              key={k}
              type="button"
              aria-pressed={k < done}
              aria-label={`Piece ${k + 1}`}
              onClick={() => set(k < done ? k : k + 1)}
            >
              {k < done ? '✓' : ''}
            </button>
          ))}
        </span>
      )}
      <p className={styles.tools}>
        {count > MOST_TICKED && (
          <>
            <Button disabled={done === 0} onClick={() => set(done - 1)}>
              One fewer
            </Button>
            <Button disabled={done >= count} onClick={() => set(done + 1)}>
              One more
            </Button>
          </>
        )}
        {closedOf(plan) !== null && done + 1 < count && (
          <Button type="primary" onClick={takeNext}>
            This one is done: the next piece
          </Button>
        )}
      </p>
    </section>
  );
}
