import { useQuery, useQueryClient } from '@tanstack/react-query';
import { scaleLog } from 'd3-scale';
import { useState } from 'react';
import { Link } from 'react-router';
import { USUAL_PACE, type Part } from '../../core/hands/hands.ts';
import type { Learned } from '../../core/hands/ratio.ts';
import { stitchName, type Language, type StitchKind } from '../../core/terms/stitches.ts';
import { handsWords, basisWords } from '../../core/words/handsWords.ts';
import { plural } from '../../core/words/measures.ts';
import { Button } from '../look/Button.tsx';
import { GroundButton } from '../look/GroundButton.tsx';
import { Themed } from '../look/Themed.tsx';
import { forgetUpTo, myHands, takeForNewHems } from './hands.ts';
import styles from './hands.module.css';

const PARTS = [
  ['time', 'Pace'],
  ['yarn', 'Yarn'],
  ['height', 'Height of rounds'],
] as const;

/** What the log teaches of one’s own hands, from what, and how sure; it can be left out of account. */
export function HandsPage() {
  const queries = useQueryClient();
  const { data, error } = useQuery({ queryKey: ['hands'], queryFn: myHands, staleTime: 0 });
  /** Chosen here just now; null leaves it to what is kept. */
  const [used, setUsed] = useState<boolean | null>(null);
  const set = (work: Promise<void>): void =>
    void work.then(() => queries.invalidateQueries({ queryKey: ['hands'] }));
  return (
    <Themed>
      <main className={styles.hands}>
        <header>
          <Link to="/">Shelf</Link>
          <h1>My hands</h1>
          <Link to="/log">Log of all hems</Link>
          <GroundButton />
        </header>
        <p>
          What your log teaches, compared with the rules of thumb. It stays in this browser. What the demo
          hems came with is left out.
        </p>
        {error && <p className="problem">Your hems cannot be read now. Nothing is lost: reload the page.</p>}
        {data && (
          <>
            {PARTS.map(([key, name]) => (
              <section key={key}>
                <h2>{name}</h2>
                <PartWords of={key} part={data.hands[key]} language={data.language} />
              </section>
            ))}
            <section>
              <h2>Counts</h2>
              <p>
                {data.hands.counted.sides === 0
                  ? 'No side has been counted yet.'
                  : `${data.hands.counted.off} of ${plural(data.hands.counted.sides, 'counted side')} had another count than planned.`}
              </p>
            </section>
            <section>
              <h2>What it is used for</h2>
              <label className={styles.use}>
                <input
                  type="checkbox"
                  checked={used ?? data.used}
                  onChange={(e) => {
                    // It is seen at once, and written meanwhile.
                    setUsed(e.target.checked);
                    set(takeForNewHems(e.target.checked));
                  }}
                />{' '}
                New hems begin with my pace
                {data.hands.time.all.basis === 'these hands' &&
                  `: ${Math.round(USUAL_PACE / data.hands.time.all.ratio)} stitches a minute`}
              </label>
              <p className="quiet small">
                Each hem learns its own yarn from what is weighed. You can change the pace of a hem on its
                Yarn page.
              </p>
              <p className={styles.tools}>
                <Button size="small" onClick={() => set(forgetUpTo(new Date().toISOString()))}>
                  Start afresh from now
                </Button>
                {data.since !== null && (
                  <Button size="small" onClick={() => set(forgetUpTo(null))}>
                    Take everything into account again
                  </Button>
                )}
              </p>
              <p className="quiet small">
                {data.since === null
                  ? 'The log itself is never deleted by this.'
                  : `Only what was noted since ${new Date(data.since).toLocaleDateString(undefined, { day: 'numeric', month: 'long', year: 'numeric' })} counts. The log is all there.`}
              </p>
            </section>
          </>
        )}
      </main>
    </Themed>
  );
}

interface PartWordsProps {
  readonly of: 'time' | 'yarn' | 'height';
  readonly part: Part;
  readonly language: Language;
}

function PartWords({ of, part, language }: PartWordsProps) {
  const kinds = Object.entries(part.by) as [StitchKind, Learned][];
  return (
    <>
      <p>
        {handsWords(of, part.all)} <span className="quiet">{basisWords(part.all)}</span>
      </p>
      <Ranges
        lines={[
          ['all stitches', part.all],
          ...kinds.map(([kind, l]) => [stitchName(kind, language), l] as const),
        ]}
      />
      {part.all.doubted.length > 0 && (
        <p className="small">
          {part.all.doubted.length === 1
            ? 'One entry is so far off that it looks like a slip, and hardly counts.'
            : `${part.all.doubted.length} entries are so far off that they look like slips, and hardly count.`}{' '}
          <Link to="/log">Look in the log</Link>: a wrong entry can be corrected or struck on the log of its
          hem.
        </p>
      )}
    </>
  );
}

const WIDTH = 560;
const LINE = 26;
const NAMES = 170;

/** Each as a point with its range, on a scale about the rule of thumb. */
function Ranges({ lines }: { readonly lines: readonly (readonly [name: string, learned: Learned])[] }) {
  const most = Math.max(1.3, ...lines.flatMap(([, { low, high }]) => [high, 1 / low]));
  const x = scaleLog([1 / most, most], [NAMES, WIDTH - 8]);
  const height = LINE * lines.length + 24;
  return (
    <svg
      className={styles.ranges}
      viewBox={`0 0 ${WIDTH} ${height}`}
      role="img"
      aria-label={lines
        .map(
          ([name, l]) =>
            `${name}: ${l.ratio.toFixed(2)} times the rule of thumb, ${l.low.toFixed(2)} to ${l.high.toFixed(2)}`,
        )
        .join('. ')}
    >
      <line className={styles.thumb} x1={x(1)} x2={x(1)} y1="4" y2={height - 18} />
      <text className={styles.foot} x={x(1)} y={height - 4}>
        rule of thumb
      </text>
      {lines.map(([name, { ratio, low, high }], i) => (
        <g key={name} transform={`translate(0 ${LINE * i + LINE / 2 + 2})`}>
          <text className={styles.name} y="4">
            {name}
          </text>
          <line className={styles.range} x1={x(low)} x2={x(high)} y1="0" y2="0" />
          <circle className={styles.value} cx={x(ratio)} r="5" cy="0" />
        </g>
      ))}
    </svg>
  );
}
