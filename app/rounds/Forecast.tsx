import { turnedCorners } from '../../core/piece/outline.ts';
import { ListChoice } from '../look/ListChoice.tsx';
import { nanoid } from 'nanoid';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { SpacingId } from '../../core/base/spacings.ts';
import { setBlocking } from '../../core/edits/hem.ts';
import { verdict } from '../../core/flat/flat.ts';
import { estimatesOf } from '../../core/evidence/estimates.ts';
import type { Plan } from '../../core/plan/types.ts';
import { sizeSuretyWords } from '../../core/evidence/estimateWords.ts';
import { cornerTreatment } from '../../core/terms/corners.ts';
import { inTerms } from '../../core/terms/words.ts';
import { abbreviation, type StitchKind } from '../../core/terms/stitches.ts';
import { bodyLiesWords } from '../../core/document/partWords.ts';
import { flatnessWords } from '../../core/flat/flatWords.ts';
import { lengthWords, plural, sizeWords } from '../../core/say/measures.ts';
import { takeSize } from '../../core/forecast/sizes.ts';
import { useHemStore } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import { LengthInput } from '../controls/LengthInput.tsx';
import { useWorked } from '../workers/useWorked.ts';
import { NumberField } from '../look/NumberField.tsx';
import styles from './rounds.module.css';

const SPACING_NAMES: Readonly<Record<SpacingId, string>> = {
  each: 'usual',
  'three in four': '3 in 4',
  'two in three': '2 in 3',
  'one in two': '1 in 2',
  halves: '3 in 2 rows',
  kinds: 'your table',
  between: 'between the stitches',
  gaps: 'in the gaps',
  clusters: 'groups in the gaps',
  loops: 'loops',
  gauge: 'by gauge',
  own: 'your own',
};

const STITCHES: readonly StitchKind[] = ['sc', 'hdc', 'dc'];

/** The stitch of most plain rounds of a border, where it is one that is compared. */
function usualStitch({ rounds }: Plan): StitchKind {
  const used = rounds.slice(1).map((r) => r.stitch);
  const most = STITCHES.map((s) => used.filter((u) => u === s).length);
  return STITCHES[most.indexOf(Math.max(...most))]!;
}

/** How big it ends up, how long it stays flat, and which corner suits the piece. */
export function Forecast({ plan }: { readonly plan: Plan }) {
  const store = useHemStore();
  const { length, language } = plan.hem.preferences;
  // Without a corner it is the spacing alone that decides.
  const disc = turnedCorners(plan.body.outline).length === 0;
  const itself = bodyLiesWords(plan.hem);
  // To begin with, as many rounds as the border has, so that what is said of it is among them.
  const [stitch, setStitch] = useState<StitchKind>(() => usualStitch(plan));
  const [count, setCount] = useState(() => Math.min(60, Math.max(2, plan.rounds.length - 1)));
  const { value: shows } = useWorked('firstToShow', plan.hem);
  const { value: corners, pending } = useWorked('compareCorners', plan.hem, stitch, count);
  const { value: spacings } = useWorked('compareSpacings', plan.hem, stitch, count);
  const estimates = useMemo(() => estimatesOf(plan), [plan]);
  const last = plan.rounds[plan.rounds.length - 1]!;
  return (
    <section className={styles.forecast} aria-label="Size and forecast">
      <h2>Size</h2>
      <div>
        With its border: <strong>{sizeWords(plan.finishedSize, length)}</strong>{' '}
        <span className="quiet">({sizeSuretyWords(estimates, length)})</span>
        {plan.hem.blocking !== 1 && <>, after blocking {sizeWords(plan.blockedSize, length)}</>}. The border
        is {lengthWords(plan.borderWidthMm, length)} wide. Blocking stretches it by{' '}
        <NumberField
          size="small"
          aria-label="Blocking stretches it by, in percent"
          min={-20}
          max={30}
          step={1}
          suffix="%"
          value={Math.round((plan.hem.blocking - 1) * 1000) / 10}
          onChange={(v) => v !== null && store.do(setBlocking(1 + v / 100))}
          onBlur={() => store.endJoin()}
        />
      </div>
      <ToSize plan={plan} />
      {shows && (
        <p className="quiet small">
          {shows.round === null
            ? `You can go on with the ${last.name.toLowerCase()} for 40 rounds and it stays flat.`
            : `If you keep working the ${last.name.toLowerCase()}, it starts to ${shows.strain > 0 ? 'ripple' : 'pull in'} at round ${shows.round}.`}
        </p>
      )}
      <h2>
        {disc ? 'Which spacing would stay flat?' : 'Which corner would stay flat?'}{' '}
        {pending && <span className="quiet small">working …</span>}
      </h2>
      <div className="small">
        In place of your rounds, after{' '}
        <NumberField
          size="small"
          aria-label="After how many rounds"
          min={1}
          max={60}
          value={count}
          onChange={(v) => v && setCount(v)}
        />{' '}
        plain rounds of{' '}
        <ListChoice
          size="small"
          label="Of which stitch"
          value={stitch}
          options={STITCHES.map((s) => ({ value: s, label: abbreviation(s, language) }))}
          onChange={setStitch}
        />{' '}
        on this base:
      </div>
      {itself && <p className="small">{itself}</p>}
      {!disc && (
        <ul className={styles.cornerForecast}>
          {corners?.map((c) => (
            <li key={c.corner}>
              {cornerTreatment(c.corner).name}
              <span className={Math.abs(c.strain) > plan.flatLimits.blocks ? 'odd' : 'quiet'}>
                {flatnessWords(verdict(c.strain, plan.flatLimits))}
              </span>
            </li>
          ))}
        </ul>
      )}
      {!disc && (
        <>
          <p className="quiet small">After {plural(count, 'round')}, on the side where it shows most.</p>
          <h2>Which spacing would stay flat?</h2>
        </>
      )}
      <ul className={styles.cornerForecast}>
        {spacings?.map((c) => (
          <li key={c.spacing}>
            {inTerms(SPACING_NAMES[c.spacing], language)}
            <span className={Math.abs(c.strain) > plan.flatLimits.blocks ? 'odd' : 'quiet'}>
              {flatnessWords(verdict(c.strain, plan.flatLimits))}
            </span>
          </li>
        ))}
      </ul>
      <p className="quiet small">
        {disc
          ? 'The same rounds, the increases spread all the way around.'
          : 'With 3 stitches in each corner.'}
      </p>
    </section>
  );
}

/** Ways to make the piece so large, for several stitches; each way can be taken. */
function ToSize({ plan }: { readonly plan: Plan }) {
  const store = useHemStore();
  const { length, language } = plan.hem.preferences;
  const [wanted, setWanted] = useState<{ readonly width?: number; readonly height?: number }>({});
  const next = (mm: number): number => Math.ceil(mm / 10 + 6);
  const width = wanted.width ?? next(plan.blockedSize.widthMm);
  const height = wanted.height ?? next(plan.blockedSize.heightMm);
  const { value: ways, pending, failed } = useWorked('waysToSize', plan.hem, width * 10, height * 10);
  // What is missing of the wanted width, on either side of the piece.
  const wide = (width / plan.hem.blocking - plan.bodySize.widthMm / 10) / 2;
  return (
    <div className="to-size">
      <div>
        Make it{' '}
        <LengthInput
          label="Wanted width"
          cm={width}
          unit={length}
          onChange={(v) => setWanted({ ...wanted, width: v })}
        />{' '}
        ×{' '}
        <LengthInput
          label="Wanted height"
          cm={height}
          unit={length}
          onChange={(v) => setWanted({ ...wanted, height: v })}
        />
      </div>
      {wide > 0 && (
        <p className="small">
          <Link to={`/hem/${plan.hem.id}/propose?across=${width}&down=${height}`}>
            Whole borders that come to that size
          </Link>
        </p>
      )}
      {failed ? (
        <p className="problem small">This could not be worked out. Your hem is safe.</p>
      ) : !ways ? (
        <p className="quiet small">working …</p>
      ) : ways.length === 0 ? (
        <p className="quiet small">
          No number of plain rounds gives that size. It is larger already, or this is too far.
        </p>
      ) : (
        <>
          <ul className={styles.sizeWays} aria-busy={pending}>
            {ways.map((way) => (
              <li key={`${way.stitch} ${way.times}`}>
                <span>
                  <strong>{plural(way.times, 'plain round')}</strong> of {abbreviation(way.stitch, language)}:{' '}
                  {sizeWords(way, length)}
                  {way.meets.length === 1 && <span className="quiet small">, for the {way.meets[0]}</span>}
                </span>
                <Button
                  size="small"
                  disabled={pending}
                  aria-label={`Work ${plural(way.times, 'plain round')} of ${abbreviation(way.stitch, language)}`}
                  onClick={() => store.do(takeSize(plan, way, nanoid(8)))}
                >
                  Use this
                </Button>
              </li>
            ))}
          </ul>
          <p className="quiet small">
            A border adds the same on every side, so one measure is met at a time.
          </p>
        </>
      )}
    </div>
  );
}
