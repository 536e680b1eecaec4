import { useEffect, useMemo, useState } from 'react';
import { sideWords } from '../../core/print/placeWords.ts';
import { plural } from '../../core/say/measures.ts';
import type { Plan } from '../../core/plan/types.ts';
import { MOST_OFF, sideWaysOf, spotNearest, type SideInHand } from '../../core/work/sideWays.ts';
import { sideWayOutcome, sideWayWords } from '../../core/work/sideWayWords.ts';
import { useHemStore } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import type { Shown } from './PlaceView.tsx';
import styles from './work.module.css';

/** More or fewer places on the table than were planned: ways to end the side, each drawn, at a place that is picked. */
export function SideEndSheet({
  plan,
  inHand,
  first,
  onShow,
  onClose,
}: {
  readonly plan: Plan;
  readonly inHand: SideInHand;
  /** Places more on the table than planned, or fewer, as it was said first. */
  readonly first: number;
  readonly onShow: (shown: Shown | null) => void;
  readonly onClose: () => void;
}) {
  const store = useHemStore();
  const { language } = plan.hem.preferences;
  const [more, setMore] = useState(first);
  const [from, setFrom] = useState<number | null>(null);
  const [chosen, setChosen] = useState(0);
  const ways = useMemo(() => sideWaysOf(plan, more, from), [plan, more, from]);
  const way = ways[Math.min(chosen, ways.length - 1)];
  const { number } = inHand.round;
  useEffect(() => {
    onShow(
      way
        ? {
            plan: way.then,
            at: { round: number, entry: way.entry },
            onStitch: ({ entry }) => setFrom(spotNearest(way, number, inHand.side, entry)),
          }
        : null,
    );
    // eslint-disable-next-line react-hooks/exhaustive-deps -- it is told anew where it is another way
  }, [way]);
  const say = (by: number): void => {
    setMore(more + by === 0 ? more + 2 * by : more + by);
    setFrom(null);
    setChosen(0);
  };
  const place = way?.at[0]?.at;
  const at = way && place !== undefined ? way.spots.indexOf(place) : -1;
  const move = (by: number): void => setFrom(way?.spots[at + by] ?? null);
  const { places } = inHand;
  return (
    <div className={styles.sheet} role="group" aria-label="The end of the side">
      <h2>The end of {sideWords(plan, inHand.side)}</h2>
      <p className={styles.onTable}>
        <Button
          aria-label="One fewer on the table"
          disabled={more <= -MOST_OFF || places + more <= 1}
          onClick={() => say(-1)}
        >
          −
        </Button>
        <output>{plural(places + more, 'st')} on the table</output>
        <Button aria-label="One more on the table" disabled={more >= MOST_OFF} onClick={() => say(1)}>
          +
        </Button>
        <span className="quiet small">planned {places}</span>
      </p>
      {ways.length === 0 ? (
        <p>
          From here the pattern cannot be ended with that many. Rip back a repeat, or work up to the corner
          and count {sideWords(plan, inHand.side)}.
        </p>
      ) : (
        <ol className={styles.repairs}>
          {ways.map((w, i) => (
            <li key={w.kind}>
              <button
                type="button"
                className={styles.repair}
                aria-expanded={w === way}
                onClick={() => {
                  setChosen(i);
                  setFrom(null);
                }}
              >
                <span>{sideWayWords(inHand, w, language)}.</span>
                <span className="quiet small">{sideWayOutcome(plan, w)}</span>
              </button>
              {w === way && (
                <p className={styles.take}>
                  {w.spots.length > 1 && w.at.length > 0 && (
                    <>
                      <Button disabled={at <= 0} onClick={() => move(-1)}>
                        Earlier
                      </Button>
                      <Button disabled={at < 0 || at >= w.spots.length - 1} onClick={() => move(1)}>
                        Later
                      </Button>
                    </>
                  )}
                  <Button
                    type="primary"
                    onClick={() => {
                      store.note(...w.deeds);
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
      )}
      {way && way.at.length > 0 && (
        <p className="quiet small">Touch the drawing where you want it. The drawing shows how it will be.</p>
      )}
      <p className={styles.tools}>
        <Button onClick={onClose}>Close</Button>
      </p>
    </div>
  );
}
