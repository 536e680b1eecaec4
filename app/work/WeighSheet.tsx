import { fetched } from '../look/fetched.ts';
import { Suspense, useState } from 'react';
import { identityOfRound, type Plan } from '../../core/plan/types.ts';
import { weightSlip } from '../../core/evidence/slips.ts';
import { everWeighed, lastWeighed } from '../../core/record/weighings.ts';
import { insteadWords, reachWords } from '../../core/work/ballWords.ts';
import { yarnRestsOn } from '../../core/evidence/estimateWords.ts';
import { numberTyped } from '../../core/say/typed.ts';
import { progressOf } from '../../core/work/progress.ts';
import { useHemStore } from '../hem/context.ts';
import { AskedAbout } from '../sections/AskedAbout.tsx';
import { Button } from '../look/Button.tsx';
import { whenWords } from '../look/when.ts';
import styles from './work.module.css';

const Scale = fetched(async () => (await import('../controls/Scale.tsx')).Scale);

/** A ball heavier than this is a slip of the finger, g. */
const MOST_G = 5000;

const round1 = (grams: number): number => Math.round(grams * 10) / 10;

/** The ball in hand on the scale: does it last, and where does it end? */
export function WeighSheet({ plan, onClose }: { readonly plan: Plan; readonly onClose: () => void }) {
  const store = useHemStore();
  const { round, made } = progressOf(plan);
  const used = plan.yarns.find((y) => y.yarn.id === round?.yarnId);
  const [typed, setTyped] = useState('');
  const [scaleOpen, setScaleOpen] = useState(false);
  const before = used ? lastWeighed(plan.hem.record, used.yarn.id) : null;
  // What was ripped hangs on the ball again: it is the same ball, and may be heavier.
  const earlier = used ? everWeighed(plan.hem.record, used.yarn.id) : null;
  const [same, setSame] = useState(true);
  if (!round || !used) return null;
  const { yarn } = used;
  const value = numberTyped(typed, 'g');
  const grams = value > 0 && value <= MOST_G ? value : null;
  const slip = grams !== null ? weightSlip(plan, round, made, same && before !== null, grams) : null;
  const heavier = same && before !== null && grams !== null && grams > before.grams;
  const note = (): void => {
    if (grams === null || heavier) return;
    store.note({
      did: 'weighed',
      round: identityOfRound(round),
      stitches: made,
      yarn: yarn.id,
      ball: same && earlier !== null ? 'same' : 'new',
      grams,
    });
    onClose();
  };
  return (
    <div className={styles.sheet} role="group" aria-label="Weigh">
      <h2>Weigh the ball</h2>
      <p className="quiet small">
        The ball of {yarn.name} that you work from, with the yarn that hangs on it. From the second time on
        the estimate improves.
      </p>
      <div className={styles.counts}>
        <label>
          Left of the ball, g
          <input inputMode="decimal" maxLength={8} value={typed} onChange={(e) => setTyped(e.target.value)} />
        </label>
      </div>
      {typed.trim() !== '' && grams === null && (
        <p className={styles.moment}>Type the weight in grams, such as 41.5.</p>
      )}
      {earlier && (
        <>
          <p className="small">
            It weighed {earlier.grams} g ({whenWords(earlier.at, new Date())}
            {before ? '' : ', before you ripped back'}).
          </p>
          <label className={styles.check}>
            <input type="checkbox" checked={same} onChange={(e) => setSame(e.target.checked)} /> It is still
            the same ball
          </label>
          {heavier && (
            <p className={styles.moment}>
              A ball does not get heavier. Weigh it again, or say that it is another ball.
            </p>
          )}
        </>
      )}
      {slip && !heavier && (
        <AskedAbout slip={slip} say={(g) => `${round1(g)} g`} onInstead={(g) => setTyped(`${g}`)} />
      )}
      {grams !== null &&
        [...reachWords(plan, grams), ...insteadWords(plan, grams)].map((text) => (
          <p key={text} className={styles.moment}>
            {text}
          </p>
        ))}
      <p className="quiet small">
        An estimate from the path of the yarn through every stitch. {yarnRestsOn(used)}
      </p>
      <p className={styles.tools}>
        <Button type="primary" disabled={grams === null || heavier} onClick={note}>
          Note it
        </Button>
        <Button aria-expanded={scaleOpen} onClick={() => setScaleOpen(!scaleOpen)}>
          Kitchen scale
        </Button>
        <Button onClick={onClose}>Close</Button>
      </p>
      {scaleOpen && (
        <Suspense fallback={null}>
          <Scale onReading={(g) => setTyped(g.toFixed(1))} />
        </Suspense>
      )}
    </div>
  );
}
