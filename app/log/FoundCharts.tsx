import { capital } from '../../core/terms/words.ts';
import { roundWords } from '../../core/say/rounds.ts';
import { roundIn, saidOfRows } from '../../core/plan/roundNames.ts';
import { usePlan } from '../hem/context.ts';
import { max } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { useMemo } from 'react';
import { foundOf, type LogFound } from '../../core/log/found.ts';
import { layAgrees, layWords } from '../../core/log/foundWords.ts';
import { lengthWords, smallLengthWords } from '../../core/say/measures.ts';
import { useNarrow } from '../look/narrow.ts';
import { sideLabel } from '../../core/print/placeWords.ts';
import styles from './log.module.css';

/** Charts of plan and finding, side by side. Nothing while nothing has been found. */
export function FoundCharts() {
  const plan = usePlan();
  const { counts, yarn, height, size, lay } = useMemo(() => foundOf(plan), [plan]);
  if (counts.length + yarn.length + height.length + size.length + lay.length === 0) return null;
  const unit = plan.hem.preferences.length;
  const named = (round: number): string => capital(saidOfRows(plan)(roundWords(round)));
  const cm = (value: number): string => lengthWords(value * 10, unit);
  const off = counts.filter((c) => c.planned !== c.found);
  const odd = lay.filter((l) => !layAgrees(l));
  return (
    <section aria-label="Planned and found">
      <h2>Planned and found</h2>
      <p className="quiet small">A bar is what was found, the line what was planned.</p>
      <Bars
        title="Yarn from weighing to weighing"
        found={yarn}
        name={(f) => `${named(f.round)}, ${f.of ?? ''}`}
        words={(value) => `${Math.round(value)} g`}
      />
      <Bars
        title={`Across the ${plan.body.outline.part ? 'rows' : 'rounds'}`}
        found={height}
        name={(f) => `up to ${roundIn(plan, f.round)}`}
        words={(value) => smallLengthWords(value * 10, unit)}
      />
      <Bars title="Size" found={size} name={(f) => `${named(f.round)}, ${f.of ?? ''}`} words={cm} />
      {counts.length > 0 && (
        <>
          <p>
            Counts: {counts.length - off.length} of {counts.length} sides as planned.
          </p>
          <Bars
            title="Sides that were not"
            found={off}
            name={(f) => `${named(f.round)}, ${sideLabel(plan, Number(f.of))}`}
            words={(value) => `${value}`}
          />
        </>
      )}
      {lay.length > 0 && (
        <>
          <p>
            Flatness: {lay.length - odd.length} of {lay.length} sides lay as planned.
          </p>
          <ul className={styles.lay}>
            {odd.map((l, i) => (
              <li key={i}>{`${named(l.round)}: ${layWords(l, sideLabel(plan, l.side))}.`}</li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

const WIDTH = 520;
const WIDTH_NARROW = 330;
const LINE = 38;

interface BarsProps {
  readonly title: string;
  readonly found: readonly LogFound[];
  readonly name: (found: LogFound) => string;
  readonly words: (value: number) => string;
}

/** A bar for what was found, and a line where it was planned. */
function Bars({ title, found, name, words }: BarsProps) {
  const width = useNarrow() ? WIDTH_NARROW : WIDTH;
  if (found.length === 0) return null;
  const most = max(found, (f) => Math.max(f.planned, f.found)) ?? 1;
  const x = scaleLinear([0, most], [0, width - 1]);
  const said = (f: LogFound): string => `${words(f.found)}, planned ${words(f.planned)}`;
  return (
    <figure className={styles.found}>
      <figcaption>{title}</figcaption>
      <svg
        viewBox={`0 0 ${width} ${LINE * found.length}`}
        style={{ maxWidth: width }}
        role="img"
        aria-label={`${title}: ${found.map((f) => `${name(f)}: ${said(f)}`).join('. ')}`}
      >
        {found.map((f, i) => (
          <g key={i} transform={`translate(0 ${LINE * i})`}>
            <text x="0" y="13">
              {name(f)}
            </text>
            <rect className={styles.bar} x="0" y="19" width={x(f.found)} height="10" rx="2" />
            <line className={styles.planned} x1={x(f.planned)} x2={x(f.planned)} y1="16" y2="32" />
            <text className={styles.number} x={width} y="13">
              {said(f)}
            </text>
          </g>
        ))}
      </svg>
    </figure>
  );
}
