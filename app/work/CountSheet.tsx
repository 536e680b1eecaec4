import { roundWords } from '../../core/say/rounds.ts';
import { saidOfRows } from '../../core/plan/roundNames.ts';
import { useMemo, useState } from 'react';
import { sidesWorked, type Plan } from '../../core/plan/types.ts';
import { sideLabel } from '../../core/print/placeWords.ts';
import { causeWords, comparedWords, outcomeWords, repairWords } from '../../core/work/recountWords.ts';
import { progressOf } from '../../core/work/progress.ts';
import { causesOf, differences, type SideCounts } from '../../core/work/recount.ts';
import { finishedSides } from '../../core/work/sides.ts';
import { countedDeeds, repairsOf, type Repair } from '../../core/work/repairs.ts';
import { countSlip } from '../../core/evidence/slips.ts';
import { useHemStore } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import { useNotices } from '../look/notices.tsx';
import { Keypad } from './Keypad.tsx';
import type { Shown } from './PlaceView.tsx';
import styles from './work.module.css';

/** A count beside what should be there: “of 160: 2 fewer”. */
function ofWords(should: number, found: number | null): string {
  if (found === null) return `should be ${should}`;
  if (found === should) return `of ${should}: right`;
  return `of ${should}: ${Math.abs(found - should)} ${found < should ? 'fewer' : 'more'}`;
}

/** Type what is there; right, or what it may be and what can be done. */
export function CountSheet({
  plan,
  side: asked,
  onSide: setSide,
  onShow,
  onClose,
}: {
  readonly plan: Plan;
  /** The side in question; null while none has been touched. */
  readonly side: number | null;
  readonly onSide: (side: number) => void;
  readonly onShow: (shown: Shown | null) => void;
  readonly onClose: () => void;
}) {
  const store = useHemStore();
  const notices = useNotices();
  const { round, begun, made } = progressOf(plan);
  // Before a round is begun, the one before it is counted.
  const last = plan.rounds.findLast((r) => r.done !== null)?.number ?? 0;
  const [number, setNumber] = useState(round && begun ? round.number : last);
  const counted = plan.rounds[number]!;
  const place = round?.number === number && begun ? made : counted.ring.made.length;
  const whole = finishedSides(plan, number, place);
  const [typed, setTyped] = useState<Readonly<Record<number, string>>>({});
  const side = asked ?? sidesWorked(plan).find((i) => whole[i]) ?? sidesWorked(plan)[0]!;
  const [chosen, setChosen] = useState<number | null>(null);
  const type = (of: number, text: string): void => {
    setTyped({ ...typed, [of]: text.replace(/\D/g, '').slice(0, 5) });
    setChosen(null);
    onShow(null);
  };
  const found = useMemo<SideCounts>(
    () =>
      counted.sides.map((_, side) => {
        const text = typed[side]?.trim() ?? '';
        return /^\d{1,5}$/.test(text) ? Number(text) : null;
      }),
    [counted, typed],
  );
  const anything = found.some((f) => f !== null);
  const wrong = differences(counted, found).some((d) => d !== 0);
  // Where nothing is wrong there are none.
  const causes = useMemo(() => causesOf(plan, number, found, place), [plan, number, found, place]);
  const repairs = useMemo(
    () => repairsOf(plan, number, found, place, causes),
    [plan, number, found, place, causes],
  );
  const take = (repair: Repair): void => {
    const done = (repair.edit === null || store.do(repair.edit)) && store.note(...repair.deeds);
    if (done) onClose();
  };
  const right = (): void => {
    store.note(...countedDeeds(counted, found, place));
    notices.info({ key: 'counted', title: 'Right', description: 'The count is noted.', duration: 4 });
    onClose();
  };
  const begunRounds = plan.rounds.filter((r) => r.done !== null);
  return (
    <div className={styles.sheet} role="group" aria-label="Count">
      <h2>Count</h2>
      {begunRounds.length > 1 && (
        <label>
          Round{' '}
          <select
            value={number}
            onChange={(e) => {
              setNumber(Number(e.target.value));
              setTyped({});
              setChosen(null);
              onShow(null);
            }}
          >
            {begunRounds.map((r) => (
              <option key={r.number} value={r.number}>
                {saidOfRows(plan)(roundWords(r.number))}
              </option>
            ))}
          </select>
        </label>
      )}
      <p className="quiet small">
        Count each side and type what you find.{' '}
        {plan.body.outline.part
          ? 'The end stitches of a row are counted with their side, the middles of corners left out.'
          : 'From corner to corner, the middles of the corners left out.'}
      </p>
      <div className={styles.countPad}>
        <div className={`${styles.counts} ${styles.sides}`}>
          {sidesWorked(plan).map((i) => (
            <label key={i} className={i === side && whole[i] ? styles.counting : undefined}>
              <span className={styles.sideName}>{sideLabel(plan, i)}</span>
              <input
                // The keys below are larger than those of a phone, and leave the drawing in view.
                inputMode={matchMedia('(pointer: coarse)').matches ? 'none' : 'numeric'}
                maxLength={5}
                disabled={!whole[i]}
                value={typed[i] ?? ''}
                aria-describedby={`expected-${i}`}
                onFocus={() => setSide(i)}
                onChange={(e) => type(i, e.target.value)}
              />
              <span id={`expected-${i}`} className="quiet small">
                {whole[i] ? ofWords(counted.sides[i]!.tally.stitches, found[i] ?? null) : 'not finished'}
              </span>
            </label>
          ))}
        </div>
        {whole[side] && (
          <Keypad
            of={sideLabel(plan, side)}
            value={typed[side] ?? ''}
            onChange={(text) => type(side, text)}
          />
        )}
      </div>
      {wrong && (
        <>
          {found.some((f, i) => f !== null && countSlip(f, counted.sides[i]!.tally.stitches)) && (
            <p className={styles.moment}>
              That is far from what should be there. Look whether a figure is missing, or one too many.
            </p>
          )}
          <p className="quiet small">{comparedWords(plan, number, found)}</p>
          <h3>What it may be</h3>
          <ul className={styles.causes}>
            {causes.slice(0, 4).map((cause, i) => (
              <li key={i}>
                {causeWords(plan, cause)}{' '}
                {cause.slip.kind !== 'miscount' && (
                  <Button onClick={() => onShow({ plan, at: { round: number, entry: cause.entry } })}>
                    Show me
                  </Button>
                )}
              </li>
            ))}
          </ul>
          <h3>What you can do</h3>
          <ol className={styles.repairs}>
            {repairs.map((repair, i) => (
              <li key={i}>
                <button
                  type="button"
                  className={styles.repair}
                  aria-expanded={chosen === i}
                  onClick={() => {
                    setChosen(chosen === i ? null : i);
                    onShow(chosen === i ? null : { plan: repair.then, at: repair.place });
                  }}
                >
                  <span>{repairWords(plan, repair)}.</span>
                  <span className="quiet small">{outcomeWords(plan, repair)}</span>
                </button>
                {chosen === i && (
                  <p className={styles.take}>
                    <span className="quiet small">The drawing shows how it will be.</span>
                    <Button type="primary" onClick={() => take(repair)}>
                      Do this
                    </Button>
                  </p>
                )}
              </li>
            ))}
          </ol>
        </>
      )}
      <p className={styles.tools}>
        {anything && !wrong && (
          <Button type="primary" onClick={right}>
            Note that it is right
          </Button>
        )}
        <Button onClick={onClose}>Close</Button>
      </p>
    </div>
  );
}
