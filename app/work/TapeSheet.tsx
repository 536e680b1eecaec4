import { useMemo, useState } from 'react';
import { held } from '../../core/held.ts';
import { firstStitches, gauged, tapeOf, tapeWays, type TapeWay } from '../../core/work/tape.ts';
import { tapeWayWords, tapeWords } from '../../core/work/tapeWords.ts';
import { roundIn } from '../../core/plan/roundNames.ts';
import { numberTyped } from '../../core/say/typed.ts';
import { progressOf } from '../../core/work/progress.ts';
import { ripPrices, ripPricesWords } from '../../core/work/waiting.ts';
import type { Plan } from '../../core/plan/types.ts';
import { useHemStore } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import type { Shown } from './PlaceView.tsx';
import styles from './work.module.css';

/** One reading of the tape at the edge, what it tells, and the ways on. */
export function TapeSheet({
  plan,
  onShow,
  onClose,
}: {
  readonly plan: Plan;
  readonly onShow: (shown: Shown | null) => void;
  readonly onClose: () => void;
}) {
  const tape = tapeOf(plan);
  return (
    <div className={styles.sheet} role="group" aria-label="Will it lie?">
      <h2>Will it lie?</h2>
      {tape === null ? (
        <Reading plan={plan} onClose={onClose} />
      ) : (
        <>
          {tapeWords(plan, tape).map((text, i) => (
            <p key={text} className={i > 0 ? 'quiet small' : undefined}>
              {text}
            </p>
          ))}
          <Ways plan={plan} onShow={onShow} onClose={onClose} />
        </>
      )}
      <p className={styles.tools}>
        <Button onClick={onClose}>Close</Button>
      </p>
    </div>
  );
}

function Reading({ plan, onClose }: { readonly plan: Plan; readonly onClose: () => void }) {
  const store = useHemStore();
  const { length: unit } = plan.hem.preferences;
  const { round } = progressOf(plan);
  const usual = round ? firstStitches(round) : 14;
  const [stitches, setStitches] = useState(String(usual));
  const [long, setLong] = useState(unit === 'cm' ? '10' : '4');
  const [beneath, setBeneath] = useState('');
  const mm = (text: string): number => numberTyped(text, unit) * (unit === 'cm' ? 10 : 25.4);
  const count = Number(stitches);
  const [longMm, beneathMm] = [mm(long), mm(beneath)];
  const can = Number.isInteger(count) && count > 0 && longMm > 0 && beneathMm > 0;
  const far = can && Math.abs(Math.log(longMm / beneathMm)) > FAR;
  const note = (): void => {
    const deed = gauged(plan, count, longMm, beneathMm);
    if (deed) store.note(deed);
    else onClose();
  };
  const field = (
    label: string,
    value: string,
    change: (text: string) => void,
    inputMode: 'decimal' | 'numeric',
  ) => (
    <label>
      {label}
      <input inputMode={inputMode} maxLength={8} value={value} onChange={(e) => change(e.target.value)} />
    </label>
  );
  return (
    <>
      <p className="quiet small">
        Lay a stretch of the border flat, from one stitch to another. Then measure the edge of the piece just
        beneath the same stitches.
      </p>
      <div className={styles.counts}>
        {field('Stitches', stitches, setStitches, 'numeric')}
        {field(`They are long, ${unit}`, long, setLong, 'decimal')}
        {field(`The edge beneath, ${unit}`, beneath, setBeneath, 'decimal')}
      </div>
      {far && (
        <p className={styles.moment}>
          These two are far apart. Look whether both were measured over the same stitches.
        </p>
      )}
      <p className={styles.tools}>
        <Button type="primary" disabled={!can} onClick={note}>
          Note it
        </Button>
      </p>
    </>
  );
}

const lowered = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1);

/** A logarithm beyond which two lengths are doubted. */
const FAR = 0.35;

function Ways({
  plan,
  onShow,
  onClose,
}: {
  readonly plan: Plan;
  readonly onShow: (shown: Shown | null) => void;
  readonly onClose: () => void;
}) {
  const store = useHemStore();
  const [chosen, setChosen] = useState<TapeWay['kind'] | null>(null);
  const ways = useMemo(() => {
    const tape = tapeOf(plan);
    return tape ? tapeWays(plan, tape) : [];
  }, [plan]);
  const { round } = progressOf(plan);
  const take = ({ deeds, edit }: TapeWay): void => {
    // What is ripped out is off before the design of it changes.
    if (deeds.length === 0 || store.note(...deeds)) {
      if (edit) store.do(edit);
      onClose();
    }
  };
  if (ways.length === 0 || !round) return null;
  const place = {
    round: round.number,
    made: 0,
    price: held(
      ways.find((w) => w.kind === 'rip'),
      'it can always be ripped',
    ).price,
  };
  return (
    <>
      <h3>Ways on</h3>
      <ol className={styles.repairs}>
        {ways.map((way) => (
          <li key={way.kind}>
            <button
              type="button"
              className={styles.repair}
              aria-expanded={chosen === way.kind}
              onClick={() => {
                const open = chosen !== way.kind;
                setChosen(open ? way.kind : null);
                onShow(
                  open && way.then
                    ? { plan: way.then, at: { round: round.number, entry: progressOf(plan).made } }
                    : null,
                );
              }}
            >
              <span>{tapeWayWords(plan, way)}.</span>
            </button>
            {chosen === way.kind && (
              <p className={styles.take}>
                <span className="quiet small">
                  {way.then
                    ? 'The drawing shows how it will be.'
                    : `It stays with ${roundIn(plan, round.number)}.`}
                </span>
                <Button type="primary" onClick={() => take(way)}>
                  Do this
                </Button>
              </p>
            )}
          </li>
        ))}
      </ol>
      <p className="quiet small">
        If you wait and rip then: {lowered(ripPricesWords(plan, ripPrices(plan, place)))}
      </p>
    </>
  );
}
