import { held } from '../../core/held.ts';
import { usePlan } from '../hem/context.ts';
import { max } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { ballEnds } from '../../core/forecast/supply.ts';
import { plural, timeWords, yarnLengthWords, yarnRangeWords } from '../../core/say/measures.ts';
import { useNarrow } from '../look/narrow.ts';
import styles from './yarn.module.css';

/** Names stand before their bars and amounts behind them; on a phone both stand above. `from` and `to` bound the bars. */
const WIDE = { width: 660, row: 30, from: 150, to: 530, bar: 5, words: 19 };
const NARROW = { width: 350, row: 44, from: 0, to: 349, bar: 19, words: 13 };

/** Metres of every round as a bar in its colour, with the range of the estimate and the balls that end in it. */
export function RoundsChart() {
  const plan = usePlan();
  const narrow = useNarrow();
  const { width, row, from, to, bar, words } = narrow ? NARROW : WIDE;
  const unit = plan.hem.preferences.length;
  const yarns = new Map(plan.yarns.map((y) => [y.yarn.id, y]));
  const ends = ballEnds(plan);
  const most =
    max(
      plan.rounds,
      (r) => r.yarnM * (1 + held(yarns.get(r.yarnId), 'every round has a yarn of the hem').quantity.spread),
    ) ?? 1;
  const x = scaleLinear().domain([0, most]).range([from, to]);
  const rows = [...plan.rounds].reverse().map((round) => {
    const { yarn, quantity } = held(yarns.get(round.yarnId), 'every round has a yarn of the hem');
    const balls = ends.filter((e) => e.round === round.number).map((e) => e.ball);
    return {
      round,
      colour: yarn.colour,
      name: round.number === 0 ? round.name : `${round.number} ${round.name}`,
      length: yarnLengthWords(round.yarnM, unit),
      range: yarnRangeWords(round.yarnM, quantity.spread, unit),
      low: x(round.yarnM * (1 - quantity.spread)),
      high: x(round.yarnM * (1 + quantity.spread)),
      ends: balls.length > 0 ? `ball ${balls.join(', ')} ends` : null,
    };
  });
  const said = rows.map((r) => [`${r.name}: ${r.range}`, r.ends].filter(Boolean).join(', '));
  return (
    <svg
      className={styles.chart}
      viewBox={`0 0 ${width} ${plan.rounds.length * row + 8}`}
      role="img"
      aria-label={`Yarn for each round: ${said.join('. ')}`}
    >
      {rows.map((r, place) => (
        <g key={r.round.number} transform={`translate(0 ${place * row})`}>
          <title>{`${plural(r.round.total, 'stitch')}, ${r.range}, about ${timeWords(r.round.minutes)}`}</title>
          <text x={0} y={words}>
            {r.name}
          </text>
          <rect
            className={styles.bar}
            x={from}
            width={Math.max(0, x(r.round.yarnM) - from)}
            y={bar}
            height={19}
            rx={3}
            fill={r.colour}
          />
          <path
            className={styles.range}
            d={`M${r.low},${bar + 9.5}H${r.high}m0,-5v10M${r.low},${bar + 4.5}v10`}
          />
          <text
            className="amount"
            x={narrow ? width : r.high + 8}
            y={words}
            textAnchor={narrow ? 'end' : 'start'}
          >
            {r.length}
            {r.ends && (
              <tspan className={styles.ballEnd} dx={8}>
                {r.ends}
              </tspan>
            )}
          </text>
        </g>
      ))}
    </svg>
  );
}
