import { isDisc } from '../../core/piece/outline.ts';
import { Select } from 'antd';
import { useState } from 'react';
import type { SchoolId } from '../../core/base/schools.ts';
import { setBlocking } from '../../core/edits/hem.ts';
import { verdict } from '../../core/flat/flat.ts';
import type { Plan } from '../../core/plan/types.ts';
import { CORNERS } from '../../core/terms/corners.ts';
import { abbreviation, type StitchKind } from '../../core/terms/stitches.ts';
import { lengthWords, percentWords, plural, sizeWords } from '../../core/words/measures.ts';
import { useHemStore } from '../hem/context.ts';
import { LengthInput } from '../controls/LengthInput.tsx';
import { useWorked } from '../workers/useWorked.ts';
import { NumberField } from '../look/NumberField.tsx';

const SCHOOL_NAMES: Readonly<Record<SchoolId, string>> = {
  each: 'full rate',
  halves: 'closer rate',
  kinds: 'your table',
  between: 'between the stitches',
  gaps: 'in the gaps',
  clusters: 'clusters in the gaps',
  loops: 'loops',
  gauge: 'by gauge',
  own: 'own rate',
};

const STITCHES: readonly StitchKind[] = ['sc', 'hdc', 'dc'];

/** How big it ends up, how long it stays flat, and which corner suits the piece. */
export function Forecast({ plan }: { readonly plan: Plan }) {
  const store = useHemStore();
  const { length, language } = plan.hem.preferences;
  const disc = isDisc(plan.body.outline);
  const [wanted, setWanted] = useState<number | null>(null);
  const [stitch, setStitch] = useState<StitchKind>('hdc');
  const [count, setCount] = useState(10);
  const { value: shows } = useWorked('firstToShow', plan.hem);
  const { value: corners, pending } = useWorked('compareCorners', plan.hem, stitch, count);
  const widthCm = wanted ?? Math.ceil(plan.blockedSize.widthMm / 10 + 10);
  const { value: schools } = useWorked('compareSchools', plan.hem, stitch, count);
  const { value: needed, pending: sizing, failed } = useWorked('roundsForWidth', plan.hem, widthCm * 10);
  const last = plan.rounds[plan.rounds.length - 1]!;
  return (
    <section className="forecast" aria-label="Size and forecast">
      <h2>Size</h2>
      <p>
        <strong>{sizeWords(plan.finishedSize, length)}</strong> with its border of{' '}
        {lengthWords(plan.borderWidthMm, length)}
        {plan.hem.blocking !== 1 && <>, {sizeWords(plan.blockedSize, length)} blocked</>}. Blocking makes it{' '}
        <NumberField
          size="small"
          aria-label="Size after blocking over size before"
          min={0.8}
          max={1.3}
          step={0.01}
          prefix="×"
          value={plan.hem.blocking}
          onChange={(v) => v && store.do(setBlocking(v))}
          onBlur={() => store.endJoin()}
        />
      </p>
      {shows && (
        <p>
          To be <LengthInput label="Wanted width" cm={widthCm} unit={length} onChange={setWanted} /> wide:{' '}
          {needed ? (
            <>
              the {last.name.toLowerCase()} <strong>{needed.times} times</strong>, which gives{' '}
              {sizeWords(needed, length)}.
            </>
          ) : sizing ? (
            'working …'
          ) : failed ? (
            'this could not be worked out.'
          ) : (
            'more than a hundred rounds.'
          )}
        </p>
      )}
      {shows && (
        <p className="quiet small">
          {shows.round === null
            ? `If the ${last.name.toLowerCase()} went on, it would still lie flat or block out after forty repeats (${percentWords(shows.strain)}).`
            : `If the ${last.name.toLowerCase()} went on, it would begin to ${shows.strain > 0 ? 'ripple' : 'cup'} at round ${shows.round} (${percentWords(shows.strain)}).`}
        </p>
      )}
      <h2>
        {disc ? 'Which spacing?' : 'Which corner?'}{' '}
        {pending && <span className="quiet small">working …</span>}
      </h2>
      <p className="small">
        After{' '}
        <NumberField
          size="small"
          aria-label="Rounds to compare"
          min={1}
          max={60}
          value={count}
          onChange={(v) => v && setCount(v)}
        />{' '}
        plain rounds of{' '}
        <Select
          size="small"
          aria-label="Stitch to compare"
          value={stitch}
          options={STITCHES.map((s) => ({ value: s, label: abbreviation(s, language) }))}
          onChange={setStitch}
        />{' '}
        on this base:
      </p>
      {!disc && (
        <ul className="corner-forecast">
          {corners?.map((c) => (
            <li key={c.corner}>
              {CORNERS.find((x) => x.id === c.corner)!.name}
              <span className={Math.abs(c.strain) > 0.05 ? 'odd' : 'quiet'}>
                {percentWords(c.strain)} {verdict(c.strain)}
              </span>
            </li>
          ))}
        </ul>
      )}
      {!disc && (
        <>
          <p className="quiet small">
            {plural(count, 'round')} on the base as it is, worst side; ±2 % lies flat, ±5 % blocks out.
          </p>
          <h2>Which spacing?</h2>
        </>
      )}
      <ul className="corner-forecast">
        {schools?.map((c) => (
          <li key={c.school}>
            {SCHOOL_NAMES[c.school]}
            <span className={Math.abs(c.strain) > 0.05 ? 'odd' : 'quiet'}>
              {percentWords(c.strain)} {verdict(c.strain)}
            </span>
          </li>
        ))}
      </ul>
      <p className="quiet small">
        {disc
          ? 'The same rounds, the increases spread all the way around; ±2 % lies flat, ±5 % blocks out.'
          : 'The same rounds with 3 in each corner, each spacing on the sides to which it applies.'}
      </p>
    </section>
  );
}
